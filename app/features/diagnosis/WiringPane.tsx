import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LinePath } from '../../../core/behaviour/linePath';
import type { TerminalRef } from '../../../core/diagram/diagram';
import { sayLine } from '../../../core/describe/linePath';
import { drawnShowing, type Showing } from '../../../core/drawing/showing';
import { lineInHand } from '../../../core/plan/lineInHand';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { OneOf } from '../../ui/OneOf';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { useLines, useStand } from '../../workers/useShown';
import { LadderView } from '../diagrams/LadderView';
import { useDrawing } from '../diagrams/useDrawing';
import { DiagramPane } from '../diagrams/DiagramPane';
import { LineView } from './LineView';
import type { Picked } from './usePicked';
import type { MeterTest, Work } from './useWork';

const TALL = 340;

interface Props {
  work: Work;
  test: MeterTest | undefined;
  picked: Picked;
  /** Line and drawing below each other, where there is room for both. */
  both: boolean;
}

/** The wiring as the test in hand has it: the line through what should work, and the whole drawing. */
export function WiringPane({ work, test, picked, both }: Props) {
  const { diagram } = work.call;
  const [as, setAs] = useState<ShownAs>('line');
  const asDrawn = useMemo(() => drawnShowing(diagram), [diagram]);
  const showing = useStand(work.key, diagram, picked.at) ?? asDrawn;
  const at = useMemo(() => (test ? [test.from, test.to] : NO_POINTS), [test]);
  const probes = picked.points.length ? picked.points : at;
  return (
    <>
      {!both && (
        <OneOf label="How the wiring is shown" choices={SHOWN_AS} chosen={as} choose={setAs} />
      )}
      {(both || as === 'line') && (
        <Line work={work} showing={showing} points={at} probes={probes} pick={picked.pick} />
      )}
      {(both || as === 'drawing') && (
        <>
          <Ladder work={work} showing={showing} probes={probes} pick={picked.pick} />
          <DiagramPane diagram={diagram} at={at} />
        </>
      )}
    </>
  );
}

const SHOWN_AS = [
  { id: 'line', label: 'Line', testID: 'show-line', style: { flexGrow: 1 } },
  { id: 'drawing', label: 'Drawing', testID: 'show-drawing', style: { flexGrow: 1 } },
] as const;
type ShownAs = (typeof SHOWN_AS)[number]['id'];

interface ShownProps {
  work: Work;
  showing: Showing;
  probes: readonly TerminalRef[];
  pick: (ref: TerminalRef) => void;
}

/** The line that the test in hand or the complaint is about; any other can be chosen. */
function Line({
  work,
  showing,
  points,
  probes,
  pick,
}: ShownProps & { points: readonly TerminalRef[] }) {
  const { diagram } = work.call;
  const lines = useLines(work.key, diagram);
  const [chosen, setChosen] = useState<LinePath>();
  const [choosing, setChoosing] = useState(false);
  const suspects = work.findings?.suspects ?? NO_SUSPECTS;
  const said = work.evidence.flatMap((each) => (each.kind === 'statement' ? [each] : []));
  const line =
    chosen && lines?.includes(chosen)
      ? chosen
      : lines &&
        lineInHand(lines, { points, said, suspects: suspects.flatMap(({ id }) => id ?? []) });
  if (!lines) return <Notice icon="loader" title="Following the line" testID="line-loading" />;
  if (!line)
    return (
      <Notice
        icon="info"
        title="Nothing in this unit works from a supply alone: look at the drawing"
        testID="line-none"
      />
    );
  return (
    <Card testID="line-card">
      <Button
        icon={choosing ? 'chevron-up' : 'chevron-down'}
        label={`Line through: ${sayLine(diagram, lines, line)}`}
        testID="line-through"
        selected={choosing}
        disabled={lines.length < 2}
        onPress={() => setChoosing(!choosing)}
      />
      {choosing && (
        <View style={styles.row}>
          {lines.map((each) => (
            <Button
              key={`${each.load} ${each.ways.map(({ key }) => key).join(' ')}`}
              label={sayLine(diagram, lines, each)}
              testID={`line-of-${each.load}`}
              selected={each === line}
              onPress={() => {
                setChosen(each);
                setChoosing(false);
              }}
            />
          ))}
        </View>
      )}
      <Type size="small" tone="soft">
        Contacts as they stand for the test in hand. Tap two points to read there.
      </Type>
      <LineView
        diagram={diagram}
        line={line}
        showing={showing}
        evidence={work.evidence}
        suspects={suspects}
        probes={probes}
        pick={pick}
      />
    </Card>
  );
}

function Ladder({ work, showing, probes, pick }: ShownProps) {
  const { diagram } = work.call;
  const drawn = useDrawing(work.key, diagram);
  return drawn.state === 'ready' ? (
    <LadderView
      diagram={diagram}
      drawing={drawn.drawing}
      showing={showing}
      probes={probes}
      onPoint={pick}
      height={TALL}
    />
  ) : (
    <Notice
      icon={drawn.state === 'failed' ? 'alert-triangle' : 'loader'}
      title={drawn.state === 'failed' ? 'The drawing cannot be made' : 'Drawing the diagram'}
      testID="drawing"
    />
  );
}

const NO_POINTS: TerminalRef[] = [];
const NO_SUSPECTS: NonNullable<Work['findings']>['suspects'] = [];

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
