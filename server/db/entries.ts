import type { Entry, NewEntry } from '../../contract/entry';
import type { ShopQueries } from './database';

/** The log of a call in the order of the server's clock, as far as it can tell, with who entered what. */
export async function listEntries(db: ShopQueries, call: string): Promise<Entry[]> {
  const { rows } = await db.query<Entry & { by: string | null }>(
    `SELECT entry.id, call AS "callId", kind, body, phone_at AS "phoneAt", person.name AS by
     FROM entry LEFT JOIN person ON person.shop = entry.shop AND person.id = entry.person
     WHERE entry.shop = $1 AND call = $2 ORDER BY at, arrived`,
    [db.shop, call],
  );
  return rows.map(({ by, ...entry }) => (by === null ? entry : { ...entry, by }));
}

/** A line for a call's log. */
export interface EntryToAdd {
  id: string;
  entry: NewEntry;
  /** The diagram of the call that it was checked against; its version is 0 for one that does not fit it. */
  diagramId: string;
  version: number;
  /** What the phone's clock lacks to the server's. */
  skewMs: number;
  /** Who made it; nobody for what the server writes by itself. */
  person?: string;
  /** Lines of the log that it was checked against, where it may be stored with no other. */
  known?: number;
}

/** What became of an entry that was sent. */
export interface Added {
  /** Whether it is new in the log. */
  added: boolean;
  /** What was stored under its id before, where it is not. */
  stored: NewEntry | undefined;
  /** The diagram that the call is worked with now; undefined where there is no such call. */
  worked: { diagramId: string; version: number } | undefined;
  /** Of the entries that it names, those that are in the log of its call. */
  named: number;
}

interface AddedRow {
  added: boolean;
  diagramId: string | null;
  version: number | null;
  named: number;
  callId: string | null;
  kind: NewEntry['kind'] | null;
  body: object | null;
  phoneAt: Date | null;
}

/** Ids of the entries that one takes back or takes the place of. */
export const namedBy = (entry: NewEntry): string[] =>
  entry.kind === 'doubt'
    ? [entry.body.names]
    : entry.kind === 'reading'
      ? [...new Set(entry.body.supersedes)]
      : [];

/**
 * Adds lines to calls' logs in one round trip, once for each id: each if its call is still worked with
 * the version that it was checked against, and what it names is in the log of its call.
 * @param entries each with an id of its own, none named by another (`inTurns`)
 * @returns what became of each, in their order
 */
export async function addEntries(
  db: ShopQueries,
  entries: readonly EntryToAdd[],
): Promise<Added[]> {
  const sent = entries.map(({ id, entry, diagramId, version, skewMs, person, known }) => ({
    id,
    call: entry.callId,
    kind: entry.kind,
    body: entry.body,
    made: entry.phoneAt,
    skew_ms: skewMs,
    names: namedBy(entry),
    checked_diagram: diagramId,
    checked_version: version,
    person,
    known,
  }));
  const { rows } = await db.query<AddedRow>({
    name: 'add-entries',
    text: 'SELECT * FROM add_entries($1, $2)',
    values: [db.shop, JSON.stringify(sent)],
  });
  return rows.map((row) => ({
    added: row.added,
    named: row.named,
    worked:
      row.diagramId === null || row.version === null
        ? undefined
        : { diagramId: row.diagramId, version: row.version },
    stored:
      row.kind === null || row.phoneAt === null
        ? undefined
        : ({
            callId: row.callId,
            kind: row.kind,
            body: row.body,
            phoneAt: row.phoneAt.toISOString(),
          } as NewEntry),
  }));
}

/** Cuts entries where one has the id of an earlier one, or names it: what goes before has to be stored first. */
export function inTurns<T extends Pick<EntryToAdd, 'id' | 'entry'>>(entries: readonly T[]): T[][] {
  const turns: T[][] = [];
  let ids = new Set<string>();
  for (const each of entries) {
    const turn = turns.at(-1);
    if (turn && ![each.id, ...namedBy(each.entry)].some((id) => ids.has(id))) turn.push(each);
    else {
      turns.push([each]);
      ids = new Set();
    }
    ids.add(each.id);
  }
  return turns;
}
