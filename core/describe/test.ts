import type { Diagram, QuantityActuator, TerminalRef } from '../diagram/diagram';
import { drawnSetup, type Setup } from '../diagram/setup';
import { quantityOf } from '../inference/quantity';
import { sayPosition } from './position';
import type { UnitTest } from '../plan/unitTests';

/** A test in one sentence: what to do, with everything that must be true while it is done. */
export function sayTest(diagram: Diagram, test: UnitTest): string {
  const name = (id: string): string => diagram.parts.find((each) => each.id === id)?.name ?? id;
  const steps = (text: string): string => text.split(',').join(', ');
  switch (test.kind) {
    case 'look':
      return `look: ${diagram.looks?.find((each) => each.id === test.look)?.says ?? test.look}?`;
    case 'try': {
      const bridged = test.jumper ? `with a jumper ${between(...test.jumper)}, attended, ` : '';
      return `${bridged}try ${steps(test.steps)} and watch: ${name(test.subject)}`;
    }
    case 'measure': {
      const when = test.steps === undefined ? '' : ` after ${steps(test.steps)}`;
      const quantity = quantityOf(diagram, test.actuator);
      if (!quantity)
        return `live: current of ${name(test.actuator)}, a clamp around one of its wires put on dead${when}`;
      return `measure ${quantity.name.toLowerCase()} by ${INSTRUMENT[quantity.quantity]}${when}`;
    }
    case 'volt':
      return `live: volts ${between(test.from, test.to)}, clipped on dead, then ${steps(test.steps)}`;
    case 'ohm': {
      const moved = test.wiggle ? ['wiggled'] : [];
      return [
        `ohms ${between(test.from, test.to)}`,
        ...moved,
        ...saySetup(diagram, test.setup),
      ].join(', ');
    }
  }
}

/** What a quantity is measured with. */
export const INSTRUMENT: Record<QuantityActuator['quantity'], string> = {
  temperature: 'thermometer',
  pressure: 'gauge',
  airflow: 'vane or hand at the outlet',
  speed: 'counting turns',
  level: 'eye',
};

const between = (from: TerminalRef, to: TerminalRef): string => `${from} to ${to}`;

/** How a setup differs from the one that the sheet is drawn for. */
export function saySetup(diagram: Diagram, setup: Setup): string[] {
  const drawn = drawnSetup(diagram);
  const moved = Object.entries(setup.actuators).flatMap(([id, state]) =>
    typeof state === 'string' && state !== drawn.actuators[id]
      ? [sayPosition(diagram, id, state)]
      : [],
  );
  const held = Object.entries(setup.byHand).map(([id, position]) => {
    const part = diagram.parts.find((each) => each.id === id);
    const actuator = part?.kind === 'switch' ? part.actuator : id;
    return `${part?.name ?? id} moved by hand as with ${sayPosition(diagram, actuator, position)}`;
  });
  const lifted = setup.lifted.length ? [`wires off ${setup.lifted.join(' and ')}`] : [];
  return [...moved, ...held, ...lifted];
}
