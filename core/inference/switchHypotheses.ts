import type { Diagram, SwitchPart } from '../diagram/diagram';
import { neverPairs } from '../diagram/contactTable';
import { positionsOf } from '../diagram/setup';
import { switches } from '../diagram/terminal';
import { LEAKING_OHMS, METAL_BRIDGE_OHMS, RESISTIVE_OHMS, type Fault } from '../fault/modes';

/** A setup that people believe they are in while they are in another. */
export type Slip =
  | { kind: 'swapped'; actuator: string; positions: [string, string] }
  | { kind: 'one-step-off'; actuator: string; step: 1 | -1 }
  | { kind: 'neighbour'; part: string; terminals: [string, string] }
  | { kind: 'twin'; part: string; twin: string }
  | { kind: 'wires-on'; part: string };

/** One explanation of all the readings of a switch. */
export type SwitchHypothesis =
  | { kind: 'good'; prior: number }
  | { kind: 'fault'; prior: number; faults: [Fault, ...Fault[]] }
  | { kind: 'slip'; prior: number; slip: Slip };

/**
 * Weights before any reading, for a switch that is under suspicion: common practice, no source.
 * They are shared out over the places where each can happen.
 */
const PRIOR = {
  good: 0.5,
  'stuck-open': 0.12,
  'stuck-closed': 0.08,
  resistive: 0.08,
  intermittent: 0.05,
  'not-actuated': 0.06,
  leaking: 0.02,
  bridged: 0.01,
  slip: 0.08,
} as const;

/** Two faults in one switch are this much rarer than their product says for two units. */
const TOGETHER = 0.5;

const CONTACT_MODES = [
  'stuck-open',
  'stuck-closed',
  'resistive',
  'leaking',
  'intermittent',
] as const;

/** Every single fault that a switch can have, each with its weight. */
export function singleFaults(
  diagram: Diagram,
  part: SwitchPart,
): { fault: Fault; prior: number }[] {
  const list: { fault: Fault; prior: number }[] = [];
  for (const contact of part.contacts) {
    const place = { part: part.id, contact: contact.id };
    for (const mode of CONTACT_MODES) {
      const prior = PRIOR[mode] / part.contacts.length;
      if (mode === 'resistive')
        list.push({ fault: { mode, ...place, ohms: RESISTIVE_OHMS }, prior });
      else if (mode === 'leaking')
        list.push({ fault: { mode, ...place, ohms: LEAKING_OHMS }, prior });
      else list.push({ fault: { mode, ...place }, prior });
    }
  }
  const pairs = neverPairs(part);
  for (const between of pairs) {
    for (const ohms of [METAL_BRIDGE_OHMS, LEAKING_OHMS]) {
      const prior = PRIOR.bridged / pairs.length / 2;
      list.push({ fault: { mode: 'bridged', part: part.id, between, ohms }, prior });
    }
  }
  const positions = positionsOf(diagram, part);
  for (const stays of positions) {
    // What nothing moves stays in its free position far more often than in another.
    const weight = stays === part.free ? 0.8 : 0.2 / Math.max(1, positions.length - 1);
    list.push({
      fault: { mode: 'not-actuated', part: part.id, stays },
      prior: PRIOR['not-actuated'] * weight,
    });
  }
  return list;
}

/** Nothing is wrong with the switch. */
export const GOOD: SwitchHypothesis = { kind: 'good', prior: PRIOR.good };

/** Good, every single fault, and every slip. */
export function hypothesesFor(diagram: Diagram, part: SwitchPart): SwitchHypothesis[] {
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

function slipsFor(diagram: Diagram, part: SwitchPart): Slip[] {
  const positions = positionsOf(diagram, part);
  const slips: Slip[] = [{ kind: 'wires-on', part: part.id }];
  const actuator = part.actuator;
  if (positions.length <= 3) {
    positions.forEach((a, i) => {
      for (const b of positions.slice(i + 1))
        slips.push({ kind: 'swapped', actuator, positions: [a, b] });
    });
  } else {
    slips.push(
      { kind: 'one-step-off', actuator, step: 1 },
      { kind: 'one-step-off', actuator, step: -1 },
    );
  }
  part.terminals.forEach((terminal, i) => {
    const next = part.terminals[i + 1];
    if (next && part.terminals.length > 2) {
      slips.push({ kind: 'neighbour', part: part.id, terminals: [terminal.id, next.id] });
    }
  });
  const names = new Set(part.terminals.map((terminal) => terminal.id));
  for (const other of switches(diagram)) {
    const alike =
      other.terminals.length === names.size && other.terminals.every((each) => names.has(each.id));
    if (other.id !== part.id && alike) slips.push({ kind: 'twin', part: part.id, twin: other.id });
  }
  return slips;
}
