import { splitWait } from '../behaviour/step';
import type { UnitPredictor } from '../inference/unitPredictor';
import type { UnitTest } from './unitTests';

/** Which uses of a unit would put power on a short, under which explanation. */
export class Trips {
  private readonly byBase = new Map<string, Uint8Array>();

  constructor(private readonly predictor: UnitPredictor) {}

  /** How probable it is that a test trips a breaker or blows a fuse. */
  chance(test: UnitTest, hypotheses: readonly number[], weights: Float64Array): number {
    const steps = 'steps' in test ? test.steps : undefined;
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
    const watched = new Set([...fuses, ...diagram.supplies.map(({ id }) => id)]);
    return Uint8Array.from(hypotheses, ({ uses }) => {
      for (const [steps, outcomes] of uses.outcomes) {
        if (splitWait(steps).base !== base) continue;
        for (const [subject, outcome] of outcomes)
          if (watched.has(subject) && (outcome === 'opens' || outcome === 'open')) return 1;
      }
      return 0;
    });
  }
}
