import type { DecisionProblem, CallState } from './decisionProblem';

/**
 * The least expected minutes to a verdict that any way of working can reach: dynamic programming over
 * everything that can be known and done (Bellman, 1957). Costs exponential time, so it is for units
 * with few explanations and tests.
 * @param mostNodes states after which it gives up
 * @returns undefined where the problem is too big
 */
export function exactOptimum(
  decision: DecisionProblem,
  root: CallState,
  mostNodes = 200_000,
): number | undefined {
  const known = new Map<string, number>();
  const toGo = (node: CallState): number => {
    const standing = decision.standing(node);
    if (standing.kind === 'named') return 0;
    const key = keyOf(node);
    const before = known.get(key);
    if (before !== undefined) return before;
    if (known.size > mostNodes) return NaN;
    let best = Infinity;
    const scored = decision.scored(node, standing).sort((a, b) => a.minutes - b.minutes);
    for (const { option, minutes } of scored) {
      // What costs more by itself than the best way found is not followed.
      if (minutes >= best) break;
      let expected = minutes;
      for (const branch of decision.branches(node, option)) {
        expected += branch.share * toGo(branch.node);
        if (expected >= best) break;
      }
      best = Math.min(best, expected);
      if (Number.isNaN(expected)) return NaN;
    }
    const value = best === Infinity ? 0 : best;
    known.set(key, value);
    return value;
  };
  const value = toGo(root);
  return Number.isNaN(value) ? undefined : value;
}

/** Two nodes are the same when beliefs, bench, confirmations and the looks left are. */
function keyOf({ belief, bench, confirmed, options }: CallState): string {
  const looks = options.filter((each) => each.found).map((each) => each.test);
  return [
    belief.places.join(' '),
    belief.weights.map((each) => each.toPrecision(6)).join(' '),
    bench.open,
    bench.stand,
    [...new Set(confirmed)].sort().join(' '),
    JSON.stringify(looks),
  ].join('|');
}
