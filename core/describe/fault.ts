import type { Condition, Diagram, SwitchPart } from '../diagram/diagram';
import { loopsOf } from '../diagram/loop';
import { sayPoints } from './point';
import { owners } from '../diagram/terminal';
import { MODES, ownerOf, type Fault } from '../fault/fault';
import { loopSuspect } from '../fault/place';

/** A part, supply, wire or quantity by its id, as a person would call it; undefined for what is not there. */
export function nameOfOwner(diagram: Diagram, id: string): string | undefined {
  const wire = diagram.wires.find((each) => each.id === id);
  if (wire) return `Wire ${wire.colour}, ${sayPoints(diagram, wire.from, wire.to)}`;
  const loop = loopsOf(diagram).find(({ source }) => loopSuspect(source.id) === id);
  if (loop) return `Loop of the ${loop.source.name.toLowerCase()}`;
  return [...owners(diagram), ...diagram.actuators].find((each) => each.id === id)?.name;
}

/** One fault in few words: "Door switch: stuck open (COM-NO)". */
export function nameFault(diagram: Diagram, fault: Fault): string {
  const id = ownerOf(fault);
  return `${nameOfOwner(diagram, id) ?? id}: ${sayModeIn(diagram, fault)}`;
}

/** The same without the name, in the words of the diagram where it has some. */
export const sayModeIn = (diagram: Diagram, fault: Fault): string => {
  const condition = conditionNamed(diagram, fault);
  return condition ? condition.says : sayMode(fault);
};

/** What is wrong, and where inside its part: "stuck open (COM-NO)". */
export function sayMode(fault: Fault): string {
  const inside = insideOf(fault);
  return `${MODES[fault.mode].says}${inside === undefined ? '' : ` (${inside})`}`;
}

/** Several faults of one part, or of several wires, each kind once: "stuck open (L1-H1, L2-H2)", "broken (RD, BU)". */
export function sayModesIn(diagram: Diagram, faults: readonly Fault[]): string[] {
  const places = new Map<string, Set<string>>();
  for (const fault of faults) {
    const says = conditionNamed(diagram, fault)?.says ?? MODES[fault.mode].says;
    const at = places.get(says) ?? new Set();
    places.set(says, at);
    const wire = 'wire' in fault && diagram.wires.find(({ id }) => id === fault.wire);
    const inside = wire ? wire.colour : insideOf(fault);
    if (inside !== undefined) at.add(inside);
  }
  return [...places].map(([says, at]) => (at.size ? `${says} (${[...at].join(', ')})` : says));
}

function insideOf(fault: Fault): string | undefined {
  if ('contact' in fault) return fault.contact;
  if ('element' in fault) return fault.element;
  if ('terminal' in fault) return fault.terminal;
  if ('between' in fault) return fault.between.join(' and ');
  if ('stays' in fault) return `stays ${fault.stays}`;
  if ('side' in fault) return `${fault.side} the set point of ${fault.beyond}`;
  return undefined;
}

/**
 * A fault of a switch that everybody knows is spoken of: "contact NO stuck open", "not actuated: it
 * stays as with the door open".
 */
export function sayFaultOfSwitch(
  part: SwitchPart,
  fault: Fault,
  sayPosition: (position: string) => string,
): string {
  const { says } = MODES[fault.mode];
  if ('stays' in fault) return `${says}: it stays as with ${sayPosition(fault.stays)}`;
  if ('between' in fault) return `${says}: ${fault.between.join(' and ')}`;
  if ('contact' in fault)
    return part.contacts.length > 1 ? `contact ${fault.contact} ${says}` : says;
  return says;
}

/** What is known to be wrong where a quantity is out of place; undefined where the diagram does not say. */
export const conditionNamed = (diagram: Diagram, fault: Fault): Condition | undefined => {
  if (!('actuator' in fault)) return undefined;
  const quantity = diagram.actuators.find((each) => each.id === fault.actuator);
  return quantity?.kind === 'quantity'
    ? quantity.conditions?.find(
        ({ beyond, side }) => beyond === fault.beyond && side === fault.side,
      )
    : undefined;
};
