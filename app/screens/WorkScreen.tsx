import { useState } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import type { ReadingEvidence } from '../../core/diagnose/evidence';
import { sayTest } from '../../core/plan/sayTest';
import { Button } from '../components/Button';
import { Notice } from '../components/Notice';
import { Screen } from '../components/Screen';
import { useKeys } from '../components/useKeys';
import { space, WIDE } from '../theme/theme';
import { Keypad } from './switch/Keypad';
import { Acts } from './work/Acts';
import { Complaint } from './work/Complaint';
import { Course } from './work/Course';
import { sayGood } from './work/Good';
import { DiagramPane } from './work/DiagramPane';
import { LastEntry } from './work/LastEntry';
import { LiveScript } from './work/LiveScript';
import { Log } from './work/Log';
import { MakeSafe } from './work/MakeSafe';
import { SecondLook, secondLookOf } from './work/SecondLook';
import { Suspects } from './work/Suspects';
import { TablePane } from './work/TablePane';
import { TestCard } from './work/TestCard';
import { Thinking } from './work/Thinking';
import { UnitVerdict } from './work/UnitVerdict';
import { useChosen, useWork, type MeterTest, type Work } from './work/useWork';
import { WayCard } from './work/WayCard';
import { WhyTest } from './work/WhyTest';

/** From complaint to part: what is known of the unit, who is suspected, what to test next. */
export function WorkScreen({ callId }: { callId: string }) {
  const opening = useWork(callId);
  const back = `/call/${callId}`;
  if (opening.state === 'ready') return <Opened work={opening.work} back={back} />;
  return (
    <Screen title="What is wrong?" back={back}>
      {opening.state === 'failed' ? (
        <Notice
          icon="wifi-off"
          title="The call could not be read"
          text="It was not opened on this device before. Try again when the server is back."
          testID="failed"
        />
      ) : (
        <Notice icon="loader" title="Reading the call" testID="loading" />
      )}
    </Screen>
  );
}

const PANES = ['test', 'suspects', 'log', 'table', 'diagram'] as const;
type Pane = (typeof PANES)[number];
const PANE_NAMES: Record<Pane, string> = {
  test: 'Test',
  suspects: 'Suspects',
  log: 'Log',
  table: 'Table',
  diagram: 'Wiring',
};
const NONE: never[] = [];

function Opened({ work, back }: { work: Work; back: string }) {
  const wide = useWindowDimensions().width >= WIDE;
  const [pane, setPane] = useState<Pane>('test');
  const { call } = work;
  const { working, pad, table, wiring } = useWorking(work, wide);
  const panes: Record<Pane, React.ReactNode> = {
    test: working,
    suspects: work.findings && <Suspects work={work} />,
    log: (
      <>
        <Course work={work} />
        <Log work={work} />
      </>
    ),
    table,
    diagram: wiring,
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
            <ScrollView contentContainerStyle={styles.inner}>{working}</ScrollView>
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
          <ScrollView style={styles.pane} contentContainerStyle={styles.inner}>
            {panes.log}
          </ScrollView>
        </View>
      ) : (
        <>
          <View style={styles.tabs} role="tablist">
            {PANES.map((each) => (
              <Button
                key={each}
                look="bare"
                label={PANE_NAMES[each]}
                testID={`pane-${each}`}
                selected={each === pane}
                onPress={() => setPane(each)}
                style={{
                  ...styles.tab,
                  ...(each === pane && styles.here),
                  flexGrow: PANE_NAMES[each].length,
                }}
              />
            ))}
          </View>
          <ScrollView contentContainerStyle={styles.inner}>{panes[pane]}</ScrollView>
          {pane === 'test' && pad}
        </>
      )}
    </Screen>
  );
}

/** The card in hand with its keypad, and the table of the switch that is at the probes. */
function useWorking(
  work: Work,
  wide: boolean,
): Record<'working' | 'pad' | 'table' | 'wiring', React.ReactNode> {
  const { call, findings, evidence, thinking } = work;
  const { diagram } = call;
  const [adding, setAdding] = useState<'statement' | 'act'>();
  const [open, setOpen] = useState<'why' | 'way'>();
  const [liveOf, setLiveOf] = useState<object>();
  const [clear, setClear] = useState<object>();
  const [lastGood, setLastGood] = useState<string>();
  const tests = thinking ? NONE : (findings?.tests ?? NONE);
  const chosen = useChosen(tests);
  const advice = tests[chosen.at];
  const begun = evidence.length > 0;
  const verdict = thinking ? undefined : findings?.verdict;
  const asked =
    verdict?.kind === 'open' && verdict.needs === 'second-look' ? verdict.secondLook : undefined;
  const again = evidence.find(
    (each): each is ReadingEvidence => each.kind === 'reading' && each.id === asked?.entry,
  );
  const live =
    advice?.test.kind === 'volt'
      ? { test: advice.test, goodVolts: advice.goodVolts }
      : advice && liveOf === advice
        ? advice.live
        : undefined;
  const ohm: MeterTest | undefined = again
    ? secondLookOf(again)
    : advice?.test.kind === 'ohm' && !live
      ? advice.test
      : undefined;
  const reading: MeterTest | undefined = live
    ? clear === advice
      ? live.test
      : undefined
    : work.safe
      ? ohm
      : undefined;
  const showsTest = begun && !thinking && adding === undefined;
  useKeys({
    n: chosen.next,
    y: () => setOpen(open === 'why' ? undefined : 'why'),
    ...(evidence.length && { u: () => work.takeBack(evidence.at(-1)?.id ?? '') }),
    ...(ohm && !work.safe && { d: work.makeSafe }),
  });
  const pad = showsTest && reading && (
    <Keypad
      key={`${evidence.length} ${chosen.at}`}
      letters={wide}
      measures={reading.kind === 'volt' ? 'volts' : 'ohms'}
      enter={(said) => {
        const problem = work.read(reading, said, again);
        if (!problem)
          setLastGood(
            live ? sayGood(undefined, live.goodVolts) : advice && sayGood(advice.good, undefined),
          );
        return problem;
      }}
    />
  );
  const done = (): void => setAdding(undefined);
  const working = (
    <>
      <Thinking work={work} begun={begun} />
      {(!begun || adding === 'statement') && <Complaint work={work} done={done} />}
      {adding === 'act' && <Acts work={work} done={done} />}
      {showsTest && <UnitVerdict work={work} />}
      {showsTest && again && asked && work.safe && (
        <SecondLook work={work} asked={asked} reading={again} />
      )}
      {showsTest && ohm && !work.safe && (
        <MakeSafe work={work} live={advice?.live && !again ? () => setLiveOf(advice) : undefined} />
      )}
      {showsTest && !again && live && (
        <LiveScript
          key={`${evidence.length} ${chosen.at}`}
          work={work}
          test={live.test}
          goodVolts={live.goodVolts}
          ready={() => setClear(advice)}
        />
      )}
      {showsTest && !again && !live && advice && (advice.test.kind !== 'ohm' || work.safe) && (
        <TestCard work={work} advice={advice} />
      )}
      {showsTest && !again && advice && (
        <View style={styles.row}>
          <Button
            icon="help-circle"
            label="Why this test?"
            testID="why"
            shortcut="Y"
            selected={open === 'why'}
            onPress={() => setOpen(open === 'why' ? undefined : 'why')}
            style={styles.grow}
          />
          <Button
            icon="shuffle"
            label="Another"
            testID="another"
            hint={`Another test: ${tests.map((each) => sayTest(diagram, each.test)).join('; ')}`}
            shortcut="N"
            disabled={tests.length < 2}
            onPress={chosen.next}
            style={styles.grow}
          />
        </View>
      )}
      {showsTest && open === 'why' && !again && (
        <WhyTest work={work} tests={tests} at={chosen.at} choose={chosen.choose} />
      )}
      {showsTest && <LastEntry work={work} good={lastGood} />}
      {begun && adding === undefined && (
        <View style={styles.row}>
          <Button
            icon="message-circle"
            label="What it does"
            testID="tell-more"
            onPress={() => setAdding('statement')}
            style={styles.grow}
          />
          <Button
            icon="tool"
            label="Something done"
            testID="add-act"
            onPress={() => setAdding('act')}
            style={styles.grow}
          />
          <Button
            icon="sliders"
            label="How to work"
            testID="open-way"
            selected={open === 'way'}
            onPress={() => setOpen(open === 'way' ? undefined : 'way')}
            style={styles.grow}
          />
        </View>
      )}
      {begun && open === 'way' && <WayCard work={work} />}
    </>
  );
  const at = reading ?? ohm ?? live?.test;
  const points = at && [at.from, at.to];
  const table = <TablePane work={work} at={points} />;
  const wiring = <DiagramPane diagram={diagram} at={points} />;
  return { working, pad, table, wiring };
}

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, paddingBottom: space.xl },
  panes: { flex: 1, flexDirection: 'row' },
  pane: { flex: 1 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
  tabs: { flexDirection: 'row' },
  tab: { flexBasis: 'auto', paddingHorizontal: space.xs, borderBottomWidth: 3, borderRadius: 0 },
  here: { borderBottomColor: 'currentColor' },
});
