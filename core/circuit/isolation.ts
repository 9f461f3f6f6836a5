import type { Diagram, SwitchPart, TerminalRef } from '../diagram/diagram';
import { drawnSetup, type Setup } from '../diagram/setup';
import { partAt, terminalRef } from '../diagram/terminal';
import { subsets } from '../subsets';
import { buildNetwork, type Network } from './network';
import { nodeOf } from './nodes';
import type { Edge } from './ownEdges';
import { between, type OhmAnswer } from './ohmReading';

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
    const partner = kept.find((each) => wayBetween(network, each, ref) !== undefined);
    if (partner === undefined) kept.push(ref);
    else {
      lift.push(ref);
      const way = wayBetween(network, partner, ref)?.through ?? [];
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

/** The way of least ohms between two terminals; undefined where nothing joins them. */
const wayBetween = (
  { nodes, edges }: Network,
  from: TerminalRef,
  to: TerminalRef,
): LeastWay | undefined => leastWays(edges, nodeOf(nodes, from)).get(nodeOf(nodes, to));

/** One ohm reading with the wires of its part on, and with the fewest of them off. */
export interface Alone {
  /** As the unit stands. */
  wiresOn: OhmAnswer;
  /** With `lift` pulled off; the same as `wiresOn` where nothing has to come off. */
  wiresOff: OhmAnswer;
  lift: TerminalRef[];
  /** Parts that the other way runs through, in order; empty where there is none. */
  through: string[];
}

/**
 * Whether something beside a part answers between two of its terminals, and the fewest wires that
 * have to come off so that only the part itself is left. Undefined for terminals of two parts: the
 * rest of the unit is what such a reading asks about.
 */
export function alone(
  diagram: Diagram,
  setup: Setup,
  from: TerminalRef,
  to: TerminalRef,
): Alone | undefined {
  const part = diagram.parts.find((each) => each.id === partAt(from));
  if (!part || partAt(to) !== part.id) return undefined;
  const { id } = part;
  const others = part.terminals
    .map((terminal) => terminalRef(id, terminal.id))
    .filter((ref) => ref !== from && ref !== to);
  // One of the two probes' own terminals comes off first: nearly always that is enough.
  const inOrder = [from, to, ...others];
  const network = (lift: readonly TerminalRef[]): Network =>
    buildNetwork(diagram, { ...setup, lifted: [...setup.lifted, ...lift] }, [], { warm: false });
  const standing = network([]);
  const wiresOn = between(standing, from, to);
  const through = wayAround(standing, id, from, to);
  if (!through) return { wiresOn, wiresOff: wiresOn, lift: [], through: [] };
  for (let size = 1; size <= inOrder.length; size++) {
    for (const lift of subsets(inOrder, size)) {
      const lifted = network(lift);
      if (wayAround(lifted, id, from, to)) continue;
      return { wiresOn, wiresOff: between(lifted, from, to), lift, through };
    }
  }
  return { wiresOn, wiresOff: wiresOn, lift: [], through };
}

interface LeastWay {
  ohms: number;
  through: string[];
}

/**
 * Parts on the way of least ohms between two terminals of a part that leaves it at one terminal and
 * comes back at another; undefined where there is none.
 */
function wayAround(
  network: Network,
  part: string,
  from: TerminalRef,
  to: TerminalRef,
): string[] | undefined {
  const [start, goal] = [nodeOf(network.nodes, from), nodeOf(network.nodes, to)];
  const inside = network.edges.filter((edge) => edge.owner === part);
  const outside = network.edges.filter((edge) => edge.owner !== part);
  const own = [...(network.nodes.inside.get(part)?.values() ?? [])];
  let best: LeastWay | undefined;
  for (const out of reach(inside, start, [goal])) {
    const ways = leastWays(outside, out);
    for (const back of own) {
      const way = ways.get(back);
      if (back === out || back === start || !way || (best && best.ohms <= way.ohms)) continue;
      if (reach(inside, back, [start, out]).has(goal)) best = way;
    }
  }
  return best?.through;
}

/** Nodes that some edges join to a node, without passing others. */
function reach(edges: readonly Edge[], from: number, without: readonly number[]): Set<number> {
  const reached = new Set([from]);
  for (const here of reached) {
    for (const { a, b } of edges) {
      const next = a === here ? b : b === here ? a : undefined;
      if (next !== undefined && !without.includes(next)) reached.add(next);
    }
  }
  return reached;
}

/** Dijkstra: to every node the way of least ohms, with the parts that it passes. */
function leastWays(edges: readonly Edge[], from: number): Map<number, LeastWay> {
  const done = new Map<number, LeastWay>();
  const open: (LeastWay & { node: number })[] = [{ node: from, ohms: 0, through: [] }];
  while (open.length) {
    open.sort((one, two) => two.ohms - one.ohms);
    const here = open.pop();
    if (!here || done.has(here.node)) continue;
    done.set(here.node, here);
    for (const edge of edges) {
      const node = edge.a === here.node ? edge.b : edge.b === here.node ? edge.a : undefined;
      if (node === undefined || done.has(node)) continue;
      const { through } = here;
      const passes = edge.kind !== 'wire' && edge.kind !== 'join' && through.at(-1) !== edge.owner;
      open.push({
        node,
        ohms: here.ohms + (edge.nominal ?? edge.low),
        through: passes ? [...through, edge.owner] : through,
      });
    }
  }
  return done;
}
