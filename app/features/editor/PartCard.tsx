import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { marked, sayPoint } from '../../../core/describe/point';
import { colourCode } from '../../../core/draft/pathLine';
import {
  removeOwner,
  rename,
  renameTerminal,
  replacePart,
  setColour,
  setKnown,
} from '../../../core/draft/edit';
import type { Diagram, Known, Part } from '../../../core/diagram/diagram';
import { terminalRef, wiresAt } from '../../../core/diagram/terminal';
import { TRADE_KINDS } from '../../../library/shelf/tradeKinds';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { OneOf } from '../../ui/OneOf';
import { Type } from '../../ui/Type';
import { WireSwatch } from '../../ui/WireSwatch';
import { space } from '../../theme/theme';
import { LateField } from './LateField';
import { PartValues } from './PartValues';
import { SwitchCard } from './SwitchCard';

interface Props {
  diagram: Diagram;
  part: Part;
  change: (to: Diagram) => void;
  close: () => void;
}

const KNOWN: { id: Known; label: string; testID: string }[] = [
  { id: 'sheet', label: 'On the sheet', testID: 'known-sheet' },
  { id: 'proved', label: 'Proved', testID: 'known-proved' },
  { id: 'guessed', label: 'Guessed', testID: 'known-guessed' },
];

/** One part: its name, where that comes from, its terminals and wires, and what is inside it. */
export function PartCard({ diagram, part, change, close }: Props) {
  const [kinds, setKinds] = useState(false);
  return (
    <Card testID={`card-${part.id}`}>
      <View style={styles.row}>
        <Type weight="heavy" role="heading" aria-level={2} style={styles.grow}>
          {part.name}
        </Type>
        <Button look="bare" icon="chevron-up" label="Close" testID="part-close" onPress={close} />
      </View>
      <LateField
        label="What it is called"
        testID="part-name"
        value={part.name}
        take={(name) => {
          if (!name) return 'A part needs a name.';
          change(rename(diagram, part.id, name));
          return undefined;
        }}
      />
      {part.kind === 'switch' && <SwitchCard diagram={diagram} part={part} change={change} />}
      <OneOf
        label="Where this is from"
        titled
        choices={KNOWN}
        chosen={part.known ?? 'sheet'}
        choose={(known) => change(setKnown(diagram, part.id, known))}
      />
      <PartValues diagram={diagram} part={part} change={change} />
      <Terminals diagram={diagram} part={part} change={change} />
      <View style={styles.row}>
        <Button
          icon="repeat"
          label="It is another kind of part"
          testID="part-kind"
          selected={kinds}
          onPress={() => setKinds(!kinds)}
        />
        <Button
          icon="trash-2"
          label="Take it out"
          testID="part-remove"
          onPress={() => {
            change(removeOwner(diagram, part.id));
            close();
          }}
        />
      </View>
      {kinds && (
        <View style={styles.row}>
          {TRADE_KINDS.map((kind) => (
            <Button
              key={kind.id}
              label={kind.name}
              testID={`become-${kind.id}`}
              onPress={() => {
                const [a = '1', b = '2'] = part.terminals.map(({ id }) => id);
                change(replacePart(diagram, part.id, kind.make(part, [a, b], {}, 120)));
                setKinds(false);
              }}
            />
          ))}
        </View>
      )}
    </Card>
  );
}

/** What is stamped beside each terminal, and the wires at it with their colours. */
function Terminals({ diagram, part, change }: Omit<Props, 'close'>) {
  return (
    <>
      <Type weight="strong">Terminals and wires</Type>
      {part.terminals.map(({ id }) => {
        const ref = terminalRef(part.id, id);
        return (
          <View key={id} style={styles.terminal}>
            <LateField
              label={`Terminal ${marked(diagram, ref)}`}
              testID={`terminal-${id}`}
              value={id}
              take={(to) => {
                if (!/^[A-Za-z0-9_+-]{1,40}$/.test(to))
                  return 'Letters and figures, as they are stamped.';
                if (part.terminals.some((each) => each.id === to))
                  return `There is a ${to} already.`;
                change(renameTerminal(diagram, part.id, id, to));
                return undefined;
              }}
            />
            {wiresAt(diagram, ref).map((wire) => (
              <View key={wire.id} style={styles.row}>
                <WireSwatch code={wire.colour} />
                <Type size="small" style={styles.grow}>
                  to {sayPoint(diagram, wire.from === ref ? wire.to : wire.from)}
                </Type>
                <View style={styles.colour}>
                  <LateField
                    label="Colour"
                    testID={`colour-${wire.id}`}
                    value={wire.colour}
                    take={(typed) => {
                      const code = colourCode(typed);
                      if (!code) return 'black, BK, or WH-RD for white with a red stripe';
                      change(setColour(diagram, wire.id, code));
                      return undefined;
                    }}
                  />
                </View>
              </View>
            ))}
          </View>
        );
      })}
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, alignItems: 'center' },
  grow: { flexGrow: 1, flexShrink: 1, flexBasis: 120 },
  terminal: { gap: space.xs },
  colour: { width: 120 },
});
