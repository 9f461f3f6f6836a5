import type { Acknowledgement } from '../call/record';

/** What was confirmed, in words. */
export function sayAcknowledged({ what, minutes, meter }: Acknowledgement): string {
  switch (what) {
    case 'made-safe':
      return 'dead and proved dead';
    case 'meter-proved':
      return meter === undefined ? 'the meter is proved' : `the meter is proved: ${meter}`;
    case 'wires-off':
      return 'wires off';
    case 'stood-clear':
      return 'everybody stood clear';
    case 'jumper-on':
      return 'a jumper is on';
    case 'jumper-off':
      return 'the jumper is off';
    case 'time-left':
      return minutes === undefined ? 'the visit has no end' : `${minutes} min left of the visit`;
  }
}
