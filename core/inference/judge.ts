import { ohmReading } from '../circuit/ohmReading';
import type { Contact, Diagram, SwitchPart } from '../diagram/diagram';
import { isMillivolts } from '../diagram/millivolts';
import type { Fault } from '../fault/fault';
import {
  sideOfLimit,
  highestRange,
  rangeInUse,
  displayInterval,
  type Interval,
} from '../meter/meter';
import { expectation, judgedBy, type Expectation } from './expectation';
import { beepIsEnough, closedUpTo, OPEN_FROM } from './contactLimits';
import type { Reading } from '../call/reading';

/** Classes for people. */
export type ReadingClass =
  'closed' | 'resistive' | 'load' | 'leaking' | 'open' | 'short' | 'unsteady' | 'cannot-tell';

export interface Judgement {
  class: ReadingClass;
  /** Whether it is what a good switch shows; null when the reading cannot say. */
  agrees: boolean | null;
  /** By a number, or only as fine as a beeper sees. */
  grade: 'number' | 'beeper';
  /** What the table says that it should have shown. */
  expected: Expectation;
  /** Whose limits it was judged by. */
  contact: Pick<Contact, 'circuit' | 'amps'>;
  /** What the contact loses at its working current. */
  loss?: Loss;
  /** Of a contact as near zero as the meter sees: what may hide in it, and lose at its current. */
  unseen?: { ohms: number; loss: Loss };
}

/** Volts lost and watts made in a contact. */
export interface Loss {
  volts: number;
  watts: number;
}

/** What one reading means, against the table and the meter it was taken with. */
export function judge(diagram: Diagram, part: SwitchPart, reading: Reading): Judgement {
  const expected = expectation(part, reading);
  const contact = judgedBy(part, expected);
  const { display } = reading;
  const grade = display.kind === 'beep' || display.kind === 'silent' ? 'beeper' : 'number';
  const found = classify(diagram, part, reading, expected, contact);
  const agrees =
    found === 'cannot-tell' || expected.state === 'either' ? null : found === expected.state;
  const { amps } = contact;
  const loss =
    found === 'resistive' && display.kind === 'ohms' && amps !== undefined
      ? lossAt(amps, Math.max(0, display.ohms - reading.taken.meter.leads.ohms))
      : undefined;
  const most = displayInterval(display, reading.taken)?.high ?? 0;
  const hides =
    found === 'closed' && agrees && display.kind === 'ohms' && most > closedUpTo(contact);
  const unseen = hides && amps !== undefined ? { ohms: most, loss: lossAt(amps, most) } : undefined;
  return {
    class: found,
    agrees,
    grade,
    expected,
    contact,
    ...(loss && { loss }),
    ...(unseen && { unseen }),
  };
}

/** U = I R, P = I squared R. */
const lossAt = (amps: number, ohms: number): Loss => ({
  volts: amps * ohms,
  watts: amps * amps * ohms,
});

function classify(
  diagram: Diagram,
  part: SwitchPart,
  reading: Reading,
  expected: Expectation,
  contact: Pick<Contact, 'circuit' | 'amps'>,
): ReadingClass {
  const { display, taken } = reading;
  const interval = displayInterval(display, taken);
  if (!interval) return 'unsteady';
  const closed: ReadingClass = expected.never ? 'short' : 'closed';
  if (display.kind === 'beep') {
    return expected.state !== 'closed' || beepIsEnough(contact) ? closed : 'cannot-tell';
  }
  if (display.kind === 'silent') return 'open';
  if (display.kind === 'over') {
    const highest = rangeInUse(taken.meter, taken.range) === highestRange(taken.meter);
    return highest || expected.state === 'closed' ? 'open' : 'cannot-tell';
  }
  const limit = closedUpTo(contact);
  const side = sideOfLimit(interval, limit);
  if (side === 'below') return closed;
  // As near zero as this meter sees: what may hide below that is told with it (`unseen`).
  if (
    side === 'cannot-decide' &&
    // Its own leads are as much as the limit there.
    !isMillivolts(contact.circuit) &&
    display.kind === 'ohms' &&
    display.ohms - taken.meter.leads.ohms <= limit
  )
    return closed;
  // Whether it makes well is asked of a contact that should be closed; here it should be open.
  if (side === 'cannot-decide') return expected.state === 'open' ? closed : 'cannot-tell';
  if (interval.low >= OPEN_FROM) return 'open';
  if (answersThroughTheRest(diagram, part, reading, interval)) return 'load';
  return expected.state === 'open' ? 'leaking' : 'resistive';
}

/** Whether the rest of the unit, with all wires on and this switch open, would give the value. */
function answersThroughTheRest(
  diagram: Diagram,
  part: SwitchPart,
  reading: Reading,
  interval: Interval,
): boolean {
  const wiresOn = { ...reading.setup, lifted: [], partsOut: [] };
  const opened: Fault[] = part.contacts.map((contact) => ({
    mode: 'stuck-open',
    part: part.id,
    contact: contact.id,
  }));
  const rest = ohmReading(diagram, wiresOn, reading.from, reading.to, opened);
  return rest.kind === 'ohms' && interval.high >= rest.low && interval.low <= rest.high;
}
