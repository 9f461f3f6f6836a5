import { PATCH, type Look } from './marks';
import type { Word } from './words';

/** Mean difference of two patches, of 1, up to which they show the same word: printed twice and photographed once. */
const ALIKE = 0.13;
/** Share of what a group was read as that the winner needs. */
const MAJORITY = 0.6;
/** What the group's readings that agree have to be sure of in the mean. */
const SURE = 60;

/** A cell with a word, as it was read more than once. */
export interface ReadCell {
  look: Look;
  words: readonly Word[];
}

/**
 * What each of some cells says, by what was read in all cells that look alike: tesseract slips on a lone letter here and there, but
 * seldom in the same way. `undefined` where a group is not of one mind.
 */
export function sayAlike(cells: readonly ReadCell[]): (string | undefined)[] {
  const groups: ReadCell[][] = [];
  const groupOf = cells.map((cell) => {
    let group = groups.find(([first]) => first && apart(first.look, cell.look) < ALIKE);
    if (!group) groups.push((group = []));
    group.push(cell);
    return group;
  });
  const said = new Map(groups.map((group) => [group, majority(group)]));
  return groupOf.map((group) => said.get(group));
}

function apart(one: Look, other: Look): number {
  const unlike = (a: number, b: number) => Math.max(a, b) > 1.4 * Math.min(a, b);
  if (unlike(one.width, other.width) || unlike(one.height, other.height)) return 1;
  if (Math.abs(one.hollow - other.hollow) > 0.15) return 1;
  let sum = 0;
  for (let i = 0; i < one.patch.length; i++)
    sum += Math.abs((one.patch[i] ?? 0) - (other.patch[i] ?? 0));
  return sum / 255 / (PATCH * PATCH);
}

function majority(group: readonly ReadCell[]): string | undefined {
  const weights = new Map<string, { sum: number; count: number }>();
  let all = 0;
  for (const { look, words } of group)
    for (const { text, sure } of words) {
      const plain = text.toUpperCase();
      // One piece of ink is one letter.
      const key = look.pieces === 1 && /^(.)\1$/.test(plain) ? plain.charAt(0) : plain;
      const weight = weights.get(key) ?? { sum: 0, count: 0 };
      weights.set(key, { sum: weight.sum + sure, count: weight.count + 1 });
      all += sure;
    }
  const [first] = [...weights].sort(([, a], [, b]) => b.sum - a.sum);
  if (!first) return undefined;
  const [text, { sum, count }] = first;
  const share = sum / all;
  const sure = sum / count;
  const isOfOneMind = group.length >= 3 && share > 0.9 && sure > SURE / 2;
  return text && ((share >= MAJORITY && sure >= SURE) || isOfOneMind) ? text : undefined;
}
