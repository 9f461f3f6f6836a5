/** Which sheet models use, as it is written on sheets: a make, and a model number with wild cards. */
export interface ModelSheet {
  make: string;
  /** `*` stands for any letters and figures, `?` for one. */
  pattern: string;
  diagram: string;
  /** That version and no later one; the newest where none is named. */
  version?: number;
}

/** As it is compared: capitals, blanks and hyphens are written as it comes. */
const plain = (text: string): string => text.toUpperCase().replace(/[\s\-/._]+/g, '');

/** Whether a model number is one of those that a pattern means. */
export function isModelOf(pattern: string, model: string): boolean {
  const [wanted, given] = [plain(pattern), plain(model)];
  if (!wanted || !given) return false;
  // Where the last star stood, and how far it has taken: no backing up further, so that no pattern takes long.
  let [at, from, star, taken] = [0, 0, -1, 0];
  while (at < given.length) {
    if (wanted[from] === '*') [star, taken, from] = [from, at, from + 1];
    else if (wanted[from] === '?' || wanted[from] === given[at]) [at, from] = [at + 1, from + 1];
    else if (star >= 0) [taken, at, from] = [taken + 1, taken + 1, star + 1];
    else return false;
  }
  while (wanted[from] === '*') from++;
  return from === wanted.length;
}

/** Sheets of a model, the most exact pattern first. An empty make means any. */
export function sheetsOf(sheets: readonly ModelSheet[], make: string, model: string): ModelSheet[] {
  const exact = ({ pattern }: ModelSheet): number => pattern.replace(/[*?]/g, '').length;
  return sheets
    .filter((each) => !make.trim() || !each.make || plain(each.make) === plain(make))
    .filter(({ pattern }) => isModelOf(pattern, model))
    .sort((a, b) => exact(b) - exact(a));
}
