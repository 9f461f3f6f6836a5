import type { LogEntry } from './record';

/**
 * Ids of the entries that a later one has taken back or taken the place of. What is itself taken back
 * takes nothing back any more.
 */
export function takenBack(entries: readonly LogEntry[]): Set<string> {
  const namedBy = new Map<string, LogEntry[]>();
  for (const entry of entries) {
    const names =
      entry.kind === 'doubt'
        ? [entry.body.names]
        : entry.kind === 'reading'
          ? entry.body.supersedes
          : [];
    for (const id of names) namedBy.set(id, [...(namedBy.get(id) ?? []), entry]);
  }
  const counts = new Map<string, boolean>();
  const stillCounts = (id: string): boolean => {
    const known = counts.get(id);
    if (known !== undefined) return known;
    // Entries that take each other back count until somebody says otherwise.
    counts.set(id, true);
    const value = !(namedBy.get(id) ?? []).some((each) => stillCounts(each.id));
    counts.set(id, value);
    return value;
  };
  return new Set([...namedBy.keys()].filter((id) => !stillCounts(id)));
}

/** The last of a kind that was not taken back. */
export function lastOf<K extends LogEntry['kind']>(
  entries: readonly LogEntry[],
  kind: K,
): Extract<LogEntry, { kind: K }> | undefined {
  const gone = takenBack(entries);
  return entries.findLast(
    (each): each is Extract<LogEntry, { kind: K }> => each.kind === kind && !gone.has(each.id),
  );
}
