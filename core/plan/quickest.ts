import type { Option } from './decisionProblem';

/** An option with the minutes that it takes from where the unit stands. */
interface Kept {
  option: Option;
  minutes: number;
}

/** Options of which only the quickest is kept of those that tell the same and open the same panels. */
export class Quickest {
  private readonly kept: Kept[] = [];
  /** By a number that options which tell the same share: a text of each would take longer than all else. */
  private readonly alike = new Map<number, Kept[]>();

  add(option: Option, minutes: number): void {
    const hash = hashOf(option);
    const others = this.alike.get(hash);
    const known = others?.find((each) => tellTheSame(each.option, option));
    if (!known) {
      const made = { option, minutes };
      this.kept.push(made);
      if (others) others.push(made);
      else this.alike.set(hash, [made]);
    } else if (minutes < known.minutes) {
      known.option = option;
      known.minutes = minutes;
    }
  }

  get options(): Option[] {
    return this.kept.map((each) => each.option);
  }
}

function tellTheSame(one: Option, two: Option): boolean {
  return (
    one.cost.panels === two.cost.panels &&
    lookOf(one) === lookOf(two) &&
    (one.found === undefined) === (two.found === undefined) &&
    alike(one.at, two.at) &&
    alike(one.outcome, two.outcome)
  );
}

const lookOf = ({ test }: Option): string | undefined =>
  test.kind === 'look' ? test.look : undefined;

function alike(one: ArrayLike<number>, two: ArrayLike<number>): boolean {
  if (one.length !== two.length) return false;
  for (let i = 0; i < one.length; i++) if (one[i] !== two[i]) return false;
  return true;
}

/** FNV-1a (Fowler, Noll, Vo), over what an option foretells. */
function hashOf({ outcome, cost, at }: Option): number {
  let hash = 0x811c9dc5 ^ cost.panels;
  for (let i = 0; i < outcome.length; i++)
    hash = Math.imul(hash ^ ((outcome[i] ?? 0) & 0xff), 0x01000193);
  for (const suspect of at) hash = Math.imul(hash ^ suspect, 0x01000193);
  return hash;
}
