import type { Diagram, Part, Supply, SwitchPart, TerminalRef, Wire, WireEnd } from './diagram';
import { fail, ok, type Result } from '../result';

/** A name that the diagram does not have; `known` lists what it does have at that place. */
export interface UnknownName {
  kind: 'unknown-name';
  what: 'part' | 'terminal' | 'actuator' | 'position' | 'contact' | 'wire';
  name: string;
  message: string;
}

const unknownName = (what: UnknownName['what'], name: string, known: string[]): UnknownName => ({
  kind: 'unknown-name',
  what,
  name,
  message: `there is no ${what} "${name}"; known: ${known.join(', ') || 'none'}`,
});

export const terminalRef = (part: string, terminal: string): TerminalRef => `${part}.${terminal}`;

export const FREE = ':wire' as const;

/** Whether a point is the free end of what is off a terminal. */
export const isWireEnd = (ref: TerminalRef): ref is WireEnd => ref.endsWith(FREE);

/** The free end of what is pulled off a terminal. */
export const wireEnd = (ref: TerminalRef): WireEnd => `${terminalAt(ref)}${FREE}`;

/** The terminal that a point is at, or was before it was pulled off. */
export const terminalAt = (ref: TerminalRef): TerminalRef =>
  isWireEnd(ref) ? (ref.slice(0, -FREE.length) as TerminalRef) : ref;

/** Splits `part.terminal` at the first dot; a free wire end is named by the terminal that it left. */
export function splitRef(ref: TerminalRef): { part: string; terminal: string } {
  const at = terminalAt(ref);
  const dot = at.indexOf('.');
  return { part: at.slice(0, dot), terminal: at.slice(dot + 1) };
}

/** The part whose own terminal a point is; undefined for a free wire end. */
export const partAt = (ref: TerminalRef): string | undefined =>
  isWireEnd(ref) ? undefined : splitRef(ref).part;

export const owners = (diagram: Diagram): (Part | Supply)[] => [
  ...diagram.supplies,
  ...diagram.parts,
];

/** Finds a terminal by its written name and says what is known when it is not there. */
export function findTerminal(diagram: Diagram, text: string): Result<TerminalRef, UnknownName> {
  const dot = text.indexOf('.');
  const name = dot < 0 ? text : text.slice(0, dot);
  const owner = owners(diagram).find((each) => each.id === name);
  const ids = owners(diagram).map((each) => each.id);
  if (!owner) return fail(unknownName('part', name, ids));
  const terminal = dot < 0 ? '' : text.slice(dot + 1);
  if (!owner.terminals.some((each) => each.id === terminal)) {
    const known = owner.terminals.map((each) => `${owner.id}.${each.id}`);
    return fail(unknownName('terminal', text, known));
  }
  return ok(terminalRef(owner.id, terminal));
}

/** What is read between two points: a part, or the wire of a free end; an unknown name is given back. */
export const readAt = (diagram: Diagram, from: TerminalRef, to: TerminalRef): string =>
  partAt(from) ?? partAt(to) ?? wiresAt(diagram, terminalAt(from))[0]?.id ?? splitRef(from).part;

export function findPart(diagram: Diagram, id: string): Result<Part, UnknownName> {
  const part = diagram.parts.find((each) => each.id === id);
  const ids = diagram.parts.map((each) => each.id);
  return part ? ok(part) : fail(unknownName('part', id, ids));
}

export const switches = (diagram: Diagram): SwitchPart[] =>
  diagram.parts.filter((part): part is SwitchPart => part.kind === 'switch');

export function findSwitch(diagram: Diagram, id: string): Result<SwitchPart, UnknownName> {
  const part = switches(diagram).find((each) => each.id === id);
  return part
    ? ok(part)
    : fail(
        unknownName(
          'part',
          id,
          switches(diagram).map((each) => each.id),
        ),
      );
}

export const wiresAt = (diagram: Diagram, ref: TerminalRef): Wire[] =>
  diagram.wires.filter((wire) => wire.from === ref || wire.to === ref);

/** Contacts that something hangs on: an idle throw has a terminal without a wire. */
export const wiredContacts = (diagram: Diagram, part: SwitchPart): SwitchPart['contacts'] =>
  part.contacts.filter(({ between }) =>
    between.every((id) => wiresAt(diagram, terminalRef(part.id, id)).length > 0),
  );

export { unknownName };
