import { nominalOf, type UnitPredictor } from '../inference/unitPredictor';
import { HEALTHY, pointsTo } from '../inference/entryLikelihood';
import { clampedLoad } from '../diagram/clampedLoad';
import { NO_AMPS } from '../inference/current';
import { alike, saidBeside } from '../behaviour/statement';
import { splitRef } from '../diagram/terminal';
import type { AskTest, OhmTest, TryTest, UnitTest } from './unitTests';

/**
 * The outcome of a test as a small number, in as many kinds as are told apart at a glance: near zero,
 * open, and between them values that lie well apart. -1: cannot be foretold.
 */
type Kind = number;

const CANNOT_SAY: Kind = -1;
const NEAR_ZERO = 0;
const OPEN = 126;
const UNSTEADY = 127;
/** Ohms from which on a meter shows OL, and up to which it shows a closed contact. */
const OL_FROM = 20e6;
const CLOSED_UP_TO = 1;
/** Values that are no further apart than this are not told apart: tolerances and house volts. */
const APART = 1.35;
/** The same for faults whose own size is unknown. */
const SURELY_APART = 3;
/** Volts below this share of the weakest supply are none. */
const NO_VOLTS = 0.04;

/** What each hypothesis foretells of a test. */
export function predictedOutcome(predictor: UnitPredictor, test: UnitTest): Int8Array {
  const { hypotheses, diagram } = predictor;
  const each = (of: (index: number) => Kind): Int8Array =>
    Int8Array.from({ length: hypotheses.length }, (_, i) => of(i));
  switch (test.kind) {
    case 'look': {
      const look = diagram.looks?.find(({ id }) => id === test.look);
      return each((i) =>
        look && hypotheses[i]?.faults.some((fault) => pointsTo(look, fault)) ? 1 : 0,
      );
    }
    case 'measure': {
      if (clampedLoad(diagram, test.actuator) && test.steps !== undefined) {
        const amps = predictor.amps(test.steps, test.actuator);
        return kindsOf(
          hypotheses.map((_, i) => amps(i)),
          NO_AMPS,
        );
      }
      const kinds = new Map<string, Kind>();
      return each((i) => {
        const sides = predictor.quantity(i, test.actuator, test.steps).join();
        const known = kinds.get(sides) ?? kinds.size;
        kinds.set(sides, known);
        return known;
      });
    }
    case 'ask':
      return foretoldAnswer(predictor, test);
    case 'try':
      return foretoldTry(predictor, test);
    case 'volt': {
      const volts = predictor.volts(test.steps, test.from, test.to);
      const none = NO_VOLTS * Math.min(...diagram.supplies.map((supply) => supply.volts));
      return kindsOf(
        hypotheses.map((_, i) => volts(i)),
        none,
      );
    }
    case 'ohm':
      return foretoldOhms(predictor, test);
  }
}

function foretoldOhms(
  predictor: UnitPredictor,
  { reach, setup, from, to, wiggle }: OhmTest,
): Int8Array {
  const { hypotheses, whenOpen } = predictor;
  let ohms: (index: number) => number | undefined;
  if (reach === 'own') {
    const own = predictor.ownOhms(setup, from, to);
    ohms = (i) => nominalOf(own(i));
  } else ohms = predictor.nominalOhms(setup, from, to);
  const values = hypotheses.map((_, i) => ohms(i));
  const kinds = kindsOf(values, CLOSED_UP_TO);
  const good = values[HEALTHY];
  const range = predictor.goodRange(setup, from, to);
  hypotheses.forEach(({ causes }, i) => {
    const value = values[i] ?? Infinity;
    // What a good unit may show as well is told from it by nobody.
    if (value >= range.low && value <= range.high && kinds[HEALTHY] !== undefined)
      kinds[i] = kinds[HEALTHY];
    // Of a fault of unknown size only what lies far from the good value is promised.
    if (causes.some((each) => 'ohms' in each) && near(values[i], good)) kinds[i] = CANNOT_SAY;
  });
  if (!wiggle) return kinds;
  // Moved, an intermittent contact jumps wherever its opening would show.
  return kinds.map((here, i) => {
    const apart = whenOpen[i] ?? -1;
    return apart >= 0 && kinds[apart] !== here ? UNSTEADY : here;
  });
}

const near = (one: number | undefined, two: number | undefined): boolean =>
  one !== undefined &&
  two !== undefined &&
  Math.max(one, two) > CLOSED_UP_TO &&
  Math.max(one, two) < SURELY_APART * Math.min(one, two);

/** Values in as many kinds as lie well apart; what is below `none` is nothing. */
function kindsOf(values: readonly (number | undefined)[], none: number): Int8Array {
  const apart = new Set<number>();
  for (const value of values)
    if (value !== undefined && value >= none && value <= OL_FROM) apart.add(value);
  const between = [...apart].sort((a, b) => a - b);
  const kinds = new Map<number, Kind>();
  let kind: Kind = NEAR_ZERO + 1;
  between.forEach((value, i) => {
    if (i > 0 && value > APART * (between[i - 1] ?? 0)) kind++;
    kinds.set(value, kind);
  });
  return Int8Array.from(values, (value) => {
    if (value === undefined) return CANNOT_SAY;
    if (value < none) return NEAR_ZERO;
    return value > OL_FROM ? OPEN : Math.min(OPEN - 1, kinds.get(value) ?? 0);
  });
}

/** 1 where it does what a good unit does, 0 where it does not, -1 where it does one or the other by the hour. */
function foretoldAnswer(predictor: UnitPredictor, { steps, subject }: AskTest): Int8Array {
  const good = predictor.outcome(HEALTHY, steps, subject);
  return Int8Array.from(predictor.hypotheses, (_, i) => {
    if ((predictor.whenOpen[i] ?? -1) >= 0) return CANNOT_SAY;
    const does = predictor.outcome(i, steps, subject);
    if (good === undefined || does === undefined) return CANNOT_SAY;
    return alike(saidBeside(predictor.diagram, subject, does, good), good) ? 1 : 0;
  });
}

function foretoldTry(predictor: UnitPredictor, { steps, subject, jumper }: TryTest): Int8Array {
  const kinds = new Map<string, Kind>();
  const bridged = jumper && splitRef(jumper[0]).part;
  return Int8Array.from(predictor.hypotheses, ({ suspect }, i) => {
    // An intermittent contact shows what a good one shows, nearly always.
    if ((predictor.whenOpen[i] ?? -1) >= 0) return CANNOT_SAY;
    // A jumper over what is closed anyway changes nothing, so only the part's own faults are run.
    const over = suspect !== undefined && suspect === bridged ? jumper : undefined;
    const seen = predictor.outcome(i, steps, subject, over);
    if (seen === undefined) return CANNOT_SAY;
    const known = kinds.get(seen) ?? kinds.size;
    kinds.set(seen, known);
    return known;
  });
}
