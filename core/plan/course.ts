import { isRepair, type Evidence } from '../call/evidence';
import { OPTIONS, type OptionKind } from '../call/decision';
import { openLines } from '../call/ledger';
import { lastOf } from '../call/takenBack';
import type { LogEntry } from '../call/record';
import type { Diagram } from '../diagram/diagram';
import type { CheckDue } from './closingChecks';
import { ordersDue, type OrderDue } from './eventOrder';
import type { RepairStanding } from './repair';

/** The steps of a call in the order of the work; any may be entered at any time. */
export const COURSE = ['complaint', 'found', 'decided', 'repaired', 'proved', 'closed'] as const;
export type CourseStep = (typeof COURSE)[number];

export interface StepStanding {
  step: CourseStep;
  /** `not-due`: what was decided asks for no repair by us. */
  state: 'done' | 'begun' | 'open' | 'not-due' | 'wrong';
}

/** What is done by us, so that a repair is waited for; the rest ends with words. */
export const REPAIRED_BY: readonly OptionKind[] = OPTIONS.filter(
  (each) => !['hand-over', 'not-worth', 'nothing'].includes(each),
);

/** What is known of a call, as far as its course goes. */
export interface KnownOfCall {
  diagram: Diagram;
  entries: readonly LogEntry[];
  /** What counts of them. */
  evidence: readonly Evidence[];
  stage: 'open' | 'done';
  /** How the last repair stands; undefined where nothing was repaired. */
  repair: RepairStanding | undefined;
  /** What is checked before it is handed back. */
  checks: readonly CheckDue[];
}

/** How each step of a call stands. */
export function courseOf({
  diagram,
  entries,
  evidence,
  stage,
  repair,
  checks,
}: KnownOfCall): StepStanding[] {
  const found = lastOf(entries, 'found');
  const decision = lastOf(entries, 'decision');
  const due = decision === undefined || REPAIRED_BY.includes(decision.body.option);
  const repaired = evidence.some(isRepair);
  const states: Record<CourseStep, StepStanding['state']> = {
    complaint: evidence.some(({ kind }) => kind === 'statement') ? 'done' : 'begun',
    found: found ? 'done' : evidence.length ? 'begun' : 'open',
    decided: decision ? 'done' : 'open',
    repaired: repaired ? 'done' : due ? 'open' : 'not-due',
    proved: withChecks(
      withOrders(proofState(repair, due), ordersDue(diagram, entries, evidence)),
      checks,
    ),
    closed: stage === 'done' ? 'done' : openLines(diagram, entries).length ? 'begun' : 'open',
  };
  return COURSE.map((step) => ({ step, state: states[step] }));
}

/** An order that is not seen yet, or was seen wrong, keeps a repair from being proved. */
function withOrders(
  state: StepStanding['state'],
  orders: readonly OrderDue[],
): StepStanding['state'] {
  if (state === 'wrong' || orders.some(({ verdict }) => verdict?.kind === 'wrong')) return 'wrong';
  const whole = orders.every(({ verdict }) => verdict?.kind === 'right');
  return state === 'done' && !whole ? 'begun' : state;
}

/** A check that was not right undoes a proof; one that nobody has spoken of keeps it open. What was not done is said, and on the report. */
function withChecks(
  state: StepStanding['state'],
  checks: readonly CheckDue[],
): StepStanding['state'] {
  if (state === 'wrong' || checks.some(({ said }) => said?.outcome === 'wrong')) return 'wrong';
  return state === 'done' && checks.some(({ said }) => !said) ? 'begun' : state;
}

function proofState(repair: RepairStanding | undefined, due: boolean): StepStanding['state'] {
  switch (repair?.kind) {
    case 'proved':
      return 'done';
    case 'half-proved':
      return 'begun';
    case 'still-there':
      return 'wrong';
    case undefined:
      return due ? 'open' : 'not-due';
  }
}
