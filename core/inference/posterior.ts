import type { Reading } from '../call/reading';
import type { SwitchHypothesis } from './switchHypotheses';
import type { SwitchPredictor } from './switchPredictor';

export interface Weighed {
  hypothesis: SwitchHypothesis;
  /** Logarithm of the probability of all readings under it; 0 with no readings. */
  logLikelihood: number;
  /** Probability after the readings. */
  probability: number;
}

/** Bayes' rule over hypotheses that share their readings; most probable first. */
export function posterior(
  predictor: SwitchPredictor,
  hypotheses: readonly SwitchHypothesis[],
  readings: readonly Reading[],
): Weighed[] {
  const scored = hypotheses.map((hypothesis) => {
    let logLikelihood = 0;
    for (const reading of readings)
      logLikelihood += Math.log(predictor.likelihood(reading, hypothesis));
    return { hypothesis, logLikelihood, log: Math.log(hypothesis.prior) + logLikelihood };
  });
  const top = scored.reduce((best, each) => Math.max(best, each.log), -Infinity);
  const total = scored.reduce((sum, each) => sum + Math.exp(each.log - top), 0);
  return scored
    .map(({ hypothesis, logLikelihood, log }) => ({
      hypothesis,
      logLikelihood,
      probability: Math.exp(log - top) / total,
    }))
    .sort((a, b) => b.probability - a.probability);
}
