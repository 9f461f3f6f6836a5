import type { Diagram, SwitchPart, TerminalRef } from '../diagram/diagram';
import { drawnSetup } from '../diagram/setup';
import { terminalRef } from '../diagram/terminal';
import { buildNetwork, nodeOf, type Network } from './network';

/** Another way, outside the switch, that would answer in place of its contact. */
export interface SneakPath {
  from: TerminalRef;
  to: TerminalRef;
  /** Parts that the way runs through, in order. */
  through: string[];
}

export interface Isolation {
  /** The fewest terminals to pull the wires off so that no other way is left. */
  lift: TerminalRef[];
  sneakPaths: SneakPath[];
}

/**
 * Which wires to pull off a switch before it is read. Terminals that the rest of the unit joins
 * form groups; in each group all but one must come off, and no fewer would do. Contacts of other
 * switches count as closed, whatever their actuator says: one of them may be the stuck one.
 */
export function isolate(diagram: Diagram, part: SwitchPart): Isolation {
  const network = outside(diagram, part);
  const lift: TerminalRef[] = [];
  const sneakPaths: SneakPath[] = [];
  const kept: TerminalRef[] = [];
  for (const terminal of part.terminals) {
    const ref = terminalRef(part.id, terminal.id);
    const partner = kept.find((each) => wayOutside(network, each, ref) !== undefined);
    if (partner === undefined) kept.push(ref);
    else {
      lift.push(ref);
      const way = wayOutside(network, partner, ref) ?? [];
      const through = way.filter((owner) => diagram.parts.some((each) => each.id === owner));
      sneakPaths.push({ from: partner, to: ref, through });
    }
  }
  return { lift, sneakPaths };
}

/** The unit with every other contact closed and the inside of this switch taken out. */
function outside(diagram: Diagram, part: SwitchPart): Network {
  const parts = diagram.parts.map((each) => {
    if (each.id === part.id) return { ...part, contacts: [] };
    if (each.kind !== 'switch') return each;
    const closed = each.contacts.map((contact) => contact.id);
    const rows = each.table.rows.map((row) => ({ position: row.position, closed }));
    return { ...each, table: { ...each.table, rows } };
  });
  return buildNetwork({ ...diagram, parts }, drawnSetup(diagram));
}

/** Owners of the edges passed on the shortest way between two terminals. */
function wayOutside(network: Network, from: TerminalRef, to: TerminalRef): string[] | undefined {
  const start = nodeOf(network.nodes, from);
  const goal = nodeOf(network.nodes, to);
  const reached = new Map<number, string[]>([[start, []]]);
  const queue = [start];
  for (let here = queue.shift(); here !== undefined; here = queue.shift()) {
    const way = reached.get(here) ?? [];
    if (here === goal) return way;
    for (const edge of network.edges) {
      const next = edge.a === here ? edge.b : edge.b === here ? edge.a : undefined;
      if (next === undefined || reached.has(next)) continue;
      reached.set(next, way.at(-1) === edge.owner ? way : [...way, edge.owner]);
      queue.push(next);
    }
  }
  return undefined;
}
