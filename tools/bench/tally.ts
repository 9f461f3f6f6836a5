import type { UnitVerdict } from '../../core/inference/beliefState';

/** How some simulated calls ended. */
export interface Tally {
  calls: number;
  right: number;
  /** A group that cannot be told apart, with the right part in it. */
  group: number;
  /** A good part named. */
  condemned: number;
}

export const emptyTally = (): Tally => ({ calls: 0, right: 0, group: 0, condemned: 0 });

/** @param rightly whether naming a suspect is right */
export function count(
  tally: Tally,
  verdict: UnitVerdict,
  rightly: (suspect: string | undefined) => boolean,
): void {
  tally.calls++;
  if (verdict.kind === 'named') tally[rightly(verdict.suspect.id) ? 'right' : 'condemned']++;
  else if (verdict.kind === 'group' && verdict.suspects.some(({ id }) => rightly(id)))
    tally.group++;
}

/** How a call ended that did not come to the right part; undefined where it did. */
export function shortOf(
  verdict: UnitVerdict,
  rightly: (suspect: string | undefined) => boolean,
): string | undefined {
  if (verdict.kind === 'named')
    return rightly(verdict.suspect.id) ? undefined : `named as ${verdict.suspect.id ?? ''}`;
  if (verdict.kind === 'group')
    return verdict.suspects.some(({ id }) => rightly(id))
      ? undefined
      : `a group without it: ${verdict.suspects.map(({ id }) => id).join(', ')}`;
  return verdict.kind;
}

export const percent = (part: number, whole: number): string =>
  `${((100 * part) / Math.max(1, whole)).toFixed(1)} %`;
