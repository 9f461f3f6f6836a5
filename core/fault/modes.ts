import type { Diagram, Part } from '../diagram/diagram';

/**
 * What each mode sits on and how it is said, in one place: adding a mode is adding a line here, an
 * entry in `Fault`, and what it does to the circuit in `circuit/partEdges.ts`.
 */
export const MODES = {
  'stuck-open': { on: 'contact', says: 'stuck open' },
  'stuck-closed': { on: 'contact', says: 'stuck closed' },
  resistive: { on: 'contact', says: 'resistive when closed' },
  leaking: { on: 'contact', says: 'leaking when open' },
  film: { on: 'contact', says: 'film on the contact' },
  intermittent: { on: 'contact', says: 'intermittent' },
  bridged: { on: 'terminals', says: 'path between terminals that have no contact' },
  'not-actuated': { on: 'switch', says: 'not actuated' },
  open: { on: 'element', says: 'open' },
  shorted: { on: 'element', says: 'shorted' },
  'part-shorted': { on: 'element', says: 'partly shorted' },
  seized: { on: 'motor', says: 'seized' },
  'to-frame': { on: 'terminal', says: 'leaks to the frame' },
  blown: { on: 'protector', says: 'blown' },
  tripped: { on: 'resettable', says: 'tripped' },
  weak: { on: 'supply', says: 'weak' },
  dead: { on: 'supply', says: 'dead' },
  'dead-leg': { on: 'leg', says: 'leg dead' },
  'no-output': { on: 'board', says: 'does not drive its outputs' },
  broken: { on: 'hardware', says: 'broken: does not reach what it moves' },
  'wire-open': { on: 'wire', says: 'broken' },
  'wire-off': { on: 'terminal', says: 'wire off' },
  loose: { on: 'terminal', says: 'loose on its terminal' },
} as const;

export type Mode = keyof typeof MODES;

export interface OhmsRange {
  nominal: number;
  low: number;
  high: number;
}

/** Ohms that a fault of unknown size may have, from hardly noticed to a film: common practice. */
export const RESISTIVE_OHMS: OhmsRange = { nominal: 1_000, low: 2, high: 5e6 };
export const LEAKING_OHMS: OhmsRange = { nominal: 100_000, low: 100, high: 20e6 };

/** A whisker of metal between terminals. */
export const METAL_BRIDGE_OHMS: OhmsRange = { nominal: 0.05, low: 0.005, high: 0.5 };
/** A winding or element that touches the frame; from memory. */
export const TO_FRAME_OHMS: OhmsRange = { nominal: 5, low: 0.5, high: 50_000 };
/** Megohm to a meter, closed at working volts: common practice. */
export const FILM_OHMS: OhmsRange = { nominal: 2e6, low: 1e5, high: 20e6 };
/** What is left of a winding whose turns are partly shorted; from memory. */
export const PART_SHORTED = { nominal: 0.5, low: 0.2, high: 0.8 };
/** What is left of the volts of a weak source, and how much more it holds inside; from memory. */
export const WEAK = { volts: 0.7, ohms: 3 };

export type Fault =
  | { mode: 'stuck-open' | 'stuck-closed' | 'intermittent' | 'film'; part: string; contact: string }
  | { mode: 'resistive' | 'leaking'; part: string; contact: string; ohms: OhmsRange }
  | { mode: 'bridged'; part: string; between: [string, string]; ohms: OhmsRange }
  | { mode: 'not-actuated'; part: string; stays: string }
  | { mode: 'open' | 'shorted' | 'part-shorted'; part: string; element: string }
  | { mode: 'blown' | 'tripped' | 'seized' | 'no-output' | 'broken'; part: string }
  | { mode: 'to-frame'; part: string; terminal: string; ohms: OhmsRange }
  | { mode: 'weak' | 'dead'; supply: string }
  | { mode: 'dead-leg'; supply: string; terminal: string }
  | { mode: 'wire-open'; wire: string }
  | { mode: 'wire-off'; part: string; terminal: string }
  | { mode: 'loose'; part: string; terminal: string; ohms: OhmsRange };

/** Id of the part, wire or supply that would be replaced or put right. */
export const ownerOf = (fault: Fault): string =>
  'part' in fault ? fault.part : 'wire' in fault ? fault.wire : fault.supply;

/** One fault in few words: "Door switch: stuck open (COM-NO)". */
export function nameFault(diagram: Diagram, fault: Fault): string {
  const id = ownerOf(fault);
  const part: Pick<Part, 'name'> | undefined =
    diagram.parts.find((each) => each.id === id) ?? diagram.supplies.find((each) => each.id === id);
  const wire = diagram.wires.find((each) => each.id === id);
  const name = part?.name ?? (wire ? `Wire ${wire.colour}, ${wire.from} to ${wire.to}` : id);
  return `${name}: ${MODES[fault.mode].says}${sayInside(fault)}`;
}

function sayInside(fault: Fault): string {
  if ('contact' in fault) return ` (${fault.contact})`;
  if ('element' in fault) return ` (${fault.element})`;
  if ('terminal' in fault) return ` (${fault.terminal})`;
  if ('between' in fault) return ` (${fault.between.join(' and ')})`;
  if (fault.mode === 'not-actuated') return ` (stays ${fault.stays})`;
  return '';
}
