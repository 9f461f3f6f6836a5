import { parseSteps, upToStep } from '../../../core/behaviour/step';
import type { Outcome } from '../../../core/behaviour/statement';
import type { Evidence } from '../../../core/diagnose/evidence';
import type { Diagram } from '../../../core/diagram/diagram';
import { sayPosition } from '../../../core/diagram/setup';
import { owners } from '../../../core/diagram/terminal';
import { sayDisplay } from '../../../core/meter/display';
import { nameFault } from '../../../core/fault/modes';
import { saySetup } from '../../../core/plan/sayTest';
import type { ShownSuspect } from '../../workers/diagnosis';

export const capital = (text: string): string => text.replace(/^./, (first) => first.toUpperCase());

export const nameOf = (diagram: Diagram, id: string | undefined): string => {
  const wire = diagram.wires.find((each) => each.id === id);
  if (wire) return `Wire ${wire.colour}, ${wire.from} to ${wire.to}`;
  return owners(diagram).find((each) => each.id === id)?.name ?? 'Nothing wrong in this unit';
};

export const sayFaultOf = (diagram: Diagram, { fault }: ShownSuspect): string =>
  fault ? nameFault(diagram, fault).replace(/^[^:]*: /, '') : 'look at the house and at the use';

/** What a load can be said to do. */
export const OUTCOMES: [Outcome, string][] = [
  ['off', 'does not run'],
  ['runs', 'runs'],
  ['quits', 'starts, then quits'],
  ['hums', 'only hums'],
  ['weak', 'runs weakly'],
];

/** What can be seen of a subject: a load's doings, or what a board says. */
export function outcomesOf(diagram: Diagram, subject: string): [Outcome, string][] {
  const board = diagram.parts.find((part) => part.id === subject);
  if (board?.kind !== 'board') return OUTCOMES;
  const says = new Set(board.logic?.states.map((state) => state.says));
  return [
    ['off', 'is dead'],
    ...[...says].map((text): [Outcome, string] => [`says ${text}`, text]),
  ];
}

const sayOutcome = (outcome: Outcome): string =>
  OUTCOMES.find(([each]) => each === outcome)?.[1] ?? outcome;

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
      return `${nameOf(diagram, does.actuator)} at ${does.value}`;
    case 'power':
      return does.on ? 'Plugged in' : 'Unplugged';
    case 'reset':
      return `${nameOf(diagram, does.part)} reset`;
    case undefined:
      return steps;
  }
}

/** One entry in two short lines: what was done, and what it showed. */
export function sayEvidence(diagram: Diagram, entry: Evidence): { what: string; shown: string } {
  switch (entry.kind) {
    case 'statement':
      return {
        what: `${sayLast(diagram, entry.steps)}, ${entry.source}`,
        shown: `${nameOf(diagram, entry.subject)} ${sayOutcome(entry.outcome)}`,
      };
    case 'look':
      return {
        what: diagram.looks?.find((each) => each.id === entry.look)?.says ?? entry.look,
        shown: entry.found ? 'found' : 'looked, nothing',
      };
    case 'act':
      return { what: nameOf(diagram, entry.part), shown: entry.act };
    case 'reading':
      return {
        what: [`${entry.from} to ${entry.to}`, ...saySetup(diagram, entry.setup)].join(', '),
        shown: entry.shows.kind === 'volts' ? `${entry.shows.volts} V` : sayDisplay(entry.shows),
      };
  }
}
