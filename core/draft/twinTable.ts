import { joinedBy } from '../diagram/contactTable';
import type { Diagram, SwitchPart } from '../diagram/diagram';
import { positionsOf } from '../diagram/setup';
import { changeSwitch } from './changePart';

/** What a contact of a good twin reads, alone: near zero, OL, or neither of them. */
export type TwinShows = 'closed' | 'open' | 'neither';

export interface TwinReading {
  position: string;
  contact: string;
  shows: TwinShows;
}

/** Why a twin is not taken for good, or is to be read again. */
export type TwinFinding =
  /** Ohms where there is neither a path nor none: burnt, or a film. */
  | { kind: 'neither'; position: string; contact: string }
  /** Metal joins the two ends by other contacts that were read closed: one of the readings is wrong. */
  | { kind: 'contradiction'; position: string; contact: string }
  /** A contact that nothing moves: stuck, or the knob was not turned. */
  | { kind: 'never-changes'; contact: string; shows: 'closed' | 'open' };

/** The next cell to be read: a position whole before the knob is moved on. Undefined once all are. */
export function nextCell(
  diagram: Diagram,
  part: SwitchPart,
  readings: readonly TwinReading[],
): { position: string; contact: string } | undefined {
  for (const position of positionsOf(diagram, part))
    for (const { id: contact } of part.contacts)
      if (!readings.some((each) => each.position === position && each.contact === contact))
        return { position, contact };
  return undefined;
}

/** What speaks against a twin, as far as it has been read. */
export function twinFindings(
  diagram: Diagram,
  part: SwitchPart,
  readings: readonly TwinReading[],
): TwinFinding[] {
  const findings: TwinFinding[] = [];
  const shown = (position: string, contact: string): TwinShows | undefined =>
    readings.find((each) => each.position === position && each.contact === contact)?.shows;
  const positions = positionsOf(diagram, part);
  for (const position of positions) {
    const group = joinedBy(part, ({ id }) => shown(position, id) === 'closed');
    for (const { id, between } of part.contacts) {
      const shows = shown(position, id);
      if (shows === 'neither') findings.push({ kind: 'neither', position, contact: id });
      if (shows === 'open' && group.get(between[0]) === group.get(between[1]))
        findings.push({ kind: 'contradiction', position, contact: id });
    }
  }
  if (nextCell(diagram, part, readings)) return findings;
  for (const { id } of part.contacts) {
    const seen = new Set(positions.map((position) => shown(position, id)));
    const [only] = seen;
    if (seen.size === 1 && (only === 'closed' || only === 'open'))
      findings.push({ kind: 'never-changes', contact: id, shows: only });
  }
  return findings;
}

/** The table that a twin shows, marked as proved. Only once all of it is read, and nothing reads neither closed nor open. */
export const withTwinTable = (
  draft: Diagram,
  id: string,
  readings: readonly TwinReading[],
): Diagram =>
  changeSwitch(draft, id, (part) => ({
    ...part,
    table: {
      known: 'proved',
      rows: positionsOf(draft, part).map((position) => ({
        position,
        closed: readings
          .filter((each) => each.position === position && each.shows === 'closed')
          .map((each) => each.contact),
      })),
    },
  }));
