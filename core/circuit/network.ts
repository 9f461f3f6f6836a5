import type { Diagram, LoadElement, Ohms, SwitchPart, TerminalRef } from '../diagram/diagram';
import { cellInAnyPosition, cellState } from '../diagram/contactTable';
import { switchPosition, type Setup } from '../diagram/setup';
import { owners, terminalRef } from '../diagram/terminal';
import type { Fault } from '../fault/modes';

/** Ohms of sound metal: order of magnitude, common practice (near zero once the leads are off). */
export const CLOSED_CONTACT: Ohms = { nominal: 0.05, low: 0.005, high: 0.3 };
const WIRE: Ohms = { nominal: 0.02, low: 0.001, high: 0.1 };
const JOIN: Ohms = { nominal: 0.01, low: 0.001, high: 0.1 };
const SHORT: Ohms = { nominal: 0.05, low: 0.001, high: 0.5 };

/**
 * One resistive way between two nodes. `high` is Infinity where it may rightly be open (a cycling
 * contact, electronics); such an edge has no nominal value and `unsure` says why.
 */
export interface Edge {
  a: number;
  b: number;
  nominal: number | null;
  low: number;
  high: number;
  /** Id of the part or wire it belongs to. */
  owner: string;
  unsure?: string;
}

export interface Network {
  /** Node of each terminal, on the part's side. */
  nodeOf: Map<TerminalRef, number>;
  nodeCount: number;
  edges: Edge[];
  /** Same number for nodes that some way joins, sure or unsure. */
  islandOf: Int32Array;
}

/** Ohms of a load element when cold, with its tolerance. R = V squared / P for a heater. */
export function elementOhms(element: LoadElement): Ohms {
  const value = element.value;
  if ('nominal' in value) return value;
  const nominal = (value.volts * value.volts) / value.watts;
  const part = value.tolerancePercent / 100;
  return { nominal, low: nominal * (1 - part), high: nominal * (1 + part) };
}

/**
 * The unpowered network of a diagram in a setup, with faults put in. Wires pulled off a terminal
 * stay together, as they do on one connector, but leave the terminal.
 */
export function buildNetwork(
  diagram: Diagram,
  setup: Setup,
  faults: readonly Fault[] = [],
): Network {
  const nodeOf = new Map<TerminalRef, number>();
  let nodeCount = 0;
  for (const owner of owners(diagram)) {
    for (const terminal of owner.terminals)
      nodeOf.set(terminalRef(owner.id, terminal.id), nodeCount++);
  }
  const node = (part: string, terminal: string): number =>
    nodeOf.get(terminalRef(part, terminal)) ?? missing(part, terminal);
  const edges: Edge[] = [];
  const add = (owner: string, a: number, b: number, ohms: Ohms): void => {
    edges.push({ a, b, owner, nominal: ohms.nominal, low: ohms.low, high: ohms.high });
  };

  const off = new Set<TerminalRef>(setup.lifted);
  for (const part of diagram.parts) {
    if (setup.partsOut.includes(part.id)) {
      for (const terminal of part.terminals) off.add(terminalRef(part.id, terminal.id));
    }
  }
  const loose = new Map<TerminalRef, Ohms>();
  for (const fault of faults) {
    if (fault.mode === 'wire-off') off.add(terminalRef(fault.part, fault.terminal));
    if (fault.mode === 'loose') loose.set(terminalRef(fault.part, fault.terminal), fault.ohms);
  }
  // The wire side of a terminal is a node of its own only where it can differ from the part side.
  const wireSide = new Map<TerminalRef, number>();
  for (const ref of new Set([...off, ...loose.keys()])) wireSide.set(ref, nodeCount++);
  for (const [ref, ohms] of loose) {
    const side = wireSide.get(ref);
    const own = nodeOf.get(ref);
    if (!off.has(ref) && side !== undefined && own !== undefined) add(ref, own, side, ohms);
  }
  const wireEnd = (ref: TerminalRef): number =>
    wireSide.get(ref) ?? nodeOf.get(ref) ?? missing(ref, '');
  for (const wire of diagram.wires) {
    if (faults.some((fault) => fault.mode === 'wire-open' && fault.wire === wire.id)) continue;
    add(wire.id, wireEnd(wire.from), wireEnd(wire.to), wire.ohms ?? WIRE);
  }

  for (const supply of diagram.supplies) {
    const [first, second] = supply.terminals;
    const inside = supply.internalOhms;
    if (inside === undefined || !first || !second) continue;
    add(supply.id, node(supply.id, first.id), node(supply.id, second.id), {
      nominal: inside,
      low: inside * 0.8,
      high: inside * 1.2,
    });
  }

  for (const part of diagram.parts) {
    const own = faults.filter((fault) => 'part' in fault && fault.part === part.id);
    switch (part.kind) {
      case 'switch':
        for (const edge of switchEdges(part, setup, own)) {
          edges.push({
            ...edge,
            a: node(part.id, edge.from),
            b: node(part.id, edge.to),
            owner: part.id,
          });
        }
        break;
      case 'load':
        for (const element of part.elements) {
          const fault = own.find((each) => 'element' in each && each.element === element.id);
          if (fault?.mode === 'open') continue;
          const [a, b] = element.between;
          add(part.id, node(part.id, a), node(part.id, b), fault ? SHORT : elementOhms(element));
        }
        break;
      case 'protector':
        if (!own.some((fault) => fault.mode === 'blown')) {
          add(part.id, node(part.id, part.between[0]), node(part.id, part.between[1]), JOIN);
        }
        break;
      case 'board':
        for (const input of part.inputs) {
          edges.push({
            a: node(part.id, input.between[0]),
            b: node(part.id, input.between[1]),
            owner: part.id,
            nominal: null,
            low: input.ohms?.low ?? SHORT.low,
            high: input.ohms?.high ?? Infinity,
            unsure: `${part.name} is electronics`,
          });
        }
        break;
      case 'connection':
        for (const [a, b] of part.joins) add(part.id, node(part.id, a), node(part.id, b), JOIN);
        break;
      case 'hardware':
        break;
    }
  }
  return { nodeOf, nodeCount, edges, islandOf: islands(nodeCount, edges) };
}

/** Labels the connected parts of a network by the smallest node in each (union-find). */
export function islands(nodeCount: number, edges: readonly { a: number; b: number }[]): Int32Array {
  const parent = Int32Array.from({ length: nodeCount }, (_, node) => node);
  const root = (node: number): number => {
    let at = node;
    for (let up = parent[at] ?? at; up !== at; up = parent[at] ?? at) at = up;
    return at;
  };
  for (const { a, b } of edges) {
    const [ra, rb] = [root(a), root(b)];
    parent[Math.max(ra, rb)] = Math.min(ra, rb);
  }
  return parent.map((_, node) => root(node));
}

type SwitchEdge = Pick<Edge, 'nominal' | 'low' | 'high' | 'unsure'> & { from: string; to: string };

function switchEdges(part: SwitchPart, setup: Setup, faults: readonly Fault[]): SwitchEdge[] {
  const stays = faults.find((fault) => fault.mode === 'not-actuated');
  const position =
    setup.byHand[part.id] ??
    (stays?.mode === 'not-actuated' ? stays.stays : switchPosition(setup, part));
  const edges: SwitchEdge[] = [];
  for (const contact of part.contacts) {
    const fault = faults.find((each) => 'contact' in each && each.contact === contact.id);
    const cell =
      position === undefined
        ? cellInAnyPosition(part, contact.id)
        : cellState(part, contact.id, position);
    const [from, to] = contact.between;
    const closed = { from, to, ...CLOSED_CONTACT };
    if (fault?.mode === 'stuck-open') continue;
    if (fault?.mode === 'stuck-closed') edges.push(closed);
    else if (fault?.mode === 'resistive' && cell !== 'open')
      edges.push({ from, to, ...fault.ohms });
    else if (fault?.mode === 'leaking' && cell !== 'closed')
      edges.push({ from, to, ...fault.ohms });
    else if (cell === 'closed') edges.push(closed);
    else if (cell === 'either') {
      edges.push({
        ...closed,
        nominal: null,
        high: Infinity,
        unsure: `${part.name} may rightly be open or closed there`,
      });
    }
  }
  for (const fault of faults) {
    if (fault.mode === 'bridged') {
      edges.push({ from: fault.between[0], to: fault.between[1], ...fault.ohms });
    }
  }
  return edges;
}

function missing(part: string, terminal: string): never {
  throw new Error(`diagram was not checked: no terminal ${part}.${terminal}`);
}
