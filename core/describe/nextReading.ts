import { ohmReading } from '../circuit/ohmReading';
import type { Diagram, SwitchPart } from '../diagram/diagram';
import { beepIsEnough } from '../inference/contactLimits';
import { expectation, judgedBy } from '../inference/expectation';
import { highestRange, lowestRange, showOhms, type Meter, type OhmRange } from '../meter/meter';
import type { NextReading } from '../plan/nextReading';
import type { Depth } from '../plan/proof';
import { sayDisplay } from './display';
import { sayPosition } from './position';

/** The next reading in words: where to turn the dial, in which state, and what a good unit shows. */
export interface NextInWords {
  state: 'closed' | 'open' | 'either';
  position: string;
  /** How to bring the switch there, when not by its actuator. */
  how: string | undefined;
  range: OhmRange;
  good: string;
  why: string;
}

const WHY: Record<NextReading['why'], string> = {
  proof: 'Next cell of the table',
  settle: 'Tells the standing explanations apart',
  repeat: 'One reading alone condemns nothing: once more',
  'look-again': 'Look at the setup again, then read',
};

/** For whom the next reading is said: the switch, the meter in hand, how deep it is proved. */
export interface Reader {
  diagram: Diagram;
  part: SwitchPart;
  meter: Meter;
  depth: Depth;
}

export function sayNext({ diagram, part, meter, depth }: Reader, next: NextReading): NextInWords {
  const expected = expectation(part, next.place);
  const answer = ohmReading(diagram, next.place.setup, next.place.from, next.place.to);
  const beep = depth === 'quick' && beepIsEnough(judgedBy(part, expected));
  const shows = (ohms: number): string => sayDisplay(showOhms(meter, ohms));
  const shown =
    answer.kind === 'ohms' ? `${shows(answer.low)} to ${shows(answer.high)} on the display` : '';
  const through = expected.through.length ? `, by way of ${expected.through.join(', ')}` : '';
  const good = {
    closed: `${beep ? 'Beep, or ' : ''}${shown}${through}${beep ? '' : '. A beep is not enough here'}`,
    open: depth === 'quick' ? 'OL, or silent' : `OL on ${highestRange(meter).name}`,
    either: 'Open or closed: it may be cycling',
  }[expected.state];
  const held = part.id in next.place.setup.byHand;
  const position = sayPosition(diagram, part.actuator, next.position);
  return {
    state: expected.state,
    // Moved by a finger, the door itself does not matter: it must not read like an order to close it.
    position: (held ? `as with ${position}` : position).replace(/^./, (first) =>
      first.toUpperCase(),
    ),
    how: held ? part.byHand : undefined,
    range: expected.state === 'closed' ? lowestRange(meter) : highestRange(meter),
    good,
    why: WHY[next.why],
  };
}
