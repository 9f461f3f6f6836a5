import type {
  Actuator,
  CellState,
  Contact,
  Diagram,
  Known,
  Part,
  Supply,
  SwitchPart,
  TableRow,
  TerminalRef,
} from '../diagram/diagram';
import { positionsOf } from '../diagram/setup';
import { owners, splitRef, switches, terminalRef } from '../diagram/terminal';
import { fail, ok, type Result } from '../result';
import { addPaths, keepWireIds, type MakePlace } from './addPath';
import { idOf } from './findPlace';
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

export const changePart = (draft: Diagram, id: string, change: (part: Part) => Part): Diagram => ({
  ...draft,
  parts: draft.parts.map((each) => (each.id === id ? change(each) : each)),
});

const changeSwitch = (
  draft: Diagram,
  id: string,
  change: (part: SwitchPart) => SwitchPart,
): Diagram => changePart(draft, id, (part) => (part.kind === 'switch' ? change(part) : part));

/** Adds a part that is new to the draft, with what moves it. Its id is its name's, counted on where that is taken. */
export function addPart(
  draft: Diagram,
  name: string,
  make: (named: { id: string; name: string }) => {
    part: Part;
    actuators: Actuator[];
    drawnFor: Diagram['drawnFor'];
  },
): { draft: Diagram; id: string } {
  const id = freeId(name, [...owners(draft), ...draft.actuators]);
  const made = make({ id, name });
  const known = new Set(draft.actuators.map((each) => each.id));
  return {
    id,
    draft: {
      ...draft,
      parts: [...draft.parts, made.part],
      actuators: [...draft.actuators, ...made.actuators.filter((each) => !known.has(each.id))],
      drawnFor: { ...made.drawnFor, ...draft.drawnFor },
    },
  };
}

/** An id that nothing else has. */
export function freeId(name: string, taken: readonly { id: string }[]): string {
  const base = idOf(name) || 'part';
  const has = (id: string): boolean => taken.some((each) => each.id === id);
  let id = base;
  for (let n = 2; has(id); n++) id = `${base.slice(0, 36)}-${n}`;
  return id;
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

/** One cell of a contact table; who sets it has read the sheet. */
export const setCell = (
  draft: Diagram,
  id: string,
  position: string,
  contact: string,
  state: CellState,
): Diagram =>
  changeSwitch(draft, id, (part) => ({
    ...part,
    table: {
      known: 'sheet',
      rows: part.table.rows.map((row) =>
        row.position === position ? cellSet(row, contact, state) : row,
      ),
    },
  }));

function cellSet(row: TableRow, contact: string, state: CellState): TableRow {
  const { either = [], cycles, ...rest } = row;
  const closed = row.closed.filter((each) => each !== contact);
  const maybe = either.filter((each) => each !== contact);
  if (state === 'either') maybe.push(contact);
  return {
    ...rest,
    closed: state === 'closed' ? [...closed, contact] : closed,
    ...(maybe.length && { either: maybe }),
    ...(maybe.length && cycles && { cycles }),
  };
}

/** Gives a position the cells of another one. */
export const copyRow = (draft: Diagram, id: string, from: string, to: string): Diagram =>
  changeSwitch(draft, id, (part) => {
    const row = part.table.rows.find((each) => each.position === from);
    const rows = part.table.rows.map((each) =>
      row && each.position === to ? { ...row, position: to } : each,
    );
    return { ...part, table: { known: 'sheet', rows } };
  });

/** One contact more, closed nowhere yet; its terminals are made where they are not there. */
export const addContact = (draft: Diagram, id: string, between: [string, string]): Diagram =>
  changeSwitch(draft, id, (part) => {
    const contact: Contact = {
      id: freeContact(part, between.join('-')),
      between,
      circuit: part.contacts[0]?.circuit ?? 'control',
    };
    const fresh = between.filter(
      (each) => !part.terminals.some((terminal) => terminal.id === each),
    );
    return {
      ...part,
      terminals: [...part.terminals, ...fresh.map((each) => ({ id: each }))],
      contacts: [...part.contacts, contact],
    };
  });

function freeContact({ contacts }: SwitchPart, id: string): string {
  return contacts.some((each) => each.id === id) ? freeId(id, contacts) : id;
}

export const removeContact = (draft: Diagram, id: string, contact: string): Diagram =>
  changeSwitch(draft, id, (part) => ({
    ...part,
    contacts: part.contacts.filter((each) => each.id !== contact),
    table: { ...part.table, rows: part.table.rows.map((row) => cellSet(row, contact, 'open')) },
  }));

/** A control gets one position more, and each table that it moves a row with all open. */
export function addPosition(draft: Diagram, actuator: string, name: string): Diagram {
  const control = draft.actuators.find(({ id }) => id === actuator);
  if (!control || control.kind === 'quantity' || control.kind === 'momentary') return draft;
  const id = freeId(name, control.positions);
  const more = { ...control, positions: [...control.positions, { id, name }] };
  return withRows({
    ...draft,
    actuators: draft.actuators.map((each) => (each.id === actuator ? more : each)),
  });
}

/** Takes a position out, as long as the control has two. */
export function removePosition(draft: Diagram, actuator: string, position: string): Diagram {
  const control = draft.actuators.find(({ id }) => id === actuator);
  if (!control || control.kind !== 'hand' || control.positions.length < 3) return draft;
  const positions = control.positions.filter(({ id }) => id !== position);
  const drawn = draft.drawnFor[actuator];
  return withRows({
    ...draft,
    actuators: draft.actuators.map((each) =>
      each.id === actuator ? { ...control, positions } : each,
    ),
    drawnFor: {
      ...draft.drawnFor,
      ...(drawn === position && positions[0] && { [actuator]: positions[0].id }),
    },
  });
}

/** Says what moves a switch; its table keeps the rows that both have. */
export const moveBy = (draft: Diagram, id: string, actuator: string): Diagram =>
  withRows(changeSwitch(draft, id, (part) => ({ ...part, actuator })));

/** Every table with one row for each position of what moves it, and free where that is one of them. */
function withRows(draft: Diagram): Diagram {
  const parts = draft.parts.map((part) => {
    if (part.kind !== 'switch') return part;
    const positions = positionsOf(draft, part);
    const rows = positions.map(
      (position): TableRow =>
        part.table.rows.find((each) => each.position === position) ?? { position, closed: [] },
    );
    const free = positions.includes(part.free) ? part.free : (positions[0] ?? part.free);
    return { ...part, free, table: { ...part.table, rows } };
  });
  return { ...draft, parts };
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
