import type { LogEntry, Records } from './record';

/** A line of a log with who entered it; nobody for what the server wrote, and for what is not sent yet. */
export type Signed = LogEntry & { by?: string };

/** Somebody who worked on a call. */
export interface WorkedBy {
  name: string;
  entries: number;
  /** When they last entered something, by their phone. */
  last: string;
}

/** Who worked on a call, who did last first. */
export function workedBy(entries: readonly Signed[]): WorkedBy[] {
  const all = new Map<string, WorkedBy>();
  for (const { by, phoneAt } of entries) {
    if (by === undefined) continue;
    const before = all.get(by) ?? { name: by, entries: 0, last: phoneAt };
    const last = phoneAt > before.last ? phoneAt : before.last;
    all.set(by, { name: by, entries: before.entries + 1, last });
  }
  return [...all.values()].toSorted((one, other) => other.last.localeCompare(one.last));
}

type Field = Exclude<keyof Records['correction'], 'diagramVersion'>;

/** What more than one person has written of one thing: what counts is the last. */
export interface Differing {
  field: Field;
  /** What each said last, the earliest first. */
  said: { by: string; at: string; value: string }[];
}

/** Fields of a call that several people have put right, and not to the same. */
export function differing(entries: readonly Signed[]): Differing[] {
  const said = new Map<Field, Map<string, { by: string; at: string; value: string }>>();
  for (const entry of entries) {
    if (entry.kind !== 'correction' || entry.by === undefined) continue;
    const { diagramVersion: _, ...fields } = entry.body;
    for (const [name, value] of Object.entries(fields)) {
      const people = said.get(name as Field) ?? new Map();
      // Said anew, it stands after what others said meanwhile.
      people.delete(entry.by);
      said.set(
        name as Field,
        people.set(entry.by, { by: entry.by, at: entry.phoneAt, value: String(value) }),
      );
    }
  }
  return [...said].flatMap(([field, people]) => {
    const all = [...people.values()];
    return new Set(all.map(({ value }) => value)).size > 1 ? [{ field, said: all }] : [];
  });
}
