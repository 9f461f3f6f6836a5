import type { Diagram, Supply } from '../diagram/diagram';
import { poweredSetup, type Setup } from '../diagram/setup';
import { buildNetwork } from './network';
import { NodalAnalysis } from './nodalAnalysis';

/** A supply that is shorted in a setup, and the parts that its current runs through. */
export interface Short {
  supply: Supply;
  amps: number;
  through: string[];
  setup: Setup;
}

/** More than this many times its rating is a short and no load. */
const TIMES_RATING = 5;
/**
 * Where no rating is given: so little outside the supply is metal and no load, or so small a share of
 * its own ohms (a thermocouple feeds hundredths of an ohm).
 */
const METAL_OHMS = 0.5;
const METAL_SHARE = 0.25;

/** Supplies that a healthy unit would short in a setup, plugged in. */
export function shortsIn(diagram: Diagram, setup: Setup): Short[] {
  const live = poweredSetup(setup);
  const network = buildNetwork(diagram, live, [], { warm: true });
  const solved = new NodalAnalysis(network, (edge) => edge.nominal);
  const amps = network.edges.map((_, i) => {
    const { re, im } = solved.current(i, 'ac');
    return Math.hypot(re, im, solved.current(i, 'dc').re);
  });
  return diagram.supplies.flatMap((supply) => {
    let most = 0;
    let limit = Infinity;
    network.edges.forEach((edge, i) => {
      if (edge.owner !== supply.id || !edge.source) return;
      most = Math.max(most, amps[i] ?? 0);
      const own = edge.nominal ?? 0;
      const metal = supply.internalOhms
        ? Math.min(METAL_OHMS, METAL_SHARE * supply.internalOhms)
        : METAL_OHMS;
      limit = edge.source.volts / (metal + own);
    });
    if (supply.amps) limit = TIMES_RATING * supply.amps;
    if (most <= limit) return [];
    const through = new Set<string>();
    network.edges.forEach((edge, i) => {
      const part = diagram.parts.some((each) => each.id === edge.owner);
      if (part && (amps[i] ?? 0) > most / 2) through.add(edge.owner);
    });
    return [{ supply, amps: most, through: [...through], setup: live }];
  });
}

/** Setups looked at, at most: beyond, the positions of the last actuators are as drawn. */
const MOST_SETUPS = 256;

/** Every combination of positions of the hand-moved, momentary and driven actuators. */
export function everySetup(diagram: Diagram, from: Setup): Setup[] {
  let setups = [from];
  for (const actuator of diagram.actuators) {
    if (actuator.kind === 'quantity') continue;
    if (setups.length * actuator.positions.length > MOST_SETUPS) break;
    setups = setups.flatMap((setup) =>
      actuator.positions.map((position) => ({
        ...setup,
        actuators: { ...setup.actuators, [actuator.id]: position.id },
      })),
    );
  }
  return setups;
}
