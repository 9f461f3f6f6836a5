import type { Diagram } from '../diagram/diagram';
import { drawnSetup, sayPosition, type Setup } from '../diagram/setup';
import type { UnitTest } from './unitTests';

/** A test in one sentence: what to do, with everything that must be true while it is done. */
export function sayTest(diagram: Diagram, test: UnitTest): string {
  switch (test.kind) {
    case 'look':
      return `look: ${diagram.looks?.find((each) => each.id === test.look)?.says ?? test.look}?`;
    case 'try': {
      const name = diagram.parts.find((each) => each.id === test.subject)?.name ?? test.subject;
      return `try ${test.steps.split(',').join(', ')} and watch: ${name}`;
    }
    case 'ohm':
      return [`ohms ${test.from} to ${test.to}`, ...saySetup(diagram, test.setup)].join(', ');
  }
}

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
