import { parseSteps, splitWait, upToStep } from '../behaviour/step';
import type { Diagram } from '../diagram/diagram';
import { nameOfOwner } from './fault';
import { sayPosition } from './position';

export const capital = (text: string): string => text.replace(/^./, (first) => first.toUpperCase());

/** What is done with the unit, step by step: "plugged in, START held". */
export function sayUse(diagram: Diagram, steps: string): string {
  const parsed = parseSteps(diagram, steps);
  if (!parsed.ok) return steps;
  const said = parsed.value.map((_, i) => sayLast(diagram, upToStep(steps, i)));
  return ['Plugged in', ...said.filter((each) => each !== 'Plugged in')].join(', ');
}

/** The steps of a use that can be spoken of, each up to itself. */
export function momentsOf(diagram: Diagram): { steps: string; says: string }[] {
  return (diagram.uses ?? []).flatMap((use) => {
    const parsed = parseSteps(diagram, use.steps);
    if (!parsed.ok) return [];
    return parsed.value.map((_, i) => {
      const steps = upToStep(use.steps, i);
      return { steps, says: sayLast(diagram, steps) };
    });
  });
}

/** The last of some steps, as a moment: "START held". */
export function sayLast(diagram: Diagram, steps: string): string {
  const parsed = parseSteps(diagram, steps);
  const does = parsed.ok ? parsed.value.at(-1)?.does : undefined;
  switch (does?.kind) {
    case 'move':
      return capital(sayPosition(diagram, does.actuator, does.position));
    case 'set':
      return `${nameOfOwner(diagram, does.actuator) ?? does.actuator} at ${does.value}`;
    case 'power':
      return does.on ? 'Plugged in' : 'Unplugged';
    case 'reset':
      return `${nameOfOwner(diagram, does.part) ?? does.part} reset`;
    case undefined:
      return steps;
  }
}

/** How long after the last step a live reading was taken, where that was waited for. */
export function sayWait(steps: string): string {
  const { waits } = splitWait(steps);
  return waits ? `, after ${waits} s` : '';
}
