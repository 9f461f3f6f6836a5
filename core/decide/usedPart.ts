import { readingsOf } from '../call/log';
import type { LogEntry } from '../call/record';
import type { Diagram, SwitchPart } from '../diagram/diagram';
import { SwitchDiagnosis } from '../plan/switchDiagnosis';

/** How a used switch on the bench stands: it goes in only when every contact was seen closed and open. */
export type BenchStanding = 'not-read' | 'half' | 'good' | 'bad';

export function benchStanding(
  diagram: Diagram,
  part: SwitchPart,
  entries: readonly LogEntry[],
): BenchStanding {
  const readings = readingsOf(diagram, entries, part.id, 'bench').filter(({ doubted }) => !doubted);
  if (readings.length === 0) return 'not-read';
  const { state } = new SwitchDiagnosis(diagram, part).of(readings, 'quick');
  return state.verdict.kind === 'good' ? 'good' : state.verdict.kind === 'fault' ? 'bad' : 'half';
}
