import { sinceRepair, type Evidence } from '../call/evidence';
import type { UnitPredictor } from './unitPredictor';
import { entryLikelihood } from './entryLikelihood';

/** Two entries that no fault can make together. */
export interface Contradiction {
  one: string;
  two: string;
}

/** Joint probability, beside each at its best, from which on two entries go together. */
const TOGETHER_FROM = 0.02;

/** Entries that contradict each other whatever is wrong with the unit, as it is since its last repair. */
export function contradictions(
  predictor: UnitPredictor,
  entries: readonly Evidence[],
): Contradiction[] {
  const firm = entries
    .slice(sinceRepair(entries))
    .filter((entry) => entry.kind === 'reading' || entry.kind === 'statement');
  const most = (weights: Float64Array): number => weights.reduce((a, b) => Math.max(a, b), 0);
  const list: Contradiction[] = [];
  firm.forEach((one, i) => {
    const first = entryLikelihood(predictor, one);
    for (const two of firm.slice(i + 1)) {
      const second = entryLikelihood(predictor, two);
      const both = most(first.map((each, k) => each * (second[k] ?? 0)));
      if (both < TOGETHER_FROM * most(first) * most(second))
        list.push({ one: one.id, two: two.id });
    }
  });
  return list;
}
