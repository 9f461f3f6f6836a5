import { StyleSheet, View } from 'react-native';
import type { Diagram } from '../../../core/diagram/diagram';
import { drawnSetup, type Setup } from '../../../core/diagram/setup';
import { sayPosition } from '../../../core/describe/position';
import { sayBackOn, sayDuringReading } from '../../../core/describe/duringReading';
import { saySetup } from '../../../core/describe/test';
import type { LookTest, OhmTest } from '../../../core/plan/unitTests';
import { Button } from '../../ui/Button';
import { Chip } from '../../ui/Chip';
import { Card } from '../../ui/Card';
import { PartSketch } from '../../ui/PartSketch';
import { onePart, ProbePair } from '../../ui/ProbePair';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import type { GoodShown, ShownTest } from '../../workers/diagnosis';
import { contactOf, Good } from './Good';
import { MeasureCard } from './MeasureCard';
import { capital } from '../../../core/describe/use';
import { AskCard } from './AskCard';
import { TryCard } from './TryCard';
import type { Work } from './useWork';

/** The test to do next: where the probes go and in which state, or what to look for or to try. */
export function TestCard({ work, advice }: { work: Work; advice: ShownTest }) {
  const { test, minutes } = advice;
  const takes = `about ${Math.max(1, Math.round(minutes))} min`;
  return (
    <Card testID="next-test">
      {test.kind === 'look' && <LookCard work={work} test={test} takes={takes} />}
      {test.kind === 'try' && (
        <TryCard key={`${test.steps} ${test.subject}`} work={work} test={test} takes={takes} />
      )}
      {test.kind === 'ask' && <AskCard work={work} test={test} answers={advice.answers} />}
      {test.kind === 'measure' && (
        <>
          <Takes says={`By its own instrument · ${takes}`} />
          <MeasureCard
            key={`${test.actuator} ${test.steps}`}
            work={work}
            test={test}
            good={work.blind ? undefined : advice.good}
          />
        </>
      )}
      {test.kind === 'ohm' && (
        <>
          <Takes says={`Unplugged, dead and proved · dial Ω · ${takes}`} />
          <OhmCard work={work} test={test} good={work.blind ? undefined : advice.good} />
        </>
      )}
    </Card>
  );
}

/** What has to be opened to get at the two points, by which tool and from which side. */
export function Reach({ diagram, from, to }: { diagram: Diagram; from: string; to: string }) {
  const owners = [from, to].map((ref) => ref.split('.')[0]);
  const panels = diagram.panels.filter((panel) =>
    diagram.parts.some((part) => owners.includes(part.id) && part.panel === panel.id),
  );
  return panels.map(({ id, name, fastener, tool, side, helper, tethered }) => (
    <Type key={id} size="small" testID={`reach-${id}`}>
      Behind: {name} ·{' '}
      {[
        fastener,
        ...(tool ? [tool] : []),
        ...(side ? [`from the ${side}`] : []),
        ...(tethered ? [`tied by ${tethered}`] : []),
        ...(helper ? ['two people'] : []),
      ].join(' · ')}
    </Type>
  ));
}

const Takes = ({ says }: { says: string }) => (
  <Type size="small" tone="soft">
    {says}
  </Type>
);

/**
 * Where the probes go, and how everything else has to stand.
 * @param good what a good unit shows, where that is told before
 */
export function OhmCard({
  work,
  test,
  good,
}: {
  work: Work;
  test: OhmTest;
  good: GoodShown | undefined;
}) {
  const { diagram } = work.call;
  const { from, to, setup } = test;
  const stands = capital(
    saySetup(diagram, setup, onePart(from, to)).join(', ') || 'As it stands, wires on',
  );
  const backOn = sayBackOn(diagram, setup, work.evidence, work.wiresOff);
  return (
    <>
      {backOn !== undefined && (
        <Type weight="strong" tone="warn" testID="back-on">
          {backOn}.
        </Type>
      )}
      <Type size="title" weight="heavy" testID="next-setup">
        {stands}
      </Type>
      {test.wiggle && (
        <Type weight="strong" tone="warn" testID="wiggle">
          Move the part, its plug and its wires while you read: does it jump?
        </Type>
      )}
      <ProbePair diagram={diagram} from={from} to={to} lifted={setup.lifted} named />
      {good && <Good good={good} />}
      <SetupChips diagram={diagram} setup={setup} />
      {sayDuringReading(diagram, setup).map((each) => (
        <Type key={each} size="small" testID="during">
          {each}.
        </Type>
      ))}
      <Reach diagram={diagram} from={from} to={to} />
      <PartSketch diagram={diagram} from={from} to={to} contact={good && contactOf(good)} />
    </>
  );
}

/** What must be true while it is read besides what the title says: power, what is not moved, wires. */
function SetupChips({ diagram, setup }: { diagram: Diagram; setup: Setup }) {
  const drawn = drawnSetup(diagram);
  const controls = diagram.actuators.filter(({ kind }) => kind === 'hand' || kind === 'momentary');
  const wires = setup.lifted.length ? `${setup.lifted.length} wires off` : 'all wires on';
  return (
    <View style={styles.row} testID="setup-chips">
      <Chip label="power off" icon="power" testID="chip-power" />
      {controls.map(({ id }) => {
        const state = setup.actuators[id];
        if (typeof state !== 'string') return null;
        // What is moved is in the title.
        if (state !== drawn.actuators[id]) return null;
        return <Chip key={id} label={sayPosition(diagram, id, state)} testID={`chip-${id}`} />;
      })}
      <Chip
        label={wires}
        icon={setup.lifted.length ? 'scissors' : 'link'}
        tone={setup.lifted.length ? 'warn' : 'ink'}
        testID="chip-wires"
      />
    </View>
  );
}

function LookCard({ work, test, takes }: { work: Work; test: LookTest; takes: string }) {
  const look = work.call.diagram.looks?.find((each) => each.id === test.look);
  return (
    <>
      <Takes says={`No meter · ${look?.powered ? 'powered for it' : 'no power'} · ${takes}`} />
      <Type size="title" weight="heavy">
        {look?.says}
      </Type>
      {look?.powered && (
        <Type weight="strong" tone="warn" testID="look-powered">
          Covers on, hands clear while it is on. Power off after: it counts as live until it is
          proved dead again.
        </Type>
      )}
      <View style={styles.row}>
        <Button
          look="act"
          label="Found"
          testID="look-found"
          style={styles.grow}
          onPress={() => work.look(test.look, true)}
        />
        <Button
          label="Not there"
          testID="look-nothing"
          style={styles.grow}
          onPress={() => work.look(test.look, false)}
        />
      </View>
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
});
