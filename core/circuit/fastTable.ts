import type { Diagram } from '../diagram/diagram';
import type { Setup } from '../diagram/setup';
import { wiresAt, terminalRef } from '../diagram/terminal';
import { ownerOf, type Fault } from '../fault/modes';
import { effectiveResistance } from './effectiveResistance';
import { Elimination } from './elimination';
import {
  buildNetwork,
  islands,
  loose,
  ownEdges,
  wiring,
  type Edge,
  type Network,
  type Nodes,
} from './network';

/** Which end of every resistor's range a table is made with. */
export type End = 'nominal' | 'low' | 'high';

/** A resistor with one value. */
export interface Resistor {
  a: number;
  b: number;
  ohms: number;
}

/** One resistor that a fault changes: Infinity stands for one that is not there. */
export interface Change extends Resistor {
  /** Its place among the resistors of the healthy network; -1 for one that is not there. */
  at: number;
  /** Ohms under the fault. */
  to: number;
}

/** Place of a pair of numbers in a triangle of pairs. */
const pairAt = (a: number, b: number): number =>
  a > b ? (a * (a - 1)) / 2 + b : (b * (b - 1)) / 2 + a;

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

const valueOf = (edge: Edge, end: End): number => edge[end] ?? Infinity;

interface Known {
  edge: Edge;
  /** Its place among the resistors; -1 where it counts as open. */
  at: number;
}

/** What faults change in a network, found by building again only what they touch. */
class ChangesOf {
  readonly resistors: Resistor[] = [];
  private readonly byOwner = new Map<string, Known[]>();
  private readonly wires: ReadonlySet<string>;

  constructor(
    private readonly diagram: Diagram,
    private readonly healthy: Network,
    private readonly setup: Setup,
    private readonly end: End,
  ) {
    this.wires = new Set(diagram.wires.map((each) => each.id));
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
    const wires = touched.filter((id) => this.wires.has(id));
    for (const id of touched)
      after.push(...ownEdges(diagram, nodes, id, setup, faults, { warm: false }));
    if (wires.length) after.push(...wiring(diagram, nodes, wires, setup, faults));
    if (faults.some((each) => each.mode === 'to-frame'))
      after.push(...loose(diagram, nodes, setup, faults));
    const changes: Change[] = [];
    for (const owner of touched) {
      const before = this.byOwner.get(owner) ?? [];
      for (const { edge, at } of before) {
        const now = after.find((each) => each.owner === owner && each.key === edge.key);
        const [ohms, to] = [valueOf(edge, end), now ? valueOf(now, end) : Infinity];
        if (ohms !== to) changes.push({ a: edge.a, b: edge.b, at, ohms, to });
      }
      for (const edge of after) {
        if (edge.owner !== owner || before.some((each) => each.edge.key === edge.key)) continue;
        const to = valueOf(edge, end);
        if (to !== Infinity) changes.push({ a: edge.a, b: edge.b, at: -1, ohms: Infinity, to });
      }
    }
    return changes;
  }

  /** Parts, wires and crimps that faults touch. */
  private touchedBy(faults: readonly Fault[]): string[] {
    const touched = new Set<string>();
    for (const fault of faults) {
      if (fault.mode === 'wire-off' || fault.mode === 'loose') {
        const ref = terminalRef(fault.part, fault.terminal);
        touched.add(ref);
        for (const wire of wiresAt(this.diagram, ref)) touched.add(wire.id);
      } else if (fault.mode === 'broken') {
        const hardware = this.diagram.parts.find((each) => each.id === fault.part);
        if (hardware?.kind === 'hardware') hardware.serves.forEach((id) => touched.add(id));
      } else touched.add(ownerOf(fault));
    }
    return [...touched];
  }
}

/** Relative rounding of a potential: a few units in the last place of a double. */
const ROUNDING = 1e-15;
/** Ohms of the threads that tie islands together in the numbers; the labels keep them apart. */
const THREAD = 1;

/**
 * The arithmetic. Islands are tied by threads into one network, so that every change of a resistor
 * is one rank-one update of the same table (Sherman and Morrison, 1950): with u the potentials for
 * one ampere into a and out of b of the changed resistor,
 *
 *   R'(i, j) = R(i, j) - c (u_i - u_j)^2,   c = (r - r') (r + s) / (r^2 (r' + s)),
 *
 * where r becomes r' and s is the resistance between a and b without it. Written in s nothing
 * cancels when a contact opens beside a path of megohms. Labels of islands say which pairs are open.
 */
export class TableMaker {
  readonly pairs: number;
  /** Place of each node in the rows: islands stand together. Everything below is by place. */
  private readonly place: Int32Array;
  /** Potentials for an ampere into each place and out of the ground, row by row. */
  private readonly inverse: Float64Array;
  /** Ohms of every pair in the numbers, where threads join the islands. */
  private readonly healthy: Float64Array;
  /** The same as the unit shows it, open between islands. */
  private readonly healthyRow: Float64Array;
  private readonly healthyLabels: Int32Array;
  private readonly labels: Int32Array;
  /** First place and end of the island that a place is in. */
  private readonly first: Int32Array;
  private readonly end: Int32Array;
  private readonly threads: Resistor[];
  private readonly graph: Graph;
  /** Room for the updates of one fault. */
  private readonly updates: { c: number; u: Float64Array }[] = [];

  constructor(
    private readonly n: number,
    resistors: readonly Resistor[],
  ) {
    this.pairs = (n * (n - 1)) / 2;
    const islandOf = islands(n, resistors);
    const inOrder = Array.from({ length: n }, (_, node) => node).sort(
      (a, b) => (islandOf[a] ?? 0) - (islandOf[b] ?? 0) || a - b,
    );
    this.place = new Int32Array(n);
    inOrder.forEach((node, place) => (this.place[node] = place));
    this.healthyLabels = Int32Array.from(inOrder, (node) => islandOf[node] ?? 0);
    this.labels = new Int32Array(n);
    this.first = Int32Array.from(this.healthyLabels, (label) => this.healthyLabels.indexOf(label));
    this.end = Int32Array.from(
      this.healthyLabels,
      (label) => this.healthyLabels.lastIndexOf(label) + 1,
    );
    const placed = resistors.map(({ a, b, ohms }) => ({
      a: this.place[a] ?? 0,
      b: this.place[b] ?? 0,
      ohms,
    }));
    this.graph = new Graph(n, placed);
    const grounds = [...new Set(this.first)].slice(1);
    this.threads = grounds.map((ground) => ({ a: 0, b: ground, ohms: THREAD }));
    const edges = [...placed, ...this.threads].map(({ a, b, ohms }) => ({
      a,
      b,
      siemens: 1 / ohms,
    }));
    const factor = new Elimination(n, edges);
    this.inverse = new Float64Array(n * n);
    const amps = new Float64Array(n);
    for (let i = 0; i < n; i++) {
      amps.fill(0);
      amps[i] = 1;
      factor.solve(amps, this.inverse.subarray(i * n, i * n + n));
    }
    this.healthy = new Float64Array(this.pairs);
    this.healthyRow = new Float64Array(this.pairs);
    let pair = 0;
    for (let i = 1; i < n; i++) {
      const own = this.inverse[i * n + i] ?? 0;
      for (let j = 0; j < i; j++, pair++) {
        const ohms = own + (this.inverse[j * n + j] ?? 0) - 2 * (this.inverse[i * n + j] ?? 0);
        this.healthy[pair] = ohms;
        this.healthyRow[pair] = this.healthyLabels[i] === this.healthyLabels[j] ? ohms : Infinity;
      }
    }
  }

  pair(a: number, b: number): number {
    return pairAt(this.place[a] ?? 0, this.place[b] ?? 0);
  }

  /** Writes the ohms of all pairs with some resistors changed. */
  write(changes: readonly Change[], into: Float64Array, at: number): void {
    into.set(this.healthyRow, at);
    if (changes.length === 0) return;
    const touched = changes.flatMap(({ a, b }) => [this.place[a] ?? 0, this.place[b] ?? 0]);
    this.labels.set(this.healthyLabels);
    const count = this.apply(changes);
    const ranges = this.rangesOf(touched);
    if (count > 0) this.writeUpdates(into, at, ranges, count);
    this.writeOpens(into, at, ranges);
  }

  /** The islands of some places, as ranges of places in order. */
  private rangesOf(places: readonly number[]): [from: number, to: number][] {
    const ranges: [number, number][] = [];
    for (const place of places) {
      const from = this.first[place] ?? 0;
      if (!ranges.some((each) => each[0] === from)) ranges.push([from, this.end[place] ?? 0]);
    }
    return ranges.sort((x, y) => x[0] - y[0]);
  }

  /** Ohms between two nodes with the first `count` updates done. */
  private between(a: number, b: number, count: number): number {
    let ohms = this.healthy[pairAt(a, b)] ?? 0;
    for (let k = 0; k < count; k++) {
      const update = this.updates[k];
      if (!update) continue;
      const apart = (update.u[a] ?? 0) - (update.u[b] ?? 0);
      ohms -= update.c * apart * apart;
    }
    return ohms;
  }

  /** Potentials for one ampere into a and out of b with the first `count` updates done. */
  private potentials(a: number, b: number, count: number): { c: number; u: Float64Array } {
    const { n, inverse } = this;
    const room = this.updates[count] ?? { c: 0, u: new Float64Array(n) };
    this.updates[count] = room;
    const { u } = room;
    const [atA, atB] = [a * n, b * n];
    for (let i = 0; i < n; i++) u[i] = (inverse[atA + i] ?? 0) - (inverse[atB + i] ?? 0);
    for (let k = 0; k < count; k++) {
      const before = this.updates[k];
      if (!before) continue;
      const factor = before.c * ((before.u[a] ?? 0) - (before.u[b] ?? 0));
      if (factor === 0) continue;
      for (let i = 0; i < n; i++) u[i] = (u[i] ?? 0) - factor * (before.u[i] ?? 0);
    }
    return room;
  }

  /**
   * Puts an update in place `count`.
   * @param without ohms between a and b without the resistor; Infinity for a bridge
   */
  private update(
    { a, b, ohms: r, to }: Omit<Change, 'at'>,
    without: number,
    count: number,
  ): number {
    const room = this.potentials(a, b, count);
    if (r === Infinity) room.c = 1 / (to + without);
    else if (without === Infinity) room.c = (r - to) / (r * r);
    else if (to === Infinity) room.c = -(r + without) / (r * r);
    else room.c = ((r - to) * (r + without)) / (r * r * (to + without));
    return count + 1;
  }

  /** Does the changes of one fault; `labels` are then its islands. Returns the number of updates. */
  private apply(changes: readonly Change[]): number {
    const { graph, labels, place } = this;
    const threads = [...this.threads];
    // What opens comes first, so that what closes finds the islands as they will be.
    const inOrder =
      changes.length > 1
        ? changes.toSorted((x, y) => Number(y.to > y.ohms) - Number(x.to > x.ohms))
        : changes;
    let count = 0;
    let islandsMade = 0;
    graph.reset();
    for (const { a: nodeA, b: nodeB, at, ohms, to } of inOrder) {
      const change = { a: place[nodeA] ?? 0, b: place[nodeB] ?? 0, ohms, to };
      const { a, b } = change;
      if (at >= 0) {
        graph.remove(at);
        const bridge = !graph.reaches(a, b);
        if (to === Infinity && bridge) {
          // The resistor stays in the numbers as a thread; the labels say that it is open.
          threads.push(change);
          graph.label(labels, this.n + islandsMade++);
          continue;
        }
        const without = bridge ? Infinity : this.without(change, count);
        count = this.update(change, without, count);
        if (to !== Infinity) graph.add(a, b, to);
        continue;
      }
      const apart = this.between(a, b, count);
      const joins = labels[a] !== labels[b];
      const thread = joins ? this.threadBetween(threads, a, b, count) : undefined;
      count = this.update(change, apart, count);
      graph.add(a, b, to);
      if (!thread) continue;
      const [kept, gone] = [labels[a] ?? 0, labels[b]];
      for (let i = 0; i < this.n; i++) if (labels[i] === gone) labels[i] = kept;
      threads.splice(threads.indexOf(thread), 1);
      count = this.update({ ...thread, to: Infinity }, to + apart - thread.ohms, count);
    }
    return count;
  }

  /** Ohms between the ends of a resistor that the graph no longer has. */
  private without({ a, b, ohms }: Resistor, count: number): number {
    const { n, inverse } = this;
    const between = this.between(a, b, count);
    const rest = ohms - between;
    const rounding = ROUNDING * ((inverse[a * n + a] ?? 0) + (inverse[b * n + b] ?? 0));
    // Where the rest is lost in rounding the network is solved again without the resistor.
    return rest > 1e6 * rounding
      ? (between * ohms) / rest
      : effectiveResistance(this.graph.left(), a, b);
  }

  /** A thread on the way between two islands: the one that their current passes. */
  private threadBetween(
    threads: readonly Resistor[],
    a: number,
    b: number,
    count: number,
  ): Resistor | undefined {
    const { u } = this.potentials(a, b, count);
    return threads.find(
      (thread) => Math.abs((u[thread.a] ?? 0) - (u[thread.b] ?? 0)) > thread.ohms / 2,
    );
  }

  /** Writes the pairs of the islands touched as the updates make them. */
  private writeUpdates(
    ohms: Float64Array,
    at: number,
    ranges: readonly [number, number][],
    count: number,
  ): void {
    const [one, two] = this.updates;
    for (const [from, to] of ranges) {
      for (let i = from; i < to; i++) {
        for (const [start, stop] of ranges) {
          if (start >= i) break;
          const end = Math.min(stop, i);
          if (one && count === 1) updateOnce(ohms, at, i, start, end, this.healthy, one);
          else if (one && two && count === 2)
            updateTwice(ohms, at, i, start, end, this.healthy, one, two);
          else
            for (let j = start; j < end; j++) ohms[at + pairAt(i, j)] = this.between(i, j, count);
        }
      }
    }
  }

  /** Writes open between places of the islands touched that do not have the same label now. */
  private writeOpens(ohms: Float64Array, at: number, ranges: readonly [number, number][]): void {
    const groups = new Map<number, number[]>();
    for (const [from, to] of ranges) {
      for (let i = from; i < to; i++) {
        const label = this.labels[i] ?? 0;
        const group = groups.get(label);
        if (group) group.push(i);
        else groups.set(label, [i]);
      }
    }
    if (groups.size < 2) return;
    const all = [...groups.values()];
    all.forEach((group, g) => {
      for (const other of all.slice(g + 1)) openBetween(ohms, at, group, other);
    });
  }
}

function openBetween(
  ohms: Float64Array,
  at: number,
  group: readonly number[],
  other: readonly number[],
): void {
  for (const i of group) {
    for (const j of other)
      ohms[at + (i > j ? (i * (i - 1)) / 2 + j : (j * (j - 1)) / 2 + i)] = Infinity;
  }
}

/** R' = R - c (u_i - u_j)^2 for the pairs of one place with a run of others. */
function updateOnce(
  ohms: Float64Array,
  at: number,
  i: number,
  start: number,
  end: number,
  healthy: Float64Array,
  { c, u }: { c: number; u: Float64Array },
): void {
  const row = (i * (i - 1)) / 2;
  const x = u[i] as number;
  for (let j = start; j < end; j++) {
    const d = x - (u[j] as number);
    ohms[at + row + j] = (healthy[row + j] as number) - c * d * d;
  }
}

/** The same for two updates. */
function updateTwice(
  ohms: Float64Array,
  at: number,
  i: number,
  start: number,
  end: number,
  healthy: Float64Array,
  { c, u }: { c: number; u: Float64Array },
  { c: c2, u: u2 }: { c: number; u: Float64Array },
): void {
  const row = (i * (i - 1)) / 2;
  const [x, y] = [u[i] as number, u2[i] as number];
  for (let j = start; j < end; j++) {
    const d = x - (u[j] as number);
    const d2 = y - (u2[j] as number);
    ohms[at + row + j] = (healthy[row + j] as number) - c * d * d - c2 * d2 * d2;
  }
}

/** Who is joined to whom while resistors come and go. */
class Graph {
  private readonly start: Int32Array;
  private readonly next: Int32Array;
  private readonly edge: Int32Array;
  private readonly removed = new Set<number>();
  private readonly added: Resistor[] = [];
  private readonly mark: Uint8Array;
  private readonly queue: Int32Array;

  constructor(
    private readonly n: number,
    private readonly resistors: readonly Resistor[],
  ) {
    const degree = new Int32Array(n + 1);
    for (const { a, b } of resistors) {
      degree[a] = (degree[a] ?? 0) + 1;
      degree[b] = (degree[b] ?? 0) + 1;
    }
    this.start = new Int32Array(n + 1);
    for (let i = 0; i < n; i++) this.start[i + 1] = (this.start[i] ?? 0) + (degree[i] ?? 0);
    const fill = Int32Array.from(this.start);
    this.next = new Int32Array(2 * resistors.length);
    this.edge = new Int32Array(2 * resistors.length);
    resistors.forEach(({ a, b }, i) => {
      for (const [from, to] of [
        [a, b],
        [b, a],
      ] as const) {
        const slot = fill[from] ?? 0;
        fill[from] = slot + 1;
        this.next[slot] = to;
        this.edge[slot] = i;
      }
    });
    this.mark = new Uint8Array(n);
    this.queue = new Int32Array(n);
  }

  reset(): void {
    this.removed.clear();
    this.added.length = 0;
  }

  remove(at: number): void {
    this.removed.add(at);
  }

  add(a: number, b: number, ohms: number): void {
    this.added.push({ a, b, ohms });
  }

  left(): Resistor[] {
    return [...this.resistors.filter((_, i) => !this.removed.has(i)), ...this.added];
  }

  /** Walks from b; whether it comes to a. What it reached stays marked for `label`. */
  reaches(a: number, b: number): boolean {
    const { mark, queue, start, next, edge, removed, added } = this;
    mark.fill(0);
    mark[b] = 1;
    queue[0] = b;
    let end = 1;
    for (let head = 0; head < end; head++) {
      const here = queue[head] ?? 0;
      const stop = start[here + 1] ?? 0;
      for (let slot = start[here] ?? 0; slot < stop; slot++) {
        const to = next[slot] ?? 0;
        if (mark[to] || removed.has(edge[slot] ?? 0)) continue;
        if (to === a) return true;
        mark[to] = 1;
        queue[end++] = to;
      }
      for (const each of added) {
        const to = each.a === here ? each.b : each.b === here ? each.a : here;
        if (mark[to]) continue;
        if (to === a) return true;
        mark[to] = 1;
        queue[end++] = to;
      }
    }
    return false;
  }

  /** Gives what the last walk reached a label of its own. */
  label(labels: Int32Array, label: number): void {
    for (let i = 0; i < this.n; i++) if (this.mark[i]) labels[i] = label;
  }
}
