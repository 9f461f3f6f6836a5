import type { Diagram, TerminalRef } from '../diagram/diagram';
import type { Setup } from '../diagram/setup';
import { splitRef, terminalRef } from '../diagram/terminal';
import { subsets } from '../subsets';
import { buildNetwork, nodeOf, type Network } from './network';
import { between, type OhmAnswer } from './ohmReading';

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
  const id = splitRef(from).part;
  const part = diagram.parts.find((each) => each.id === id);
  if (!part || splitRef(to).part !== id) return undefined;
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

/** Parts on a way between two terminals of a part that leaves the part somewhere. */
function wayAround(
  network: Network,
  part: string,
  from: TerminalRef,
  to: TerminalRef,
): string[] | undefined {
  const start = nodeOf(network.nodes, from);
  const goal = nodeOf(network.nodes, to);
  // Each node is reached at most twice: with and without having been outside.
  const reached = new Map<string, string[]>([[`${start} false`, []]]);
  const queue: { node: number; outside: boolean }[] = [{ node: start, outside: false }];
  for (let here = queue.shift(); here; here = queue.shift()) {
    const way = reached.get(`${here.node} ${here.outside}`) ?? [];
    if (here.node === goal && here.outside) return way;
    for (const edge of network.edges) {
      const node = edge.a === here.node ? edge.b : edge.b === here.node ? edge.a : undefined;
      if (node === undefined) continue;
      const outside = here.outside || edge.owner !== part;
      const key = `${node} ${outside}`;
      if (reached.has(key) || node === start) continue;
      const passes = edge.kind !== 'wire' && edge.kind !== 'join' && edge.owner !== part;
      reached.set(key, passes && way.at(-1) !== edge.owner ? [...way, edge.owner] : way);
      queue.push({ node, outside });
    }
  }
  return undefined;
}
