import type { CellState, Contact, Cycles, SwitchPart, TableRow } from './diagram';

export const tableRow = (part: SwitchPart, position: string): TableRow | undefined =>
  part.table.rows.find((row) => row.position === position);

/** What the table says of one contact in one position. Contacts that a row does not name are open. */
export function cellState(part: SwitchPart, contact: string, position: string): CellState {
  const row = tableRow(part, position);
  if (!row) return 'open';
  if (row.either?.includes(contact)) return 'either';
  return row.closed.includes(contact) ? 'closed' : 'open';
}

/** How a switch with contacts that cycle does so in a position; elsewhere as at its lowest, which a fault may bring. */
export const cycling = (part: SwitchPart, position?: string): Cycles | undefined =>
  part.table.rows.find((row) => row.position === position)?.cycles ??
  part.table.rows.find((row) => row.cycles)?.cycles;

/** The state of a cell when the position is not known: `either` where the rows differ. */
export function cellInAnyPosition(part: SwitchPart, contact: string): CellState {
  const states = new Set(part.table.rows.map((row) => cellState(part, contact, row.position)));
  const [only] = states;
  return states.size === 1 && only ? only : 'either';
}

export type PairState =
  | { state: 'open' }
  | { state: 'either' }
  /** `through` lists the terminals passed on the way; empty for a contact of its own. */
  | { state: 'closed'; through: string[] };

/**
 * What the switch alone shows between two of its terminals in a position. A pair that is closed
 * only through a third terminal is closed, and the terminals passed are named.
 */
export function pairState(part: SwitchPart, a: string, b: string, position: string): PairState {
  const sure = shortestWay(
    part,
    a,
    b,
    (contact) => cellState(part, contact.id, position) === 'closed',
  );
  if (sure) return { state: 'closed', through: sure };
  const maybe = shortestWay(
    part,
    a,
    b,
    (contact) => cellState(part, contact.id, position) !== 'open',
  );
  return { state: maybe ? 'either' : 'open' };
}

function shortestWay(
  part: SwitchPart,
  from: string,
  to: string,
  passes: (contact: Contact) => boolean,
): string[] | undefined {
  const cameFrom = new Map<string, string | undefined>([[from, undefined]]);
  const queue = [from];
  for (let here = queue.shift(); here !== undefined; here = queue.shift()) {
    if (here === to) {
      const way: string[] = [];
      for (let at = cameFrom.get(to); at !== undefined && at !== from; at = cameFrom.get(at)) {
        way.unshift(at);
      }
      return way;
    }
    for (const contact of part.contacts) {
      const [a, b] = contact.between;
      const next = a === here ? b : b === here ? a : undefined;
      if (next === undefined || cameFrom.has(next) || !passes(contact)) continue;
      cameFrom.set(next, here);
      queue.push(next);
    }
  }
  return undefined;
}

/** Terminal pairs of the switch that are not connected in any position, by any way. */
export function neverPairs(part: SwitchPart): [string, string][] {
  const inEach = part.table.rows.map((row) => groupsIn(part, row.position));
  const ids = part.terminals.map((each) => each.id);
  return ids.flatMap((a, i) =>
    ids
      .slice(i + 1)
      .filter((b) => inEach.every((group) => group.get(a) !== group.get(b)))
      .map((b): [string, string] => [a, b]),
  );
}

/** The group of each terminal in a position: those that contacts join, or may rightly join. */
const groupsIn = (part: SwitchPart, position: string): Map<string, string> =>
  joinedBy(part, ({ id }) => cellState(part, id, position) !== 'open');

/** The group of each terminal of a switch: those that some of its contacts join. */
export function joinedBy(
  part: SwitchPart,
  joins: (contact: Contact) => boolean,
): Map<string, string> {
  const group = new Map(part.terminals.map(({ id }) => [id, id]));
  for (const contact of part.contacts) {
    if (!joins(contact)) continue;
    const [kept, gone] = [group.get(contact.between[0]) ?? '', group.get(contact.between[1])];
    for (const [terminal, of] of group) if (of === gone) group.set(terminal, kept);
  }
  return group;
}
