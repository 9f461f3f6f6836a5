import type { UnitPredictor } from '../inference/unitPredictor';
import { itself, keyOf, type Candidate } from './candidates';
import type { Minutes } from './minutes';
import type { UnitTest } from './unitTests';

/** What is kept of candidates: of each its place in the list of all tests, and what every hypothesis foretells. */
export interface KeptCandidates {
  /** Each different list of outcomes once: the commonest of it, then how many have that and what the next one has, in turns. */
  outcomes: number[][];
  /** Place of the test and of its outcomes, in turns. */
  places: number[];
}

/** @param tests the list that the candidates were taken from */
export function keepCandidates(
  candidates: readonly Candidate[],
  tests: readonly UnitTest[],
): KeptCandidates {
  const placeOf = new Map(tests.map((test, place) => [test, place]));
  const kept: KeptCandidates = { outcomes: [], places: [] };
  const known = new Map<string, number>();
  for (const { test, outcome } of candidates) {
    const text = outcome.join();
    const of = known.get(text) ?? kept.outcomes.push(shortened(outcome)) - 1;
    known.set(text, of);
    kept.places.push(placeOf.get(test) ?? 0, of);
  }
  return kept;
}

function shortened(outcome: Int8Array): number[] {
  const times = new Map<number, number>();
  for (const each of outcome) times.set(each, (times.get(each) ?? 0) + 1);
  const [[most] = [0]] = [...times].sort(([, one], [, two]) => two - one);
  const short = [most];
  let same = 0;
  for (const each of outcome)
    if (each === most) same++;
    else {
      short.push(same, each);
      same = 0;
    }
  return short;
}

/** The same candidates in the same order, none of them foretold anew. */
export function takeCandidates(
  { diagram, hypotheses }: UnitPredictor,
  minutes: Minutes,
  tests: readonly UnitTest[],
  { outcomes, places }: KeptCandidates,
): Candidate[] {
  // Prices number the setups as they come up, so that all are asked for, in their order.
  const costs = tests.map((test) => minutes.of(test));
  const whole = outcomes.map(([most = 0, ...others]) => {
    const outcome = new Int8Array(hypotheses.length).fill(most);
    for (let i = 0, at = 0; i < others.length; i += 2) {
      at += others[i] ?? 0;
      outcome[at++] = others[i + 1] ?? 0;
    }
    return outcome;
  });
  const candidates: Candidate[] = [];
  for (let i = 0; i < places.length; i += 2) {
    const place = places[i] ?? 0;
    const [test, cost, outcome] = [tests[place], costs[place], whole[places[i + 1] ?? 0]];
    if (test && cost && outcome)
      candidates.push({ test, key: keyOf(test), cost, outcome, at: itself(diagram, test) });
  }
  return candidates;
}
