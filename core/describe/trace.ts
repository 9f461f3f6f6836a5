import type { TraceSetup } from '../draft/fieldTrace';
import type { Diagram } from '../diagram/diagram';
import { nameOfOwner } from './fault';
import { sayPosition } from './position';

/** How the unit stands while a reading of a trace is taken. */
export function sayTraceSetup(diagram: Diagram, { moved, out }: TraceSetup): string {
  if (moved) return `${sayPosition(diagram, moved.actuator, moved.position)}, all else as it stood`;
  if (out) return `${nameOfOwner(diagram, out) ?? 'the part'} taken out, its wires held apart`;
  return 'all as it stood, everything dead';
}
