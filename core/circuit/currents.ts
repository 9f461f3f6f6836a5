import type { Diagram } from '../diagram/diagram';
import type { Setup } from '../diagram/setup';
import type { Fault } from '../fault/fault';
import { buildNetwork, type Network } from './network';
import type { Edge } from './ownEdges';
import { NodalAnalysis } from './nodalAnalysis';

/** The current of a part in a solved circuit, in ampere: of its winding, element or contact that carries most. */
export function ampsOf({ edges }: Network, solved: NodalAnalysis, owner: string): number {
  let most = 0;
  edges.forEach((edge, i) => {
    if (edge.owner !== owner) return;
    const [ac, dc] = [solved.current(i, 'ac'), solved.current(i, 'dc')];
    most = Math.max(most, Math.hypot(ac.re, ac.im) + Math.abs(dc.re));
  });
  return most;
}

/** What flows in one way through the unit: a load's element, a contact, a wire, a supply's leg. */
export interface Current {
  owner: string;
  key: string;
  kind: Edge['kind'];
  amps: number;
  /** Over the whole way, a supply's own volts included. */
  volts: number;
  /** Taken up; of a supply or a transformer's secondary: given. */
  watts: number;
}

/**
 * Ampere, volts and watts of every way of a powered unit, with the nominal values; P = V I, with the
 * volts and the current of a resistor in phase.
 */
export function currents(diagram: Diagram, setup: Setup, faults: readonly Fault[] = []): Current[] {
  const network = buildNetwork(diagram, setup, faults, { warm: true });
  const solved = new NodalAnalysis(network, (edge) => edge.nominal);
  return network.edges.map(({ a, b, owner, key, kind, source, coupled }, i): Current => {
    let [amps, volts, watts] = [0, 0, 0];
    for (const which of ['ac', 'dc'] as const) {
      const current = solved.current(i, which);
      const { re, im } = solved[which];
      const over = { re: (re[a] ?? 0) - (re[b] ?? 0), im: (im[a] ?? 0) - (im[b] ?? 0) };
      amps += Math.hypot(current.re, current.im);
      volts += Math.hypot(over.re, over.im);
      watts += over.re * current.re + over.im * current.im;
    }
    return { owner, key, kind, amps, volts, watts: source || coupled ? -watts : watts };
  });
}
