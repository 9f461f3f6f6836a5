import type { Diagram, Ohms, TerminalRef } from '../diagram/diagram';
import type { Setup } from '../diagram/setup';
import { owners, terminalRef } from '../diagram/terminal';
import type { Fault } from '../fault/modes';
import { JOIN, JUMPER, WIRE } from './ohms';
import { partEdges, supplyEdges, type EdgeKind, type PartEdge, type Working } from './partEdges';

/** One resistive way between two nodes. */
export interface Edge extends Pick<PartEdge, 'nominal' | 'low' | 'high' | 'unsure' | 'source'> {
  a: number;
  b: number;
  /** Id of the part, supply or wire that it belongs to. */
  owner: string;
  key: string;
  kind: EdgeKind;
  /** Secondary of a transformer, with the nodes of its primary. */
  coupled?: { primary: [number, number]; ratio: number };
}

export interface Network {
  nodes: Nodes;
  edges: Edge[];
  /** Same number for nodes that some way joins, sure or unsure. */
  islandOf: Int32Array;
}

/** Numbers of the nodes of a diagram; no setup and no fault changes them. */
export interface Nodes {
  /** Node of each terminal, on the part's side. */
  of: ReadonlyMap<TerminalRef, number>;
  /** Where several wires share a terminal: their common end, which leaves the terminal with them. */
  crimpOf: ReadonlyMap<TerminalRef, number>;
  count: number;
}

export function nodesOf(diagram: Diagram): Nodes {
  const of = new Map<TerminalRef, number>();
  for (const owner of owners(diagram))
    for (const terminal of owner.terminals) of.set(terminalRef(owner.id, terminal.id), of.size);
  const ends = new Map<TerminalRef, number>();
  for (const { from, to } of diagram.wires)
    for (const ref of [from, to]) ends.set(ref, (ends.get(ref) ?? 0) + 1);
  const crimpOf = new Map<TerminalRef, number>();
  for (const [ref, wires] of ends) if (wires > 1) crimpOf.set(ref, of.size + crimpOf.size);
  return { of, crimpOf, count: of.size + crimpOf.size };
}

/** The circuit of a diagram in a setup, with faults put in. */
export function buildNetwork(
  diagram: Diagram,
  setup: Setup,
  faults: readonly Fault[] = [],
  working: Working = { warm: setup.power !== 'off' },
): Network {
  const nodes = nodesOf(diagram);
  const ids = owners(diagram).map((each) => each.id);
  const edges = [
    ...ids.flatMap((id) => ownEdges(diagram, nodes, id, setup, faults, working)),
    ...wiring(
      diagram,
      nodes,
      diagram.wires.map((each) => each.id),
      setup,
      faults,
    ),
    ...loose(diagram, nodes, setup, faults),
  ];
  return { nodes, edges, islandOf: islands(nodes.count, edges) };
}

/** The ways inside one part or supply. */
export function ownEdges(
  diagram: Diagram,
  nodes: Nodes,
  id: string,
  setup: Setup,
  faults: readonly Fault[],
  working: Working,
): Edge[] {
  const supply = diagram.supplies.find((each) => each.id === id);
  const part = diagram.parts.find((each) => each.id === id);
  const inside = supply
    ? supplyEdges(supply, setup, faults)
    : part
      ? partEdges(diagram, part, setup, faults, working)
      : [];
  const node = (terminal: string): number => nodeOf(nodes, terminalRef(id, terminal));
  return inside.map(({ from, to, coupled, ...edge }) => ({
    ...edge,
    a: node(from),
    b: node(to),
    owner: id,
    ...(coupled && {
      coupled: {
        primary: [node(coupled.primary[0]), node(coupled.primary[1])],
        ratio: coupled.ratio,
      },
    }),
  }));
}

/** Wires, and the crimps where several share a terminal. What is off a terminal is not joined to it. */
export function wiring(
  diagram: Diagram,
  nodes: Nodes,
  wires: readonly string[],
  setup: Setup,
  faults: readonly Fault[],
): Edge[] {
  const edges: Edge[] = [];
  const isOff = (ref: TerminalRef): boolean =>
    setup.lifted.includes(ref) ||
    setup.partsOut.some((part) => ref.startsWith(`${part}.`)) ||
    faults.some(
      (each) => each.mode === 'wire-off' && terminalRef(each.part, each.terminal) === ref,
    );
  const looseOhms = (ref: TerminalRef): Ohms | undefined => {
    const fault = faults.find(
      (each) => each.mode === 'loose' && terminalRef(each.part, each.terminal) === ref,
    );
    return fault?.mode === 'loose' ? fault.ohms : undefined;
  };
  const crimps = new Set<TerminalRef>();
  for (const wire of diagram.wires) {
    if (!wires.includes(wire.id)) continue;
    let ohms = wire.ohms ?? WIRE;
    let whole = !faults.some((each) => each.mode === 'wire-open' && each.wire === wire.id);
    const end = (ref: TerminalRef): number => {
      const crimp = nodes.crimpOf.get(ref);
      if (crimp !== undefined) {
        crimps.add(ref);
        return crimp;
      }
      const more = looseOhms(ref);
      if (more) ohms = sum(ohms, more);
      if (isOff(ref)) whole = false;
      return nodeOf(nodes, ref);
    };
    const [a, b] = [end(wire.from), end(wire.to)];
    if (whole) edges.push(edge(a, b, wire.id, wire.id, 'wire', ohms));
  }
  for (const ref of crimps) {
    const crimp = nodes.crimpOf.get(ref);
    const more = looseOhms(ref);
    if (crimp === undefined || isOff(ref)) continue;
    const ohms = more ? sum(JOIN, more) : JOIN;
    edges.push(edge(nodeOf(nodes, ref), crimp, ref, ref, 'join', ohms));
  }
  return edges;
}

/** What belongs to no part: jumpers, and leaks to the frame. */
export function loose(
  diagram: Diagram,
  nodes: Nodes,
  setup: Setup,
  faults: readonly Fault[],
): Edge[] {
  const edges = setup.jumpers.map(([from, to]) =>
    edge(nodeOf(nodes, from), nodeOf(nodes, to), 'jumper', `${from} ${to}`, 'join', JUMPER),
  );
  for (const fault of faults) {
    if (fault.mode !== 'to-frame' || diagram.frame === undefined) continue;
    const at = nodeOf(nodes, terminalRef(fault.part, fault.terminal));
    const frame = nodeOf(nodes, diagram.frame);
    edges.push(edge(at, frame, fault.part, `frame ${fault.terminal}`, 'leak', fault.ohms));
  }
  return edges;
}

const edge = (
  a: number,
  b: number,
  owner: string,
  key: string,
  kind: EdgeKind,
  { nominal, low, high }: Ohms,
): Edge => ({ a, b, owner, key, kind, nominal, low, high });

const sum = (one: Ohms, two: Ohms): Ohms => ({
  nominal: one.nominal + two.nominal,
  low: one.low + two.low,
  high: one.high + two.high,
});

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

/** The node of a terminal. Throws for a terminal that the diagram does not have: lint finds those. */
export function nodeOf(nodes: Nodes, ref: TerminalRef): number {
  const node = nodes.of.get(ref);
  if (node === undefined) throw new Error(`diagram was not checked: no terminal ${ref}`);
  return node;
}
