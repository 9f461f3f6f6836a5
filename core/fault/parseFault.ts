import type { Diagram, Part, SwitchPart } from '../diagram/diagram';
import { positionsOf } from '../diagram/setup';
import { owners, unknownName, type UnknownName } from '../diagram/terminal';
import { fail, ok, type Result } from '../result';
import {
  LEAKING_OHMS,
  METAL_BRIDGE_OHMS,
  MODES,
  RESISTIVE_OHMS,
  TO_FRAME_OHMS,
  type Fault,
  type Mode,
  type OhmsRange,
} from './modes';

/** A fault as it is written: `place:mode` or `place:mode=value`. */
interface Written {
  text: string;
  mode: Mode;
  /** Part, wire or supply. */
  owner: string;
  /** What follows the first dot: contact, element, terminal or `A-B`. */
  inside?: string;
  value?: string;
  ohms?: OhmsRange;
}

/**
 * Reads faults written `part:mode`, `part.contact:mode`, `part.terminal:wire-off`, `wire:wire-open`,
 * `supply:weak` or `part.A-B:bridged`; `=820k` gives the ohms of a resistive one, `=position` the
 * position a not-actuated switch stays in. A mode of a contact or element written for a whole part
 * means every contact or element of it.
 */
export function parseFault(diagram: Diagram, text: string): Result<Fault[], UnknownName> {
  const match = /^([^:]+):([^=]+)(?:=(.+))?$/.exec(text.trim());
  const mode = match?.[2]?.trim().toLowerCase().replace(/[ _]/g, '-');
  if (!match?.[1] || !isMode(mode)) return fail(unknownMode(mode ?? text));
  const [place, value] = [match[1], match[3]];
  const dot = place.indexOf('.');
  const written: Written = {
    text,
    mode,
    owner: dot < 0 ? place : place.slice(0, dot),
    ...(dot >= 0 && { inside: place.slice(dot + 1) }),
    ...(value !== undefined && { value }),
  };
  if (value !== undefined && mode !== 'not-actuated') {
    const ohms = ohmsFrom(value);
    if (!ohms) {
      const message = `"${value}" is not a number of ohms, such as 0.8, 820k or 4.7M`;
      return fail({ kind: 'unknown-name', what: 'contact', name: text, message });
    }
    written.ohms = ohms;
  }
  return faultsFor(diagram, written);
}

function faultsFor(diagram: Diagram, written: Written): Result<Fault[], UnknownName> {
  const { mode, owner, inside, ohms } = written;
  if (mode === 'wire-open') {
    const ids = diagram.wires.map((each) => each.id);
    return ids.includes(owner)
      ? ok([{ mode, wire: owner }])
      : fail(unknownName('wire', owner, ids));
  }
  const found = owners(diagram).find((each) => each.id === owner);
  if (!found) {
    const ids = owners(diagram).map((each) => each.id);
    return fail(unknownName('part', owner, ids));
  }
  if (MODES[mode].on === 'terminal' || mode === 'dead-leg') {
    const ids = found.terminals.map((each) => each.id);
    if (inside === undefined || !ids.includes(inside)) {
      const known = ids.map((id) => `${owner}.${id}`);
      return fail(unknownName('terminal', inside ? `${owner}.${inside}` : owner, known));
    }
    if (mode === 'wire-off') return ok([{ mode, part: owner, terminal: inside }]);
    if (mode === 'loose')
      return ok([{ mode, part: owner, terminal: inside, ohms: ohms ?? RESISTIVE_OHMS }]);
    if (mode === 'to-frame' && diagram.frame !== undefined)
      return ok([{ mode, part: owner, terminal: inside, ohms: ohms ?? TO_FRAME_OHMS }]);
    if (mode === 'dead-leg' && 'volts' in found)
      return ok([{ mode, supply: owner, terminal: inside }]);
    return fail(cannot(written, 'diagram without a frame'));
  }
  if ('volts' in found)
    return mode === 'weak' || mode === 'dead'
      ? ok([{ mode, supply: owner }])
      : fail(cannot(written, 'supply'));
  return faultsOfPart(diagram, found, written);
}

function faultsOfPart(
  diagram: Diagram,
  part: Part,
  written: Written,
): Result<Fault[], UnknownName> {
  const { mode, inside } = written;
  switch (mode) {
    case 'open':
    case 'shorted':
    case 'part-shorted': {
      if (part.kind !== 'load') break;
      const elements = part.elements.filter((each) => inside === undefined || each.id === inside);
      if (!elements.length) {
        const known = part.elements.map((each) => `${part.id}.${each.id}`);
        return fail(unknownName('contact', `${part.id}.${inside ?? ''}`, known));
      }
      return ok(elements.map((each) => ({ mode, part: part.id, element: each.id })));
    }
    case 'blown':
      if (part.kind === 'protector') return ok([{ mode, part: part.id }]);
      break;
    case 'tripped':
      if ((part.kind === 'switch' && part.reset) || part.kind === 'protector')
        return ok([{ mode, part: part.id }]);
      break;
    case 'seized':
      if (part.kind === 'load' && part.load === 'motor') return ok([{ mode, part: part.id }]);
      break;
    case 'no-output':
      if (part.kind === 'board') return ok([{ mode, part: part.id }]);
      break;
    case 'broken':
      if (part.kind === 'hardware') return ok([{ mode, part: part.id }]);
      break;
    default:
      if (part.kind === 'switch') return faultsOfSwitch(diagram, part, written);
  }
  return fail(cannot(written, part.kind));
}

function faultsOfSwitch(
  diagram: Diagram,
  part: SwitchPart,
  written: Written,
): Result<Fault[], UnknownName> {
  const { mode, inside, value, ohms } = written;
  if (mode === 'not-actuated') {
    const stays = value ?? part.free;
    const known = positionsOf(diagram, part);
    return known.includes(stays)
      ? ok([{ mode, part: part.id, stays }])
      : fail(unknownName('position', stays, known));
  }
  if (mode === 'bridged') {
    const ids = part.terminals.map((each) => each.id);
    const [a, b] = inside?.split('-') ?? [];
    if (a === undefined || b === undefined || !ids.includes(a) || !ids.includes(b))
      return fail(unknownName('terminal', written.text, ids));
    return ok([{ mode, part: part.id, between: [a, b], ohms: ohms ?? METAL_BRIDGE_OHMS }]);
  }
  const contacts = part.contacts.filter((each) => inside === undefined || each.id === inside);
  if (!contacts.length) {
    const known = part.contacts.map((each) => `${part.id}.${each.id}`);
    return fail(unknownName('contact', `${part.id}.${inside ?? ''}`, known));
  }
  switch (mode) {
    case 'stuck-open':
    case 'stuck-closed':
    case 'intermittent':
    case 'film':
      return ok(contacts.map((each) => ({ mode, part: part.id, contact: each.id })));
    case 'resistive':
    case 'leaking': {
      const size = ohms ?? (mode === 'resistive' ? RESISTIVE_OHMS : LEAKING_OHMS);
      return ok(contacts.map((each) => ({ mode, part: part.id, contact: each.id, ohms: size })));
    }
    default:
      return fail(cannot(written, 'switch'));
  }
}

const isMode = (text: string | undefined): text is Mode => text !== undefined && text in MODES;

const cannot = ({ text, mode }: Written, kind: string): UnknownName => ({
  kind: 'unknown-name',
  what: 'contact',
  name: text,
  message: `"${text}": a ${kind} cannot have the mode ${mode} there`,
});

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
  return ohms > 0 ? { nominal: ohms, low: ohms, high: ohms } : undefined;
}
