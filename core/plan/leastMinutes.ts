import type { DecisionProblem, CallState, Option, Scored, CallStanding } from './decisionProblem';

/**
 * Minutes that a bit of doubt may be taken to cost where nobody looks further. Which of them fits a
 * call best depends on its panels, so it is tried out.
 */
const MINUTES_PER_BIT = [1.5, 3, 6, 12, 100];
/**
 * Options that are followed to the verdict at each depth, and one from there on: the more, the fewer
 * explanations are left.
 */
const WIDTHS: { upTo: number; widths: readonly number[] }[] = [
  { upTo: 12, widths: [16, 8, 4, 2] },
  { upTo: 30, widths: [8, 3, 2] },
  { upTo: Infinity, widths: [5, 2] },
];
/** Options that are kept for what follows where there are more than `all`: the most promising, and the quickest at each suspect. */
const POOL = { all: 100, best: 40, own: 2 };

/** An option with the minutes to the verdict that are expected when it is taken first. */
export interface Choice extends Scored {
  expected: number;
}

/** Options that lead to a verdict, the one with the least expected minutes first. */
export function choices(
  decision: DecisionProblem,
  node: CallState,
  standing: CallStanding = decision.standing(node),
  scored: readonly Scored[] = decision.scored(node, standing),
): Choice[] {
  if (standing.kind === 'named') return [];
  const left = node.belief.places.length;
  const widths = WIDTHS.find((each) => left <= each.upTo)?.widths ?? [];
  const [width = 1, ...deeper] = widths;
  const from = { ...node, options: pool(decision, node, scored) };
  const search = new Search(decision, bestPrice(decision, from));
  return search
    .promising(scored, width)
    .map((each) => ({ ...each, expected: search.following(from, each, deeper) }))
    .sort((a, b) => a.expected - b.expected);
}

/** The price of a bit with which the plainest way of working comes to a verdict soonest. */
function bestPrice(decision: DecisionProblem, node: CallState): number {
  const scored = decision.scored(node, decision.standing(node));
  let best = 0;
  let least = Infinity;
  for (const perBit of MINUTES_PER_BIT) {
    const search = new Search(decision, perBit);
    const [first] = search.promising(scored, 1);
    const minutes = first ? search.following(node, first, [], least) : 0;
    if (minutes < least) [best, least] = [perBit, minutes];
  }
  return best;
}

function pool(decision: DecisionProblem, node: CallState, scored: readonly Scored[]): Option[] {
  // What tells little here may be all that tells further on: where few are left none is left out.
  if (node.options.length <= POOL.all) return [...node.options];
  const kept = new Set<Option>();
  for (const perBit of MINUTES_PER_BIT)
    for (const { option } of new Search(decision, perBit).promising(scored, POOL.best))
      kept.add(option);
  const own = new Uint8Array(decision.suspects);
  const quickest = node.options
    .filter(({ at }) => at.length > 0)
    .map((option) => ({ option, minutes: decision.minutes.from(node.bench, option.cost) }))
    .sort((a, b) => a.minutes - b.minutes);
  for (const { option } of quickest)
    for (const suspect of option.at) {
      if ((own[suspect] ?? 0) >= POOL.own) continue;
      kept.add(option);
      own[suspect] = (own[suspect] ?? 0) + 1;
    }
  return [...kept];
}

/** Follows options to the verdict, all of them at first and the one that looks best further on. */
class Search {
  constructor(
    private readonly decision: DecisionProblem,
    private readonly perBit: number,
  ) {}

  /**
   * Minutes to the verdict by the best of the options that are followed.
   * @param most where it takes as much as this, how much more is not asked
   */
  toGo(node: CallState, widths: readonly number[], most: number): number {
    const standing = this.decision.standing(node);
    if (standing.kind === 'named') return 0;
    const [width = 1, ...deeper] = widths;
    const scored = this.decision.scored(node, standing);
    // Nothing tells any more: what is left is named as a group.
    if (scored.length === 0) return 0;
    let best = most;
    for (const each of this.promising(scored, width))
      best = Math.min(best, this.following(node, each, deeper, best));
    return best;
  }

  /** @param most what costs as much as this is not followed to its end */
  following(
    node: CallState,
    { option, minutes }: Scored,
    widths: readonly number[],
    most = Infinity,
  ): number {
    let expected = minutes;
    if (expected >= most) return expected;
    for (const { share, node: next } of this.decision.branches(node, option)) {
      expected += share * this.toGo(next, widths, (most - expected) / share);
      if (expected >= most) return expected;
    }
    return expected;
  }

  /** The options that look best one step ahead: what they cost, and the doubt they take at its price. */
  promising(scored: readonly Scored[], width: number): readonly Scored[] {
    const price = ({ minutes, bits }: Scored): number => minutes - this.perBit * bits;
    if (width === 1) {
      let best: Scored | undefined;
      for (const each of scored) if (!best || price(each) < price(best)) best = each;
      return best ? [best] : [];
    }
    return [...scored].sort((a, b) => price(a) - price(b)).slice(0, width);
  }
}
