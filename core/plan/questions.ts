import { alike, isNoticed, type Outcome } from '../behaviour/statement';
import type { Evidence } from '../call/evidence';
import type { Diagram } from '../diagram/diagram';
import { HEALTHY } from '../inference/entryLikelihood';
import type { UnitPredictor } from '../inference/unitPredictor';
import type { AskTest, UnitTest } from './unitTests';

/** What a customer sees, hears or feels of a unit without looking for it. */
const askedOf = ({ parts, supplies }: Diagram): string[] => [
  ...parts.flatMap((part) => {
    const seen = part.seenAs !== undefined && part.seenAs.close !== true;
    const asked =
      (part.kind === 'load' && isNoticed(part) && (seen || part.load === 'lamp')) ||
      (part.kind === 'board' && part.logic !== undefined && seen);
    return asked ? [part.id] : [];
  }),
  ...supplies.flatMap(({ id, amps }) => (amps === undefined ? [] : [id])),
];

/** Everything that a customer may know: what each subject did at each moment of the unit's uses. */
export function questions({ diagram, hypotheses }: UnitPredictor): AskTest[] {
  const subjects = askedOf(diagram);
  const good = hypotheses[HEALTHY]?.uses.outcomes ?? new Map<string, Map<string, Outcome>>();
  return [...good].flatMap(([steps, outcomes]) =>
    subjects.flatMap((subject): AskTest[] => {
      const expected = outcomes.get(subject);
      return expected === undefined ? [] : [{ kind: 'ask', steps, subject, expected }];
    }),
  );
}

/** What may be answered to a question: what a good unit does first, then all that some fault makes of it. */
export function answersTo(
  predictor: UnitPredictor,
  { steps, subject, expected }: AskTest,
): Outcome[] {
  const answers = [expected];
  predictor.hypotheses.forEach((_, i) => {
    const does = predictor.outcome(i, steps, subject);
    if (does !== undefined && !answers.some((each) => alike(each, does))) answers.push(does);
  });
  return answers;
}

/**
 * Whether a question is answered by what was said of another moment of the use: what does not start does not go on,
 * and what went on has started.
 */
export const isAnswered = (
  predictor: UnitPredictor,
  test: UnitTest,
  entries: readonly Evidence[],
): boolean =>
  test.kind === 'ask' &&
  entries.some((entry) => {
    if (entry.kind !== 'statement' || entry.subject !== test.subject || entry.jumper) return false;
    const good = predictor.outcome(HEALTHY, entry.steps, entry.subject);
    const works = good !== undefined && alike(entry.outcome, good);
    const [first, then] = works ? [test.steps, entry.steps] : [entry.steps, test.steps];
    return entry.steps === test.steps || then.startsWith(`${first},`);
  });
