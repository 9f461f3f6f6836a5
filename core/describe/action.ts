import type { Diagram, QuantityActuator, SwitchPart } from '../diagram/diagram';
import { drawnSetup } from '../diagram/setup';
import type { Fault } from '../fault/modes';

/** What is done about a fault; "not a part" where a wire, an actuator or the house is to be put right. */
export interface Action {
  kind: 'replace' | 'reset-and-watch' | 'adjust' | 'reconnect' | 'outside';
  says: string;
}

/** What to do about a fault, common practice; the maker's sheet and local codes go before it. */
export function actionFor(diagram: Diagram, fault: Fault): Action {
  switch (fault.mode) {
    case 'wire-open':
    case 'wire-off':
    case 'loose':
      return {
        kind: 'reconnect',
        says: 'Not a part: make the wire or its terminal good, and look why it got hot or loose.',
      };
    case 'not-actuated':
    case 'broken':
      return {
        kind: 'adjust',
        says: 'Not the switch itself: find what does not reach it, its bracket, lever, tube or driver.',
      };
    case 'tripped':
      return {
        kind: 'reset-and-watch',
        says: 'Find the cause, then reset it and watch a whole run.',
      };
    case 'blown':
      return { kind: 'replace', says: 'Replace it by the same rating, and find the cause first.' };
    case 'dead':
    case 'dead-leg':
    case 'weak':
      return {
        kind: 'outside',
        says: 'The cause is outside the unit: outlet, breaker, fuse or source.',
      };
    case 'no-output':
      return { kind: 'replace', says: 'Replace the board, once its supply and inputs are proved.' };
    case 'to-frame':
      return { kind: 'replace', says: 'Replace it, and do not run the unit before that.' };
    default:
      return isLimit(diagram, fault)
        ? { kind: 'replace', says: 'Replace it by the factory part: what stuck once sticks again.' }
        : { kind: 'replace', says: 'Replace it by a part of the same kind and rating.' };
  }
}

const isLimit = (diagram: Diagram, fault: Fault): boolean =>
  'contact' in fault && movedByQuantity(diagram, fault) !== undefined;

/** The switch that a fault is of and the quantity that moves it; undefined for any other. */
function movedByQuantity(
  diagram: Diagram,
  fault: Fault,
): { part: SwitchPart; quantity: QuantityActuator } | undefined {
  const part = 'part' in fault ? diagram.parts.find((each) => each.id === fault.part) : undefined;
  if (part?.kind !== 'switch') return undefined;
  const quantity = diagram.actuators.find((each) => each.id === part.actuator);
  return quantity?.kind === 'quantity' ? { part, quantity } : undefined;
}

/** Whether nobody knows when the contact should open or close: that blocks the verdict. */
export function setPointsMissing(diagram: Diagram, fault: Fault): boolean {
  const moved = 'contact' in fault ? movedByQuantity(diagram, fault) : undefined;
  return moved !== undefined && !moved.part.setPoints;
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
