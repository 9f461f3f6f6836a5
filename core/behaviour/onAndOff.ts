import type { Diagram } from '../diagram/diagram';
import { run } from './run';
import { saidBeside, statementsOf, type Outcome } from './statement';
import { parseSteps } from './step';

/** What a clock told of a load: for how long it is on at a time, and for how long off, in seconds; 0 for never. */
export interface OnAndOff {
  on: number;
  off: number;
}

/** Share of the time that it is on, from 0 to 1. */
export const shareOn = ({ on, off }: OnAndOff): number => on / (on + off);

/**
 * What a load does that a clock was held to, as it is said of a unit; undefined where it was on for no time and off for none,
 * or the steps cannot be read.
 */
export function outcomeByClock(
  diagram: Diagram,
  steps: string,
  subject: string,
  { on, off }: OnAndOff,
): Outcome | undefined {
  const parsed = parseSteps(diagram, steps);
  if (!parsed.ok || on + off <= 0) return undefined;
  const does: Outcome = off === 0 ? 'runs' : on === 0 ? 'off' : 'cycles';
  const results = run(diagram, parsed.value);
  const last = results.length - 1;
  const good = statementsOf(diagram, results).find(
    (each) => each.step === last && each.subject === subject,
  );
  return saidBeside(diagram, subject, does, good?.outcome);
}
