import { GRADES, type Grade } from '../call/closingCheck';
import { isRepair, sinceRepair, type Evidence } from '../call/evidence';
import type { Diagram } from '../diagram/diagram';
import { findSwitch } from '../diagram/terminal';
import type { CheckDue } from './closingChecks';
import { cellsToProve, type RepairStanding } from './repair';

/** How far a repaired switch is proved: by finger, by what moves it, in a run. */
export interface ProofGrades {
  part: string;
  by: Record<Grade, boolean>;
}

/**
 * How each switch that was repaired has been proved since: its table read with a finger on it, or with what moves it, or the
 * unit seen to obey it in a run. A float that is never wetted was proved by finger alone.
 */
export function proofGrades(
  diagram: Diagram,
  checks: readonly CheckDue[],
  evidence: readonly Evidence[],
  standing: RepairStanding | undefined,
): ProofGrades[] {
  const last = new Map(evidence.filter(isRepair).map((each) => [each.part, each]));
  return [...last.values()].flatMap((repair): ProofGrades[] => {
    if (!findSwitch(diagram, repair.part).ok) return [];
    const asked = cellsToProve(diagram, repair, []).length > 0;
    const read = (moved: 'finger' | 'actuator'): boolean =>
      asked && cellsToProve(diagram, repair, evidence, moved).length === 0;
    const tried = checks.flatMap(({ of, said }) =>
      of === repair.part && said?.outcome === 'right' ? [said] : [],
    );
    const by = Object.fromEntries(
      GRADES.map((grade) => [
        grade,
        tried.some((each) => each.grade === grade) || (grade !== 'run' && read(grade)),
      ]),
    ) as Record<Grade, boolean>;
    const ran =
      (standing?.kind === 'proved' ||
        (standing?.kind === 'half-proved' && standing.runs.length === 0)) &&
      evidence
        .slice(sinceRepair(evidence, repair.part))
        .some((each) => each.kind === 'statement' && each.source === 'seen' && !each.jumper);
    // Cycles are made by what really moves it.
    const cycled = tried.some(({ check }) => check === 'cycles');
    return [
      { part: repair.part, by: { ...by, actuator: by.actuator || cycled, run: by.run || ran } },
    ];
  });
}
