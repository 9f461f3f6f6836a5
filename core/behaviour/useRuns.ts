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

/** What units with some faults do in all the uses, as it is kept: the first run whole, of the others what differs from it. */
export interface RunOutlines {
  /** Steps and a subject; everything below is said by place. */
  moments: [steps: string, subject: string][];
  does: string[];
  /** Faults as text; place of the moment and of what is done then, in turns; what was opened for good. */
  runs: { faults: string; differs: number[]; opened: string[] }[];
}

/** A run of which is kept what is noticed; how the unit stands through it is run anew when that is asked for. */
class OutlinedRun implements UseRun {
  private whole: UseRun | undefined;

  constructor(
    readonly outcomes: UseRun['outcomes'],
    readonly opened: UseRun['opened'],
    private readonly run: () => UseRun,
  ) {}

  get courses(): UseRun['courses'] {
    return (this.whole ??= this.run()).courses;
  }
}

/** Runs a unit through its uses, once for all that is asked of them. */
export class UseRuns {
  private readonly uses: { written: string; steps: Step[] }[];

  private readonly known = new Map<string, UseRun>();

  /** @param outlined what was run before; how the unit stands meanwhile is run anew where it is asked for */
  constructor(
    private readonly diagram: Diagram,
    outlined?: RunOutlines,
  ) {
    this.uses = (diagram.uses ?? []).flatMap((use) => {
      const parsed = parseSteps(diagram, use.steps);
      return parsed.ok ? [{ written: use.steps, steps: parsed.value }] : [];
    });
    if (outlined) this.take(outlined);
  }

  /** All that was run so far, without how the unit stands meanwhile. */
  outlines(): RunOutlines {
    const places = new Map<string, number>();
    const moments: RunOutlines['moments'] = [];
    const does: string[] = [];
    const doings = new Map<string, number>();
    const [first] = this.known.values();
    const runs = [...this.known].map(([faults, run]) => {
      const { outcomes, opened } = run;
      const differs: number[] = [];
      for (const [steps, of] of outcomes)
        for (const [subject, outcome] of of) {
          if (run !== first && first?.outcomes.get(steps)?.get(subject) === outcome) continue;
          const key = `${steps}|${subject}`;
          const place = places.get(key) ?? moments.push([steps, subject]) - 1;
          places.set(key, place);
          const doing = doings.get(outcome) ?? does.push(outcome) - 1;
          doings.set(outcome, doing);
          differs.push(place, doing);
        }
      return { faults, differs, opened: [...opened] };
    });
    return { moments, does, runs };
  }

  private take({ moments, does, runs }: RunOutlines): void {
    const [good] = runs;
    for (const { faults, differs, opened } of runs) {
      const outcomes: UseRun['outcomes'] = new Map();
      for (const list of good && good.faults !== faults ? [good.differs, differs] : [differs])
        for (let i = 0; i < list.length; i += 2) {
          const [steps, subject] = moments[list[i] ?? 0] ?? ['', ''];
          const at = outcomes.get(steps) ?? new Map<string, Outcome>();
          at.set(subject, does[list[i + 1] ?? 0] as Outcome);
          outcomes.set(steps, at);
        }
      const run = (): UseRun => this.runs(JSON.parse(faults) as Fault[]);
      this.known.set(faults, new OutlinedRun(outcomes, new Set(opened), run));
    }
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
