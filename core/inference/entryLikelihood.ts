import { alike, saidBeside } from '../behaviour/statement';
import type { Look } from '../diagram/diagram';
import { findMode, ownerOf, type Fault, type Mode } from '../fault/fault';
import { displayInterval } from '../meter/meter';
import {
  evidenceKey,
  type Evidence,
  type ReadingEvidence,
  type StatementEvidence,
} from '../call/evidence';
import { PLUGGED_IN } from '../behaviour/useRuns';
import { readingLikelihood } from './likelihood';
import { clampedLoad } from '../diagram/clampedLoad';
import { weighAmps } from './current';
import { weighSight } from './sight';
import { feltSpan, isThere, quantityOf } from './quantity';
import { nominalOf, type UnitPredictor } from './unitPredictor';

/**
 * How often what is told, and what is seen, is so: common practice, told counts less; and a code whose table
 * is a guess, from memory.
 */
export const RELIABLE = { told: 0.85, seen: 0.97, code: 0.6 };
/**
 * A volt reading may be off by the house's own volts and the loads' spread; none means less than this
 * share of a supply; it is nothing of the kind as often as `slip`. From memory.
 */
const VOLTS = { spread: 0.15, none: 0.04, slip: 0.02 };
/** A point that floats shows anything small, and seldom the volts of a supply: from memory. */
const GHOST = { small: 0.4, often: 0.55, seldom: 0.08 };

/** How often a quantity is on the side of its set points that it was found on; nobody mixes up hot and cold. From memory. */
const FOUND = { measured: 0.995, felt: 0.85, touched: 0.96 };

/** What makes badly jumps now and then too. */
const JUMPS: readonly Mode[] = ['resistive', 'loose', 'poor-connection'];

/** Place of "nothing wrong" among the hypotheses. */
export const HEALTHY = 0;

/** What was weighed: by the entry itself, which is quick to find, and by what it says. */
class Weighed {
  readonly byEntry = new WeakMap<Evidence, Float64Array>();
  readonly byKey = new Map<string, Float64Array>();
}

const weighed = new WeakMap<UnitPredictor, Weighed>();

/** Probability of one entry under each hypothesis; of the same entry it is computed once. */
export function entryLikelihood(predictor: UnitPredictor, evidence: Evidence): Float64Array {
  const known = weighed.get(predictor) ?? new Weighed();
  weighed.set(predictor, known);
  const before = known.byEntry.get(evidence);
  if (before) return before;
  const key = evidenceKey(evidence);
  const weights =
    known.byKey.get(key) ??
    Float64Array.from(predictor.hypotheses, (_, i) => weighPlainly(predictor, evidence, i));
  known.byKey.set(key, weights);
  known.byEntry.set(evidence, weights);
  return weights;
}

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
    case 'sight':
      return weighSight(predictor.diagram, evidence, predictor.hypotheses[index]?.faults ?? []);
    case 'measurement': {
      const { actuator, value, felt, how, steps } = evidence;
      if (clampedLoad(predictor.diagram, actuator))
        return weighAmps(value, predictor.amps(steps ?? PLUGGED_IN, actuator)(index));
      const quantity = quantityOf(predictor.diagram, actuator);
      if (felt !== undefined && quantity) {
        const [is, says] = [predictor.span(index, actuator, steps), feltSpan(quantity, felt)];
        return is.low <= says.high && is.high >= says.low ? FOUND.touched : 1 - FOUND.touched;
      }
      const there = isThere(
        predictor.diagram,
        actuator,
        value,
        predictor.quantity(index, actuator, steps),
      );
      if (there === undefined) return 0.5;
      return there ? FOUND[how] : 1 - FOUND[how];
    }
    case 'reading':
      // A good twin says that meter, leads and setup are right, and nothing of this unit.
      if (evidence.of === 'twin') return 1;
      return weighReading(predictor, evidence, index);
    case 'act':
      return 1;
  }
}

function weighStatement(
  predictor: UnitPredictor,
  { steps, subject, outcome, source, often, jumper }: StatementEvidence,
  index: number,
): number {
  const right = isGuessedCode(predictor, subject, outcome) ? RELIABLE.code : RELIABLE[source];
  const shows = (place: number): boolean => {
    const foretold = predictor.outcome(place, steps, subject, jumper);
    if (foretold === undefined) return false;
    const good = predictor.outcome(HEALTHY, steps, subject, jumper);
    return (
      alike(foretold, outcome) || saidBeside(predictor.diagram, subject, foretold, good) === outcome
    );
  };
  const whenOpen = predictor.whenOpen[index] ?? -1;
  const comes = whenOpen >= 0 && shows(whenOpen);
  // An intermittent contact does in a good moment what a good unit does, and that is no sign of it.
  if (shows(index)) return (index === HEALTHY || comes ? 1 : STAYS[often ?? 'unsaid']) * right;
  return Math.max(comes ? COMES[often ?? 'unsaid'] * right : 0, 1 - right);
}

/** A code is a table of the model: where that is a guess, what is blinked says little. */
function isGuessedCode({ diagram }: UnitPredictor, subject: string, outcome: string): boolean {
  const part = diagram.parts.find(({ id }) => id === subject);
  return outcome.startsWith('says ') && part?.kind === 'board' && part.logic?.known === 'guessed';
}

/**
 * What comes and goes shows itself in use, and is as often as not said of a good moment (0.7). What is said to
 * come and go is seldom there all the time, and what is said to be there always seldom comes and goes. From memory.
 */
const COMES = { unsaid: 0.7, always: 0.2, 'now-and-then': 1, once: 0.9 };
const STAYS = { unsaid: 1, always: 1, 'now-and-then': 0.25, once: 0.3 };

/** Whether a look points to a fault: `part:mode`, or any fault of a part. */
export function pointsTo(look: Look, fault: Fault): boolean {
  return look.of.some((text) => {
    const [place, mode] = text.split(':');
    return place === ownerOf(fault) && (mode === undefined || findMode(mode) === fault.mode);
  });
}

function weighReading(predictor: UnitPredictor, reading: ReadingEvidence, index: number): number {
  const { shows, setup, from, to, taken } = reading;
  if (shows.kind === 'volts') {
    const steps = reading.steps ?? PLUGGED_IN;
    const volts = predictor.diagram.supplies.map((supply) => supply.volts);
    const foretold = predictor.volts(steps, from, to, { changed: setup })(index);
    return weighVolts(shows.volts, foretold, Math.min(...volts), Math.max(...volts));
  }
  const whole = predictor.ohms(index, setup, from, to);
  const whenOpen = predictor.whenOpen[index] ?? -1;
  // It plays a part only where opening it would change what is read.
  const apart = whenOpen < 0 ? undefined : predictor.ohms(whenOpen, setup, from, to);
  const causes = predictor.hypotheses[index]?.causes ?? [];
  return readingLikelihood({
    display: shows,
    shown: displayInterval(shows, taken),
    whole,
    apart: apart?.kind === whole.kind ? undefined : apart,
    wiggled: reading.wiggle,
    // It jumps where it is read, and nowhere else.
    burnt:
      causes.some(({ mode }) => JUMPS.includes(mode)) &&
      nominalOf(whole) !== nominalOf(predictor.ohms(HEALTHY, setup, from, to)),
  });
}

/** @param least @param most volts of the weakest and of the strongest supply */
function weighVolts(
  shown: number,
  foretold: number | undefined,
  least: number,
  most: number,
): number {
  if (foretold === undefined) return shown < GHOST.small * most ? GHOST.often : GHOST.seldom;
  const none = VOLTS.none * least;
  const fits =
    foretold < none
      ? shown < 2 * none
      : shown >= foretold * (1 - VOLTS.spread) - none &&
        shown <= foretold * (1 + VOLTS.spread) + none;
  return fits ? 1 - VOLTS.slip : VOLTS.slip;
}
