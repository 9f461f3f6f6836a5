/** The middle of some figures; 0 of none. */
export const median = (of: readonly number[]): number =>
  [...of].sort((a, b) => a - b)[Math.floor(of.length / 2)] ?? 0;
