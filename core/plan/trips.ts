import { splitWait } from '../behaviour/step';
import { sinceRepair, type Evidence } from '../call/evidence';
import type { UnitPredictor } from '../inference/unitPredictor';
import type { Cost } from './minutes';
import type { UnitTest } from './unitTests';
import { USUAL_WAY } from './wayOfWorking';

/** Which uses of a unit would put power on a short, under which explanation. */
export class Trips {
  private readonly byBase = new Map<string, Uint8Array>();

  constructor(private readonly predictor: UnitPredictor) {}

  /** How probable it is that a test trips a breaker or blows a fuse. */
  chance(test: UnitTest, hypotheses: readonly number[], weights: Float64Array): number {
    // Asking puts power on nothing.
    const steps = test.kind !== 'ask' && 'steps' in test ? test.steps : undefined;
    if (steps === undefined) return 0;
    const { base } = splitWait(steps);
    const trips = this.byBase.get(base) ?? this.under(base);
    this.byBase.set(base, trips);
    return hypotheses.reduce((sum, index, i) => sum + (trips[index] ?? 0) * (weights[i] ?? 0), 0);
  }

  private under(base: string): Uint8Array {
    const { diagram, hypotheses } = this.predictor;
    const fuses = diagram.parts.flatMap((part) =>
      part.kind === 'protector' && part.protector === 'fuse' ? [part.id] : [],
    );
    const ofBase = new Map<string, boolean>();
    const isOf = (steps: string): boolean => {
      const known = ofBase.get(steps) ?? splitWait(steps).base === base;
      ofBase.set(steps, known);
      return known;
    };
    const watched = new Set([...fuses, ...diagram.supplies.map(({ id }) => id)]);
    return Uint8Array.from(hypotheses, ({ uses }) => {
      for (const [steps, outcomes] of uses.outcomes) {
        if (!isOf(steps)) continue;
        for (const [subject, outcome] of outcomes)
          if (watched.has(subject) && (outcome === 'opens' || outcome === 'open')) return 1;
      }
      return 0;
    });
  }
}

/**
 * What a test costs where a shop takes harm to be so dear, in minutes, and the test does it with some
 * probability; live work and open covers are dear by the same measure.
 */
export function priced(cost: Cost, harm: number, probability: number): Cost {
  const times = harm / USUAL_WAY.harm;
  if (times === 1 && probability === 0) return cost;
  const { minutes, risk = 0, coverOff = 0 } = cost;
  return {
    ...cost,
    minutes: minutes + (times - 1) * risk + harm * probability,
    coverOff: times * coverOff,
  };
}

/** Whether somebody has seen a breaker or a fuse open since the last repair. */
export const wasSeenToTrip = (entries: readonly Evidence[]): boolean =>
  entries
    .slice(sinceRepair(entries))
    .some(
      (each) => each.kind === 'statement' && each.source === 'seen' && each.outcome === 'opens',
    );
