import type { Diagram, Known, Part, Supply, TerminalRef } from '../diagram/diagram';
import { owners, splitRef, switches, terminalRef } from '../diagram/terminal';
import { fail, ok, type Result } from '../result';
import { addPaths, keepWireIds, type MakePlace } from './addPath';
import { changeSwitch, freeId, putIn, type MadePart } from './changePart';
import { withRows } from './editTable';
import { readPathLine, type PathLine, type TextFault } from './pathLine';

/**
 * Changes of a draft. Each gives a new diagram and leaves what else is known of it as it was; none of them checks whether the
 * draft is sound, which its lint says.
 */

/** Writes a line of wires in place of another, or as a new one where there is no other. */
export function writeLine(
  draft: Diagram,
  text: string,
  before: PathLine | undefined,
  make: MakePlace,
): Result<Diagram, TextFault> {
  const path = readPathLine(text);
  if (!path.ok) return path;
  const rest = before ? withoutLine(draft, before) : draft;
  const added = addPaths(rest, [{ path: path.value, line: 1 }], make);
  if (!added.ok) {
    const [first] = added.error;
    return fail(first ?? { line: 1, column: 1, message: 'this line is not understood' });
  }
  return ok({ ...added.value, wires: keepWireIds(draft.wires, added.value.wires) });
}

/** Takes the wires of a line out; the parts stay. @param line written with the ids of its wires */
export function withoutLine(draft: Diagram, line: PathLine): Diagram {
  const gone = new Set(line.rest.flatMap(({ link }) => link.wire ?? []));
  return { ...draft, wires: draft.wires.filter(({ id }) => !gone.has(id)) };
}

/** Adds a part that is new to the draft, with what moves it. Its id is its name's, counted on where that is taken. */
export function addPart(
  draft: Diagram,
  name: string,
  make: (named: { id: string; name: string }) => MadePart,
): { draft: Diagram; id: string } {
  const id = freeId(name, [...owners(draft), ...draft.actuators]);
  return { id, draft: putIn(draft, make({ id, name })) };
}

/** Takes a part, a supply or a control out, with its wires and what speaks of it alone. */
export function removeOwner(draft: Diagram, id: string): Diagram {
  const at = (ref: TerminalRef): boolean => splitRef(ref).part === id;
  const { frame, ...rest } = draft;
  const { [id]: _drawn, ...drawnFor } = draft.drawnFor;
  const control = draft.actuators.some((each) => each.id === id);
  return {
    ...rest,
    ...(frame && !at(frame) && { frame }),
    ...(control && { drawnFor }),
    supplies: draft.supplies.filter((each) => each.id !== id),
    actuators: draft.actuators.filter((each) => each.id !== id),
    wires: draft.wires.filter(({ from, to }) => !at(from) && !at(to)),
    parts: draft.parts.filter((each) => each.id !== id).flatMap((part) => withoutMention(part, id)),
    looks: (draft.looks ?? []).flatMap((look) => {
      const of = look.of.filter(
        (each) => !each.startsWith(`${id}:`) && !each.startsWith(`${id}.`) && each !== id,
      );
      return of.length ? [{ ...look, of }] : [];
    }),
  };
}

function withoutMention(part: Part, id: string): Part[] {
  const { companions, ...rest } = part;
  const left = companions?.filter((each) => each !== id);
  const kept = { ...rest, ...(left?.length && { companions: left }) } as Part;
  if (kept.kind !== 'hardware') return [kept];
  const serves = kept.serves.filter((each) => each !== id);
  return serves.length ? [{ ...kept, serves }] : [];
}

/** Renames what is stamped beside a terminal: all that names it goes along. */
export function renameTerminal(draft: Diagram, owner: string, from: string, to: string): Diagram {
  const [old, fresh] = [terminalRef(owner, from), terminalRef(owner, to)];
  const ref = (each: TerminalRef): TerminalRef => (each === old ? fresh : each);
  const one = (each: string): string => (each === from ? to : each);
  const pair = ([a, b]: [string, string]): [string, string] => [one(a), one(b)];
  const terminals = <T extends Part | Supply>(each: T): T => ({
    ...each,
    terminals: each.terminals.map((terminal) =>
      terminal.id === from ? { ...terminal, id: to } : terminal,
    ),
  });
  return {
    ...draft,
    ...(draft.frame && { frame: ref(draft.frame) }),
    wires: draft.wires.map((wire) => ({ ...wire, from: ref(wire.from), to: ref(wire.to) })),
    supplies: draft.supplies.map((each) => (each.id === owner ? terminals(each) : each)),
    parts: draft.parts.map((each) => (each.id === owner ? inside(terminals(each), pair) : each)),
  };
}

function inside(part: Part, pair: (ends: [string, string]) => [string, string]): Part {
  switch (part.kind) {
    case 'switch': {
      // A contact that is called by its terminals is called by the new ones.
      const ids = new Map(
        part.contacts.map(({ id, between }) => [
          id,
          id === between.join('-') ? pair(between).join('-') : id,
        ]),
      );
      const id = (each: string): string => ids.get(each) ?? each;
      return {
        ...part,
        contacts: part.contacts.map((each) => ({
          ...each,
          id: id(each.id),
          between: pair(each.between),
        })),
        table: {
          ...part.table,
          rows: part.table.rows.map((row) => ({
            ...row,
            closed: row.closed.map(id),
            ...(row.either && { either: row.either.map(id) }),
          })),
        },
      };
    }
    case 'load':
      return {
        ...part,
        elements: part.elements.map((each) => ({ ...each, between: pair(each.between) })),
      };
    case 'protector':
      return { ...part, between: pair(part.between) };
    case 'connection':
      return { ...part, joins: part.joins.map(pair) };
    case 'board':
      return {
        ...part,
        inputs: part.inputs.map((each) => ({ ...each, between: pair(each.between) })),
      };
    case 'hardware':
      return part;
  }
}

/** Renames a part, a supply or a control; what names it by its id goes on. */
export function rename(draft: Diagram, id: string, name: string): Diagram {
  const named = <T extends { id: string; name: string }>(each: T): T =>
    each.id === id ? { ...each, name } : each;
  return {
    ...draft,
    supplies: draft.supplies.map(named),
    parts: draft.parts.map(named),
    actuators: draft.actuators.map(named),
  };
}

/** Says where an entry comes from. */
export const setKnown = (draft: Diagram, id: string, known: Known): Diagram => {
  const told = <T extends { id: string; known?: Known }>(each: T): T =>
    each.id === id ? { ...each, known } : each;
  const part = draft.parts.find((each) => each.id === id);
  const own = { ...draft, supplies: draft.supplies.map(told), parts: draft.parts.map(told) };
  if (part?.kind !== 'switch') return own;
  // Its table and what moves it come from where it does.
  const mine = switches(draft).filter(({ actuator }) => actuator === part.actuator).length === 1;
  return {
    ...changeSwitch(own, id, (each) => ({ ...each, table: { ...each.table, known } })),
    actuators: mine
      ? draft.actuators.map((each) => (each.id === part.actuator ? { ...each, known } : each))
      : draft.actuators,
  };
};

/** The colour of a wire. */
export const setColour = (draft: Diagram, id: string, colour: string): Diagram => ({
  ...draft,
  wires: draft.wires.map((each) => (each.id === id ? { ...each, colour } : each)),
});

/** Puts another kind of part in place of one: its name, its terminals and its wires stay, and its contacts where it has some. */
export function replacePart(draft: Diagram, id: string, made: MadePart): Diagram {
  const before = draft.parts.find((each) => each.id === id);
  if (!before) return draft;
  const whole = withRows(putIn(draft, { ...made, part: withEnds(made.part, before) }));
  return withoutIdle(whole, before.kind === 'switch' ? before.actuator : undefined);
}

function withEnds(made: Part, before: Part): Part {
  const { terminals } = before;
  if (made.kind !== 'switch' || before.kind !== 'switch') return { ...made, terminals };
  const [first] = made.contacts;
  return {
    ...made,
    terminals,
    contacts: before.contacts,
    table: {
      ...made.table,
      // All its contacts go as the one goes that is made.
      rows: made.table.rows.map((row) => ({
        ...row,
        closed:
          first && row.closed.includes(first.id) ? before.contacts.map((each) => each.id) : [],
      })),
    },
  };
}

/** Without a control that moves nothing any more. */
function withoutIdle(draft: Diagram, actuator: string | undefined): Diagram {
  if (actuator === undefined || switches(draft).some((each) => each.actuator === actuator))
    return draft;
  return removeOwner(draft, actuator);
}
