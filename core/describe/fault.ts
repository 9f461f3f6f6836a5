import type { Diagram, SwitchPart } from '../diagram/diagram';
import { owners } from '../diagram/terminal';
import { MODES, ownerOf, type Fault } from '../fault/fault';

/** A part, supply or wire by its id, as a person would call it; undefined for what is not there. */
export function nameOfOwner(diagram: Diagram, id: string): string | undefined {
  const wire = diagram.wires.find((each) => each.id === id);
  if (wire) return `Wire ${wire.colour}, ${wire.from} to ${wire.to}`;
  return owners(diagram).find((each) => each.id === id)?.name;
}

/** One fault in few words: "Door switch: stuck open (COM-NO)". */
export function nameFault(diagram: Diagram, fault: Fault): string {
  const id = ownerOf(fault);
  return `${nameOfOwner(diagram, id) ?? id}: ${sayMode(fault)}`;
}

/** What is wrong, and where inside its part: "stuck open (COM-NO)". */
export const sayMode = (fault: Fault): string => `${MODES[fault.mode].says}${sayInside(fault)}`;

function sayInside(fault: Fault): string {
  if ('contact' in fault) return ` (${fault.contact})`;
  if ('element' in fault) return ` (${fault.element})`;
  if ('terminal' in fault) return ` (${fault.terminal})`;
  if ('between' in fault) return ` (${fault.between.join(' and ')})`;
  if ('stays' in fault) return ` (stays ${fault.stays})`;
  return '';
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
