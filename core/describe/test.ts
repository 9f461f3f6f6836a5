import { alike, type Outcome } from '../behaviour/statement';
import type { Diagram, QuantityActuator } from '../diagram/diagram';
import { drawnSetup, type Setup } from '../diagram/setup';
import { quantityOf } from '../inference/quantity';
import { sayPoints, sayTerminals } from './point';
import { sayUse } from './use';
import { sayPosition } from './position';
import type { AskTest, UnitTest } from '../plan/unitTests';
import { nameSeen, sayDoing, sayOutcome } from './outcome';

/** A test in one sentence: what to do, with everything that must be true while it is done. */
export function sayTest(diagram: Diagram, test: UnitTest): string {
  switch (test.kind) {
    case 'look':
      return `look: ${diagram.looks?.find((each) => each.id === test.look)?.says ?? test.look}?`;
    case 'try': {
      const bridged = test.jumper
        ? `with a jumper ${sayPoints(diagram, ...test.jumper)}, attended, `
        : '';
      return `${bridged}try ${sayUse(diagram, test.steps)} and watch: ${nameOf(diagram, test.subject)}`;
    }
    case 'ask':
      return `ask the customer: ${sayUse(diagram, test.steps)}: ${sayQuestion(diagram, test)}`;
    case 'measure': {
      const when = test.steps === undefined ? '' : ` after ${sayUse(diagram, test.steps)}`;
      const quantity = quantityOf(diagram, test.actuator);
      if (!quantity)
        return `live: current of ${nameOf(diagram, test.actuator)}, a clamp around one of its wires put on dead${when}`;
      return `measure ${quantity.name.toLowerCase()} by ${INSTRUMENT[quantity.quantity]}${when}`;
    }
    case 'volt':
      return `live: volts ${sayPoints(diagram, test.from, test.to)}, clipped on dead, then ${sayUse(diagram, test.steps)}`;
    case 'ohm': {
      const moved = test.wiggle ? ['wiggled'] : [];
      return [
        `ohms ${sayPoints(diagram, test.from, test.to)}`,
        ...moved,
        ...saySetup(diagram, test.setup),
      ].join(', ');
    }
  }
}

/** What is asked: "Drum turns?"; of a fuse or a breaker, whether it tripped. */
export const sayQuestion = (diagram: Diagram, { subject, expected }: AskTest): string =>
  expected === 'whole'
    ? `${nameSeen(diagram, subject)} ${sayOutcome(diagram, subject, 'opens')}?`
    : `${sayDoing(diagram, subject, expected)}?`;

/** An answer to it: "No, does not turn". */
export function sayAnswer(
  diagram: Diagram,
  { subject, expected }: AskTest,
  answer: Outcome,
): string {
  // Of a breaker it is asked whether it tripped: that it stayed whole is the no.
  const yes = alike(answer, expected) === (expected !== 'whole');
  const does = answer.startsWith('says ')
    ? answer.slice('says '.length)
    : sayOutcome(diagram, subject, answer);
  return `${yes ? 'Yes' : 'No'}, ${does}`;
}

const nameOf = (diagram: Diagram, id: string): string =>
  diagram.parts.find((each) => each.id === id)?.name ?? id;

/** What a quantity is measured with. */
export const INSTRUMENT: Record<QuantityActuator['quantity'], string> = {
  temperature: 'thermometer',
  pressure: 'gauge',
  airflow: 'vane or hand at the outlet',
  speed: 'counting turns',
  level: 'eye',
};

/** How a setup differs from the one that the sheet is drawn for. @param shown part that stands beside it anyway */
export function saySetup(diagram: Diagram, setup: Setup, shown?: string): string[] {
  const drawn = drawnSetup(diagram);
  const moved = Object.entries(setup.actuators).flatMap(([id, state]) =>
    typeof state === 'string' && state !== drawn.actuators[id]
      ? [sayPosition(diagram, id, state)]
      : [],
  );
  const held = Object.entries(setup.byHand).map(([id, position]) => {
    const part = diagram.parts.find((each) => each.id === id);
    const actuator = part?.kind === 'switch' ? part.actuator : id;
    return `${nameOf(diagram, id)} moved by hand as with ${sayPosition(diagram, actuator, position)}`;
  });
  return [...moved, ...held, ...sayChanges(diagram, setup, shown)];
}

/** Wires that are lifted, parts that are out and jumpers that are on. */
export function sayChanges(diagram: Diagram, setup: Setup, shown?: string): string[] {
  const lifted = setup.lifted.length
    ? [`wires off ${sayTerminals(diagram, setup.lifted, shown)}`]
    : [];
  const out = setup.partsOut.map((id) => `${nameOf(diagram, id)} out`);
  const jumpers = setup.jumpers.map((pair) => `jumper ${sayPoints(diagram, ...pair)}`);
  return [...lifted, ...out, ...jumpers];
}
