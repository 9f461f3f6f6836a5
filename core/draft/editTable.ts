import type { CellState, Contact, Diagram, SwitchPart, TableRow } from '../diagram/diagram';
import { positionsOf } from '../diagram/setup';
import { changeSwitch, freeId } from './changePart';

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
export function withRows(draft: Diagram): Diagram {
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
