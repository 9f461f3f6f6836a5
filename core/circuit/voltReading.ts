import type { Diagram, TerminalRef } from '../diagram/diagram';
import { feeds, type Setup } from '../diagram/setup';
import type { Fault } from '../fault/fault';
import { buildNetwork, type Network } from './network';
import { nodeOf } from './nodes';
import type { Edge } from './ownEdges';
import { NodalAnalysis, type Phasors } from './nodalAnalysis';

/** What the evidence of a live reading carries: volts without load prove little. */
interface Carried {
  current: 'ac' | 'dc';
  /** The smaller of the currents through the two points, in ampere. */
  amps: number;
  /** Whether a load draws through the points. */
  loaded: boolean;
}

/** What a voltmeter shows between two terminals. */
export type VoltAnswer =
  | ({ kind: 'volts'; nominal: number; low: number; high: number } & Carried)
  | ({
      kind: 'unsure';
      nominal: number | null;
      low: number;
      high: number;
      reason: string;
    } & Carried)
  /** Ghost volts: one of the points floats, and the display says nothing. */
  | { kind: 'unreliable'; reason: string }
  | { kind: 'not-computable'; reason: string };

/** Input resistance of an ordinary digital meter: common practice. */
export const METER_OHMS = 10e6;
/** From this current on a load is connected: a lamp's or a coil's milliampere. */
const LOADED_AMPS = 1e-3;
/** Open, for an edge that may rightly be open: the bound has to stay a number. */
const NEARLY_OPEN = 1e9;
/** Rounds of moving resistors to the ends of their ranges; two or three are the rule. */
const ROUNDS = 12;

/**
 * The volts between two terminals, alternating or direct, whichever kind is there.
 *
 * Bounds by signs: volts are not monotone in the resistors, but in each single one they are. So the
 * resistors are moved to the end that their sensitivity points to (dV/dG of an edge is the volts
 * over it times the volts that one ampere at the probes puts over it), and again from there until no
 * sign changes. Supplies move together by their own tolerance.
 */
export function voltReading(
  diagram: Diagram,
  setup: Setup,
  from: TerminalRef,
  to: TerminalRef,
  faults: readonly Fault[] = [],
): VoltAnswer {
  if (setup.power === 'unknown') {
    return { kind: 'not-computable', reason: 'say first which supplies feed the unit' };
  }
  const network = buildNetwork(diagram, setup, faults, { warm: true });
  const fed = diagram.supplies.some((supply) => feeds(setup, supply));
  return voltsBetween(network, from, to, fed);
}

/** The answer for one pair of a network that is already built. */
export function voltsBetween(
  network: Network,
  from: TerminalRef,
  to: TerminalRef,
  fed = true,
): VoltAnswer {
  const a = nodeOf(network.nodes, from);
  const b = nodeOf(network.nodes, to);
  const solved = new NodalAnalysis(network, (edge) => edge.nominal);
  const [ac, dc] = [size(solved.ac, a, b), size(solved.dc, a, b)];
  const current = dc > ac ? 'dc' : 'ac';
  const carried = carriedAt(network, solved, a, b, current);
  if (!fed) return { kind: 'volts', nominal: 0, low: 0, high: 0, ...carried };
  if (network.islandOf[a] !== network.islandOf[b]) {
    return {
      kind: 'unreliable',
      reason: `nothing joins ${from} and ${to}: one of them floats and shows ghost volts`,
    };
  }
  const low = bound(network, a, b, current, -1);
  const high = bound(network, a, b, current, 1);
  const nominal = size(solved[current], a, b) * underMeter(solved, a, b);
  const reasons = new Set(network.edges.flatMap((edge) => edge.unsure ?? []));
  const apart = solved.islandOf[a] !== solved.islandOf[b];
  const doubtful = reasons.size > 0 && (apart || openEnds(network, a, b, current));
  if (!doubtful) return { kind: 'volts', nominal, low, high, ...carried };
  const known = apart ? null : nominal;
  return { kind: 'unsure', nominal: known, low, high, reason: [...reasons].join('; '), ...carried };
}

const size = ({ re, im }: Phasors, a: number, b: number): number =>
  Math.hypot((re[a] ?? 0) - (re[b] ?? 0), (im[a] ?? 0) - (im[b] ?? 0));

/** The meter's own resistance pulls the volts down where the circuit behind them is weak. */
function underMeter(solved: NodalAnalysis, a: number, b: number): number {
  const volts = solved.response(a, b);
  const behind = (volts[a] ?? 0) - (volts[b] ?? 0);
  return METER_OHMS / (METER_OHMS + Math.max(0, behind));
}

const ends = (edge: Edge): { low: number; high: number } => ({
  low: edge.low,
  high: Math.min(edge.high, NEARLY_OPEN),
});

/** Greatest or least volts over all resistors in their ranges. */
function bound(
  network: Network,
  a: number,
  b: number,
  current: 'ac' | 'dc',
  direction: 1 | -1,
): number {
  const ohms = network.edges.map((edge) => edge.nominal ?? ends(edge).high);
  let best = NaN;
  for (let round = 0; round < ROUNDS; round++) {
    const solved = new NodalAnalysis(network, (_, i) => ohms[i] ?? null);
    const { re, im } = solved[current];
    const [x, y] = [(re[a] ?? 0) - (re[b] ?? 0), (im[a] ?? 0) - (im[b] ?? 0)];
    const length = Math.hypot(x, y);
    const value = length * underMeter(solved, a, b);
    if (round > 0 && direction * (value - best) <= 1e-12 * best) break;
    best = value;
    const probe = solved.coupledResponse(a, b);
    const over = (from: number, to: number): number => (probe[from] ?? 0) - (probe[to] ?? 0);
    network.edges.forEach((edge, i) => {
      const through = solved.current(i, current);
      const along = length > 0 ? (through.re * x + through.im * y) / length : through.re;
      const { coupled } = edge;
      const reach = over(edge.a, edge.b) - (coupled ? coupled.ratio * over(...coupled.primary) : 0);
      // More siemens lower the volts where the current goes the way of the probe's own.
      const fall = reach * along * direction;
      if (fall !== 0) ohms[i] = fall > 0 ? ends(edge).high : ends(edge).low;
    });
  }
  const spread = Math.max(
    0,
    ...network.edges.flatMap(({ source }) => (source?.current === current ? source.spread : [])),
  );
  return best * (1 + direction * spread);
}

/** Whether the volts depend on an edge that may rightly be open. */
function openEnds(network: Network, a: number, b: number, current: 'ac' | 'dc'): boolean {
  const value = (open: boolean): number => {
    const solved = new NodalAnalysis(network, (edge) =>
      edge.high === Infinity ? (open ? null : edge.low) : edge.nominal,
    );
    return solved.islandOf[a] === solved.islandOf[b] ? size(solved[current], a, b) : NaN;
  };
  const [open, closed] = [value(true), value(false)];
  return !(Math.abs(open - closed) <= 0.02 * Math.max(open, closed));
}

function carriedAt(
  network: Network,
  solved: NodalAnalysis,
  a: number,
  b: number,
  current: 'ac' | 'dc',
): Carried {
  const through = (node: number): number =>
    network.edges.reduce((most, edge, i) => {
      if (edge.a !== node && edge.b !== node) return most;
      const { re, im } = solved.current(i, current);
      return Math.max(most, Math.hypot(re, im));
    }, 0);
  const amps = Math.min(through(a), through(b));
  return { current, amps, loaded: amps >= LOADED_AMPS };
}
