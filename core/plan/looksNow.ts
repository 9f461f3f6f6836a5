import type { Evidence } from '../call/evidence';
import type { Look } from '../diagram/diagram';
import { pointsTo } from '../inference/entryLikelihood';
import type { BeliefState } from '../inference/beliefState';
import { sinceRepair } from '../call/evidence';
import type { UnitPredictor } from '../inference/unitPredictor';
import type { Minutes } from './minutes';

/** A quick look as it stands in a call. */
export interface LookNow {
  look: Look;
  /** Undefined while nobody has looked since the last repair. */
  found: boolean | undefined;
  /** Bits that it is expected to tell of what is wrong. */
  bits: number;
  /** What it speaks of, the likeliest first. */
  of: { id: string; probability: number }[];
  /** Whether its panel is off already, or it needs none. */
  open: boolean;
}

/** Entropy of something that is so with a probability, in bits. */
const binary = (p: number): number =>
  p <= 0 || p >= 1 ? 0 : -p * Math.log2(p) - (1 - p) * Math.log2(1 - p);

/** All quick looks of a unit: those that can be had now first, and of these the most telling for its minutes. */
export function looksNow(
  predictor: UnitPredictor,
  minutes: Minutes,
  { probabilities }: BeliefState,
  entries: readonly Evidence[],
): LookNow[] {
  const { diagram, hypotheses } = predictor;
  const { open } = minutes.afterAll(entries);
  const since = entries.slice(sinceRepair(entries));
  const looks = (diagram.looks ?? []).map((look): LookNow => {
    const { with: withIt, without } = look.found;
    let points = 0;
    const of = new Map<string, number>();
    hypotheses.forEach(({ suspect, faults }, i) => {
      if (!faults.some((fault) => pointsTo(look, fault))) return;
      const probability = probabilities[i] ?? 0;
      points += probability;
      if (suspect !== undefined) of.set(suspect, (of.get(suspect) ?? 0) + probability);
    });
    const found = points * withIt + (1 - points) * without;
    const seen = since.findLast((each) => each.kind === 'look' && each.look === look.id);
    return {
      look,
      found: seen?.kind === 'look' ? seen.found : undefined,
      bits: binary(found) - points * binary(withIt) - (1 - points) * binary(without),
      of: [...of]
        .map(([id, probability]) => ({ id, probability }))
        .sort((a, b) => b.probability - a.probability),
      open: (minutes.of({ kind: 'look', look: look.id }).panels & ~open) === 0,
    };
  });
  const worth = ({ bits, look }: LookNow): number => bits / look.minutes;
  return looks.sort((a, b) => Number(b.open) - Number(a.open) || worth(b) - worth(a));
}
