import { oneOf } from '../chance';
import type { Diagram } from '../diagram/diagram';
import type { Setup } from '../diagram/setup';

/** Any position of every control, and any value up to 400 of every quantity: for tests that try whatever may be. */
export function anyPositions(diagram: Diagram, chance: () => number): Setup['actuators'] {
  const positions: Setup['actuators'] = {};
  for (const actuator of diagram.actuators)
    positions[actuator.id] =
      actuator.kind === 'quantity'
        ? { value: chance() * 400 }
        : oneOf(actuator.positions, chance).id;
  return positions;
}
