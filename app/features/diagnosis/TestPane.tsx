import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { PLUGGED_IN } from '../../../core/behaviour/useRuns';
import { sayTest } from '../../../core/describe/test';
import { Button } from '../../ui/Button';
import { useKeys } from '../../ui/useKeys';
import { space } from '../../theme/theme';
import { Acts } from './Acts';
import { ComplaintPane } from './ComplaintPane';
import { JumperOff } from './JumperOff';
import { LastEntry } from './LastEntry';
import { LooksCard } from './LooksCard';
import { LiveScript } from './LiveScript';
import { MapFirst } from './MapFirst';
import { OwnReadingPane } from './OwnReadingPane';
import { Ready } from './Ready';
import { RefuseCard } from './RefuseCard';
import { RepairStandingCard } from './RepairStandingCard';
import { SecondLookCard } from './SecondLookCard';
import { TestCard } from './TestCard';
import { SupplyCard } from './SupplyCard';
import { SupplyFirst } from './SupplyFirst';
import { Thinking } from './Thinking';
import { TimeLeft } from './TimeLeft';
import { UnitVerdictCard } from './UnitVerdictCard';
import type { InHand } from './useInHand';
import type { OwnReading } from './useOwnReading';
import type { Work } from './useWork';
import { VisitCard } from './VisitCard';
import { WayCard } from './WayCard';
import { WhyTest } from './WhyTest';
import { WithoutIt, type BeforeRefusal } from './WithoutIt';

interface Props {
  work: Work;
  hand: InHand;
  /** What is being told besides: what the unit does, or what was done to it. */
  adding: Adding;
  setAdding: (adding: NonNullable<Adding>) => void;
  /** What was told besides is told, or not after all. */
  done: () => void;
  own: OwnReading;
  /** False while it is out of sight. */
  active: boolean;
}

export const ADDING = ['statement', 'act', 'reading', 'looks', 'supply'] as const;
export type Adding = (typeof ADDING)[number] | undefined;
type Open = 'why' | 'way' | 'refuse' | undefined;

/** The verdict so far and the card in hand, with what may be told besides. */
export function TestPane({ work, hand, adding, setAdding, done, own, active }: Props) {
  const [open, setOpen] = useState<Open>();
  // What was expected before something was refused: what that costs is said once the plan has changed.
  const [before, setBefore] = useState<BeforeRefusal>();
  // Who knows nothing of the complaint starts with what is likeliest.
  const [blank, setBlank] = useState(false);
  const begun = blank || work.evidence.length > 0;
  const readsTwin = work.knownGood && hand.reading?.kind === 'ohm';
  const toggle = (which: Open) => (): void => setOpen(open === which ? undefined : which);
  const aside = adding !== undefined;
  const working = begun && !aside;
  useKeys(
    aside
      ? {
          Escape: () => {
            if (adding === 'reading') own.forget();
            done();
          },
        }
      : {
          y: toggle('why'),
          ...(begun && { h: toggle('way') }),
          ...(begun &&
            Object.fromEntries(
              TOLD_BESIDES.map(({ adds, shortcut }) => [
                shortcut.toLowerCase(),
                () => setAdding(adds),
              ]),
            )),
          ...(hand.advice && hand.advice.test.kind !== 'ask' && { x: toggle('refuse') }),
          ...(readsTwin && { g: () => hand.setTwin(!hand.twin) }),
          ...(open && { Escape: () => setOpen(undefined) }),
        },
    active,
  );
  return (
    <>
      {working && !work.thinking && (
        <>
          <RepairStandingCard work={work} />
          <UnitVerdictCard work={work} />
        </>
      )}
      {working && <LastEntry work={work} />}
      <Thinking work={work} begun={begun} />
      {(!begun || adding === 'statement') && <ComplaintPane work={work} done={done} />}
      {!begun && (
        <Button
          icon="fast-forward"
          label="I do not know, just start"
          testID="just-start"
          onPress={() => setBlank(true)}
        />
      )}
      {adding === 'looks' && <LooksCard work={work} done={done} />}
      {adding === 'supply' && (
        <SupplyCard
          work={work}
          done={done}
          read={(points) => {
            own.say({ points, live: PLUGGED_IN });
            setAdding('reading');
          }}
        />
      )}
      {adding === 'act' && <Acts work={work} done={done} />}
      {begun && (adding === 'statement' || adding === 'act') && (
        <Button icon="x" label="Cancel" testID="say-cancel" onPress={done} />
      )}
      {adding === 'reading' && <OwnReadingPane work={work} own={own} done={done} active={active} />}
      {working && !work.thinking && (
        <>
          <WithoutIt work={work} hand={hand} before={before} />
          <TimeLeft work={work} hand={hand} />
          <SupplyFirst work={work} open={() => setAdding('supply')} />
          <Card work={work} hand={hand} active={active} />
          {hand.advice && <Choices hand={hand} work={work} open={open} toggle={toggle} />}
          {open === 'refuse' && hand.advice && (
            <RefuseCard
              work={work}
              advice={hand.advice}
              cancel={() => setOpen(undefined)}
              refuse={(why, terminal) => {
                const [first] = hand.tests;
                if (first) setBefore({ expected: first.expected, refusals: work.refusals.length });
                if (hand.advice) work.refuse(hand.advice.test, why, terminal);
                setOpen(undefined);
              }}
            />
          )}
          {readsTwin && <Twin hand={hand} />}
        </>
      )}
      {working && (
        <View style={styles.row}>
          {TOLD_BESIDES.map(({ adds, icon, label, testID, shortcut }) => (
            <Button
              key={testID}
              icon={icon}
              label={label}
              testID={testID}
              shortcut={shortcut}
              onPress={() => setAdding(adds)}
              style={styles.grow}
            />
          ))}
          <Button
            icon="sliders"
            label="How to work"
            testID="open-way"
            shortcut="H"
            selected={open === 'way'}
            onPress={toggle('way')}
            style={styles.grow}
          />
        </View>
      )}
      {begun && open === 'way' && (
        <>
          <VisitCard work={work} />
          <WayCard work={work} />
        </>
      )}
    </>
  );
}

/** What may be told besides the test in hand. */
const TOLD_BESIDES = [
  {
    adds: 'statement',
    icon: 'message-circle',
    label: 'What it does',
    testID: 'tell-more',
    shortcut: 'T',
  },
  { adds: 'looks', icon: 'eye', label: 'Quick looks', testID: 'open-looks', shortcut: 'Q' },
  { adds: 'supply', icon: 'power', label: 'Supply', testID: 'open-supply', shortcut: 'P' },
  {
    adds: 'reading',
    icon: 'edit-3',
    label: 'I read something',
    testID: 'add-reading',
    shortcut: 'R',
  },
  { adds: 'act', icon: 'tool', label: 'Something done', testID: 'add-act', shortcut: 'A' },
] as const;

/** The one card that is worked on: making safe comes before ohms, a second look before the next test. */
function Card({ work, hand, active }: { work: Work; hand: InHand; active: boolean }) {
  const { advice, again, live, at } = hand;
  if (hand.jumperLeft) return <JumperOff work={work} jumper={hand.jumperLeft} />;
  if (hand.unsafe) return <Ready work={work} live={hand.goLive} active={active} />;
  if (again) return <SecondLookCard work={work} again={again} />;
  if (live)
    return (
      <LiveScript
        key={`${work.evidence.length} ${at}`}
        work={work}
        test={live.test}
        good={live.good}
        ready={hand.standClear}
      />
    );
  if (hand.mapFirst) return <MapFirst key={hand.mapFirst.part} work={work} {...hand.mapFirst} />;
  return advice ? <TestCard work={work} advice={advice} /> : null;
}

/** The same points on a unit that is known to be good prove leads, setup and expectation. */
function Twin({ hand: { twin, setTwin } }: { hand: InHand }) {
  return (
    <Button
      icon="copy"
      label={
        twin ? 'Reading the known-good unit: back to this one' : 'Check a known-good unit first'
      }
      testID="twin"
      shortcut="G"
      selected={twin}
      onPress={() => setTwin(!twin)}
    />
  );
}

function Choices({
  work,
  hand,
  open,
  toggle,
}: {
  work: Work;
  hand: InHand;
  open: Open;
  toggle: (which: Open) => () => void;
}) {
  const { tests, at, choose, next } = hand;
  const { diagram } = work.call;
  return (
    <>
      <View style={styles.row}>
        <Button
          icon="help-circle"
          label="Why this test?"
          testID="why"
          shortcut="Y"
          selected={open === 'why'}
          onPress={toggle('why')}
          style={styles.grow}
        />
        <Button
          icon="shuffle"
          label="Another"
          testID="another"
          hint={`Another test: ${tests.map((each) => sayTest(diagram, each.test)).join('; ')}`}
          shortcut="N"
          disabled={tests.length < 2}
          onPress={next}
          style={styles.grow}
        />
        {hand.advice?.test.kind !== 'ask' && (
          <Button
            icon="slash"
            label="Not this one"
            testID="refuse-test"
            shortcut="X"
            selected={open === 'refuse'}
            onPress={toggle('refuse')}
            style={styles.grow}
          />
        )}
      </View>
      {open === 'why' && <WhyTest work={work} tests={tests} at={at} choose={choose} />}
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
});
