import { drawnSetup } from '../diagram/setup';
import { Solver } from './machine';
import { runWhole, type Course } from './run';
import { statementsOf, type Outcome } from './statement';
import { parseSteps, upToStep, type Step } from './step';
import type { Diagram } from '../diagram/diagram';
import type { Fault } from '../fault/fault';

/** What one unit does in all the uses that its diagram names. */
export interface UseRun {
  /** By the steps as written, the last being the one that is watched: each subject's outcome. */
  outcomes: Map<string, Map<string, Outcome>>;
  /** What is open for good after one of the uses. */
  opened: Set<string>;
  /** By the same steps: how the unit stands through the last of them. */
  courses: Map<string, Course>;
}

/** Runs a unit through its uses, once for all that is asked of them. */
export class UseRuns {
  private readonly uses: { written: string; steps: Step[] }[];

  private readonly known = new Map<string, UseRun>();

  constructor(private readonly diagram: Diagram) {
    this.uses = (diagram.uses ?? []).flatMap((use) => {
      const parsed = parseSteps(diagram, use.steps);
      return parsed.ok ? [{ written: use.steps, steps: parsed.value }] : [];
    });
  }

  of(faults: readonly Fault[]): UseRun {
    const key = JSON.stringify(faults);
    const known = this.known.get(key) ?? this.runs(faults);
    this.known.set(key, known);
    return known;
  }

  private runs(faults: readonly Fault[]): UseRun {
    const outcomes: UseRun['outcomes'] = new Map();
    const opened = new Set<string>();
    const courses: UseRun['courses'] = new Map();
    // Uses begin alike, and come through the same states.
    const solver = new Solver(this.diagram, faults);
    const from = drawnSetup(this.diagram);
    for (const { written, steps } of this.uses) {
      const { results, courses: each } = runWhole(this.diagram, steps, faults, from, solver);
      // Plugging in is a step of its own where the use does not begin with power.
      const before = results.length - steps.length;
      const textOf = (step: number): string =>
        step < before ? PLUGGED_IN : upToStep(written, step - before);
      each.forEach((course, step) => courses.set(textOf(step), course));
      for (const { step, subject, outcome } of statementsOf(this.diagram, results)) {
        const text = textOf(step);
        const known = outcomes.get(text) ?? new Map<string, Outcome>();
        known.set(subject, outcome);
        outcomes.set(text, known);
      }
      for (const id of results.at(-1)?.moments.at(-1)?.opened ?? []) opened.add(id);
    }
    return { outcomes, opened, courses };
  }
}

/** How plugging the unit in is written. */
export const PLUGGED_IN = 'power=on';
