import type { Evidence } from '../call/evidence';
import { consequencesOf, wrongIn, type UnitHypothesis } from './unitHypotheses';
import type { UnitPredictor } from './unitPredictor';
import type { BeliefState } from './beliefState';
import type { UseRuns } from '../behaviour/useRuns';
import { passedThrough, weightsOnPaths } from './chapters';
import { HEALTHY, entryLikelihood } from './entryLikelihood';

/** An entry less probable than this is not explained, and one from `WELL` on is. */
const BADLY = 0.06;
const WELL = 0.3;
/** Singles that are put together: of the likeliest, and of those that explain what these do not. */
const PARTNERS = { likeliest: 5, rescuers: 4 };
/** Singles that stay beside the pairs. */
const SINGLES = 40;
/** Two faults that have nothing to do with each other, beside one: from memory. */
const TOGETHER = 0.3;

/**
 * Pairs of faults beside the singles, where the best single fault leaves an entry unexplained. One
 * element that two circuits share is a single fault, and comes before two separate ones by its prior.
 * @returns undefined while single faults explain well
 */
export function hypothesesWithPairs(
  predictor: UnitPredictor,
  entries: readonly Evidence[],
  { paths, shares }: BeliefState,
  runs: UseRuns,
): UnitHypothesis[] | undefined {
  const { diagram, hypotheses } = predictor;
  const passed = passedThrough(paths, shares, hypotheses.length);
  const inOrder = [...passed.keys()].sort((a, b) => (passed[b] ?? 0) - (passed[a] ?? 0));
  const best = shares.reduce((most, share, i) => (share > (shares[most] ?? 0) ? i : most), 0);
  const left = entries.filter((entry, at) => {
    const firm =
      entry.kind === 'reading' || (entry.kind === 'statement' && entry.source === 'seen');
    return firm && (weightsOnPaths(predictor, paths, entry, at)[best] ?? 1) < BADLY;
  });
  if (left.length === 0) return undefined;
  const faulty = inOrder.filter((index) => {
    const hypothesis = hypotheses[index];
    return hypothesis && wrongIn(hypothesis).length === 1;
  });
  const rescuers = faulty
    .filter((index) =>
      left.every((entry) => (entryLikelihood(predictor, entry)[index] ?? 0) >= WELL),
    )
    .sort((a, b) => (hypotheses[b]?.prior ?? 0) - (hypotheses[a]?.prior ?? 0));
  const pairs: UnitHypothesis[] = [];
  const made = new Set<string>();
  for (const one of faulty.slice(0, PARTNERS.likeliest)) {
    const partners = rescuers.filter((each) => each !== one);
    for (const two of partners.slice(0, PARTNERS.rescuers)) {
      const [first, second] = [hypotheses[one], hypotheses[two]];
      if (!first || !second || first.suspect === second.suspect) continue;
      // One and two together are the same as two and one.
      const pair = [one, two].sort((a, b) => a - b).join();
      if (made.has(pair)) continue;
      made.add(pair);
      const causes = [...first.causes, ...second.causes];
      const uses = runs.of(causes);
      pairs.push({
        suspect: first.suspect,
        causes,
        faults: [...causes, ...consequencesOf(diagram, uses, causes)],
        prior: TOGETHER * first.prior * second.prior,
        uses,
      });
    }
  }
  if (pairs.length === 0) return undefined;
  const singles = inOrder
    .filter((index) => index !== HEALTHY)
    .slice(0, SINGLES)
    .flatMap((index) => hypotheses[index] ?? []);
  const healthy = hypotheses[HEALTHY];
  return healthy && [healthy, ...singles, ...pairs];
}
