import type { Diagram, Ohms, TerminalRef, Wire } from '../diagram/diagram';
import { isLifted, type Setup } from '../diagram/setup';
import { Joined } from '../joined';
import { effectOf, ownerOf, type Fault } from '../fault/fault';
import { nodeOf, nodesOf, type Nodes } from './nodes';
import { JOIN, JUMPER, WIRE } from './ohms';
import { ownEdges, type Edge } from './ownEdges';
import type { EdgeKind, WorkingState } from './partEdges';

export interface Network {
  nodes: Nodes;
  edges: Edge[];
  /** Same number for nodes that some way joins, sure or unsure; found when it is asked for. */
  readonly islandOf: Int32Array;
}

/** The circuit of a diagram in a setup, with faults put in. */
export function buildNetwork(
  diagram: Diagram,
  setup: Setup,
  faults: readonly Fault[] = [],
  working: WorkingState = { warm: setup.power !== 'off' },
): Network {
  const nodes = nodesOf(diagram, setup);
  const edges: Edge[] = [];
  for (const id of nodes.inside.keys())
    for (const edge of ownEdges(diagram, nodes, id, setup, faults, working)) edges.push(edge);
  const wires = faults.some(atWires)
    ? wiring(nodes, diagram.wires, setup, faults)
    : soundWiring(diagram, nodes, setup);
  for (const edge of wires) edges.push(edge);
  edges.push(...loose(diagram, nodes, setup, faults));
  let islandOf: Int32Array | undefined;
  return {
    nodes,
    edges,
    get islandOf() {
      return (islandOf ??= islands(nodes.count, edges));
    },
  };
}

/** Whether a fault is of a wire, or of where wires end. */
const atWires = (fault: Fault): boolean =>
  'wire' in fault ||
  effectOf(fault, 'wires-off') !== undefined ||
  effectOf(fault, 'in-series') !== undefined;

/** Sound wires of diagrams that were asked for before, by their nodes: these know what is lifted. */
const SOUND = new WeakMap<Nodes, readonly Edge[]>();

function soundWiring(diagram: Diagram, nodes: Nodes, setup: Setup): readonly Edge[] {
  const known = SOUND.get(nodes) ?? wiring(nodes, diagram.wires, setup, []);
  SOUND.set(nodes, known);
  return known;
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

/** Labels the connected parts of a network by the smallest node in each. */
export function islands(nodeCount: number, edges: readonly { a: number; b: number }[]): Int32Array {
  const joined = new Joined(nodeCount);
  for (const { a, b } of edges) joined.join(a, b);
  return joined.roots();
}
