import { saidBeside } from '../behaviour/statement';
import type { StatementEvidence } from '../call/evidence';
import type { UnitHypothesis } from './unitHypotheses';
import type { UnitPredictor } from './unitPredictor';
import { HEALTHY } from './entryLikelihood';

/**
 * The customer's complaint: the first load of a use that does what a healthy unit's does not. An
 * intermittent contact is complained of as it is in a bad moment.
 */
export function complaintOf(
  { diagram, hypotheses, whenOpen }: UnitPredictor,
  index: number,
): StatementEvidence | undefined {
  const healthy = hypotheses[HEALTHY]?.uses.outcomes;
  const apart = whenOpen[index] ?? -1;
  const bad = hypotheses[apart >= 0 ? apart : index]?.uses.outcomes;
  for (const [steps, outcomes] of bad ?? []) {
    for (const [subject, outcome] of outcomes) {
      const load = diagram.parts.some((part) => part.id === subject && part.kind === 'load');
      const good = healthy?.get(steps)?.get(subject);
      if (load && good !== outcome)
        return {
          kind: 'statement',
          id: 'complaint',
          source: 'seen',
          steps,
          subject,
          outcome: saidBeside(diagram, subject, outcome, good),
        };
    }
  }
  return undefined;
}

/** What is noticed first, and of which faults; computed from the unit's own uses. */
export interface Complaint {
  statement: StatementEvidence;
  of: UnitHypothesis[];
}

/** Every fault by what is noticed of it at which moment, and those that nobody notices in the uses. */
export function complaintMap(predictor: UnitPredictor): {
  complaints: Complaint[];
  hidden: UnitHypothesis[];
} {
  const complaints = new Map<string, Complaint>();
  const hidden: UnitHypothesis[] = [];
  predictor.hypotheses.forEach((hypothesis, i) => {
    if (hypothesis.suspect === undefined) return;
    const statement = complaintOf(predictor, i);
    if (!statement) {
      hidden.push(hypothesis);
      return;
    }
    const key = JSON.stringify(statement);
    const known = complaints.get(key) ?? { statement, of: [] };
    known.of.push(hypothesis);
    complaints.set(key, known);
  });
  return { complaints: [...complaints.values()], hidden };
}
