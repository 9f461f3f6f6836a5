import type { Diagram, QuantityActuator, SwitchPart } from '../diagram/diagram';
import type { Fault } from '../fault/fault';

/** The switch that a fault is of and the quantity that moves it; undefined for any other. */
export function movedByQuantity(
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
