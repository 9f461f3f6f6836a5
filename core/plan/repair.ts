import {
  isRepair,
  sinceRepair,
  type Evidence,
  type ReadingEvidence,
  type Repair,
  type StatementEvidence,
} from '../call/evidence';
import { alike } from '../behaviour/statement';
import type { ProofStep } from '../call/reading';
import type { Diagram } from '../diagram/diagram';
import { switchPosition } from '../diagram/setup';
import { pairKey } from '../diagram/setupKey';
import { switches } from '../diagram/terminal';
import { HEALTHY } from '../inference/entryLikelihood';
import type { UnitPredictor } from '../inference/unitPredictor';
import { proofOf, standsIn } from './proof';

/** A moment of use in which the unit did wrong, and what is watched there. */
export interface Run {
  steps: string;
  subject: string;
}

/** What a repair has come to: proved by what the unit does since, and by the cells of a switch that is new. */
export type RepairStanding = { repairs: Repair[] } & (
  | { kind: 'proved' }
  /** What is missing; the readings first, with everything dead. */
  | { kind: 'half-proved'; runs: Run[]; cells: ProofStep[] }
  /** The entry that shows it. */
  | { kind: 'still-there'; entry: string }
);

/** How the last repair stands; undefined where nothing was repaired. */
export function repairStanding(
  predictor: UnitPredictor,
  entries: readonly Evidence[],
): RepairStanding | undefined {
  const since = sinceRepair(entries);
  if (since === 0) return undefined;
  const repairs = entries.filter(isRepair);
  const wrong = (entry: Evidence): entry is StatementEvidence =>
    entry.kind === 'statement' && !entry.jumper && !isRight(predictor, entry);
  const after = entries.slice(since);
  const runs: Run[] = [];
  for (const { steps, subject } of entries.slice(0, since).filter(wrong)) {
    const run = { steps, subject };
    if (![...after, ...runs].some((each) => isSameRun(run, each))) runs.push(run);
  }
  const still = after.findLast(
    (each, i) => wrong(each) && !after.slice(i + 1).some((later) => isSameRun(each, later)),
  );
  if (still) return { kind: 'still-there', repairs, entry: still.id };
  // What was last done to a part says whether it is read again.
  const last = new Map(repairs.map((each) => [each.part, each]));
  const cells = [...last.values()].flatMap((each) =>
    cellsToProve(predictor.diagram, each, entries),
  );
  return runs.length || cells.length
    ? { kind: 'half-proved', repairs, runs, cells }
    : { kind: 'proved', repairs };
}

/** Whether something was seen in the same moment of use, without a jumper. */
const isSameRun = ({ steps, subject }: Run, other: Run | Evidence): boolean =>
  (!('kind' in other) || (other.kind === 'statement' && !other.jumper)) &&
  'subject' in other &&
  other.steps === steps &&
  other.subject === subject;

/** Whether a good unit does what is said. */
function isRight(
  predictor: UnitPredictor,
  { steps, subject, outcome }: StatementEvidence,
): boolean {
  const good = predictor.outcome(HEALTHY, steps, subject);
  return good === undefined || alike(good, outcome);
}

/**
 * Readings that prove a repaired switch and were not taken since: every cell of one that protects.
 * @param moved counts only what was read with the switch moved so; by hand or by what moves it where nothing is said
 */
export function cellsToProve(
  diagram: Diagram,
  { part: id, act }: Repair,
  entries: readonly Evidence[],
  moved?: 'finger' | 'actuator',
): ProofStep[] {
  const part = switches(diagram).find((each) => each.id === id);
  if (!part || act === 'reset' || act === 'put-back') return [];
  const since = entries
    .slice(sinceRepair(entries, id))
    .filter((each): each is ReadingEvidence => each.kind === 'reading' && each.of === 'unit')
    .filter(({ setup }) => {
      if (moved === undefined || (moved === 'finger') === id in setup.byHand) return true;
      // Nothing moves it to where it stands.
      return moved === 'finger' && switchPosition(setup, part) === standsIn(diagram, part);
    });
  return proofOf(diagram, part, part.safety ? 'full' : 'quick').filter(
    (step) =>
      step.shows.kind === 'cell' &&
      !since.some(
        ({ from, to, setup, shows }) =>
          shows.kind !== 'volts' &&
          pairKey(from, to) === pairKey(step.from, step.to) &&
          switchPosition(setup, part) === step.position,
      ),
  );
}
