/** Place of a pair of numbers in a triangle of pairs. */
export const pairAt = (a: number, b: number): number =>
  a > b ? (a * (a - 1)) / 2 + b : (b * (b - 1)) / 2 + a;

/** One rank-one update of the table: R'(i, j) = R(i, j) - c (u_i - u_j)^2. */
export interface Update {
  c: number;
  u: Float64Array;
}

/**
 * R' = R - c (u_i - u_j)^2 for the pairs of one place with a run of others. Four pairs at a time: the
 * loop's own bookkeeping takes as long as the arithmetic.
 */
export function updateOnce(
  ohms: Float64Array,
  at: number,
  i: number,
  start: number,
  end: number,
  healthy: Float64Array,
  { c, u }: Update,
): void {
  const x = u[i] as number;
  let from = (i * (i - 1)) / 2 + start;
  let to = at + from;
  let j = start;
  for (; j < end - 3; j += 4, from += 4, to += 4) {
    const d0 = x - (u[j] as number);
    const d1 = x - (u[j + 1] as number);
    const d2 = x - (u[j + 2] as number);
    const d3 = x - (u[j + 3] as number);
    ohms[to] = (healthy[from] as number) - c * d0 * d0;
    ohms[to + 1] = (healthy[from + 1] as number) - c * d1 * d1;
    ohms[to + 2] = (healthy[from + 2] as number) - c * d2 * d2;
    ohms[to + 3] = (healthy[from + 3] as number) - c * d3 * d3;
  }
  for (; j < end; j++, from++, to++) {
    const d = x - (u[j] as number);
    ohms[to] = (healthy[from] as number) - c * d * d;
  }
}

/** The same for two updates. */
export function updateTwice(
  ohms: Float64Array,
  at: number,
  i: number,
  start: number,
  end: number,
  healthy: Float64Array,
  { c, u }: Update,
  { c: c2, u: u2 }: Update,
): void {
  const [x, y] = [u[i] as number, u2[i] as number];
  let from = (i * (i - 1)) / 2 + start;
  let to = at + from;
  for (let j = start; j < end; j++, from++, to++) {
    const d = x - (u[j] as number);
    const e = y - (u2[j] as number);
    ohms[to] = (healthy[from] as number) - c * d * d - c2 * e * e;
  }
}

export function addBetween(
  ohms: Float64Array,
  at: number,
  group: readonly number[],
  other: readonly number[],
  more: number,
): void {
  for (const i of group) {
    for (const j of other) {
      const pair = at + pairAt(i, j);
      ohms[pair] = (ohms[pair] as number) + more;
    }
  }
}

export function openBetween(
  ohms: Float64Array,
  at: number,
  group: readonly number[],
  other: readonly number[],
): void {
  for (const i of group) {
    for (const j of other) ohms[at + pairAt(i, j)] = Infinity;
  }
}
