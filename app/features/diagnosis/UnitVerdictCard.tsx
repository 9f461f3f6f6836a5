import { View } from 'react-native';
import { conditionOf, remedyFor } from '../../../core/describe/remedy';
import { sayTest } from '../../../core/describe/test';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import type { ShownSuspect, ShownVerdict } from '../../workers/diagnosis';
import { capital, nameOf, sayEvidence, sayFaultOf } from '../../../core/describe/unit';
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
        </Card>
      );
    case 'open':
      return verdict.needs === 'set-points' ? <SetPointsMissing work={work} /> : null;
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
  const condition = fault && conditionOf(diagram, fault);
  const causes = diagram.parts.find((each) => each.id === suspect.id)?.causes ?? [];
  const others = (work.findings?.suspects ?? []).filter(
    (each) => each.id !== suspect.id && each.probability >= 0.005,
  );
  return (
    <Card ground="badGround" edge="bad" testID="unit-verdict">
      <Type size="title" weight="heavy" tone="bad">
        {nameOf(diagram, suspect.id)}
      </Type>
      <Type>
        {capital(sayFaultOf(diagram, suspect.faults))}, {sayChance(suspect)}
      </Type>
      {fault && (
        <Type weight="strong" testID="verdict-action">
          {remedyFor(diagram, fault).says}
        </Type>
      )}
      {condition !== undefined && <Type testID="verdict-condition">{condition}</Type>}
      {causes.length > 0 && (
        <Type testID="verdict-causes">Look for the cause first: {causes.join('; ')}.</Type>
      )}
      <Entries work={work} title="Speaks for it" ids={because} testID="verdict-because" />
      <Entries work={work} title="Speaks against it" ids={against} testID="verdict-against" />
      {others.length > 0 && (
        <Type size="small">
          Could still be:{' '}
          {others.map((each) => `${nameOf(diagram, each.id)}, ${sayChance(each)}`).join('; ')}
        </Type>
      )}
    </Card>
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
  return (
    <Card ground="warnGround" edge="warn" testID="unit-verdict">
      <Type weight="strong">No test that is allowed tells these apart:</Type>
      {verdict.suspects.map((suspect) => (
        <View key={suspect.id ?? 'none'}>
          <Type size="lead" weight="heavy" tone="warn">
            {nameOf(diagram, suspect.id)}
          </Type>
          <Type>
            {capital(sayFaultOf(diagram, suspect.faults))}, {sayChance(suspect)}
          </Type>
        </View>
      ))}
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

const sayChance = ({ probability }: ShownSuspect): string =>
  probability < 0.01 ? 'less than 1 in 100' : `${Math.round(100 * probability)} in 100`;
