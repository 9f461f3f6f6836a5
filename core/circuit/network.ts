import type { Diagram, Ohms, TerminalRef, Wire } from '../diagram/diagram';
import { isLifted, type Setup } from '../diagram/setup';
import { isWireEnd, owners, terminalAt, terminalRef } from '../diagram/terminal';
import { effectOf, ownerOf, type Fault } from '../fault/fault';
import { JOIN, JUMPER, WIRE } from './ohms';
import {
  partEdges,
  supplyEdges,
  type EdgeKind,
  type PartEdge,
  type WorkingState,
} from './partEdges';

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

/** Numbers of the nodes of a diagram; no fault changes them, and a setup only by what it lifts. */
export interface Nodes {
  /** Node of each terminal, on the part's side. */
  of: ReadonlyMap<TerminalRef, number>;
  /** The same, by the id of the part or supply and then by the terminal's own. */
  inside: ReadonlyMap<string, ReadonlyMap<string, number>>;
  /** Where several wires share a terminal: their common end, which leaves the terminal with them. */
  crimpOf: ReadonlyMap<TerminalRef, number>;
  /** End of the wires at a terminal where it is a node of its own: a crimp, or a single wire that is lifted. */
  endOf: ReadonlyMap<TerminalRef, number>;
  count: number;
}

/** Nodes of diagrams that were asked for before: behaviour asks thousands of times. */
const KNOWN = new WeakMap<Diagram, Nodes>();

export function nodesOf(diagram: Diagram, setup?: Setup): Nodes {
  const known = KNOWN.get(diagram) ?? numbered(diagram);
  KNOWN.set(diagram, known);
  return setup?.lifted.length || setup?.partsOut.length
    ? withFreeEnds(diagram, known, setup)
    : known;
}

/** The same with a node for the free end of every single wire that a setup lifts. */
function withFreeEnds(diagram: Diagram, nodes: Nodes, setup: Setup): Nodes {
  const endOf = new Map(nodes.endOf);
  for (const { from, to } of diagram.wires)
    for (const ref of [from, to])
      if (!endOf.has(ref) && isLifted(setup, ref)) endOf.set(ref, nodes.of.size + endOf.size);
  return { ...nodes, endOf, count: nodes.of.size + endOf.size };
}

function numbered(diagram: Diagram): Nodes {
  const of = new Map<TerminalRef, number>();
  const inside = new Map<string, Map<string, number>>();
  for (const owner of owners(diagram)) {
    const own = new Map<string, number>();
    for (const terminal of owner.terminals) {
      own.set(terminal.id, of.size);
      of.set(terminalRef(owner.id, terminal.id), of.size);
    }
    inside.set(owner.id, own);
  }
  const ends = new Map<TerminalRef, number>();
  for (const { from, to } of diagram.wires)
    for (const ref of [from, to]) ends.set(ref, (ends.get(ref) ?? 0) + 1);
  const crimpOf = new Map<TerminalRef, number>();
  for (const [ref, wires] of ends) if (wires > 1) crimpOf.set(ref, of.size + crimpOf.size);
  return { of, inside, crimpOf, endOf: crimpOf, count: of.size + crimpOf.size };
}

/** The circuit of a diagram in a setup, with faults put in. */
export function buildNetwork(
  diagram: Diagram,
  setup: Setup,
  faults: readonly Fault[] = [],
  working: WorkingState = { warm: setup.power !== 'off' },
): Network {
  const nodes = nodesOf(diagram, setup);
  const ids = owners(diagram).map((each) => each.id);
  const edges = [
    ...ids.flatMap((id) => ownEdges(diagram, nodes, id, setup, faults, working)),
    ...wiring(nodes, diagram.wires, setup, faults),
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
  working: WorkingState,
): Edge[] {
  const own = nodes.inside.get(id);
  const part = diagram.parts.find((each) => each.id === id);
  const supply = part ? undefined : diagram.supplies.find((each) => each.id === id);
  if (!own || (!part && !supply)) return [];
  const inside = part
    ? partEdges(diagram, part, setup, faults, working)
    : supply
      ? supplyEdges(supply, setup, faults)
      : [];
  // Written out field by field: this is built again for every fault of a table.
  return inside.map(({ from, to, key, kind, nominal, low, high, unsure, source, coupled }) => {
    const built: Edge = {
      a: own.get(from) ?? nodeOf(nodes, terminalRef(id, from)),
      b: own.get(to) ?? nodeOf(nodes, terminalRef(id, to)),
      owner: id,
      key,
      kind,
      nominal,
      low,
      high,
    };
    if (unsure !== undefined) built.unsure = unsure;
    if (source) built.source = source;
    if (coupled) {
      const [p, q] = coupled.primary;
      built.coupled = { primary: [own.get(p) ?? -1, own.get(q) ?? -1], ratio: coupled.ratio };
    }
    return built;
  });
}

/**
 * Wires, and the crimps where several share a terminal. What is off a terminal is not joined to it:
 * what was lifted ends in its free end, what has come off by itself ends nowhere that is read.
 */
export function wiring(
  nodes: Nodes,
  wires: readonly Wire[],
  setup: Setup,
  faults: readonly Fault[],
): Edge[] {
  const edges: Edge[] = [];
  const crimps = new Set<TerminalRef>();
  for (const { id, from, to, ohms = WIRE } of wires) {
    let whole = true;
    for (const fault of faults)
      if ('wire' in fault && fault.wire === id && effectOf(fault, 'wire-open')) whole = false;
    let all = ohms;
    for (const ref of [from, to]) {
      if (nodes.crimpOf.has(ref)) crimps.add(ref);
      else if (!nodes.endOf.has(ref)) {
        if (isOff(ref, setup, faults)) whole = false;
        all = withLoose(all, ref, faults);
      }
    }
    if (!whole) continue;
    const [a, b] = [nodes.endOf.get(from), nodes.endOf.get(to)];
    edges.push(edge(a ?? nodeOf(nodes, from), b ?? nodeOf(nodes, to), id, id, 'wire', all));
  }
  for (const ref of crimps) {
    const crimp = nodes.crimpOf.get(ref);
    if (crimp === undefined || isOff(ref, setup, faults)) continue;
    const ohms = withLoose(JOIN, ref, faults);
    edges.push(edge(nodeOf(nodes, ref), crimp, ref, ref, 'join', ohms));
  }
  return edges;
}

/** Whether the wires of a terminal have left it. */
function isOff(ref: TerminalRef, setup: Setup, faults: readonly Fault[]): boolean {
  if (isLifted(setup, ref)) return true;
  for (const fault of faults) if (isAt(fault, ref) && effectOf(fault, 'wires-off')) return true;
  return false;
}

function withLoose(ohms: Ohms, ref: TerminalRef, faults: readonly Fault[]): Ohms {
  for (const fault of faults) {
    if (fault.ohms && isAt(fault, ref) && effectOf(fault, 'in-series'))
      return {
        nominal: ohms.nominal + fault.ohms.nominal,
        low: ohms.low + fault.ohms.low,
        high: ohms.high + fault.ohms.high,
      };
  }
  return ohms;
}

const isAt = (fault: Fault, ref: TerminalRef): boolean =>
  'terminal' in fault &&
  'part' in fault &&
  ref.length === fault.part.length + fault.terminal.length + 1 &&
  ref.startsWith(fault.part) &&
  ref.endsWith(fault.terminal);

/** What belongs to no part: jumpers, and ways that faults have made. */
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
    const between = effectOf(fault, 'bridge')?.between(fault, diagram);
    if (!between || !fault.ohms) continue;
    const [from, to] = between;
    const [a, b] = [nodeOf(nodes, from), nodeOf(nodes, to)];
    edges.push(edge(a, b, ownerOf(fault), `bridge ${from} ${to}`, 'leak', fault.ohms));
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

/**
 * The node of a terminal or of a free wire end. Throws for one that the diagram does not have, or
 * whose wire is on: lint and the check of entries find those.
 */
export function nodeOf(nodes: Nodes, ref: TerminalRef): number {
  const node = nodes.of.get(ref) ?? (isWireEnd(ref) ? nodes.endOf.get(terminalAt(ref)) : undefined);
  if (node === undefined) throw new Error(`diagram was not checked: no point ${ref}`);
  return node;
}
