import { openLines } from '../call/ledger';
import { lastOf } from '../call/takenBack';
import { ordersDue } from '../plan/eventOrder';
import type { CourseStep, KnownOfCall, StepStanding } from '../plan/course';
import { sayOrderDue } from './eventOrder';
import { sayLedgerLine } from './ledger';
import { OPTION_WORDS } from './option';
import { missingOf, sayRepairStanding } from './repair';
import { nameOf, sayEvidence } from './unit';
import { isRepair } from '../call/evidence';
import type { Diagram } from '../diagram/diagram';
import type { CheckDue } from '../plan/closingChecks';
import { sayCheckDue } from './closingChecks';
import { sayGrades } from './proofGrades';

export const STEP_NAMES: Record<CourseStep, string> = {
  complaint: 'Complaint',
  found: 'Found',
  decided: 'Decided',
  repaired: 'Repaired',
  proved: 'Proved',
  closed: 'Closed',
};

export const STEP_STATES: Record<StepStanding['state'], string> = {
  done: 'done',
  begun: 'begun',
  open: 'not yet',
  'not-due': 'not due',
  wrong: 'look elsewhere',
};

/** What a step has come to, and what is missing for it, a line each. */
export function sayStep(call: KnownOfCall, { step, state }: StepStanding): string[] {
  const { diagram, entries, evidence, repair, checks } = call;
  const decision = lastOf(entries, 'decision')?.body;
  switch (step) {
    case 'complaint': {
      const told = evidence.filter(({ kind }) => kind === 'statement');
      return told.length
        ? told.slice(0, 3).map((each) => sayEvidence(diagram, each).shown)
        : ['Say what it does and does not do, so that it counts.'];
    }
    case 'found': {
      const found = lastOf(entries, 'found')?.body;
      if (found)
        return [
          found.part === undefined
            ? 'Nothing wrong in this unit'
            : `${nameOf(diagram, found.part)}: ${found.says}`,
        ];
      return [state === 'begun' ? 'No verdict taken over yet.' : 'Nothing tested yet.'];
    }
    case 'decided':
      if (!decision) return ['What is done about it, and what the customer chose.'];
      return [
        `${OPTION_WORDS[decision.option]}${decision.part === undefined ? '' : `: ${nameOf(diagram, decision.part)}`}`,
        ...(decision.choice === undefined ? [] : [`“${decision.choice}”`]),
        ...decision.declined.map((each) => `Declined: ${each}`),
      ];
    case 'repaired': {
      const repairs = evidence.filter(isRepair);
      if (repairs.length)
        return repairs.map((each) => {
          const { what, shown } = sayEvidence(diagram, each);
          return `${what}: ${shown}`;
        });
      return [state === 'not-due' ? 'No repair by us.' : 'Say what was done, once it is.'];
    }
    case 'proved': {
      if (!repair)
        return state === 'not-due' ? [] : ['After the repair: read it, then see it run.'];
      const { headline } = sayRepairStanding(diagram, repair, evidence, true);
      const orders = ordersDue(diagram, entries, evidence).map((each) =>
        sayOrderDue(diagram, each),
      );
      return [
        headline,
        ...missingOf(diagram, repair),
        ...orders,
        ...sayGrades(diagram, checks, evidence, repair),
        ...sayChecksLeft(diagram, checks),
      ];
    }
    case 'closed': {
      const lines = openLines(diagram, entries);
      if (lines.length)
        return lines
          .slice(0, 4)
          .map((each) => sayLedgerLine(diagram, each))
          .concat(lines.length > 4 ? [`and ${lines.length - 4} more`] : []);
      return state === 'done' ? [] : ['Nothing is left open.'];
    }
  }
}

/** How many checks are open, then those that were not right or not done. */
function sayChecksLeft(diagram: Diagram, due: readonly CheckDue[]): string[] {
  const open = due.filter(({ said }) => !said).length;
  const count = open === 1 ? '1 check' : `${open} checks`;
  return [
    ...(open ? [`${count} before it is handed back`] : []),
    ...due
      .filter(({ said }) => said && said.outcome !== 'right')
      .map((each) => sayCheckDue(diagram, each)),
  ];
}
