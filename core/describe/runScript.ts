import { run } from '../behaviour/run';
import { PLUGGED_IN } from '../behaviour/useRuns';
import { statementsOf } from '../behaviour/statement';
import { parseSteps, upToStep } from '../behaviour/step';
import type { Evidence } from '../call/evidence';
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
  const wrong = evidence.flatMap((each) => (each.kind === 'statement' ? [each.steps] : []));
  const uses = diagram.uses ?? [];
  const use =
    uses.find(({ steps }) =>
      wrong.some((each) => steps === each || steps.startsWith(`${each},`)),
    ) ?? uses[0];
  const steps = use && parseSteps(diagram, use.steps);
  if (!use || !steps?.ok) return [];
  const results = run(diagram, steps.value);
  const all = statementsOf(diagram, results);
  // Plugging in is a step of its own where the use does not begin with power.
  const first = results.length - steps.value.length;
  const before = new Map<string, string>();
  return results.map((_, i) => {
    const now = all.filter(({ step }) => step === i);
    const happens = now
      .filter(({ subject, outcome }) => isNews(before.get(subject), outcome))
      .map(({ subject, outcome }) => sayDoing(diagram, subject, outcome));
    for (const { subject, outcome } of now) before.set(subject, outcome);
    const written = i < first ? PLUGGED_IN : upToStep(use.steps, i - first);
    return { does: sayLast(diagram, written), happens };
  });
}

/** Whether somebody who watches sees something new: what never ran is off, and what has stopped stays so. */
function isNews(before: string | undefined, now: string): boolean {
  if (now === 'off') return before !== undefined && !['off', 'stops', 'quits'].includes(before);
  return now !== (before ?? 'whole');
}
