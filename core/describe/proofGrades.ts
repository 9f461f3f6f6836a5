import { GRADES } from '../call/closingCheck';
import type { Evidence } from '../call/evidence';
import type { Diagram } from '../diagram/diagram';
import type { CheckDue } from '../plan/closingChecks';
import { proofGrades } from '../plan/proofGrades';
import type { RepairStanding } from '../plan/repair';
import { GRADE_WORDS } from './closingChecks';
import { nameOf } from './unit';

/** How far each repaired switch is proved: "Lid switch: proved by finger; not by what moves it, not in a run". */
export const sayGrades = (
  diagram: Diagram,
  checks: readonly CheckDue[],
  evidence: readonly Evidence[],
  standing: RepairStanding | undefined,
): string[] =>
  proofGrades(diagram, checks, evidence, standing).map(({ part, by }) => {
    const proved = GRADES.filter((each) => by[each]).map((each) => GRADE_WORDS[each]);
    const not = GRADES.filter((each) => !by[each]).map((each) => `not ${GRADE_WORDS[each]}`);
    const name = nameOf(diagram, part);
    if (proved.length === 0) return `${name}: not proved by finger, by what moves it or in a run`;
    return `${name}: proved ${[proved.join(' and '), ...(not.length ? [not.join(', ')] : [])].join('; ')}`;
  });
