import type { SwitchPart } from '../diagram/diagram';
import { switchPosition } from '../diagram/setup';
import type { Fault } from '../fault/fault';
import { judge, type Judgement } from './judge';
import type { ProofStep, Reading } from '../call/reading';
import { GOOD, type SwitchHypothesis } from './switchHypotheses';
import { posterior } from './posterior';
import type { Slip } from './slips';
import { NAME_FROM } from './threshold';
import type { SwitchPredictor } from './switchPredictor';

/** A switch that showed anything odd passes only from this probability of being good on. */
const PASS_FROM = 0.99;
/** A slip has to explain the readings this many times better before it is asked about. */
const SLIP_FITS_BETTER = 3;
/** One reading alone condemns nothing. */
const READINGS_TO_NAME = 2;

/** A reading less probable than this is not explained. */
const BADLY = 0.02;

/** One explanation with all its sizes added up: "resistive", whatever the ohms. */
export interface Explanation {
  hypothesis: SwitchHypothesis;
  probability: number;
  /** Of its likeliest size. */
  logLikelihood: number;
}

export type SwitchVerdict =
  | { kind: 'good' }
  | { kind: 'half-proved'; unseen: ProofStep[] }
  | {
      kind: 'fault';
      faults: [Fault, ...Fault[]];
      probability: number;
      because: string[];
      against: string[];
    }
  | { kind: 'check-again'; slip: Slip; readings: string[] }
  | { kind: 'undecided'; needs: 'second-reading' | 'another-reading'; leading: Explanation[] };

export interface SwitchState {
  proof: readonly ProofStep[];
  judgements: Map<string, Judgement>;
  /** Proof steps that a reading has shown as they should be. */
  seen: Set<ProofStep>;
  explanations: Explanation[];
  verdict: SwitchVerdict;
}

/** Two places are the same when probes, switch position, wires and hand are. */
export function samePlace(
  part: SwitchPart,
  a: Pick<Reading, 'from' | 'to' | 'setup'>,
  b: Pick<Reading, 'from' | 'to' | 'setup'>,
): boolean {
  const pair = (each: Pick<Reading, 'from' | 'to'>): string =>
    [each.from, each.to].sort().join(' ');
  return (
    pair(a) === pair(b) &&
    switchPosition(a.setup, part) === switchPosition(b.setup, part) &&
    part.id in a.setup.byHand === part.id in b.setup.byHand
  );
}

/**
 * Everything that the readings of one switch say together: what each means, which cells are seen,
 * which explanations stand, and the verdict.
 * @param readings entries that still count, oldest first
 * @param proof the readings that would prove it
 */
export function switchState(
  predictor: SwitchPredictor,
  readings: readonly Reading[],
  proof: readonly ProofStep[],
): SwitchState {
  const { diagram, part } = predictor;
  const judgements = new Map(readings.map((each) => [each.id, judge(diagram, part, each)]));
  const seen = new Set(
    proof.filter((step) =>
      readings.some((each) => shows(part, step, each, judgements.get(each.id))),
    ),
  );
  const explanations = explain(predictor, readings);
  const unseen = proof.filter((step) => !seen.has(step));
  const verdict = decideVerdict(predictor, readings, judgements, explanations, unseen);
  return { proof, judgements, seen, explanations, verdict };
}

/** Whether a reading shows what a step of the proof asks for, finely enough. */
function shows(
  part: SwitchPart,
  step: ProofStep,
  reading: Reading,
  judgement: Judgement | undefined,
): boolean {
  if (judgement?.agrees !== true || !samePlace(part, step, reading)) return false;
  // The full proof wants to see resistance, leaks and loose contacts: numbers, and a wiggle.
  const full = step.wiggle || step.shows.kind === 'never';
  return !full || (judgement.grade === 'number' && (reading.wiggle || !step.wiggle));
}

function explain(predictor: SwitchPredictor, readings: readonly Reading[]): Explanation[] {
  const weighed = weighedBy(predictor, predictor.hypotheses, readings);
  return byFamily(
    badly(predictor, readings, weighed)
      ? weighedBy(predictor, predictor.withDoubles, readings)
      : weighed,
  );
}

/** Whether no single fault explains the readings well, so that two at once are asked for. */
export const noSingleExplains = (
  predictor: SwitchPredictor,
  readings: readonly Reading[],
): boolean => badly(predictor, readings, weighedBy(predictor, predictor.hypotheses, readings));

const badly = (
  predictor: SwitchPredictor,
  readings: readonly Reading[],
  [best]: readonly Explanation[],
): boolean =>
  best !== undefined &&
  readings.some((each) => predictor.likelihood(each, best.hypothesis) < BADLY);

/** Bayes' rule over hypotheses that share their readings; most probable first. */
function weighedBy(
  predictor: SwitchPredictor,
  hypotheses: readonly SwitchHypothesis[],
  readings: readonly Reading[],
): Explanation[] {
  const logs = hypotheses.map((hypothesis) =>
    readings.reduce((sum, each) => sum + Math.log(predictor.likelihood(each, hypothesis)), 0),
  );
  const probabilities = posterior(
    Float64Array.from(hypotheses, (each, i) => Math.log(each.prior) + (logs[i] ?? 0)),
  );
  return hypotheses
    .map((hypothesis, i) => ({
      hypothesis,
      logLikelihood: logs[i] ?? 0,
      probability: probabilities[i] ?? 0,
    }))
    .sort((a, b) => b.probability - a.probability);
}

function family({ hypothesis }: Explanation): string {
  switch (hypothesis.kind) {
    case 'good':
      return 'good';
    case 'slip':
      return JSON.stringify(hypothesis.slip);
    case 'fault':
      return JSON.stringify(hypothesis.faults.map((fault) => ({ ...fault, ohms: 0, stays: 0 })));
  }
}

function byFamily(weighed: readonly Explanation[]): Explanation[] {
  const families = new Map<string, Explanation>();
  for (const each of weighed) {
    const known = families.get(family(each));
    if (known) known.probability += each.probability;
    else families.set(family(each), { ...each });
  }
  return [...families.values()].sort((a, b) => b.probability - a.probability);
}

function decideVerdict(
  predictor: SwitchPredictor,
  readings: readonly Reading[],
  judgements: ReadonlyMap<string, Judgement>,
  explanations: readonly Explanation[],
  unseen: ProofStep[],
): SwitchVerdict {
  const odd = readings.filter((each) => judgements.get(each.id)?.agrees === false);
  // A single odd reading that later ones at the same place outvote was a slip of the hand.
  const outvoted = explanations.some(
    (each) => each.hypothesis.kind === 'good' && each.probability >= PASS_FROM,
  );
  if (odd.length === 0 || (outvoted && readings.length > odd.length)) {
    return unseen.length ? { kind: 'half-proved', unseen } : { kind: 'good' };
  }

  const fault = explanations.find((each) => each.hypothesis.kind === 'fault');
  const slip = explanations.find((each) => each.hypothesis.kind === 'slip');
  if (slip?.hypothesis.kind === 'slip') {
    const better =
      slip.logLikelihood > (fault?.logLikelihood ?? -Infinity) + Math.log(SLIP_FITS_BETTER);
    const likelier = slip.probability > (fault?.probability ?? 0);
    if (better && likelier) {
      const { hypothesis } = slip;
      const moved = odd.filter(
        (each) => predictor.likelihood(each, hypothesis) > 2 * predictor.likelihood(each, GOOD),
      );
      return { kind: 'check-again', slip: hypothesis.slip, readings: moved.map((each) => each.id) };
    }
  }
  const leading = explanations.filter((each) => each.probability > 0.02).slice(0, 5);
  if (fault?.hypothesis.kind !== 'fault' || fault.probability < NAME_FROM) {
    return { kind: 'undecided', needs: 'another-reading', leading };
  }
  if (odd.length < READINGS_TO_NAME) return { kind: 'undecided', needs: 'second-reading', leading };
  const { hypothesis } = fault;
  const shift = (each: Reading): number =>
    Math.log(predictor.likelihood(each, hypothesis) / predictor.likelihood(each, GOOD));
  return {
    kind: 'fault',
    faults: hypothesis.faults,
    probability: fault.probability,
    because: readings.filter((each) => shift(each) > 0.1).map((each) => each.id),
    against: readings.filter((each) => shift(each) < -0.1).map((each) => each.id),
  };
}
