import type { LoggedReading } from '../../../core/call/log';
import type { Diagram, SwitchPart } from '../../../core/diagram/diagram';
import { positionsOf } from '../../../core/diagram/setup';
import { coldPositions } from '../../../core/plan/proof';
import { SwitchDiagnosis } from '../../../core/plan/switchDiagnosis';

/** How one switch stands, in a word or two, for the list of a call. */
export interface SwitchStanding {
  label: string;
  tone: 'ink' | 'good' | 'bad' | 'warn';
  icon: 'circle' | 'check-circle' | 'x-octagon' | 'alert-circle' | 'eye';
}

/** @param readings those that still count, oldest first */
export function switchStanding(
  diagram: Diagram,
  part: SwitchPart,
  readings: readonly LoggedReading[],
): SwitchStanding {
  if (readings.length === 0) return { label: 'Not read', tone: 'ink', icon: 'circle' };
  const { state } = new SwitchDiagnosis(diagram, part).of(readings, 'quick');
  switch (state.verdict.kind) {
    case 'good':
      if (coldPositions(diagram, part).length < positionsOf(diagram, part).length)
        return { label: 'Good at rest', tone: 'warn', icon: 'alert-circle' };
      return { label: 'Good', tone: 'good', icon: 'check-circle' };
    case 'half-proved':
      return {
        label: `Half proved, ${state.seen.size} of ${state.proof.length}`,
        tone: 'warn',
        icon: 'alert-circle',
      };
    case 'fault':
      return { label: 'Bad', tone: 'bad', icon: 'x-octagon' };
    case 'check-again':
      return { label: 'Look again', tone: 'warn', icon: 'eye' };
    case 'undecided':
      return { label: 'Something is off', tone: 'warn', icon: 'alert-circle' };
  }
}
