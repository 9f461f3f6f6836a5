import type { Evidence } from '../call/evidence';
import type { BeliefState } from './beliefState';
import { entryLikelihood, HEALTHY } from './entryLikelihood';
import type { UnitPredictor } from './unitPredictor';

/** What an entry says of the unit before anybody asks who is suspected. */
export type Says = 'as-it-should-be' | 'not-as-it-should-be' | 'does-not-tell';

/** A suspect that an entry has moved. */
export interface Moved {
  id: string;
  /** Probability before the entry and after it. */
  was: number;
  is: number;
}

/** An entry that some standing explanation makes this many times likelier than another one tells something. */
const TELLS = 1.5;
/** Where a good unit makes an entry at least this part as likely as the best explanation, it is as it should be. */
const AS_GOOD = 0.5;
/** An explanation below this probability is not asked. */
const STANDS = 1e-4;

/**
 * Whether what was found is what a good unit shows; it tells nothing where all explanations that stood before it
 * show the same. Undefined of what is done and not found.
 */
export function saysOf(
  predictor: UnitPredictor,
  entry: Evidence,
  { probabilities }: BeliefState,
): Says | undefined {
  if (entry.kind === 'act' || (entry.kind === 'reading' && entry.of === 'twin')) return undefined;
  const weights = entryLikelihood(predictor, entry);
  let [least, most] = [Infinity, 0];
  weights.forEach((weight, i) => {
    // What the entry itself has ruled out stood before it.
    if ((probabilities[i] ?? 0) / Math.max(1e-9, weight) < STANDS) return;
    least = Math.min(least, weight);
    most = Math.max(most, weight);
  });
  if (most <= TELLS * least) return 'does-not-tell';
  return (weights[HEALTHY] ?? 0) >= AS_GOOD * most ? 'as-it-should-be' : 'not-as-it-should-be';
}

/** Suspects that an entry has moved, those first whose probability has changed most. @param at its place */
export function movedBy({ course }: BeliefState, at: number): Moved[] {
  const [before, after] = [course[at], course[at + 1]];
  if (!before || !after) return [];
  return [...after]
    .flatMap(([id, is]) => (id === '' ? [] : [{ id, was: before.get(id) ?? is, is }]))
    .sort((a, b) => Math.abs(b.is - b.was) - Math.abs(a.is - a.was));
}
