import type { Diagram } from '../diagram/diagram';
import { drawnSetup } from '../diagram/setup';
import { modeOf, type Fault } from '../fault/fault';
import type { Remedy } from '../fault/mode';
import { movedByQuantity } from '../inference/setPoints';

/** What to do about a fault, common practice; the maker's sheet and local codes go before it. */
export function remedyFor(diagram: Diagram, fault: Fault): Remedy {
  const limit = 'contact' in fault && movedByQuantity(diagram, fault) !== undefined;
  return limit
    ? { kind: 'replace', says: 'Replace it by the factory part: what stuck once sticks again.' }
    : modeOf(fault.mode).remedy;
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
