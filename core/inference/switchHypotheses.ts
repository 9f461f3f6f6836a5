import type { Diagram, SwitchPart } from '../diagram/diagram';
import type { Fault } from '../fault/fault';
import { weightedFaults } from '../fault/faultList';
import { slipsFor, type Slip } from './slips';

/** One explanation of all the readings of a switch. */
export type SwitchHypothesis =
  | { kind: 'good'; prior: number }
  | { kind: 'fault'; prior: number; faults: [Fault, ...Fault[]] }
  | { kind: 'slip'; prior: number; slip: Slip };

/**
 * Weights before any reading, for a switch that is under suspicion: common practice, no source. That
 * of a fault is shared out over the faults by their shares of its failures.
 */
const PRIOR = { good: 0.5, fault: 0.42, slip: 0.08 };

/** Two faults in one switch are this much rarer than their product says for two units. */
const TOGETHER = 0.5;

interface SingleFault {
  fault: Fault;
  prior: number;
}

/** Every single fault that a switch can have, each with its weight. */
function singleFaults(diagram: Diagram, part: SwitchPart): SingleFault[] {
  const own = weightedFaults(diagram).filter(
    ({ suspect, fault, shows }) =>
      shows !== 'in-use' &&
      // What moves a relay that no hand moves is inside it: read dead, both are one.
      suspect === part.id &&
      !(part.handless && fault.mode === 'not-actuated'),
  );
  const whole = own.reduce((sum, each) => sum + each.share, 0);
  return own.map(({ fault, share }) => ({ fault, prior: (PRIOR.fault * share) / whole }));
}

/** Nothing is wrong with the switch. */
export const GOOD: SwitchHypothesis = { kind: 'good', prior: PRIOR.good };

/** Good, every single fault, and every slip. */
export function switchHypotheses(diagram: Diagram, part: SwitchPart): SwitchHypothesis[] {
  const slips = slipsFor(diagram, part);
  return [
    GOOD,
    ...singleFaults(diagram, part).map(({ fault, prior }): SwitchHypothesis => ({
      kind: 'fault',
      prior,
      faults: [fault],
    })),
    ...slips.map((slip): SwitchHypothesis => ({
      kind: 'slip',
      prior: PRIOR.slip / slips.length,
      slip,
    })),
  ];
}

/** Two contacts failed at once; only asked for where singles explain the readings badly. */
export function doubleFaults(diagram: Diagram, part: SwitchPart): SwitchHypothesis[] {
  const singles = singleFaults(diagram, part).filter(
    ({ fault }) => 'contact' in fault && fault.mode !== 'leaking',
  );
  return singles.flatMap((one, i) =>
    singles.slice(i + 1).flatMap((two): SwitchHypothesis[] => {
      const sameContact =
        'contact' in one.fault && 'contact' in two.fault && one.fault.contact === two.fault.contact;
      if (sameContact) return [];
      return [
        { kind: 'fault', prior: one.prior * two.prior * TOGETHER, faults: [one.fault, two.fault] },
      ];
    }),
  );
}
