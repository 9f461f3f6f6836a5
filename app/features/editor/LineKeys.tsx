import { ScrollView, StyleSheet } from 'react-native';
import type { Diagram } from '../../../core/diagram/diagram';
import { Button } from '../../ui/Button';
import { space } from '../../theme/theme';

interface Props {
  diagram: Diagram;
  /** What the line is called, for who cannot see which one it is. */
  of: string;
  text: string;
  write: (text: string) => void;
}

/** What a line is made of, to be tapped: arrows, rails, and the parts that are there with their ways through. */
export function LineKeys({ diagram, of, text, write }: Props) {
  const ended = text.trimEnd();
  const afterArrow = ended === '' || /[>(|]$/.test(ended);
  const add = (piece: string): void => write(`${ended}${ended ? ' ' : ''}${piece}`);
  const rails = diagram.supplies.flatMap(({ terminals }) => terminals.map(({ id }) => id));
  const pieces = afterArrow
    ? [...new Set([...(rails.length ? rails : USUAL_RAILS), ...diagram.parts.flatMap(waysThrough)])]
    : ['>', '-BK>', '-RD>', '-WH>', '-BU>', '-YE>', '-OR>'];
  return (
    <ScrollView
      horizontal
      tabIndex={0}
      role="region"
      aria-label={`Pieces for: ${of}`}
      contentContainerStyle={styles.keys}
      keyboardShouldPersistTaps="always"
    >
      {pieces.map((piece) => (
        <Button key={piece} label={piece} testID={`piece-${piece}`} onPress={() => add(piece)} />
      ))}
    </ScrollView>
  );
}

const USUAL_RAILS = ['L1', 'L2', 'N', 'R', 'C', '+', '-'];

/** A part by its name, with each way through it where it has several. */
function waysThrough(part: Diagram['parts'][number]): string[] {
  const inside =
    part.kind === 'switch' ? part.contacts : part.kind === 'load' ? part.elements : undefined;
  return inside && inside.length > 1
    ? inside.map(({ between }) => `${part.name} ${between.join('-')}`)
    : [part.name];
}

const styles = StyleSheet.create({ keys: { gap: space.s } });
