import { View } from 'react-native';
import { missingOf, sayRepairStanding } from '../../../core/describe/repair';
import { nameOf } from '../../../core/describe/unit';
import { checksDue } from '../../../core/plan/closingChecks';
import { Card } from '../../ui/Card';
import { RowLink } from '../../ui/RowLink';
import { Type } from '../../ui/Type';
import type { Work } from './useWork';

/** How the last repair stands: proved, what is missing for that, or still there; nothing before one. */
export function RepairStandingCard({ work }: { work: Work }) {
  const repair = work.findings?.repair;
  if (!repair) return null;
  const { diagram } = work.call;
  const sure = work.findings?.verdict.kind === 'repaired';
  const { headline, means } = sayRepairStanding(diagram, repair, work.evidence, sure);
  const missing = missingOf(diagram, repair);
  const checks = checksDue(diagram, work.call.entries, work.evidence);
  const open = checks.filter(({ said }) => !said).length;
  const tone = { proved: 'good', 'half-proved': 'warn', 'still-there': 'bad' } as const;
  const now = repair.kind === 'proved' && !sure ? 'warn' : tone[repair.kind];
  return (
    <Card ground={`${now}Ground`} edge={now} testID="repair-standing">
      <Type size="title" weight="heavy" tone={now}>
        {headline}
      </Type>
      <Type>{means}</Type>
      {missing.length > 0 && (
        <View testID="repair-missing">
          {missing.map((each) => (
            <Type key={each} weight="strong">
              · {each}
            </Type>
          ))}
        </View>
      )}
      {repair.kind === 'half-proved' &&
        [...new Set(repair.cells.map((each) => each.part))].map((part) => (
          <RowLink
            key={part}
            href={`/call/${work.call.id}/${part}`}
            name={`Prove ${nameOf(diagram, part)}`}
            testID={`prove-${part}`}
          >
            <Type weight="strong">Prove {nameOf(diagram, part)} on its own page</Type>
          </RowLink>
        ))}
      {checks.length > 0 && repair.kind !== 'still-there' && (
        <RowLink
          href={`/call/${work.call.id}/checks`}
          name="Check it off before it is handed back"
          testID="to-checks"
        >
          <Type weight="strong">Before it is handed back</Type>
          <Type size="small" tone="soft">
            {open ? `${open} of ${checks.length} checks to be said` : 'Every check is said'}
          </Type>
        </RowLink>
      )}
    </Card>
  );
}
