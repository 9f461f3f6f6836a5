import type { Evidence, Repair } from '../call/evidence';
import type { ProofStep } from '../call/reading';
import type { Diagram } from '../diagram/diagram';
import type { RepairStanding, Run } from '../plan/repair';
import { nameSeen } from './outcome';
import { ACT_WORDS, nameOf, sayEvidence } from './unit';
import { capital, sayLast } from './use';

/** What was done, in a line: "Door switch replaced, lid switch adjusted". */
const sayRepairs = (diagram: Diagram, repairs: readonly Repair[]): string =>
  capital(
    [
      ...new Set(repairs.map((each) => `${nameOf(diagram, each.part)} ${ACT_WORDS[each.act]}`)),
    ].join(', '),
  );

/** A moment of use that has to be seen to go right. */
const sayRun = (diagram: Diagram, { steps, subject }: Run): string =>
  `${nameSeen(diagram, subject)} seen to go right: ${sayLast(diagram, steps)}`;

/** How many cells of each switch have to be read: "Lid switch: 2 cells to be read". */
function sayCells(diagram: Diagram, cells: readonly ProofStep[]): string[] {
  const parts = new Set(cells.map((each) => each.part));
  return [...parts].map((id) => {
    const count = cells.filter((each) => each.part === id).length;
    return `${nameOf(diagram, id)}: ${count} ${count === 1 ? 'cell' : 'cells'} of its table to be read`;
  });
}

/** What is missing before a repair is proved, in the order in which it is done: dead first, then used. */
export const missingOf = (diagram: Diagram, standing: RepairStanding): string[] =>
  standing.kind === 'half-proved'
    ? [...sayCells(diagram, standing.cells), ...standing.runs.map((each) => sayRun(diagram, each))]
    : [];

/** What it means that the complaint is there again after a repair: common practice. */
const MEANS: Partial<Record<Repair['act'], string>> = {
  replace:
    'The old part was not all of it: another one is bad, what killed it kills the new one too, or the new one is bad or wired otherwise. Read the new one alone, compare its wires with the map, then look elsewhere.',
  clean:
    'Cleaning was not enough: what is burnt comes back. Read it again before it is named, and look elsewhere when it reads good.',
  reconnect:
    'The connection was not all of it. Read through it once more, moved, then look elsewhere.',
  adjust:
    'It may not reach yet: read the switch by what moves it, and by hand, before looking elsewhere.',
  reset:
    'It went over again: the cause is still there. Do not reset it once more before that is found.',
  'put-back': 'Read what was put back once more, with its wires by the map, then look elsewhere.',
};

/**
 * How a repair stands, in a headline and what it means.
 * @param sure whether nothing else is suspected any more
 */
export function sayRepairStanding(
  diagram: Diagram,
  standing: RepairStanding,
  entries: readonly Evidence[],
  sure: boolean,
): { headline: string; means: string } {
  const done = sayRepairs(diagram, standing.repairs);
  switch (standing.kind) {
    case 'proved':
      if (!sure)
        return {
          headline: 'It goes right now',
          means: `${done}. What went wrong goes right, but little was read that speaks for this part: something else may come and go.`,
        };
      return {
        headline: 'Repair proved',
        means: `${done}. Every moment that went wrong goes right now.`,
      };
    case 'half-proved':
      return { headline: 'Half proved', means: `${done}. Still missing:` };
    case 'still-there': {
      const entry = entries.find((each) => each.id === standing.entry);
      const said = entry && sayEvidence(diagram, entry);
      const last = standing.repairs.at(-1)?.act ?? 'replace';
      return {
        headline: 'Still there: look elsewhere',
        means: `${done}, and still: ${said ? `${said.shown} (${said.what})` : 'it does wrong'}. ${MEANS[last] ?? ''}`,
      };
    }
  }
}
