import type { CallStanding, CallState, DecisionProblem, Scored } from './decisionProblem';
import { choices, type Choice } from './leastMinutes';
import {
  choose,
  expectedMinutes,
  following,
  POLICIES,
  type Distance,
  type Policy,
} from './policies';

/** Schools that come near the least minutes on some units, and are quick to follow. */
const NEAR_LEAST = ['likeliest', 'split'] as const;

/** Tests that lead to a verdict, in the order in which a school would take them. */
export function rankedBy(
  school: Policy,
  decision: DecisionProblem,
  root: CallState,
  standing: CallStanding,
  distance: Distance,
): Choice[] {
  if (school === 'least') return leastFirst(decision, root, standing, distance);
  const scored = decision.scored(root, standing);
  const best = choices(decision, root, standing, scored);
  const first = firstOf(school, decision, root, standing, distance, scored);
  return first ? [first, ...best.filter((each) => each.option !== first.option)] : best;
}

/** Minutes to the verdict that each school is expected to take from a node. */
export function minutesByPolicy(
  decision: DecisionProblem,
  root: CallState,
  distance: Distance,
): { school: Policy; minutes: number }[] {
  return (Object.keys(POLICIES) as Policy[]).map((school) => ({
    school,
    minutes:
      school === 'least'
        ? (leastFirst(decision, root, decision.standing(root), distance)[0]?.expected ?? 0)
        : expectedMinutes(school, decision, root, distance),
  }));
}

/**
 * Least minutes never takes longer than a school that it could follow as well: where one comes to
 * the verdict sooner than what was found by looking ahead, its test is first.
 */
function leastFirst(
  decision: DecisionProblem,
  root: CallState,
  standing: CallStanding,
  distance: Distance,
): Choice[] {
  if (standing.kind === 'named') return [];
  const scored = decision.scored(root, standing);
  const ahead = choices(decision, root, standing, scored);
  let sooner: Choice | undefined;
  for (const school of NEAR_LEAST) {
    const most = (sooner ?? ahead[0])?.expected ?? Infinity;
    const first = firstOf(school, decision, root, standing, distance, scored, most);
    if (first && first.expected < most) sooner = first;
  }
  return sooner ? [sooner, ...ahead.filter(({ option }) => option !== sooner?.option)] : ahead;
}

/** The test that a school takes, with the minutes it takes when it is followed to the verdict, up to `most`. */
function firstOf(
  school: Exclude<Policy, 'least'>,
  decision: DecisionProblem,
  root: CallState,
  standing: CallStanding,
  distance: Distance,
  scored: readonly Scored[],
  most = Infinity,
): Choice | undefined {
  const first = choose(school, decision, root, standing, distance, scored);
  return first && { ...first, expected: following(school, decision, root, distance, first, most) };
}
