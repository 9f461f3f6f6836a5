import { run } from '../behaviour/run';
import { PLUGGED_IN } from '../behaviour/useRuns';
import { alike, statementsOf, type Outcome } from '../behaviour/statement';
import { parseSteps, upToStep } from '../behaviour/step';
import type { Evidence, StatementEvidence } from '../call/evidence';
import type { Diagram, Energy } from '../diagram/diagram';
import { sayDoing } from './outcome';
import { sayLast } from './use';

/** One step of a run, with what must change there. */
export interface RunStep {
  does: string;
  happens: string[];
}

/** What has to be in it while it runs: common practice. */
const LOAD: Partial<Record<Energy, string>> = {
  microwaves: 'A cup of water in the cavity: never run empty.',
  water: 'With water in it: dry it does not do what it does in use.',
};
const ANY_LOAD = 'With the right load in it, as it is used.';

export const sayRunLoad = (diagram: Diagram): string =>
  (diagram.energies ?? []).flatMap((each) => LOAD[each] ?? [])[0] ?? ANY_LOAD;

/**
 * The run that proves a repair: the use in which it did wrong, or the first that the diagram names, each step with what a good
 * unit changes there. Empty for a unit without uses.
 */
export function runScript(diagram: Diagram, evidence: readonly Evidence[]): RunStep[] {
  const told = evidence.filter(
    (each): each is StatementEvidence => each.kind === 'statement' && !each.jumper,
  );
  const runs = (diagram.uses ?? []).flatMap(({ steps }) => goodRun(diagram, steps));
  const wrong = ({ does }: GoodRun): boolean =>
    told.some(({ steps, subject, outcome }) => {
      const good = does.find((each) => each.steps === steps && each.subject === subject)?.outcome;
      return good !== undefined && !alike(good, outcome);
    });
  const { does = [] } = runs.find(wrong) ?? runs[0] ?? {};
  const before = new Map<string, Outcome>();
  return [...new Set(does.map(({ steps }) => steps))].map((steps) => {
    const now = does.filter((each) => each.steps === steps);
    const happens = now
      .filter(({ subject, outcome }) => isNews(before.get(subject), outcome))
      .map(({ subject, outcome }) => sayDoing(diagram, subject, outcome));
    for (const { subject, outcome } of now) before.set(subject, outcome);
    return { does: sayLast(diagram, steps), happens };
  });
}

/** What a good unit does through one use, each by the steps as they are written up to it. */
interface GoodRun {
  does: { steps: string; subject: string; outcome: Outcome }[];
}

function goodRun(diagram: Diagram, written: string): GoodRun[] {
  const steps = parseSteps(diagram, written);
  if (!steps.ok) return [];
  const results = run(diagram, steps.value);
  // Plugging in is a step of its own where the use does not begin with power.
  const first = results.length - steps.value.length;
  const does = statementsOf(diagram, results).map(({ step, subject, outcome }) => ({
    steps: step < first ? PLUGGED_IN : upToStep(written, step - first),
    subject,
    outcome,
  }));
  return [{ does }];
}

/** Whether somebody who watches sees something new: what never ran is off, and what has stopped stays so. */
function isNews(before: Outcome | undefined, now: Outcome): boolean {
  if (now === 'off') return before !== undefined && !['off', 'stops', 'quits'].includes(before);
  return now !== (before ?? 'whole');
}
