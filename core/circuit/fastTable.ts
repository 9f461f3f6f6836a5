import type { Diagram, SwitchPart, TerminalRef, Wire } from '../diagram/diagram';
import type { Setup } from '../diagram/setup';
import { switches, terminalRef } from '../diagram/terminal';
import { effectOf, ownerOf, type Fault } from '../fault/fault';
import { switchesTouched } from './partEdges';
import type { Resistor } from './resistorGraph';
import { buildNetwork, loose, wiring, type Network } from './network';
import type { Nodes } from './nodes';
import { ownEdges, type Edge } from './ownEdges';
import { TableMaker, type Change } from './tableMaker';

/** Which end of every resistor's range a table is made with. */
export type End = 'nominal' | 'low' | 'high';

/**
 * All ohm readings of one setup: every pair of nodes, healthy and under every fault of a list. Row 0
 * is the healthy unit, row k + 1 the k-th fault. An unsure way counts as open, at the low end as
 * closed.
 */
export class OhmTable {
  readonly nodes: Nodes;
  /** Readings in a row. */
  readonly pairs: number;
  private readonly maker: TableMaker;
  private readonly changes: Change[][];

  constructor(
    diagram: Diagram,
    setup: Setup,
    readonly faults: readonly (readonly Fault[])[],
    end: End = 'nominal',
  ) {
    const healthy = buildNetwork(diagram, setup, [], { warm: false });
    const changes = new ChangesOf(diagram, healthy, setup, end);
    this.nodes = healthy.nodes;
    this.changes = [[], ...faults.map((each) => changes.of(each))];
    this.maker = new TableMaker(healthy.nodes.count, changes.resistors);
    this.pairs = this.maker.pairs;
  }

  /** Writes the ohms of one row from `at` on, in the order of `pair`; open is Infinity, exactly. */
  row(index: number, into: Float64Array, at = 0): void {
    this.maker.write(this.changes[index] ?? [], into, at);
  }

  /** Place of two nodes in a row. */
  pair(a: number, b: number): number {
    return this.maker.pair(a, b);
  }
}

/** As an ohmmeter finds it. */
const COLD = { warm: false };

const valueOf = (edge: Edge, end: End): number => edge[end] ?? Infinity;

interface KnownTable {
  edge: Edge;
  /** Its place among the resistors; -1 where it counts as open. */
  at: number;
}

const NONE: readonly KnownTable[] = [];

function sameWay(edges: readonly Edge[], wanted: Edge): Edge | undefined {
  for (const edge of edges) if (edge.key === wanted.key && edge.owner === wanted.owner) return edge;
  return undefined;
}

/** What faults change in a network, found by building again only what they touch. */
class ChangesOf {
  readonly resistors: Resistor[] = [];
  private readonly byOwner = new Map<string, KnownTable[]>();
  private readonly wires: ReadonlyMap<string, Wire>;
  private readonly wiresAt = new Map<TerminalRef, string[]>();
  private readonly switches: readonly SwitchPart[];

  constructor(
    private readonly diagram: Diagram,
    private readonly healthy: Network,
    private readonly setup: Setup,
    private readonly end: End,
  ) {
    this.wires = new Map(diagram.wires.map((each) => [each.id, each]));
    this.switches = switches(diagram);
    for (const { id, from, to } of diagram.wires) {
      for (const ref of [from, to]) this.wiresAt.set(ref, [...(this.wiresAt.get(ref) ?? []), id]);
    }
    for (const edge of healthy.edges) {
      const { a, b, owner } = edge;
      const ohms = valueOf(edge, end);
      const at = ohms === Infinity ? -1 : this.resistors.push({ a, b, ohms }) - 1;
      const own = this.byOwner.get(owner);
      if (own) own.push({ edge, at });
      else this.byOwner.set(owner, [{ edge, at }]);
    }
  }

  of(faults: readonly Fault[]): Change[] {
    const { diagram, setup, end } = this;
    const { nodes } = this.healthy;
    const touched = this.touchedBy(faults);
    const after: Edge[] = [];
    const wires: Wire[] = [];
    for (const id of touched) {
      const wire = this.wires.get(id);
      if (wire) wires.push(wire);
      else for (const edge of ownEdges(diagram, nodes, id, setup, faults, COLD)) after.push(edge);
    }
    if (wires.length) after.push(...wiring(nodes, wires, setup, faults));
    if (faults.some((each) => effectOf(each, 'bridge')))
      after.push(...loose(diagram, nodes, setup, faults));
    const changes: Change[] = [];
    for (const owner of touched) {
      const before = this.byOwner.get(owner) ?? NONE;
      for (const { edge, at } of before) {
        const now = sameWay(after, edge);
        const ohms = valueOf(edge, end);
        const to = now ? valueOf(now, end) : Infinity;
        if (ohms !== to) changes.push({ a: edge.a, b: edge.b, at, ohms, to });
      }
      for (const edge of after) {
        const to = valueOf(edge, end);
        if (edge.owner !== owner || to === Infinity) continue;
        let known = false;
        for (const each of before) if (each.edge.key === edge.key) known = true;
        if (!known) changes.push({ a: edge.a, b: edge.b, at: -1, ohms: Infinity, to });
      }
    }
    return changes;
  }

  /** Parts, wires and crimps that faults touch. */
  private touchedBy(faults: readonly Fault[]): string[] {
    const touched = new Set<string>();
    for (const fault of faults) {
      if (effectOf(fault, 'wires-off') || effectOf(fault, 'in-series')) {
        if (!('terminal' in fault && 'part' in fault)) continue;
        const ref = terminalRef(fault.part, fault.terminal);
        touched.add(ref);
        for (const wire of this.wiresAt.get(ref) ?? []) touched.add(wire);
      } else {
        touched.add(ownerOf(fault));
        for (const id of switchesTouched(this.diagram, fault, this.switches)) touched.add(id);
      }
    }
    return [...touched];
  }
}
