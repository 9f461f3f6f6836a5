import { effectiveResistance } from './effectiveResistance';
import { Elimination } from './elimination';
import { ResistorGraph, type Resistor } from './resistorGraph';
import { islands } from './network';
import { addBetween, openBetween, pairAt, updateOnce, updateTwice, type Update } from './tableRow';

/** One resistor that a fault changes: Infinity stands for one that is not there. */
export interface Change extends Resistor {
  /** Its place among the resistors of the healthy network; -1 for one that is not there. */
  at: number;
  /** Ohms under the fault. */
  to: number;
}

/** Relative rounding of a potential: a few units in the last place of a double. */
const ROUNDING = 1e-15;
/** What is taken off a way of so many times less ohms leaves too little of a double. */
const FAR_MORE = 1e5;
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
  private readonly graph: ResistorGraph;
  /** Room for the updates of one fault. */
  private readonly updates: Update[] = [];

  constructor(
    private readonly n: number,
    private readonly resistors: readonly Resistor[],
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
    this.graph = new ResistorGraph(n, placed);
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
    const [only] = changes;
    if (!only) return;
    if (changes.length === 1 && this.writeTree(only, into, at)) return;
    const touched = changes.flatMap(({ a, b }) => [this.place[a] ?? 0, this.place[b] ?? 0]);
    this.labels.set(this.healthyLabels);
    const count = this.apply(changes);
    if (count === undefined) {
      this.writeAnew(changes, into, at);
      return;
    }
    const ranges = this.rangesOf(touched);
    if (count > 0) this.writeUpdates(into, at, ranges, count);
    this.writeOpens(into, at, ranges);
  }

  /**
   * One change that closes no ring needs no update: a bridge that opens parts its two sides, one that
   * changes adds as much between them, and a new one joins two islands end to end.
   * @returns false where the change is part of a ring
   */
  private writeTree(change: Change, ohms: Float64Array, at: number): boolean {
    const { graph, healthyLabels, place, healthyRow } = this;
    const [a, b] = [place[change.a] ?? 0, place[change.b] ?? 0];
    if (change.at < 0) {
      if (healthyLabels[a] === healthyLabels[b]) return false;
      const [from, to] = [this.first[b] ?? 0, this.end[b] ?? 0];
      for (let i = this.first[a] ?? 0; i < (this.end[a] ?? 0); i++) {
        const own = change.to + (i === a ? 0 : (healthyRow[pairAt(i, a)] ?? 0));
        for (let j = from; j < to; j++)
          ohms[at + pairAt(i, j)] = own + (j === b ? 0 : (healthyRow[pairAt(j, b)] ?? 0));
      }
      return true;
    }
    graph.reset();
    graph.remove(change.at);
    if (graph.reaches(a, b)) return false;
    const { near, far } = graph.sides(this.first[a] ?? 0, this.end[a] ?? 0);
    if (change.to === Infinity) openBetween(ohms, at, near, far);
    else addBetween(ohms, at, near, far, change.to - change.ohms);
    return true;
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
  private potentials(a: number, b: number, count: number): Update {
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

  /** The row of a network that is built and solved anew. */
  private writeAnew(changes: readonly Change[], into: Float64Array, at: number): void {
    const resistors = this.resistors.flatMap((each, i): Resistor[] => {
      const change = changes.find((one) => one.at === i);
      if (!change) return [each];
      return change.to === Infinity ? [] : [{ ...each, ohms: change.to }];
    });
    const added = changes.flatMap(({ at: place, a, b, to }) =>
      place < 0 ? [{ a, b, ohms: to }] : [],
    );
    const anew = new TableMaker(this.n, [...resistors, ...added]);
    for (let a = 1; a < this.n; a++)
      for (let b = 0; b < a; b++)
        into[at + this.pair(a, b)] = anew.healthyRow[anew.pair(a, b)] ?? Infinity;
  }

  /**
   * Does the changes of one fault; `labels` are then its islands.
   * @returns the number of updates; undefined where a contact opens beside megohms and more changes after it,
   * so that what is left of it would be lost
   */
  private apply(changes: readonly Change[]): number | undefined {
    const { graph, labels, place } = this;
    const threads = [...this.threads];
    // What opens comes first, so that what closes finds the islands as they will be.
    const inOrder = changes.toSorted((x, y) => Number(y.to > y.ohms) - Number(x.to > x.ohms));
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
        if (to === Infinity && changes.length > 1 && without > FAR_MORE * ohms) return undefined;
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
