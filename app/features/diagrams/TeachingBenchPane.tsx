import { useCallback, useState, type ReactNode } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import type { Diagram, TerminalRef } from '../../../core/diagram/diagram';
import { toSvg } from '../../../core/drawing/svg';
import { sayPoint, sayPoints } from '../../../core/describe/point';
import { nameFault } from '../../../core/describe/fault';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { saveAs } from '../../ui/saveAs';
import { space, WIDE_FROM } from '../../theme/theme';
import { sayShownOn } from '../../../core/describe/shown';
import { ORDINARY_METER } from '../../../core/meter/meter';
import { nameOf } from '../../../core/describe/unit';
import { Controls } from './Controls';
import { FaultPicker } from './FaultPicker';
import { LadderView } from './LadderView';
import { useDrawing } from './useDrawing';
import { useShown } from '../../workers/useShown';
import { useTeachingBench, type TeachingBench } from './useTeachingBench';

/** Room for the drawing on a phone, and beside the controls. */
const TALL = { phone: 380, wide: 460 };

/** The drawing alive: move what a hand moves, put a fault in, tap two points. */
export function TeachingBenchPane({
  diagram,
  drawingKey,
  more,
}: {
  diagram: Diagram;
  drawingKey: string;
  /** What else is done with the unit, below its controls. */
  more?: (bench: TeachingBench) => ReactNode;
}) {
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const drawn = useDrawing(drawingKey, diagram);
  const bench = useTeachingBench(diagram);
  const [probes, setProbes] = useState<TerminalRef[]>([]);
  const point = useCallback(
    (ref: TerminalRef): void =>
      setProbes((before) =>
        before.length === 1 && before[0] !== ref
          ? [...before, ref]
          : before[0] === ref
            ? []
            : [ref],
      ),
    [],
  );
  if (drawn.state === 'loading')
    return <Notice icon="loader" title="Drawing the diagram" testID="drawing" />;
  if (drawn.state === 'failed')
    return (
      <Notice
        icon="alert-triangle"
        title="The drawing cannot be made"
        text={`${drawn.why}. Tables and parts are in the other panes.`}
        testID="drawing-failed"
      />
    );
  const { drawing } = drawn;
  const save = (): void =>
    saveAs(`${diagram.id}.svg`, 'image/svg+xml', toSvg(diagram, drawing, bench.showing));
  const parts = {
    drawing: (
      <>
        <LadderView
          diagram={diagram}
          drawing={drawing}
          showing={bench.showing}
          probes={probes}
          onPoint={point}
          height={wide ? TALL.wide : TALL.phone}
        />
        <Between diagram={diagram} unit={drawingKey} bench={bench} probes={probes} />
      </>
    ),
    controls: (
      <>
        <Controls diagram={diagram} bench={bench} />
        {more?.(bench)}
        <FaultPicker diagram={diagram} bench={bench} />
        <Button icon="download" label="Drawing as SVG" testID="save-svg" onPress={save} />
      </>
    ),
  };
  return wide ? (
    <View style={styles.wide}>
      <ScrollView style={styles.grow} contentContainerStyle={styles.inner}>
        {parts.drawing}
      </ScrollView>
      <ScrollView style={styles.side} contentContainerStyle={styles.inner}>
        {parts.controls}
      </ScrollView>
    </View>
  ) : (
    <ScrollView contentContainerStyle={styles.inner}>
      {parts.drawing}
      {parts.controls}
    </ScrollView>
  );
}

/** What a meter would show between the two points: of a good unit, and of one with the fault. */
function Between({
  diagram,
  unit,
  bench,
  probes,
}: {
  diagram: Diagram;
  /** What the worker knows the diagram by. */
  unit: string;
  bench: TeachingBench;
  probes: readonly TerminalRef[];
}) {
  const { fault } = bench;
  const [from, to] = probes;
  const shown = useShown(unit, diagram, bench.at, probes, fault ? [[], [fault]] : [[]]);
  const says = (i: number): string => {
    const one = shown?.[i];
    return one ? sayShownOn(ORDINARY_METER, one) : '…';
  };
  return (
    <Card testID="between">
      {from === undefined || to === undefined ? (
        <Type>
          {from === undefined
            ? 'Tap a point for the red probe, another for the black one.'
            : `Red probe at ${sayPoint(diagram, from)}. Now the black one.`}
        </Type>
      ) : (
        <>
          <Type weight="strong">{sayPoints(diagram, from, to)}</Type>
          <Type size="small" tone="soft">
            {bench.powered ? 'Live, in volts' : 'Unplugged, in ohms, wires on'}
          </Type>
          <Type weight="strong" tone="good" testID="between-good">
            A good unit shows {says(0)}
          </Type>
          {fault && (
            <Type weight="strong" tone="bad" testID="between-fault">
              {nameFault(diagram, fault)}: {says(1)}
            </Type>
          )}
        </>
      )}
      <Runs diagram={diagram} bench={bench} />
    </Card>
  );
}

function Runs({ diagram, bench }: { diagram: Diagram; bench: TeachingBench }) {
  const { running } = bench.showing;
  if (!bench.powered) return null;
  const said = [...running].map(
    ([id, doing]) => nameOf(diagram, id) + (doing === 'runs' ? '' : ` ${SAID[doing]}`),
  );
  return (
    <Type testID="running" aria-live="polite">
      {said.length ? `Runs: ${said.join(', ')}.` : 'Nothing runs.'}
      {bench.end === 'cycling' ? ' It goes round and round.' : ''}
    </Type>
  );
}

const SAID = { weak: '(weakly)', hums: '(hums)' };

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, paddingBottom: space.xl },
  wide: { flex: 1, flexDirection: 'row' },
  grow: { flex: 1, minWidth: 0 },
  side: { width: 360, flexGrow: 0 },
});
