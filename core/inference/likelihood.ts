import type { OhmAnswer } from '../circuit/ohmReading';
import type { Display } from '../meter/display';
import type { Interval } from '../meter/meter';

/** How often a reading is nothing of the kind: a misread display, a tip that did not bite. */
const SLIP = 0.02;
/** Ohms between which people meet readings; widths are compared on a logarithmic scale. */
const FLOOR = 0.01;
const CEILING = 1e8;

/** How an intermittent contact behaves: common practice, it passes a steady test nearly always. */
const INTERMITTENT = {
  wiggled: { unsteady: 0.75, good: 0.15, open: 0.1 },
  steady: { unsteady: 0.05, good: 0.87, open: 0.08 },
} as const;

/** How often a burnt contact jumps while it is read: from memory. */
const BURNT_JUMPS = 0.1;

const log = (ohms: number): number => Math.log10(Math.min(CEILING, Math.max(FLOOR, ohms)));
const width = (interval: Interval): number => log(interval.high) - log(interval.low);
/** A display that shows nearly one value still has the width of its last digits. */
const NARROW = 0.005;

/** How often a slip, or anything at all, makes just this display. */
export function broadShare(display: Display, shown: Interval | undefined): number {
  switch (display.kind) {
    case 'over':
      return 0.7;
    case 'beep':
    case 'silent':
      return 0.2;
    case 'unsteady':
      return 0.1;
    case 'ohms':
      return shown ? (0.4 * Math.max(NARROW, width(shown))) / (log(CEILING) - log(FLOOR)) : 0;
  }
}

/** Probability of a display as a slip, whatever the circuit. */
export const slipShare = (display: Display, shown: Interval | undefined): number =>
  SLIP * broadShare(display, shown);

/** Share of an interval of true ohms, even on the logarithmic scale, that would show the display. */
function share(shown: Interval, low: number, high: number): number {
  const from = Math.max(log(shown.low), log(low));
  const to = Math.min(log(shown.high), log(high));
  const whole = Math.max(NARROW, log(high) - log(low));
  return to < from ? 0 : Math.min(1, Math.max(NARROW, to - from) / whole);
}

function byCircuit(shown: Interval, predicted: OhmAnswer): number {
  const open = shown.high === Infinity ? 1 : 0;
  switch (predicted.kind) {
    case 'open':
      return open;
    case 'ohms':
      return share(shown, predicted.low, predicted.high);
    case 'unsure':
      return predicted.high === null
        ? 0.5 * open + 0.5 * share(shown, predicted.low, predicted.low * 10)
        : share(shown, predicted.low, predicted.high);
    case 'not-computable':
      return 0.5;
  }
}

/**
 * Probability of a display when the circuit is as predicted, with a small chance of a slip.
 * @param shown ohms that can have made the display; undefined for an unsteady one
 */
export function likelihood(
  display: Display,
  shown: Interval | undefined,
  predicted: OhmAnswer,
): number {
  const slip = slipShare(display, shown);
  return shown ? (1 - SLIP) * byCircuit(shown, predicted) + slip : slip;
}

/** What was shown, and what the circuit answers there under one explanation. */
export interface ReadUnder {
  display: Display;
  /** Ohms that can have made the display. */
  shown: Interval | undefined;
  whole: OhmAnswer;
  /** With an intermittent contact open, where that makes a difference. */
  apart: OhmAnswer | undefined;
  wiggled: boolean;
  /** Whether a contact in it makes badly: such a one sometimes jumps too. */
  burnt: boolean;
}

/** Probability of an ohm or beeper reading under one explanation, which may be intermittent. */
export function readingLikelihood(read: ReadUnder): number {
  const { display, shown, whole, apart, wiggled, burnt } = read;
  const usual = likelihood(display, shown, whole);
  if (apart) {
    const way = wiggled ? INTERMITTENT.wiggled : INTERMITTENT.steady;
    if (display.kind === 'unsteady') return way.unsteady;
    return way.good * usual + way.open * likelihood(display, shown, apart);
  }
  return burnt && display.kind === 'unsteady' ? Math.max(usual, BURNT_JUMPS) : usual;
}
