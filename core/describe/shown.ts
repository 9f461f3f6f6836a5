import { NO_AMPS } from '../inference/current';
import type { Shown } from '../inference/shownUnder';
import { showOhms, type Meter } from '../meter/meter';
import { sayAmps, sayDisplay, sayVolts } from './display';

const NO_BREAK = '\u00a0';

/** What a unit shows between two points, as the display of a meter would say it. */
export function sayShownOn(meter: Meter, shown: Shown): string {
  if (shown.kind === 'none') return `what nobody can say: ${shown.reason}`;
  if (shown.kind === 'volts') return sayVolts(shown.volts);
  if (shown.kind === 'amps')
    return shown.high < NO_AMPS ? 'no current' : `${sayAmps(shown.low)} to ${sayAmps(shown.high)}`;
  const { answer } = shown;
  const shows = (ohms: number): string => sayDisplay(showOhms(meter, ohms));
  if (answer.kind === 'open') return 'OL';
  if (answer.kind !== 'ohms') return 'what cannot be said';
  const [low, high] = [shows(answer.low), shows(answer.high)];
  return (low === high ? low : `${low} to ${high}`).replace(/ (?=\S?Ω)/g, NO_BREAK);
}
