import type { TerminalRef } from '../diagram/diagram';

/** The end of a wire as it is seen at a terminal: its colour, and its size where that tells. */
export interface EndSeen {
  at: TerminalRef;
  colour: string;
  size?: string;
}

/** A structure that fits: the other end of each end, -1 for one that was not found; and how often it came up. */
export interface Fitting {
  partner: Int32Array;
  times: number;
}

/** Structures up to which all are gone through. */
const MOST_COUNTED = 4000;
/** Beyond, so many are drawn: from so many beginnings, so many each, with so many changes between two. */
const DRAWN = { chains: 6, doubted: 16, most: 40, each: 25, between: 40, cooling: 800 };

/**
 * All ways in which ends of wires may belong together: only those of one colour and size, never two at one terminal. An odd
 * end is left over, for its other end may not have been found.
 */
export class WireMatching {
  private readonly classes: number[][];
  private readonly before: readonly Int32Array[];

  /** @param wrong how much speaks against a structure; 0 where it fits */
  constructor(
    private readonly ends: readonly EndSeen[],
    private readonly wrong: (partner: Int32Array) => number,
    private readonly chance: () => number,
    /** Structures that fitted before the last reading: what fits now is near them. */
    before: readonly Int32Array[] = [],
    private readonly mostCounted = MOST_COUNTED,
  ) {
    this.before = before.filter(({ length }) => length === ends.length);
    const classes = new Map<string, number[]>();
    ends.forEach(({ colour, size = '' }, i) => {
      const key = `${colour} ${size}`;
      classes.set(key, [...(classes.get(key) ?? []), i]);
    });
    this.classes = [...classes.values()];
  }

  /** Structures that fit, told apart by a key of what they come to. */
  fitting(keyOf: (partner: Int32Array) => string): { structures: Fitting[]; counted: boolean } {
    const counted =
      this.classes.reduce((all, each) => all * ways(each.length), 1) <= this.mostCounted;
    const found = new Map<string, Fitting>();
    const take = (partner: Int32Array): void => {
      const key = keyOf(partner);
      const same = found.get(key);
      if (same) same.times++;
      else found.set(key, { partner: partner.slice(), times: 1 });
    };
    if (counted) this.everyOne(take);
    else {
      this.drawSome(take, DRAWN.chains);
      // One alone is not believed before it was looked for another from many other beginnings.
      if (found.size === 1) this.drawSome(take, DRAWN.doubted, false);
    }
    return { structures: [...found.values()], counted };
  }

  private everyOne(take: (partner: Int32Array) => void): void {
    const partner = new Int32Array(this.ends.length).fill(-1);
    const next = (of: number): void => {
      const ends = this.classes[of];
      if (!ends) {
        if (this.wrong(partner) === 0) take(partner);
        return;
      }
      this.pairUp(ends, partner, ends.length % 2 === 1, () => next(of + 1));
    };
    next(0);
  }

  /** Pairs the ends of one colour up in every way. */
  private pairUp(
    left: readonly number[],
    partner: Int32Array,
    odd: boolean,
    then: () => void,
  ): void {
    const [first, ...rest] = left;
    if (first === undefined) return then();
    // An odd one, or one whose like is at the same terminal alone: its other end was not found.
    const alone = rest.every((other) => this.same(first, other));
    if (odd || alone) {
      partner[first] = -1;
      this.pairUp(rest, partner, odd && alone, then);
    }
    const tried = new Set<TerminalRef>();
    rest.forEach((other, i) => {
      const at = this.ends[other]?.at;
      // Two ends at one terminal are the same end twice.
      if (at === undefined || at === this.ends[first]?.at || tried.has(at)) return;
      tried.add(at);
      partner[first] = other;
      partner[other] = first;
      this.pairUp([...rest.slice(0, i), ...rest.slice(i + 1)], partner, odd, then);
      partner[first] = partner[other] = -1;
    });
  }

  /** Draws structures that fit: from random ones, by changes that make less wrong, then by changes among those that fit. */
  private drawSome(take: (partner: Int32Array) => void, chains: number, nearby = true): void {
    let fit = 0;
    // What is hard to come to is looked for longer before it is said that nothing fits.
    for (let chain = 0; fit < chains && chain < (fit ? 3 * chains : DRAWN.most); chain++) {
      const near =
        nearby && chain % 3 < 2 && this.before[Math.floor(this.chance() * this.before.length)];
      const partner = near ? near.slice() : this.anyOne();
      let wrong = this.wrong(partner);
      for (let step = 0; wrong > 0 && step < DRAWN.cooling; step++) {
        const warmth = (near ? 0.3 : 1) * (1 - step / DRAWN.cooling);
        wrong = this.change(
          partner,
          wrong,
          (worse) => this.chance() < Math.exp(-worse / (warmth + 0.05)),
        );
      }
      if (wrong > 0) continue;
      fit++;
      for (let sample = 0; sample < DRAWN.each; sample++) {
        take(partner);
        for (let step = 0; step < DRAWN.between; step++) this.change(partner, 0, () => false);
      }
    }
  }

  /** One change: two wires of a colour change their ends, or one changes with the end that is left over. @returns what is wrong then */
  private change(partner: Int32Array, wrong: number, worseToo: (worse: number) => boolean): number {
    const open = this.classes.filter(({ length }) => length > 2);
    const ends = open[Math.floor(this.chance() * open.length)] ?? [];
    const a = ends[Math.floor(this.chance() * ends.length)] ?? 0;
    const c = ends[Math.floor(this.chance() * ends.length)] ?? 0;
    const [b, d] = [partner[a] ?? -1, partner[c] ?? -1];
    if (a === c || b === c) return wrong;
    // a-b, c-d becomes a-d, c-b.
    if (this.same(a, d) || this.same(c, b)) return wrong;
    this.set(partner, a, d);
    this.set(partner, c, b);
    const then = this.wrong(partner);
    if (then <= wrong || worseToo(then - wrong)) return then;
    this.set(partner, a, b);
    this.set(partner, c, d);
    return wrong;
  }

  private set(partner: Int32Array, end: number, other: number): void {
    partner[end] = other;
    if (other >= 0) partner[other] = end;
  }

  private same(a: number, b: number): boolean {
    return a >= 0 && b >= 0 && this.ends[a]?.at === this.ends[b]?.at;
  }

  private anyOne(): Int32Array {
    const partner = new Int32Array(this.ends.length).fill(-1);
    for (const ends of this.classes) {
      const left = [...ends];
      while (left.length > 1) {
        const [first = 0] = left.splice(0, 1);
        const fits = left.filter((other) => !this.same(first, other));
        const other = fits[Math.floor(this.chance() * fits.length)];
        if (other === undefined) continue;
        left.splice(left.indexOf(other), 1);
        this.set(partner, first, other);
      }
    }
    return partner;
  }
}

/** In how many ways so many ends may be paired up: 1 · 3 · 5 …, an odd one left over. */
const ways = (count: number): number => {
  let all = count % 2 ? count : 1;
  for (let n = count - (count % 2) - 1; n > 1; n -= 2) all *= n;
  return all;
};
