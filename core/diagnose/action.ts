import type { Diagram } from '../diagram/diagram';
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
  'contact' in fault && conditionOf(diagram, fault) !== undefined;

/**
 * What must have been true for a reading of a limit, thermostat or pressure switch to count against
 * it: open can be right.
 */
export function conditionOf(diagram: Diagram, fault: Fault): string | undefined {
  const part = 'part' in fault ? diagram.parts.find((each) => each.id === fault.part) : undefined;
  if (part?.kind !== 'switch') return undefined;
  const quantity = diagram.actuators.find((each) => each.id === part.actuator);
  if (quantity?.kind !== 'quantity') return undefined;
  const state = drawnSetup(diagram).actuators[quantity.id];
  const value = typeof state === 'object' ? state.value : undefined;
  if (!part.setPoints)
    return `Its set points are not known: measure the ${quantity.name.toLowerCase()} before it is condemned.`;
  const { rising, falling } = part.setPoints;
  const { unit } = quantity;
  return `Holds if the ${quantity.name.toLowerCase()} was near ${value} ${unit} when it was read: it goes over at ${rising.at} ${unit} and back at ${falling.at} ${unit}.`;
}
