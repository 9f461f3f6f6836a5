import type { TwinFinding } from '../draft/twinTable';
import type { Diagram, SwitchPart } from '../diagram/diagram';
import { sayPosition } from './position';

/** Why a twin is not taken for good, as a sentence. */
export function sayTwinFinding(diagram: Diagram, part: SwitchPart, finding: TwinFinding): string {
  const pair =
    part.contacts.find(({ id }) => id === finding.contact)?.between.join('–') ?? finding.contact;
  switch (finding.kind) {
    case 'neither':
      return `${pair} reads neither closed nor open with ${sayPosition(diagram, part.actuator, finding.position)}: this one is not good, and makes no table.`;
    case 'contradiction':
      return `${pair} cannot be open with ${sayPosition(diagram, part.actuator, finding.position)}: other contacts that read closed join its two ends. Read it again.`;
    case 'never-changes':
      return `${pair} is ${finding.shows} in every position: stuck, or the control was not moved. Read it again before it is taken.`;
  }
}
