import type { Entry, NewEntry } from '../../contract/entry';
import type { Queries } from './database';

/** The log of a call in the order of the server's clock, as far as it can tell. */
export async function listEntries(db: Queries, shop: string, call: string): Promise<Entry[]> {
  const { rows } = await db.query<Entry>(
    `SELECT id, call AS "callId", kind, body, phone_at AS "phoneAt" FROM entry
     WHERE shop = $1 AND call = $2 ORDER BY at, arrived`,
    [shop, call],
  );
  return rows;
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
 * Adds a line to a call's log in one round trip, once for each id: if the call is still worked with
 * the version that the entry was checked against, and what it names is in its log.
 * @param skewMs what the phone's clock lacks to the server's
 */
export async function addEntry(
  db: Queries,
  shop: string,
  id: string,
  entry: NewEntry,
  version: number,
  skewMs = 0,
): Promise<Added> {
  const { callId, kind, phoneAt } = entry;
  const { rows } = await db.query<AddedRow>({
    name: 'add-entry',
    text: 'SELECT * FROM add_entry($1, $2, $3, $4, $5, $6, $7, $8, $9)',
    values: [shop, id, callId, kind, entry.body, phoneAt, skewMs, namedBy(entry), version],
  });
  const [row] = rows;
  if (!row) throw new Error('a function that always has one row has none');
  return {
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
  };
}
