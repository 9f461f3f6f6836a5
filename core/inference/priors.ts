import type { Diagram, Part } from '../diagram/diagram';
import { loopsOf } from '../diagram/loop';
import { isMillivolts } from '../diagram/millivolts';
import type { Fault } from '../fault/fault';
import { weightedFaults } from '../fault/faultList';
import { loopSuspect } from '../fault/place';

/** Nothing wrong in this unit: a customer's error, the house, another branch. From memory. */
export const NOTHING = 0.05;

/** Weights of whole parts where the diagram has none: common practice, no source. */
const PART_WEIGHT: Record<Part['kind'] | 'supply' | 'wire' | 'quantity' | 'loop', number> = {
  switch: 1,
  load: 1,
  protector: 1,
  board: 1,
  connection: 0.3,
  hardware: 0.6,
  supply: 0.6,
  wire: 0.12,
  quantity: 1,
  loop: 2,
};

/** A low-voltage string has volts to spare, and is seldom worn as a whole. From memory. */
const STRING_WEIGHT = 0.5;

/** Every single fault that is weighed, and how probable it is before anything is known; with `NOTHING` they add up to 1. */
export function faultPriors(diagram: Diagram): { suspect: string; fault: Fault; prior: number }[] {
  const list = weightedFaults(diagram)
    .filter((each) => each.shows !== 'alone')
    .map(({ suspect, fault, share }) => ({
      suspect,
      fault,
      weight: wholeWeight(diagram, suspect) * share,
    }));
  const total = list.reduce((sum, each) => sum + each.weight, 0);
  return list.map(({ suspect, fault, weight }) => ({
    suspect,
    fault,
    prior: ((1 - NOTHING) * weight) / total,
  }));
}

/** How often a part, supply, wire or quantity fails at all, beside others. */
function wholeWeight(diagram: Diagram, suspect: string): number {
  const part = diagram.parts.find((each) => each.id === suspect);
  if (part) return part.prior?.weight ?? PART_WEIGHT[part.kind];
  const quantity = diagram.actuators.find((each) => each.id === suspect);
  if (quantity?.kind === 'quantity')
    return (
      (quantity.conditions ?? []).reduce((sum, { prior }) => sum + (prior?.weight ?? 0), 0) ||
      PART_WEIGHT.quantity
    );
  const source = diagram.supplies.find((each) => each.id === suspect);
  if (source?.prior) return source.prior.weight;
  const loop = loopsOf(diagram).find(({ source: { id } }) => loopSuspect(id) === suspect);
  if (loop) return isMillivolts(loop.circuit) ? PART_WEIGHT.loop : STRING_WEIGHT;
  return PART_WEIGHT[source ? 'supply' : 'wire'];
}
