import type { Decision, Node, Option, Scored } from './decision';

/** Minutes that a bit of doubt is taken to cost where nobody looks further; from memory. */
const MINUTES_PER_BIT = 2.5;
/** Options that are followed to the verdict at each depth; one from there on. */
const WIDTHS = [8, 3];
/** Options that are kept for what follows: the most promising, and the quickest at each suspect. */
const POOL = { best: 80, own: 2 };

/** An option with the minutes to the verdict that are expected when it is taken first. */
export interface Choice extends Scored {
  expected: number;
}

/** Options that lead to a verdict, the one with the least expected minutes first. */
export function choices(
  decision: Decision,
  node: Node,
  standing = decision.standing(node),
  widths: readonly number[] = WIDTHS,
): Choice[] {
  if (standing.kind === 'named') return [];
  const [width = 1, ...deeper] = widths;
  const scored = decision.scored(node, standing);
  const from = { ...node, options: pool(decision, node, scored) };
  return promising(scored, width)
    .map((each) => ({ ...each, expected: following(decision, from, each, deeper) }))
    .sort((a, b) => a.expected - b.expected);
}

/** Minutes to the verdict by the best of the options that are followed. */
function toGo(decision: Decision, node: Node, widths: readonly number[]): number {
  const standing = decision.standing(node);
  if (standing.kind === 'named') return 0;
  const [width = 1, ...deeper] = widths;
  let best = Infinity;
  for (const scored of promising(decision.scored(node, standing), width))
    best = Math.min(best, following(decision, node, scored, deeper));
  // Nothing tells any more: what is left is named as a group.
  return best === Infinity ? 0 : best;
}

function following(
  decision: Decision,
  node: Node,
  { option, minutes }: Scored,
  widths: readonly number[],
): number {
  let expected = minutes;
  for (const branch of decision.branches(node, option))
    expected += branch.share * toGo(decision, branch.node, widths);
  return expected;
}

const price = ({ minutes, bits }: Scored): number => minutes - MINUTES_PER_BIT * bits;

function pool(decision: Decision, node: Node, scored: readonly Scored[]): Option[] {
  const kept = new Set(promising([...scored], POOL.best).map((each) => each.option));
  const own: number[] = new Array<number>(decision.suspects).fill(0);
  const quickest = node.options
    .filter(({ at }) => at.length > 0)
    .map((option) => ({ option, minutes: decision.minutes.from(node.bench, option.cost) }))
    .sort((a, b) => a.minutes - b.minutes);
  for (const { option } of quickest)
    for (const suspect of option.at)
      if ((own[suspect] ?? 0) < POOL.own) {
        kept.add(option);
        own[suspect] = (own[suspect] ?? 0) + 1;
      }
  return [...kept];
}

/** The options that look best one step ahead: what they cost, and what doubt they leave at a price. */
function promising(scored: Scored[], width: number): readonly Scored[] {
  if (width === 1) {
    let best: Scored | undefined;
    for (const each of scored) if (!best || price(each) < price(best)) best = each;
    return best ? [best] : [];
  }
  return scored.sort((a, b) => price(a) - price(b)).slice(0, width);
}
