import { ohmReading } from '../../../core/circuit/ohmReading';
import { sayPosition } from '../../../core/diagram/setup';
import { expectation, judgedBy } from '../../../core/inference/expectation';
import { beepIsEnough } from '../../../core/inference/contactLimits';
import { sayDisplay } from '../../../core/meter/display';
import { highestRange, lowestRange, showOhms, type OhmRange } from '../../../core/meter/meter';
import type { NextReading } from '../../../core/plan/nextReading';
import type { SwitchProof } from './useSwitchProof';

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

export function sayNext({ call, part, meter, state }: SwitchProof, next: NextReading): NextInWords {
  const expected = expectation(part, next.place);
  const answer = ohmReading(call.diagram, next.place.setup, next.place.from, next.place.to);
  const beep = state.depth === 'quick' && beepIsEnough(judgedBy(part, expected));
  const shows = (ohms: number): string => sayDisplay(showOhms(meter, ohms));
  const shown =
    answer.kind === 'ohms' ? `${shows(answer.low)} to ${shows(answer.high)} on the display` : '';
  const through = expected.through.length ? `, by way of ${expected.through.join(', ')}` : '';
  const good = {
    closed: `${beep ? 'Beep, or ' : ''}${shown}${through}${beep ? '' : '. A beep is not enough here'}`,
    open: state.depth === 'quick' ? 'OL, or silent' : `OL on ${highestRange(meter).name}`,
    either: 'Open or closed: it may be cycling',
  }[expected.state];
  const held = part.id in next.place.setup.byHand;
  const position = sayPosition(call.diagram, part.actuator, next.position);
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
