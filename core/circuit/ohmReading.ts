import type { Diagram, TerminalRef } from '../diagram/diagram';
import type { Setup } from '../diagram/setup';
import type { Fault } from '../fault/fault';
import { effectiveResistance } from './effectiveResistance';
import { buildNetwork, type Network } from './network';
import { nodeOf } from './nodes';
import type { Edge } from './ownEdges';
import { NodalAnalysis } from './nodalAnalysis';

/** What an ohmmeter without leads would find between two terminals. */
export type OhmAnswer =
  | { kind: 'open' }
  | { kind: 'ohms'; nominal: number; low: number; high: number }
  /** May rightly be open: `high` is null then, `nominal` where nothing certain joins the two. */
  | { kind: 'unsure'; nominal: number | null; low: number; high: number | null; reason: string }
  | { kind: 'not-computable'; reason: string };

/**
 * The interval that an ohm reading may show. Effective resistance grows with every resistor
 * (Rayleigh's monotonicity law; Doyle and Snell, Random Walks and Electric Networks, 1984), so two
 * solves, all resistors at the low and all at the high end, give it exactly.
 */
export function ohmReading(
  diagram: Diagram,
  setup: Setup,
  from: TerminalRef,
  to: TerminalRef,
  faults: readonly Fault[] = [],
): OhmAnswer {
  if (setup.power !== 'off') {
    return {
      kind: 'not-computable',
      reason:
        setup.power === 'on'
          ? 'power is on: never read ohms or the beeper on a powered circuit'
          : 'the power state is not known: prove it dead before reading ohms',
    };
  }
  const network = buildNetwork(diagram, setup, faults);
  return between(network, from, to);
}

/** The answer for one pair of a network that is already built. */
export function between(network: Network, from: TerminalRef, to: TerminalRef): OhmAnswer {
  const a = nodeOf(network.nodes, from);
  const b = nodeOf(network.nodes, to);
  const island = network.islandOf[a];
  if (island !== network.islandOf[b]) return { kind: 'open' };
  const local = network.edges.filter((edge) => network.islandOf[edge.a] === island);
  const feeding = stillFeeding(network, local, a, b);
  if (feeding) return { kind: 'not-computable', reason: feeding };
  const solve = (value: (edge: Edge) => number | null): number => {
    const edges = [];
    for (const edge of local) {
      const ohms = value(edge);
      if (ohms !== null && ohms !== Infinity) edges.push({ a: edge.a, b: edge.b, ohms });
    }
    return effectiveResistance(edges, a, b);
  };
  const low = solve((edge) => edge.low);
  const high = solve((edge) => edge.high);
  const nominal = solve((edge) => edge.nominal);
  // Where it matters whether an unsure way is open or closed there is no one nominal value.
  const other = solve((edge) => edge.nominal ?? edge.low);
  const sure = nominal !== Infinity && Math.abs(nominal - other) <= 1e-9 * nominal;
  if (sure && high !== Infinity) return { kind: 'ohms', nominal, low, high };
  const reasons = new Set(local.flatMap((edge) => edge.unsure ?? []));
  return {
    kind: 'unsure',
    nominal: sure ? nominal : null,
    low,
    high: high === Infinity ? null : high,
    reason: [...reasons].join('; '),
  };
}

/** Volts between the tips from which on an ohmmeter no longer measures ohms. */
const NO_VOLTS = 1e-4;

/** A supply that pulling the plug did not make dead, and that drives the two points apart. */
function stillFeeding(
  network: Network,
  local: readonly Edge[],
  a: number,
  b: number,
): string | undefined {
  const source = local.find((edge) => edge.source);
  if (!source) return undefined;
  const { ac, dc } = new NodalAnalysis(network, (edge) => edge.nominal);
  const apart = [ac.re, ac.im, dc.re].some(
    (volts) => Math.abs((volts[a] ?? 0) - (volts[b] ?? 0)) > NO_VOLTS,
  );
  return apart
    ? `${source.owner} still feeds these points: make it dead, or lift one wire, before reading ohms`
    : undefined;
}
