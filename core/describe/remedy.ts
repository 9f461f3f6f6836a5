import type { Repair } from '../call/evidence';
import type { Diagram } from '../diagram/diagram';
import { drawnSetup } from '../diagram/setup';
import { modeOf, type Fault } from '../fault/fault';
import type { Remedy } from '../fault/mode';
import { movedByQuantity } from '../inference/setPoints';
import { conditionNamed } from './fault';

/** What to do about a fault, common practice; the maker's sheet and local codes go before it. */
export function remedyFor(diagram: Diagram, fault: Fault): Remedy {
  if ('actuator' in fault) {
    const { action = modeOf(fault.mode).remedy.says, causes = [] } =
      conditionNamed(diagram, fault) ?? {};
    const look = causes.length ? ` Look for: ${causes.join('; ')}.` : '';
    return { kind: 'outside', says: `${action}${look}` };
  }
  const part = 'part' in fault ? diagram.parts.find((each) => each.id === fault.part) : undefined;
  const { remedy } = modeOf(fault.mode);
  // What protects people is the maker's own, whatever else would fit.
  if (part?.kind === 'switch' && part.safety && remedy.kind === 'replace')
    return {
      kind: 'replace',
      says: 'Replace it by the maker’s own part, and prove it in every state.',
    };
  const limit = 'contact' in fault && movedByQuantity(diagram, fault) !== undefined;
  return limit
    ? { kind: 'replace', says: 'Replace it by the factory part: what stuck once sticks again.' }
    : remedy;
}

/** Whether what is done about some faults is a new part. */
export const isReplaced = (diagram: Diagram, faults: readonly Fault[]): boolean =>
  faults.some((each) => remedyFor(diagram, each).kind === 'replace');

/** What is said to have been done once a remedy was followed. */
export const DONE_BY: Record<Remedy['kind'], Repair['act']> = {
  replace: 'replace',
  clean: 'clean',
  reconnect: 'reconnect',
  adjust: 'adjust',
  'reset-and-watch': 'reset',
  outside: 'adjust',
};

/**
 * What is done about a group that no test tells apart, where it is the same for all of it: then that is done,
 * and it is read again. Undefined where they want different things.
 */
export function oneRemedy(diagram: Diagram, faults: readonly Fault[]): Remedy | undefined {
  const [first, ...others] = faults.map((each) => remedyFor(diagram, each));
  // A part that is bought for nothing is no common remedy, and nothing outside the unit is.
  if (!first || first.kind === 'replace' || first.kind === 'outside') return undefined;
  return others.every((each) => each.kind === first.kind) ? first : undefined;
}

/**
 * What must have been true for a reading of a limit, thermostat or pressure switch to count against
 * it: open can be right.
 */
export function conditionOf(diagram: Diagram, fault: Fault): string | undefined {
  const moved = movedByQuantity(diagram, fault);
  if (!moved?.part.setPoints) return undefined;
  const { quantity } = moved;
  const { rising, falling } = moved.part.setPoints;
  const state = drawnSetup(diagram).actuators[quantity.id];
  const value = typeof state === 'object' ? state.value : undefined;
  const { unit } = quantity;
  return `Holds if the ${quantity.name.toLowerCase()} was near ${value} ${unit} when it was read: it goes over at ${rising.at} ${unit} and back at ${falling.at} ${unit}.`;
}
