import { Elimination } from './elimination';
import { islands, type Network } from './network';
import type { Edge } from './ownEdges';

/** Edge with its resistance chosen; `ohms` may be Infinity for one that is not there. */
interface Chosen {
  edge: Edge;
  siemens: number;
}

/** Volts and amperes of one kind of current; alternating ones are phasors, `im` 0 for direct. */
export interface Phasors {
  re: Float64Array;
  im: Float64Array;
}

/**
 * The powered network solved by nodal analysis: a supply is its volts behind its inner ohms, a
 * transformer couples two islands by its ratio. Loads count as resistive: the phase of a motor's or
 * a coil's own current is left out.
 */
export class NodalAnalysis {
  readonly ac: Phasors;
  readonly dc: Phasors;
  readonly islandOf: Int32Array;
  private readonly chosen: Chosen[];
  private readonly factor: Elimination;
  private readonly n: number;
  private readonly couplings: Coupling[];

  /** @param ohmsOf ohms of each edge, null or Infinity for one that is not there */
  constructor(network: Network, ohmsOf: (edge: Edge, index: number) => number | null) {
    this.n = network.nodes.count;
    this.chosen = network.edges.map((edge, i) => {
      const ohms = ohmsOf(edge, i);
      return { edge, siemens: ohms === null ? 0 : 1 / ohms };
    });
    const there = this.chosen.filter(({ siemens }) => siemens > 0);
    const wires = there.map(({ edge: { a, b }, siemens }) => ({ a, b, siemens }));
    this.factor = new Elimination(this.n, wires);
    this.islandOf = islands(this.n, wires);
    this.couplings = there.flatMap(({ edge, siemens }) =>
      edge.coupled ? [new Coupling(edge, siemens, edge.coupled)] : [],
    );
    for (const each of this.couplings) each.learn((from, to) => this.response(from, to));
    this.ac = {
      re: this.driven('ac', (volts, angle) => volts * Math.cos(angle)),
      im: this.driven('ac', (volts, angle) => volts * Math.sin(angle)),
    };
    this.dc = { re: this.driven('dc', (volts) => volts), im: new Float64Array(this.n) };
  }

  /** Ampere through each edge, from its a to its b. */
  current(index: number, kind: 'ac' | 'dc'): { re: number; im: number } {
    const { edge, siemens } = this.chosen[index] ?? {};
    if (!edge || !siemens) return { re: 0, im: 0 };
    const { re, im } = kind === 'ac' ? this.ac : this.dc;
    const drop = (volts: Float64Array): number => (volts[edge.a] ?? 0) - (volts[edge.b] ?? 0);
    const turn = kind === 'ac' ? edge.coupled : undefined;
    const emf = (part: 're' | 'im'): number => {
      const volts = part === 're' ? re : im;
      if (turn) return turn.ratio * ((volts[turn.primary[0]] ?? 0) - (volts[turn.primary[1]] ?? 0));
      const { source } = edge;
      if (source?.current !== kind) return 0;
      const angle = (source.degrees * Math.PI) / 180;
      return source.volts * (part === 're' ? Math.cos(angle) : Math.sin(angle));
    };
    return { re: siemens * (drop(re) - emf('re')), im: siemens * (drop(im) - emf('im')) };
  }

  /** Volts everywhere for one ampere into one node and out of another, supplies silent. */
  response(from: number, to: number): Float64Array {
    const amps = new Float64Array(this.n);
    amps[from] = (amps[from] ?? 0) + 1;
    amps[to] = (amps[to] ?? 0) - 1;
    const volts = new Float64Array(this.n);
    this.factor.solve(amps, volts);
    return volts;
  }

  /** The same with what transformers add to it. */
  coupledResponse(from: number, to: number): Float64Array {
    return this.withCouplings(this.response(from, to));
  }

  private driven(kind: 'ac' | 'dc', part: (volts: number, angle: number) => number): Float64Array {
    const amps = new Float64Array(this.n);
    let any = false;
    for (const { edge, siemens } of this.chosen) {
      if (edge.source?.current !== kind || siemens === 0) continue;
      const drive = part(edge.source.volts, (edge.source.degrees * Math.PI) / 180) * siemens;
      amps[edge.a] = (amps[edge.a] ?? 0) + drive;
      amps[edge.b] = (amps[edge.b] ?? 0) - drive;
      any = true;
    }
    const volts = new Float64Array(this.n);
    if (!any) return volts;
    this.factor.solve(amps, volts);
    return kind === 'ac' ? this.withCouplings(volts) : volts;
  }

  /**
   * Adds what transformers do. For each, unknown are the volts of its secondary, e, and its current,
   * I: e = n Vp and I = g (e - Vs), where Vp and Vs contain the answers to every e and I.
   */
  private withCouplings(volts: Float64Array): Float64Array {
    const all = this.couplings;
    if (all.length === 0) return volts;
    const t = all.length;
    const rows = all.flatMap((one, i) => {
      const [p, q] = one.primary;
      const [a, b] = one.secondary;
      const over = (x: Float64Array, u: number, v: number): number => (x[u] ?? 0) - (x[v] ?? 0);
      const e = new Float64Array(2 * t + 1);
      const current = new Float64Array(2 * t + 1);
      all.forEach((two, j) => {
        e[j] = -one.ratio * two.siemens * over(two.fromSecondary, p, q) + (i === j ? 1 : 0);
        e[t + j] = one.ratio * two.ratio * over(two.fromPrimary, p, q);
        current[j] =
          one.siemens * two.siemens * over(two.fromSecondary, a, b) - (i === j ? one.siemens : 0);
        current[t + j] = -one.siemens * two.ratio * over(two.fromPrimary, a, b) + (i === j ? 1 : 0);
      });
      e[2 * t] = one.ratio * over(volts, p, q);
      current[2 * t] = -one.siemens * over(volts, a, b);
      return [e, current];
    });
    const inOrder = [...rows.filter((_, i) => i % 2 === 0), ...rows.filter((_, i) => i % 2 === 1)];
    const solved = gauss(inOrder);
    const sum = Float64Array.from(volts);
    all.forEach((each, j) => {
      const e = (solved[j] ?? 0) * each.siemens;
      const drawn = (solved[t + j] ?? 0) * each.ratio;
      for (let node = 0; node < this.n; node++) {
        sum[node] =
          (sum[node] ?? 0) +
          e * (each.fromSecondary[node] ?? 0) -
          drawn * (each.fromPrimary[node] ?? 0);
      }
    });
    return sum;
  }
}

class Coupling {
  readonly primary: [number, number];
  readonly secondary: [number, number];
  readonly ratio: number;
  fromPrimary: Float64Array = new Float64Array();
  fromSecondary: Float64Array = new Float64Array();

  constructor(
    edge: Edge,
    readonly siemens: number,
    coupled: { primary: [number, number]; ratio: number },
  ) {
    this.primary = coupled.primary;
    this.secondary = [edge.a, edge.b];
    this.ratio = coupled.ratio;
  }

  learn(response: (from: number, to: number) => Float64Array): void {
    this.fromPrimary = response(...this.primary);
    this.fromSecondary = response(...this.secondary);
  }
}

/** Gauss's elimination with row pivots; each row ends with its right-hand side. */
function gauss(rows: Float64Array[]): number[] {
  const n = rows.length;
  for (let k = 0; k < n; k++) {
    let best = k;
    for (let i = k + 1; i < n; i++) {
      if (Math.abs(rows[i]?.[k] ?? 0) > Math.abs(rows[best]?.[k] ?? 0)) best = i;
    }
    const [upper, lower] = [rows[best], rows[k]];
    if (!upper || !lower) continue;
    rows[k] = upper;
    rows[best] = lower;
    for (const row of rows.slice(k + 1)) {
      const factor = (row[k] ?? 0) / (upper[k] ?? 1);
      for (let j = k; j <= n; j++) row[j] = (row[j] ?? 0) - factor * (upper[j] ?? 0);
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let k = n - 1; k >= 0; k--) {
    const row = rows[k];
    let rest = row?.[n] ?? 0;
    for (let j = k + 1; j < n; j++) rest -= (row?.[j] ?? 0) * (x[j] ?? 0);
    x[k] = rest / (row?.[k] ?? 1);
  }
  return x;
}
