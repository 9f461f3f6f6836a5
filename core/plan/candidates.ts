import type { UnitPredictor } from '../inference/unitPredictor';
import { atItself } from '../inference/beliefState';
import { clampedLoad } from '../diagram/clampedLoad';
import type { Diagram } from '../diagram/diagram';
import { pairKey, setupKey } from '../diagram/setupKey';
import { predictedOutcome } from './predictedOutcome';
import type { Cost, Minutes } from './minutes';
import type { UnitTest } from './unitTests';

/** A test with what every hypothesis foretells of it. */
export interface Candidate {
  test: UnitTest;
  key: string;
  cost: Cost;
  outcome: Int8Array;
  at: string[];
}

/** Of tests that tell the same and open the same panels only the quickest is kept. */
export function candidatesOf(
  predictor: UnitPredictor,
  minutes: Minutes,
  tests: readonly UnitTest[],
  progress: (share: number) => void = () => undefined,
): Candidate[] {
  const kept = new Map<string, Candidate & { takes: number }>();
  for (const [i, test] of tests.entries()) {
    if (i % 100 === 0) progress(i / tests.length);
    const cost = minutes.of(test);
    if (!minutes.reachable(test, cost)) continue;
    const outcome = predictedOutcome(predictor, test);
    if (outcome.every((each) => each === outcome[0])) continue;
    const at = itself(predictor.diagram, test);
    const takes = minutes.from(minutes.untouched, cost);
    const tells = `${test.kind} ${at.join()} ${cost.panels} ${String.fromCharCode(...outcome)}`;
    const known = kept.get(tells);
    if (!known || takes < known.takes)
      kept.set(tells, { test, key: keyOf(test), cost, outcome, at, takes });
  }
  return [...kept.values()];
}

/** The parts that a test reads at their own terminals, and the quantity that it measures. */
export const itself = (diagram: Diagram, test: UnitTest): string[] =>
  test.kind === 'ohm' || test.kind === 'volt'
    ? atItself(diagram, test.from, test.to)
    : test.kind === 'measure' && !clampedLoad(diagram, test.actuator)
      ? [test.actuator]
      : [];

/** Two tests with the same key are the same test. */
export function keyOf(test: UnitTest): string {
  switch (test.kind) {
    case 'ohm':
      return ['ohm', pairKey(test.from, test.to), setupKey(test.setup), test.wiggle].join('|');
    case 'volt':
      return ['volt', pairKey(test.from, test.to), test.steps].join('|');
    case 'look':
      return ['look', test.look].join('|');
    case 'ask':
      return ['ask', test.steps, test.subject].join('|');
    case 'measure':
      return ['measure', test.actuator, test.steps ?? ''].join('|');
    case 'try': {
      const { steps, subject, jumper } = test;
      return ['try', steps, subject, jumper ? pairKey(...jumper) : ''].join('|');
    }
  }
}
