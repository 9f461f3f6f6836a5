import type { Diagram } from '../diagram/diagram';
import { positionsOf } from '../diagram/setup';
import { findPart, unknownName, type UnknownName } from '../diagram/terminal';
import { fail, ok, type Result } from '../result';

/** What each mode does, in one place: adding a mode is adding a line here. */
export const MODES = {
  'stuck-open': { on: 'contact', says: 'stuck open' },
  'stuck-closed': { on: 'contact', says: 'stuck closed' },
  resistive: { on: 'contact', says: 'resistive when closed' },
  leaking: { on: 'contact', says: 'leaking when open' },
  intermittent: { on: 'contact', says: 'intermittent' },
  bridged: { on: 'terminals', says: 'path between terminals that have no contact' },
  'not-actuated': { on: 'switch', says: 'not actuated' },
  open: { on: 'element', says: 'open' },
  shorted: { on: 'element', says: 'shorted' },
  blown: { on: 'protector', says: 'blown' },
  'wire-open': { on: 'wire', says: 'broken' },
  'wire-off': { on: 'terminal', says: 'wire off' },
  loose: { on: 'terminal', says: 'loose on its terminal' },
} as const;

export type Mode = keyof typeof MODES;

/** Ohms that a fault of unknown size may have, from hardly noticed to a film: common practice. */
export const RESISTIVE_OHMS = { nominal: 1_000, low: 2, high: 5e6 };
export const LEAKING_OHMS = { nominal: 100_000, low: 100, high: 20e6 };

/** A whisker of metal between terminals. */
export const METAL_BRIDGE_OHMS = { nominal: 0.05, low: 0.005, high: 0.5 };

interface OhmsRange {
  nominal: number;
  low: number;
  high: number;
}

export type Fault =
  | { mode: 'stuck-open' | 'stuck-closed' | 'intermittent'; part: string; contact: string }
  | { mode: 'resistive' | 'leaking'; part: string; contact: string; ohms: OhmsRange }
  | { mode: 'bridged'; part: string; between: [string, string]; ohms: OhmsRange }
  | { mode: 'not-actuated'; part: string; stays: string }
  | { mode: 'open' | 'shorted'; part: string; element: string }
  | { mode: 'blown'; part: string }
  | { mode: 'wire-open'; wire: string }
  | { mode: 'wire-off'; part: string; terminal: string }
  | { mode: 'loose'; part: string; terminal: string; ohms: OhmsRange };

const exactly = (ohms: number): OhmsRange => ({ nominal: ohms, low: ohms, high: ohms });

/**
 * Reads faults written `part:mode`, `part.contact:mode`, `part.terminal:wire-off`, `wire:wire-open`
 * or `part.A-B:bridged`; `=820k` gives the ohms of a resistive one, `=position` the position a
 * not-actuated switch stays in. A mode of a contact written for a whole switch means every contact
 * of it.
 */
export function parseFault(diagram: Diagram, text: string): Result<Fault[], UnknownName> {
  const match = /^([^:]+):([^=]+)(?:=(.+))?$/.exec(text.trim());
  if (!match?.[1] || !match[2]) return fail(unknownMode(text));
  const [place, mode, value] = [
    match[1],
    match[2].trim().toLowerCase().replace(/[ _]/g, '-'),
    match[3],
  ];
  if (!(mode in MODES)) return fail(unknownMode(mode));
  if (mode === 'wire-open') {
    const wire = diagram.wires.find((each) => each.id === place);
    const ids = diagram.wires.map((each) => each.id);
    return wire ? ok([{ mode, wire: wire.id }]) : fail(unknownName('wire', place, ids));
  }
  const dot = place.indexOf('.');
  const partId = dot < 0 ? place : place.slice(0, dot);
  const inside = dot < 0 ? undefined : place.slice(dot + 1);
  const found = findPart(diagram, partId);
  if (!found.ok) return found;
  const part = found.value;
  const size = value === undefined ? undefined : ohmsFrom(value);
  const onContact = { kind: 'unknown-name', what: 'contact', name: text } as const;
  if (mode === 'not-actuated' && part.kind === 'switch') {
    const stays = value ?? part.free;
    const known = positionsOf(diagram, part);
    return known.includes(stays)
      ? ok([{ mode, part: part.id, stays }])
      : fail(unknownName('position', stays, known));
  }
  if (value !== undefined && size === undefined) {
    return fail({
      ...onContact,
      message: `"${value}" is not a number of ohms, such as 0.8, 820k or 4.7M`,
    });
  }
  if (mode === 'wire-off' || mode === 'loose') {
    const terminal = part.terminals.find((each) => each.id === inside);
    const ids = part.terminals.map((each) => `${part.id}.${each.id}`);
    if (!terminal) return fail(unknownName('terminal', place, ids));
    return mode === 'wire-off'
      ? ok([{ mode, part: part.id, terminal: terminal.id }])
      : ok([{ mode, part: part.id, terminal: terminal.id, ohms: size ?? RESISTIVE_OHMS }]);
  }
  if (mode === 'blown' && part.kind === 'protector') return ok([{ mode, part: part.id }]);
  if ((mode === 'open' || mode === 'shorted') && part.kind === 'load') {
    const elements = part.elements.filter((each) => inside === undefined || each.id === inside);
    if (elements.length)
      return ok(elements.map((each) => ({ mode, part: part.id, element: each.id })));
  }
  if (part.kind === 'switch' && mode === 'bridged') {
    const [a, b] = inside?.split('-') ?? [];
    const has = (id?: string): id is string => part.terminals.some((each) => each.id === id);
    if (has(a) && has(b))
      return ok([{ mode, part: part.id, between: [a, b], ohms: size ?? METAL_BRIDGE_OHMS }]);
  }
  if (part.kind === 'switch') {
    const contacts = part.contacts.filter((each) => inside === undefined || each.id === inside);
    if (!contacts.length) {
      return fail(
        unknownName(
          'contact',
          place,
          part.contacts.map((each) => `${part.id}.${each.id}`),
        ),
      );
    }
    switch (mode) {
      case 'stuck-open':
      case 'stuck-closed':
      case 'intermittent':
        return ok(contacts.map((each) => ({ mode, part: part.id, contact: each.id })));
      case 'resistive':
        return ok(
          contacts.map((each) => ({
            mode,
            part: part.id,
            contact: each.id,
            ohms: size ?? RESISTIVE_OHMS,
          })),
        );
      case 'leaking':
        return ok(
          contacts.map((each) => ({
            mode,
            part: part.id,
            contact: each.id,
            ohms: size ?? LEAKING_OHMS,
          })),
        );
    }
  }
  return fail({
    ...onContact,
    message: `"${text}": a ${part.kind} cannot have the mode ${mode} at "${place}"`,
  });
}

const unknownMode = (name: string): UnknownName => ({
  kind: 'unknown-name',
  what: 'contact',
  name,
  message: `"${name}" is not a fault; write part:mode with one of ${Object.keys(MODES).join(', ')}`,
});

/** Ohms of a fault given on a command line: `820k`, `4.7M`, `0.8`. */
function ohmsFrom(text: string): OhmsRange | undefined {
  const match = /^(\d+(?:\.\d+)?)([kM]?)$/.exec(text.trim());
  if (!match) return undefined;
  const ohms = Number(match[1]) * (match[2] === 'k' ? 1e3 : match[2] === 'M' ? 1e6 : 1);
  return ohms > 0 ? exactly(ohms) : undefined;
}
