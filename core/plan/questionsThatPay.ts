import type { CallState, DecisionProblem, Option, Scored } from './decisionProblem';
import type { Choice } from './leastMinutes';

/** Who is asked something is interrupted as well: a question has to save this many times what it takes. From memory. */
const PAYS = 3;
/** What tells less is not worth a question, in bits. */
const LEAST_BITS = 0.1;
/** Part of the most telling question that another one tells as good as well. */
const NEARLY = 0.8;

/**
 * Questions that are worth asking before any test, the best first. They are not looked ahead with: what is
 * told is never certain, and so many are so cheap that they would take the place of the tests in every plan.
 * A bit that is told saves its share of the minutes that all doubt is expected to cost.
 * @param minutes to the verdict without any question
 * @param said the moment that was spoken of last
 */
export function questionsThatPay(
  decision: DecisionProblem,
  { belief, bench }: CallState,
  questions: readonly Option[],
  minutes: number,
  said: string | undefined,
): Choice[] {
  const doubt = decision.entropy(belief);
  const perBit = minutes / doubt;
  const scored = questions.map((option): Scored => ({
    option,
    minutes: decision.minutes.from(bench, option.cost),
    bits: doubt - decision.expectedEntropy(option, belief),
  }));
  const most = scored.reduce((bits, each) => Math.max(bits, each.bits), 0);
  // People think of the use that they have just told of: another moment has to tell more by far.
  const thoughtOf = ({ option: { test }, bits }: Scored): boolean =>
    test.kind === 'ask' &&
    bits >= NEARLY * most &&
    programmeOf(test.steps) === (said && programmeOf(said));
  return scored
    .filter((each) => each.bits > LEAST_BITS && each.bits * perBit > PAYS * each.minutes)
    .map((each) => ({ ...each, expected: minutes + each.minutes - each.bits * perBit }))
    .sort((a, b) => Number(thoughtOf(b)) - Number(thoughtOf(a)) || a.expected - b.expected);
}

/** What a use begins with: the knob on a programme. */
const programmeOf = (steps: string): string => steps.split(',')[0] ?? '';
