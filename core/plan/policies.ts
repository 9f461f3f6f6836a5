import type { DecisionProblem, CallState, Option, Scored, CallStanding } from './decisionProblem';

/** Ways of working that technicians hold to; each is a policy over the same options. */
export const POLICIES = {
  least: {
    name: 'Least minutes',
    why: 'The test that is expected to lead to the part soonest, panels, wires and waiting counted.',
  },
  looks: {
    name: 'Quick looks first',
    why: 'Eyes, ears and a hand cost nothing and often show it; the meter comes after.',
  },
  line: {
    name: 'Follow the line',
    why: 'From the supply to the dead load, part by part: nothing is left out, and nobody gets lost.',
  },
  symptom: {
    name: 'Symptom short-cut',
    why: 'Straight to the part that this complaint usually means.',
  },
  likeliest: {
    name: 'Likeliest per minute',
    why: 'The part with the best odds for the time that it takes to read it.',
  },
  split: {
    name: 'Split the circuit',
    why: 'The reading that halves what is left, whatever it costs.',
  },
} as const;

export type Policy = keyof typeof POLICIES;

/** What a school needs to know besides the node: how far each suspect is from the supply. */
export type Distance = (suspect: number) => number;

/** The test that a school would take; undefined where nothing tells any more. */
export function choose(
  school: Exclude<Policy, 'least'>,
  decision: DecisionProblem,
  node: CallState,
  standing: CallStanding,
  distance: Distance,
  scored: readonly Scored[] = decision.scored(node, standing),
): Scored | undefined {
  if (standing.kind === 'own') return least(scored, (each) => each.minutes);
  const masses = decision.masses(node.belief);
  const meter = scored.filter(({ option }) => option.at.length > 0);
  const quick = scored.filter(({ option }) => option.test.kind === 'look');
  const odds = ({ option }: Scored): number =>
    Math.max(0, ...option.at.map((suspect) => masses[suspect] ?? 0));
  const likeliest = (): Scored | undefined =>
    least(meter, (each) => -odds(each) / each.minutes) ?? least(scored, perBit);
  switch (school) {
    case 'looks':
      return least(quick, (each) => each.minutes) ?? likeliest();
    case 'line':
      return (
        least(meter, ({ option, minutes }) => 1000 * nearest(option, distance) + minutes) ??
        least(scored, perBit)
      );
    case 'symptom':
      return least(meter, (each) => -1000 * odds(each) + each.minutes) ?? least(scored, perBit);
    case 'likeliest':
      return likeliest();
    case 'split':
      return least(scored, ({ bits, minutes }) => -1000 * bits + minutes);
  }
}

const perBit = ({ minutes, bits }: Scored): number => minutes / bits;

const nearest = ({ at }: Option, distance: Distance): number => Math.min(...at.map(distance));

function least<T>(list: readonly T[], value: (each: T) => number): T | undefined {
  let best: T | undefined;
  let least = Infinity;
  for (const each of list) {
    const here = value(each);
    if (here < least) [best, least] = [each, here];
  }
  return best;
}

/**
 * Minutes to the verdict that are expected where a school is held to until the end.
 * @param most where it takes as much as this, how much more is not asked
 */
export function expectedMinutes(
  school: Exclude<Policy, 'least'>,
  decision: DecisionProblem,
  node: CallState,
  distance: Distance,
  most = Infinity,
): number {
  const standing = decision.standing(node);
  if (standing.kind === 'named') return 0;
  const chosen = choose(school, decision, node, standing, distance);
  return chosen ? following(school, decision, node, distance, chosen, most) : 0;
}

/** The same, after the test that it has chosen. */
export function following(
  school: Exclude<Policy, 'least'>,
  decision: DecisionProblem,
  node: CallState,
  distance: Distance,
  { option, minutes }: Scored,
  most = Infinity,
): number {
  let expected = minutes;
  for (const { share, node: next } of decision.branches(node, option)) {
    if (expected >= most) return expected;
    expected +=
      share * expectedMinutes(school, decision, next, distance, (most - expected) / share);
  }
  return expected;
}
