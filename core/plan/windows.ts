import type { Stand } from '../behaviour/run';
import type { StatementEvidence } from '../call/evidence';
import type { UnitPredictor } from '../inference/unitPredictor';
import { HEALTHY } from '../inference/entryLikelihood';

/** A window is long enough to be read in from so many seconds on, and soon enough up to so many. */
const LONG_ENOUGH = 4;
const SOON = 180;
/** How far into a window is read, at most; what is no further apart is one. */
const INTO = 5;
const APART = 3;
/** Windows of the good unit, and windows in all. */
const MOST = { good: 2, all: 4 };

/**
 * Seconds after the last of some steps at which a reading tells what none at the end does: those in
 * which a good unit runs the subject for a while (an igniter that glows), then those in which one that
 * does what was said stands as it does not at the end (a board that tries). The likeliest first.
 */
export function windows(
  { hypotheses }: UnitPredictor,
  { steps, subject, outcome }: Pick<StatementEvidence, 'steps' | 'subject' | 'outcome'>,
): number[] {
  const good = new Map<number, number>();
  const tried = new Map<number, number>();
  hypotheses.forEach(({ uses, prior }, i) => {
    const stands = uses.courses.get(steps)?.stands;
    if (!stands || (i !== HEALTHY && uses.outcomes.get(steps)?.get(subject) !== outcome)) return;
    const last = stands.at(-1)?.loads[subject];
    for (const { at, lasts, stand } of passing(stands)) {
      const second = Math.round(at + Math.min(INTO, lasts / 2));
      if (second > SOON) continue;
      if (i !== HEALTHY) tried.set(second, (tried.get(second) ?? 0) + prior);
      else if (stand.loads[subject] !== 'off' && stand.loads[subject] !== last)
        good.set(second, lasts);
    }
  });
  const seconds = [...likeliest(good).slice(0, MOST.good), ...likeliest(tried)];
  return seconds
    .filter((each, k) => !seconds.slice(0, k).some((one) => Math.abs(one - each) < APART))
    .slice(0, MOST.all);
}

/** Stands that pass, and are long enough to be read in. */
const passing = (stands: readonly Stand[]): { at: number; lasts: number; stand: Stand }[] =>
  stands
    // The last two are the last change and the end of the same stand.
    .slice(0, -2)
    .map((stand, k) => ({ at: stand.at, lasts: (stands[k + 1]?.at ?? 0) - stand.at, stand }))
    .filter(({ lasts }) => lasts >= LONG_ENOUGH);

const likeliest = (weighed: ReadonlyMap<number, number>): number[] =>
  [...weighed.keys()].sort((a, b) => (weighed.get(b) ?? 0) - (weighed.get(a) ?? 0));
