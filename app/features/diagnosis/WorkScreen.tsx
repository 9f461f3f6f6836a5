import { useDeferredValue, useRef, useState } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import type { TerminalRef } from '../../../core/diagram/diagram';
import type { DisplayProblem } from '../../../core/meter/display';
import { CallOpening } from '../../ui/CallOpening';
import type { KeyHint } from '../../ui/KeysCard';
import { Screen } from '../../ui/Screen';
import { Tabs } from '../../ui/Tabs';
import { useBackToTop } from '../../ui/useBackToTop';
import { useAddress } from '../../ui/useAddress';
import { useFocus } from '../../ui/useFocus';
import { useKeys } from '../../ui/useKeys';
import { LOW_UNDER, space, WIDE_FROM } from '../../theme/theme';
import { ENTRY_KEYS, Keypad } from '../switchProof/Keypad';
import { SuspectChart } from './SuspectChart';
import { Log } from './Log';
import { LedgerCount } from '../ledger/LedgerCount';
import { Suspects } from './Suspects';
import { TablePane } from './TablePane';
import { ADDING, TestPane } from './TestPane';
import { useDial } from './useDial';
import { useInHand } from './useInHand';
import { PickedCard } from './PickedCard';
import { useOwnReading } from './useOwnReading';
import { usePicked } from './usePicked';
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

/** What is looked at and what is told besides, by the address of the screen. */
function useWorkAddress() {
  const { at, go, leave } = useAddress();
  const [after, place] = (at.get('test') ?? '').split('.').map(Number);
  return {
    pane: PANE_NAMES.find((each) => each === at.get('pane')) ?? 'test',
    adding: ADDING.find((each) => each === at.get('say')),
    chosen: after === undefined || place === undefined ? undefined : { after, at: place },
    go,
    done: () => leave('say'),
  };
}

const KEYS: readonly KeyHint[] = [
  ['N', 'another test'],
  ['Y', 'why this test'],
  ['D', 'it is dead and proved dead'],
  ['U', 'takes the last entry back'],
  ['X', 'not this test'],
  ['G', 'the next reading is of a known-good unit, or of this one again'],
  ['T Q P R A', 'what it does, quick looks, supply, a reading of one’s own, something done'],
  ['H', 'how to work'],
  ['Esc', 'leaves a card'],
  ...ENTRY_KEYS.filter(([key]) => key !== 'N'),
];

const PANES = { test: 'Test', suspects: 'Suspects', log: 'Log', table: 'Table', diagram: 'Wiring' };
type Pane = keyof typeof PANES;
const PANE_NAMES = Object.keys(PANES) as Pane[];

function Opened({ work, back }: { work: Work; back: string }) {
  const { width, height } = useWindowDimensions();
  const wide = width >= WIDE_FROM;
  const low = height < LOW_UNDER;
  const { pane, adding, chosen, go, done } = useWorkAddress();
  const hand = useInHand(work, chosen, ({ after, at }) => go({ test: `${after}.${at}` }));
  const sight = wide || pane === 'test';
  const own = useOwnReading(work);
  const { call, evidence } = work;
  // Quick looks stay where they are.
  const scroll = useRef<ScrollView>(null);
  const inHand =
    adding === 'looks'
      ? adding
      : [adding, evidence.length, hand.unsafe, hand.at, work.safe, work.meterProved].join();
  const scrolled = useBackToTop(inHand, () => scroll.current?.scrollTo({ y: 0, animated: false }));
  const here = useFocus(inHand);
  const { again, points } = hand;
  // The keys come in a task of their own after the card, so that no press waits for both.
  const late = useDeferredValue(hand.reading);
  const advised = late === hand.reading && adding === undefined ? late : undefined;
  const reading = adding === 'reading' ? own.ready : advised;
  const keys = {
    n: hand.next,
    ...(evidence.length && { u: () => work.takeBack(evidence.at(-1)?.id ?? '') }),
    ...(!work.safe && { d: work.makeSafe }),
  };
  useKeys(keys, sight);
  const picked = usePicked(call.diagram, points);
  const readPicked = (two: readonly TerminalRef[]): void => {
    own.begin(two, points);
    picked.forget();
    go({ pane: undefined, say: 'reading' });
  };
  const tapped = picked.points.length > 0 && (
    <PickedCard work={work} picked={picked} read={readPicked} />
  );
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
    done();
    return undefined;
  };
  // Between two readings the keys stay where they are.
  const busy = work.thinking && !work.stopped && !work.failed && adding === undefined;
  const [before, setBefore] = useState(reading?.kind);
  if (!busy && before !== reading?.kind) setBefore(reading?.kind);
  const kind = busy ? before : reading?.kind;
  const pad = kind && (
    <Keypad
      busy={busy}
      reading={`${evidence.length} ${hand.at}`}
      letters={wide}
      active={sight}
      measures={kind === 'volt' ? 'volts' : 'ohms'}
      dial={dial}
      enter={enter}
    />
  );
  const panes: Record<Pane, React.ReactNode> = {
    test: (
      <TestPane
        work={work}
        hand={hand}
        adding={adding}
        setAdding={(say) => go({ say })}
        done={done}
        own={own}
        active={sight}
      />
    ),
    suspects: work.findings && <Suspects work={work} />,
    log: (
      <Log
        work={work}
        above={
          <>
            {wide && work.findings && <Suspects work={work} />}
            <SuspectChart work={work} />
          </>
        }
      />
    ),
    table: <TablePane work={work} at={at} />,
    diagram: <WiringPane work={work} test={points} picked={picked} both={wide} />,
  };
  // Out of sight it keeps what was typed and how far it was scrolled.
  const testing = (
    <View style={sight ? styles.pane : styles.away}>
      <ScrollView ref={scroll} {...scrolled} contentContainerStyle={styles.inner}>
        <View ref={here} tabIndex={-1} role="group" aria-label="In hand now" style={styles.hand}>
          {panes.test}
        </View>
        {low && pad}
      </ScrollView>
      {!low && pad}
    </View>
  );
  return (
    <Screen
      title="What is wrong?"
      under={`${call.appliance.make} ${call.appliance.model} · ${call.complaint}`}
      back={back}
      keys={KEYS}
      actions={<LedgerCount call={call} />}
    >
      {wide ? (
        <View style={styles.panes}>
          {testing}
          <View style={styles.pane}>
            <ScrollView
              tabIndex={0}
              role="region"
              aria-label="Line, drawing and table"
              contentContainerStyle={styles.inner}
            >
              {panes.diagram}
              {panes.table}
            </ScrollView>
            {tapped}
          </View>
          <View style={styles.pane}>{panes.log}</View>
        </View>
      ) : (
        <>
          <Tabs
            names={PANES}
            label="Test, and what is known"
            chosen={pane}
            choose={(to) => go({ pane: to === 'test' ? undefined : to })}
          />
          {pane === 'log' && panes.log}
          {pane !== 'log' && pane !== 'test' && (
            <ScrollView
              tabIndex={0}
              role="region"
              aria-label={PANES[pane]}
              contentContainerStyle={styles.inner}
            >
              {panes[pane]}
            </ScrollView>
          )}
          {testing}
          {pane === 'diagram' && tapped}
        </>
      )}
    </Screen>
  );
}

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, paddingBottom: space.xl },
  hand: { gap: space.m },
  panes: { flex: 1, flexDirection: 'row' },
  pane: { flex: 1 },
  away: { display: 'none' },
});
