import type { Outcome } from '../behaviour/statement';
import type { Diagram } from '../diagram/diagram';
import type { Finding } from '../diagram/lint';
import { partAt } from '../diagram/terminal';
import { meterWithLeads } from '../meter/meter';
import { findingsInEntry } from './entryFindings';
import { isRepairAct, type Evidence } from './evidence';
import type { Reading } from './reading';
import type { Refusal } from './refusal';
import { takenBack } from './takenBack';
import { shownIn, type LogEntry, type ReadingRecord } from './record';

/** An entry that cannot be used with the diagram as it is, and why. */
export interface SetAside {
  id: string;
  findings: Finding[];
}

/** What is known of a unit, and what in its log cannot be used. */
export interface KnownOfUnit {
  evidence: Evidence[];
  setAside: SetAside[];
}

/** What is known of the whole unit, oldest first, without what was taken back. */
export function evidenceOf(diagram: Diagram, entries: readonly LogEntry[]): KnownOfUnit {
  const gone = takenBack(entries);
  const known: KnownOfUnit = { evidence: [], setAside: [] };
  for (const entry of entries) {
    if (gone.has(entry.id)) continue;
    const findings = findingsInEntry(diagram, entry);
    if (findings.length) known.setAside.push({ id: entry.id, findings });
    else known.evidence.push(...asEvidence(entry));
  }
  return known;
}

/** What this visit does not allow, as far as it was not taken back. */
export function refusalsOf(entries: readonly LogEntry[]): (Refusal & { id: string })[] {
  const gone = takenBack(entries);
  return entries.flatMap(({ id, kind, body }) =>
    kind === 'refusal' && !gone.has(id) ? [{ id, ...body }] : [],
  );
}

function asEvidence(entry: LogEntry): Evidence[] {
  const { id } = entry;
  switch (entry.kind) {
    case 'statement':
      return [{ kind: 'statement', id, ...entry.body, outcome: entry.body.outcome as Outcome }];
    case 'look':
      return [{ kind: 'look', id, ...entry.body }];
    case 'sight':
      return [{ kind: 'sight', id, ...entry.body }];
    case 'measurement':
      return [{ kind: 'measurement', id, ...entry.body }];
    case 'act':
      return [{ kind: 'act', id, ...entry.body }];
    case 'reading': {
      const { from, to, setup, wiggle, steps, of = 'unit' } = entry.body;
      const shows = shownIn(entry.body);
      const taken = takenWith(entry.body);
      // A part on the bench says nothing of the unit.
      if (!shows || !taken || of === 'bench') return [];
      const live = steps === undefined ? {} : { steps };
      return [{ kind: 'reading', id, from, to, setup, ...live, shows, taken, of, wiggle }];
    }
    default:
      return [];
  }
}

const takenWith = ({ meter: id, leadOhms, range }: ReadingRecord): Reading['taken'] | undefined => {
  const meter = meterWithLeads(id, leadOhms);
  return meter && { meter, ...(range !== undefined && { range }) };
};

/** A reading of the log, as it is judged, with what is shown of it. */
export interface LoggedReading extends Reading {
  phoneAt: string;
  said: string;
  /** Taken back by a later entry: shown, but no evidence any more. */
  doubted: boolean;
}

/**
 * The readings of one switch since it was last repaired, oldest first, without those that cannot be used.
 * @param of the one in the unit, or one on the bench that may be fitted
 */
export function readingsOf(
  diagram: Diagram,
  entries: readonly LogEntry[],
  part: string,
  of?: 'bench',
): LoggedReading[] {
  const gone = takenBack(entries);
  const since = entries.findLastIndex(
    ({ id, kind, body }) =>
      kind === 'act' && body.part === part && isRepairAct(body.act) && !gone.has(id),
  );
  return entries.slice(since + 1).flatMap((entry): LoggedReading[] => {
    if (entry.kind !== 'reading' || entry.body.part !== part || entry.body.of !== of) return [];
    // Only what is read between its own terminals is a reading of the switch.
    if ([entry.body.from, entry.body.to].some((ref) => partAt(ref) !== part)) return [];
    const display = shownIn(entry.body);
    const taken = takenWith(entry.body);
    if (!display || display.kind === 'volts' || !taken) return [];
    if (findingsInEntry(diagram, entry).length) return [];
    const { from, to, setup, wiggle, lookedAgain, said } = entry.body;
    return [
      {
        id: entry.id,
        phoneAt: entry.phoneAt,
        part,
        from,
        to,
        setup,
        wiggle,
        lookedAgain,
        said,
        display,
        taken,
        doubted: gone.has(entry.id),
      },
    ];
  });
}
