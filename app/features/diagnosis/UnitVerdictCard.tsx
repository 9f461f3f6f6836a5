import { View } from 'react-native';
import {
  conditionOf,
  DONE_BY,
  oneRemedy,
  isReplaced,
  remedyFor,
} from '../../../core/describe/remedy';
import { sayChance } from '../../../core/describe/chance';
import { sayGuesses } from '../../../core/describe/guesses';
import { sayNewPart } from '../../../core/describe/newPart';
import { sayOhms } from '../../../core/describe/display';
import { sayTest } from '../../../core/describe/test';
import { loopShares } from '../../../core/inference/loopShares';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import type { ShownVerdict } from '../../workers/diagnosis';
import { ACT_WORDS, nameOf, sayEvidence, sayFaultOf } from '../../../core/describe/unit';
import { capital } from '../../../core/describe/use';
import type { Remedy } from '../../../core/fault/mode';
import { TakeOver } from './TakeOver';
import type { Work } from './useWork';

/** The verdict, once there is one; nothing while tests are still worth the walk. */
export function UnitVerdictCard({ work }: { work: Work }) {
  const verdict = work.findings?.verdict;
  switch (verdict?.kind) {
    case 'named':
      return <Named work={work} verdict={verdict} />;
    case 'group':
      return <Group work={work} verdict={verdict} />;
    case 'nothing-found':
      return (
        <Card ground="goodGround" edge="good" testID="unit-verdict">
          <Type size="title" weight="heavy" tone="good">
            Nothing wrong found here
          </Type>
          <Type>Look at the house, at how it is used, and at what this diagram does not show.</Type>
          <TakeOver work={work} suspect={undefined} />
        </Card>
      );
    case 'repaired':
      // How it stands is the repair's own card.
      return null;
    case 'surprise':
      return <Surprise work={work} verdict={verdict} />;
    case 'open':
      if (verdict.needs === 'set-points') return <SetPointsMissing work={work} />;
      return verdict.needs === 'own-terminals' && work.findings?.tests.length === 0 ? (
        <OwnReadingRefused work={work} />
      ) : null;
    case undefined:
      return null;
  }
}

/** Nothing is condemned for standing open while nobody knows when it should. */
function SetPointsMissing({ work }: { work: Work }) {
  const first = work.findings?.suspects[0]?.id;
  return (
    <Card ground="warnGround" edge="warn" testID="unit-verdict">
      <Type size="title" weight="heavy" tone="warn">
        No verdict: set points unknown
      </Type>
      <Type>
        All points to {nameOf(work.call.diagram, first).toLowerCase()}, and open can be right: take
        its set points from the sheet or its marking into the diagram, and measure what moves it.
      </Type>
    </Card>
  );
}

/** All points to one part, and the reading at itself was refused: nobody is told to buy it unread. */
function OwnReadingRefused({ work }: { work: Work }) {
  const first = work.findings?.suspects[0]?.id;
  return (
    <Card ground="warnGround" edge="warn" testID="unit-verdict">
      <Type size="title" weight="heavy" tone="warn">
        Suspected, not read
      </Type>
      <Type>
        All points to {nameOf(work.call.diagram, first).toLowerCase()}. It is named once it was read
        at its own terminals; have that reading back under How to work, or come again with what it
        takes.
      </Type>
    </Card>
  );
}

/** What is known does not go together: no part is named, and the entry that fits least is asked about. */
function Surprise({
  work,
  verdict,
}: {
  work: Work;
  verdict: Extract<ShownVerdict, { kind: 'surprise' }>;
}) {
  const { diagram } = work.call;
  const { entry, stands, wouldTake } = verdict;
  const suspected = work.findings?.suspects[0];
  return (
    <Card ground="warnGround" edge="warn" testID="unit-verdict">
      <Type size="title" weight="heavy" tone="warn">
        This does not go together
      </Type>
      <Type>
        Most of it speaks for {nameOf(diagram, suspected?.id).toLowerCase()}, and one entry does not
        fit. Nothing is named before that is settled.
      </Type>
      <Entries work={work} title="Fits least" ids={[entry]} testID="verdict-misfit" />
      <Type>
        {wouldTake
          ? `For it to be so, this would have to be: ${nameOf(diagram, wouldTake.id)}, ${sayFaultOf(diagram, wouldTake.faults)}.`
          : 'Nothing that this diagram knows makes it so: it may be drawn otherwise, or something else is wrong as well.'}
      </Type>
      <Type weight="strong">
        {stands
          ? 'It was the same twice. Look whether the diagram is that of this unit, and whether two things are wrong.'
          : 'Take it again, or take it back if it was told wrong.'}
      </Type>
      <Button
        icon="corner-up-left"
        label="Take that entry back"
        testID="misfit-back"
        onPress={() => work.takeBack(entry)}
      />
    </Card>
  );
}

function Named({
  work,
  verdict,
}: {
  work: Work;
  verdict: Extract<ShownVerdict, { kind: 'named' }>;
}) {
  const { diagram } = work.call;
  const { suspect, because, against } = verdict;
  const [fault] = suspect.faults;
  // No part is bad where a quantity is not where it should be.
  const tone = fault && 'actuator' in fault ? 'warn' : 'bad';
  const condition = fault && conditionOf(diagram, fault);
  const guess = sayGuesses(diagram, suspect.id);
  const causes = diagram.parts.find((each) => each.id === suspect.id)?.causes ?? [];
  const others = (work.findings?.suspects ?? []).filter(
    (each) => each.id !== suspect.id && each.probability >= 0.005,
  );
  return (
    <Card ground={`${tone}Ground`} edge={tone} testID="unit-verdict">
      <Type size="title" weight="heavy" tone={tone}>
        {nameOf(diagram, suspect.id)}
      </Type>
      <Type>
        {capital(sayFaultOf(diagram, suspect.faults))}, {sayChance(suspect.probability)}
      </Type>
      {fault && (
        <Type weight="strong" testID="verdict-action">
          {remedyFor(diagram, fault).says}
        </Type>
      )}
      {guess !== undefined && (
        <Type weight="strong" tone="warn" testID="verdict-guess">
          {guess}
        </Type>
      )}
      {isReplaced(diagram, suspect.faults) &&
        sayNewPart(diagram, suspect.id).map((each) => (
          <Type key={each} testID="verdict-new-part">
            {each}
          </Type>
        ))}
      <TakeOver work={work} suspect={suspect} />
      {fault && suspect.id !== undefined && (
        <Done work={work} id={suspect.id} remedy={remedyFor(diagram, fault)} />
      )}
      {condition !== undefined && <Type testID="verdict-condition">{condition}</Type>}
      {fault && 'loop' in fault && <Shares work={work} loop={fault.loop} />}
      {causes.length > 0 && (
        <Type testID="verdict-causes">Look for the cause first: {causes.join('; ')}.</Type>
      )}
      <Entries work={work} title="Fits" ids={because} testID="verdict-because" />
      <Entries work={work} title="Does not fit" ids={against} testID="verdict-against" />
      {others.length > 0 && (
        <Type size="small">
          Could still be:{' '}
          {others
            .map((each) => `${nameOf(diagram, each.id)}, ${sayChance(each.probability)}`)
            .join('; ')}
        </Type>
      )}
    </Card>
  );
}

/** Once it is done a new chapter begins: what the unit does then proves it. */
function Done({ work, id, remedy }: { work: Work; id: string; remedy: Remedy }) {
  const act = DONE_BY[remedy.kind];
  return (
    <Button
      icon="tool"
      label={`Done: ${ACT_WORDS[act]}`}
      testID="remedy-done"
      onPress={() => work.act(id, act)}
    />
  );
}

/** The loop as a sum: what each contact takes, and in which order to bring it under its limit. */
function Shares({ work, loop }: { work: Work; loop: string }) {
  const { diagram } = work.call;
  const sum = loopShares(diagram, loop, work.evidence);
  if (!sum) return null;
  const order = sum.toDo.map(({ part }) => nameOf(diagram, part)).join(', then ');
  return (
    <View testID="loop-shares">
      {sum.shares.map(({ part, contact, ohms, read }) => (
        <Type key={`${part}.${contact}`} size="small">
          {nameOf(diagram, part)}: {read ? sayOhms(ohms) : 'not read'}
        </Type>
      ))}
      <Type weight="strong">
        {sayOhms(sum.ohms)} in all, {sayOhms(sum.budget)} allowed.{' '}
        {order ? `In this order until it holds: ${order}.` : 'As read it is within its limit.'}
      </Type>
    </View>
  );
}

function Group({
  work,
  verdict,
}: {
  work: Work;
  verdict: Extract<ShownVerdict, { kind: 'group' }>;
}) {
  const { diagram } = work.call;
  const [settling] = verdict.settles;
  const [first] = verdict.suspects;
  const remedy = oneRemedy(
    diagram,
    verdict.suspects.flatMap(({ faults: [fault] }) => fault ?? []),
  );
  return (
    <Card ground="warnGround" edge="warn" testID="unit-verdict">
      <Type weight="strong">No test that is allowed tells these apart:</Type>
      {verdict.suspects.map((suspect) => (
        <View key={suspect.id ?? 'none'}>
          <Type size="lead" weight="heavy" tone="warn">
            {nameOf(diagram, suspect.id)}
          </Type>
          <Type>
            {capital(sayFaultOf(diagram, suspect.faults))}, {sayChance(suspect.probability)}
          </Type>
        </View>
      ))}
      {remedy && first?.id !== undefined && (
        <>
          <Type weight="strong" testID="one-remedy">
            The same is done about all of them, and then it is read again: {remedy.says}
          </Type>
          <Done work={work} id={first.id} remedy={remedy} />
        </>
      )}
      {settling && (
        <>
          <Type size="small">What would settle it: {sayTest(diagram, settling.test)}</Type>
          <Button
            icon="zap"
            label="Allow live readings"
            testID="allow-live"
            onPress={() => work.choose({ live: true })}
          />
        </>
      )}
    </Card>
  );
}

function Entries({
  work,
  title,
  ids,
  testID,
}: {
  work: Work;
  title: string;
  ids: readonly string[];
  testID: string;
}) {
  const entries = work.evidence.filter((each) => ids.includes(each.id));
  if (entries.length === 0) return null;
  return (
    <View testID={testID}>
      <Type size="small" weight="strong">
        {title}
      </Type>
      {entries.map((entry) => {
        const { what, shown } = sayEvidence(work.call.diagram, entry);
        return (
          <Type key={entry.id} size="small">
            · {shown}: {what}
          </Type>
        );
      })}
    </View>
  );
}
