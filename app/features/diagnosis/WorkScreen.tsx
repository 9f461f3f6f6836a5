import { useDeferredValue, useEffect, useRef, useState } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import type { DisplayProblem } from '../../../core/meter/display';
import { CallOpening } from '../../ui/CallOpening';
import { Screen } from '../../ui/Screen';
import { Tabs } from '../../ui/Tabs';
import { useKeys } from '../../ui/useKeys';
import { space, WIDE_FROM } from '../../theme/theme';
import { Keypad } from '../switchProof/Keypad';
import { SuspectChart } from './SuspectChart';
import { Log } from './Log';
import { Suspects } from './Suspects';
import { TablePane } from './TablePane';
import { TestPane, type Adding } from './TestPane';
import { useDial } from './useDial';
import { useInHand } from './useInHand';
import { useOwnReading } from './useOwnReading';
import { useWork, type Work } from './useWork';
import { WiringPane } from './WiringPane';

/** From complaint to part: what is known of the unit, who is suspected, what to test next. */
export function WorkScreen({ callId }: { callId: string }) {
  const opening = useWork(callId);
  const back = `/call/${callId}`;
  if (opening.state === 'ready') return <Opened work={opening.work} back={back} />;
  return (
    <Screen title="What is wrong?" back={back}>
      <CallOpening failed={opening.state === 'failed'} />
    </Screen>
  );
}

const PANES = { test: 'Test', suspects: 'Suspects', log: 'Log', table: 'Table', diagram: 'Wiring' };
type Pane = keyof typeof PANES;

function Opened({ work, back }: { work: Work; back: string }) {
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const [pane, setPane] = useState<Pane>('test');
  const [adding, setAdding] = useState<Adding>();
  const hand = useInHand(work);
  const own = useOwnReading(work);
  const { call, evidence } = work;
  // What is new in hand begins above, so that nobody reads half a state; quick looks stay where they are.
  const scroll = useRef<ScrollView>(null);
  const inHand =
    adding === 'looks' ? adding : [adding, evidence.length, hand.unsafe, hand.at, work.safe].join();
  useEffect(() => scroll.current?.scrollTo({ y: 0, animated: false }), [inHand]);
  const { again, points } = hand;
  // The keys come in a task of their own after the card, so that no press waits for both.
  const late = useDeferredValue(hand.reading);
  const advised = late === hand.reading && adding === undefined ? late : undefined;
  const reading = adding === 'reading' ? own.ready : advised;
  useKeys({
    n: hand.next,
    ...(evidence.length && { u: () => work.takeBack(evidence.at(-1)?.id ?? '') }),
    ...(hand.unsafe && { d: work.makeSafe }),
  });
  const at = points && [points.from, points.to];
  const dial = useDial(work.meter, adding === 'reading' ? undefined : hand.good, reading);
  const enter = (said: string): DisplayProblem | undefined => {
    if (!reading) return undefined;
    const mine = adding === 'reading';
    const problem = work.read(reading, said, {
      of: hand.twin && !mine ? 'twin' : 'unit',
      range: dial?.range.id,
      instead: mine ? undefined : again?.reading,
    });
    if (problem || !mine) return problem;
    own.forget();
    setAdding(undefined);
    return undefined;
  };
  const pad = reading && (
    <Keypad
      key={`${evidence.length} ${hand.at}`}
      letters={wide}
      measures={reading.kind === 'volt' ? 'volts' : 'ohms'}
      dial={dial}
      enter={enter}
    />
  );
  const panes: Record<Pane, React.ReactNode> = {
    test: <TestPane work={work} hand={hand} adding={adding} setAdding={setAdding} own={own} />,
    suspects: work.findings && <Suspects work={work} />,
    log: <Log work={work} above={<SuspectChart work={work} />} />,
    table: <TablePane work={work} at={at} />,
    diagram: <WiringPane work={work} test={points} />,
  };
  return (
    <Screen
      title="What is wrong?"
      under={`${call.appliance.make} ${call.appliance.model} · ${call.complaint}`}
      back={back}
    >
      {wide ? (
        <View style={styles.panes}>
          <View style={styles.pane}>
            <ScrollView ref={scroll} contentContainerStyle={styles.inner}>
              {panes.test}
            </ScrollView>
            {pad}
          </View>
          <ScrollView
            tabIndex={0}
            role="region"
            aria-label="Suspects, table and wiring"
            style={styles.pane}
            contentContainerStyle={styles.inner}
          >
            {panes.suspects}
            {panes.table}
            {panes.diagram}
          </ScrollView>
          <View style={styles.pane}>{panes.log}</View>
        </View>
      ) : (
        <>
          <Tabs names={PANES} chosen={pane} choose={setPane} />
          {pane === 'log' ? (
            panes.log
          ) : (
            <ScrollView ref={scroll} contentContainerStyle={styles.inner}>
              {panes[pane]}
            </ScrollView>
          )}
          {pane === 'test' && pad}
        </>
      )}
    </Screen>
  );
}

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, paddingBottom: space.xl },
  panes: { flex: 1, flexDirection: 'row' },
  pane: { flex: 1 },
});
