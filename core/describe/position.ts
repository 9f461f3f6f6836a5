import type { Diagram } from '../diagram/diagram';

/** How a person would say the position: "door closed", "temperature above the set point". */
export function sayPosition(diagram: Diagram, actuatorId: string, position: string): string {
  const actuator = diagram.actuators.find((each) => each.id === actuatorId);
  if (!actuator) return position;
  if (actuator.kind === 'quantity') return `${actuator.name} ${position} the set point`;
  return actuator.positions.find((each) => each.id === position)?.name ?? position;
}
