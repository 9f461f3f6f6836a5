import type { Outcome } from '../behaviour/statement';

/** People do not tell "stops" from "quits" from "off" apart, nor "runs" from "cycles". */
export const alike = (one: Outcome, two: Outcome): boolean =>
  one === two || (family(one) === family(two) && family(one) !== undefined);

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
