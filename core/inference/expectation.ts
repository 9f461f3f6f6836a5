import { cellState, pairState } from '../diagram/contactTable';
import type { Contact, SwitchPart } from '../diagram/diagram';
import { switchPosition } from '../diagram/setup';
import { splitRef } from '../diagram/terminal';
import { strictest } from './contactLimits';
import type { Reading } from '../call/reading';

/** What was to be seen: a contact's cell, or a pair that must never be connected. */
export interface Expectation {
  state: 'closed' | 'open' | 'either';
  /** Terminals passed on the way, when the pair is closed only through a third one. */
  through: string[];
  contact?: Contact;
  /** No position connects the two: continuity would be a short inside the switch. */
  never: boolean;
}

/** What the table says a pair shows in the setup of a reading. */
export function expectation(
  part: SwitchPart,
  reading: Pick<Reading, 'from' | 'to' | 'setup'>,
): Expectation {
  const a = splitRef(reading.from).terminal;
  const b = splitRef(reading.to).terminal;
  const contact = part.contacts.find(
    ({ between: [x, y] }) => (x === a && y === b) || (x === b && y === a),
  );
  const never = part.table.rows.every(
    (row) => pairState(part, a, b, row.position).state === 'open',
  );
  const position = switchPosition(reading.setup, part);
  if (position === undefined) return { state: 'either', through: [], contact, never };
  const pair = pairState(part, a, b, position);
  const own = contact && cellState(part, contact.id, position) === 'closed';
  return {
    state: pair.state,
    through: pair.state === 'closed' && !own ? pair.through : [],
    contact,
    never,
  };
}

/** The contact whose limits a pair is judged by: its own, else the strictest of the switch. */
export const judgedBy = (
  part: SwitchPart,
  expected: Expectation,
): Pick<Contact, 'circuit' | 'amps'> =>
  expected.contact ?? strictest(part) ?? { circuit: 'control' };
