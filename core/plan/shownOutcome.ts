import type { Outcome } from '../behaviour/statement';
import { PLUGGED_IN } from '../behaviour/useRuns';
import { clampedLoad } from '../diagram/clampedLoad';
import type { UnitPredictor } from '../inference/unitPredictor';
import type { Display } from '../meter/display';
import { showOhms } from '../meter/meter';
import { nominalOf } from '../inference/unitPredictor';
import type { Meaning } from './unitPlanner';
import type { UnitTest } from './unitTests';

/** One outcome of a test as it would be seen. */
export type ShownOutcome =
  | { kind: 'display'; display: Display }
  | { kind: 'volts'; volts: number }
  | { kind: 'amps'; amps: number }
  /** A quantity, below or above the set points of its switches. */
  | { kind: 'sides'; sides: string[] }
  | { kind: 'found'; found: boolean }
  /** A question: whether it does what a good unit does. */
  | { kind: 'answer'; yes: boolean }
  | { kind: 'does'; outcome: Outcome };

/** What would be seen of a test if it came out so; undefined where that cannot be foretold. */
export function shownAs(
  predictor: UnitPredictor,
  test: UnitTest,
  { shows, outcome }: Pick<Meaning, 'shows' | 'outcome'>,
): ShownOutcome | undefined {
  switch (test.kind) {
    case 'look':
      return { kind: 'found', found: outcome === 1 };
    case 'measure':
      if (clampedLoad(predictor.diagram, test.actuator)) {
        const amps = predictor.amps(test.steps ?? PLUGGED_IN, test.actuator)(shows);
        return amps === undefined ? undefined : { kind: 'amps', amps };
      }
      return { kind: 'sides', sides: predictor.quantity(shows, test.actuator, test.steps) };
    case 'ask':
      return { kind: 'answer', yes: outcome === 1 };
    case 'try': {
      const does = predictor.outcome(shows, test.steps, test.subject, test.jumper);
      return does && { kind: 'does', outcome: does };
    }
    case 'volt': {
      const volts = predictor.volts(test.steps, test.from, test.to)(shows);
      return volts === undefined ? undefined : { kind: 'volts', volts };
    }
    case 'ohm': {
      if (test.wiggle && (predictor.whenOpen[shows] ?? -1) >= 0)
        return { kind: 'display', display: { kind: 'unsteady' } };
      const { setup, from, to } = test;
      const ohms =
        test.reach === 'own'
          ? nominalOf(predictor.ownOhms(setup, from, to)(shows))
          : predictor.nominalOhms(setup, from, to)(shows);
      return ohms === undefined
        ? undefined
        : { kind: 'display', display: showOhms(predictor.meter, ohms) };
    }
  }
}
