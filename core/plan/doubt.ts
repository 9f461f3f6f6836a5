/** What is the same for all options in one place of a call. */
export interface Doubt {
  /** Where the explanations of each suspect end. */
  ends: readonly number[];
  /** The part of each suspect in the doubt. */
  terms: readonly number[];
  /** Doubt between suspects. */
  bits: number;
}

/** The part of one probability in the doubt, in bits. */
export const termOf = (mass: number): number => (mass > 0 ? -mass * Math.log2(mass) : 0);

/** Whether explanations of one suspect all foretell one outcome. */
export function sameIn(
  outcome: Int8Array,
  places: readonly number[],
  from: number,
  to: number,
): boolean {
  const first = outcome[places[from] ?? 0] ?? -1;
  if (first < 0) return false;
  for (let k = from + 1; k < to; k++) if (outcome[places[k] ?? 0] !== first) return false;
  return true;
}
