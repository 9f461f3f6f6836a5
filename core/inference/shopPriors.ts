import type { Diagram } from '../diagram/diagram';
import { faultPriors, NOTHING } from './priors';
import type { UnitHypothesis } from './unitHypotheses';

/** How many finished calls on units with one diagram ended with each suspect; nothing wrong under the empty name. */
export type FoundCounts = Readonly<Record<string, number>>;
export const NOTHING_WRONG = '';

/** As many calls the weights of a diagram are worth, where they say no number of their own: from memory. */
const WORTH_CALLS = 20;

/** How probable a suspect is before anything is known: by the diagram, and with what the shop has found. */
export interface SuspectShare {
  /** Undefined for nothing wrong. */
  suspect: string | undefined;
  diagram: number;
  shop: number;
  calls: number;
}

/**
 * The mean of a Dirichlet distribution after some calls: the diagram's shares as pseudo-counts, the shop's calls added to them;
 * (a p + n) / (a + N), Gelman et al., Bayesian Data Analysis, 3rd ed., section 3.4. What is counted of something that the diagram
 * does not suspect is left out. The likeliest first.
 */
export function shopShares(diagram: Diagram, counts: FoundCounts): SuspectShare[] {
  const shares = new Map<string | undefined, number>([[undefined, NOTHING]]);
  for (const { suspect, prior } of faultPriors(diagram))
    shares.set(suspect, (shares.get(suspect) ?? 0) + prior);
  const worth = Math.max(
    WORTH_CALLS,
    ...[...diagram.parts, ...diagram.supplies].map(({ prior }) => prior?.calls ?? 0),
  );
  const calls = (suspect: string | undefined): number => counts[suspect ?? NOTHING_WRONG] ?? 0;
  const all = [...shares.keys()].reduce((sum, each) => sum + calls(each), 0);
  return [...shares]
    .map(([suspect, share]) => ({
      suspect,
      diagram: share,
      shop: (worth * share + calls(suspect)) / (worth + all),
      calls: calls(suspect),
    }))
    .sort((one, two) => two.shop - one.shop);
}

/** The same explanations, each suspect as probable as the shop has found it; within one suspect nothing changes. */
export function weighedByShop(
  diagram: Diagram,
  hypotheses: readonly UnitHypothesis[],
  counts: FoundCounts,
): UnitHypothesis[] {
  const factors = new Map(
    shopShares(diagram, counts).map(({ suspect, diagram: share, shop }) => [suspect, shop / share]),
  );
  return hypotheses.map((each) => ({
    ...each,
    prior: each.prior * (factors.get(each.suspect) ?? 1),
  }));
}
