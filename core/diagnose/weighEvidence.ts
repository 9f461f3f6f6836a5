import type { Outcome } from '../behaviour/statement';
import type { VoltAnswer } from '../circuit/voltReading';
import type { Look } from '../diagram/diagram';
import { MODES, ownerOf, type Fault } from '../fault/modes';
import { displayInterval } from '../meter/meter';
import type { Evidence, ReadingEvidence, StatementEvidence } from './evidence';
import { INTERMITTENT, likelihood } from './likelihood';
import type { UnitPredictor } from './unitPredictor';

/** How often what is told, and what is seen, is so: common practice, told counts less. */
const RELIABLE = { told: 0.85, seen: 0.97 };
/** A volt reading may be off by the house's own volts, and is nothing of the kind as often as this. */
const VOLTS = { spread: 0.12, floor: 0.05, slip: 0.02 };
/** A part that somebody has tapped, reset, cleaned or reseated may be cured for now. */
const CURED = 0.5;

/**
 * Probability of one entry under one hypothesis.
 * @param touched parts that an earlier entry may have changed
 */
export function weighEvidence(
  predictor: UnitPredictor,
  evidence: Evidence,
  index: number,
  touched: ReadonlySet<string>,
): number {
  const hypothesis = predictor.hypotheses[index];
  if (!hypothesis || evidence.kind === 'act') return 1;
  if (evidence.kind === 'reading' && evidence.of === 'twin') return 1;
  const own = weighPlainly(predictor, evidence, index);
  if (hypothesis.suspect === undefined || !touched.has(hypothesis.suspect)) return own;
  return (1 - CURED) * own + CURED * weighPlainly(predictor, evidence, HEALTHY);
}

/** Place of "nothing wrong" among the hypotheses. */
export const HEALTHY = 0;

function weighPlainly(predictor: UnitPredictor, evidence: Evidence, index: number): number {
  switch (evidence.kind) {
    case 'statement':
      return weighStatement(predictor, evidence, index);
    case 'look': {
      const look = predictor.diagram.looks?.find((each) => each.id === evidence.look);
      if (!look) return 1;
      const faults = predictor.hypotheses[index]?.faults ?? [];
      const share = faults.some((fault) => pointsTo(look, fault))
        ? look.found.with
        : look.found.without;
      return evidence.found ? share : 1 - share;
    }
    case 'reading':
      return weighReading(predictor, evidence, index);
    case 'act':
      return 1;
  }
}

function weighStatement(
  predictor: UnitPredictor,
  { steps, subject, outcome, source }: StatementEvidence,
  index: number,
): number {
  const right = RELIABLE[source];
  const faults = predictor.hypotheses[index]?.faults ?? [];
  const foretold = predictor.outcome(index, steps, subject);
  const same = foretold !== undefined && alike(foretold, outcome);
  // What is intermittent shows itself in use, and is as often as not said of a good moment.
  if (faults[0]?.mode === 'intermittent') {
    const open: Fault = { ...faults[0], mode: 'stuck-open' };
    const apart = predictor.hypotheses.findIndex(({ faults: [one] }) => sameFault(one, open));
    const shows = predictor.outcome(apart, steps, subject);
    const could = same || (shows !== undefined && alike(shows, outcome));
    return could ? (same ? right : 0.7 * right) : 1 - right;
  }
  return same ? right : 1 - right;
}

/** People do not tell "stops" from "quits" from "off" apart, nor "runs" from "cycles". */
function alike(one: Outcome, two: Outcome): boolean {
  return one === two || (family(one) === family(two) && family(one) !== undefined);
}
function family(outcome: Outcome): string | undefined {
  switch (outcome) {
    case 'off':
    case 'stops':
      return 'off';
    case 'runs':
    case 'cycles':
      return 'runs';
    case 'opens':
    case 'open':
      return 'open';
    default:
      return undefined;
  }
}

const sameFault = (one: Fault | undefined, two: Fault): boolean =>
  one?.mode === two.mode && JSON.stringify(one) === JSON.stringify(two);

/** Whether a look points to a fault: `part:mode`, or any fault of a part. */
export function pointsTo(look: Look, fault: Fault): boolean {
  return look.of.some((text) => {
    const [place, mode] = text.split(':');
    return place === ownerOf(fault) && (mode === undefined || mode === fault.mode);
  });
}

function weighReading(predictor: UnitPredictor, reading: ReadingEvidence, index: number): number {
  const { shows, setup, from, to } = reading;
  if (shows.kind === 'volts')
    return weighVolts(shows.volts, predictor.volts(index, setup, from, to));
  const shown = displayInterval(shows, predictor.meter);
  const usual = likelihood(shows, shown, predictor.ohms(index, setup, from, to));
  const [fault] = predictor.hypotheses[index]?.faults ?? [];
  if (fault?.mode !== 'intermittent') return usual;
  // It plays a part only where opening it would change what is read.
  const open: Fault = { ...fault, mode: 'stuck-open' };
  const apart = predictor.hypotheses.findIndex(({ faults: [one] }) => sameFault(one, open));
  const opened = predictor.ohms(apart, setup, from, to);
  if (opened.kind === predictor.ohms(index, setup, from, to).kind) return usual;
  const way = reading.wiggle ? INTERMITTENT.wiggled : INTERMITTENT.steady;
  if (shows.kind === 'unsteady') return way.unsteady;
  return way.good * usual + way.open * likelihood(shows, shown, opened);
}

function weighVolts(volts: number, answer: VoltAnswer): number {
  const even = 0.3;
  if (answer.kind !== 'volts') return even;
  const { low, high } = answer;
  const floor = VOLTS.floor * Math.max(1e-3, high);
  const from = low * (1 - VOLTS.spread) - floor;
  const to = high * (1 + VOLTS.spread) + floor;
  return volts >= from && volts <= to ? 1 - VOLTS.slip : VOLTS.slip;
}

/** Whether a mode leaves everything as it is at rest, so that no steady reading can show it. */
export const hidden = (fault: Fault): boolean =>
  MODES[fault.mode].on === 'motor' || fault.mode === 'intermittent';
