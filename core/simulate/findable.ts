import { chanceFrom } from '../chance';
import type { Fault } from '../fault/fault';
import { complaintOf } from '../inference/complaint';
import type { UnitDiagnosis } from '../plan/unitDiagnosis';
import { workCall } from './simulatedCall';

/** How well faults of a unit are found by its diagram, by a technician who follows the advice. */
export interface Findable {
  calls: number;
  /** Faults after which the right part was named. */
  named: number;
  /** Parts that no test at points that are reached tells apart, as often as that came out. */
  together: { suspects: string[]; times: number }[];
  /** Faults that were not found, with the part that was named in their place where one was. */
  missed: { suspect: string; faults: Fault[]; named?: string }[];
  /** Faults that nobody notices. */
  hidden: number;
}

const SEED = 1;

/** Works a call on every fault of a unit. Says how far it is after each, as a share; the last word is what was found. */
export function* findable(diagnosis: UnitDiagnosis): Generator<number, Findable> {
  const { predictor } = diagnosis;
  const found: Findable = { calls: 0, named: 0, together: [], missed: [], hidden: 0 };
  const { length } = predictor.hypotheses;
  for (const [i, truth] of predictor.hypotheses.entries()) {
    const { suspect } = truth;
    if (suspect === undefined) continue;
    const complaint = complaintOf(predictor, i);
    if (!complaint) {
      found.hidden++;
      continue;
    }
    const { verdict } = workCall(diagnosis, truth, complaint, { chance: chanceFrom(SEED + i) });
    found.calls++;
    const named = verdict.kind === 'named' ? verdict.suspect.id : undefined;
    const group =
      verdict.kind === 'group' ? verdict.suspects.flatMap(({ id }) => id ?? []).sort() : [];
    if (named === suspect) found.named++;
    else if (group.includes(suspect)) count(found.together, group);
    else
      found.missed.push({ suspect, faults: truth.causes, ...(named !== undefined && { named }) });
    yield i / length;
  }
  return found;
}

function count(together: Findable['together'], suspects: string[]): void {
  const same = together.find((each) => each.suspects.join() === suspects.join());
  if (same) same.times++;
  else together.push({ suspects, times: 1 });
}
