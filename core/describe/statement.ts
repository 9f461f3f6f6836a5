import type { StepResult } from '../behaviour/run';
import type { Statement } from '../behaviour/statement';
import type { Diagram } from '../diagram/diagram';

/** "Drive motor stops (start=released)". */
export function sayStatement(
  diagram: Diagram,
  results: readonly StepResult[],
  { step, subject, outcome }: Statement,
): string {
  const name =
    diagram.parts.find((each) => each.id === subject)?.name ??
    diagram.supplies.find((each) => each.id === subject)?.name ??
    subject;
  const text =
    outcome === 'opens' && diagram.supplies.some((each) => each.id === subject)
      ? 'trips its breaker'
      : outcome;
  return `${name} ${text} (${results[step]?.step ?? step})`;
}
