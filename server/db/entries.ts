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
  /** The diagram that the call is worked with now; undefined where there is no such call. */
  worked: { diagramId: string; version: number } | undefined;
  /** What is stored under the id, by this sending or an earlier one. */
  stored: NewEntry | undefined;
  /** Of the entries that it names, those that are in the log of its call. */
  named: number;
}

const ADD = {
  name: 'add-entry',
  text: `
    WITH worked AS (
      SELECT diagram, version_now FROM call WHERE shop = $1 AND id = $3
    ), named AS (
      SELECT count(*)::integer AS number FROM entry
      WHERE shop = $1 AND call = $3 AND id = ANY($8::uuid[])
    ), added AS (
      INSERT INTO entry (shop, id, call, kind, body, phone_at, at)
      SELECT $1, $2, $3, $4, $5, $6, least($6::timestamptz + $7 * interval '1 ms', now())
      FROM worked, named WHERE version_now = $9 AND number = cardinality($8::uuid[])
      ON CONFLICT (shop, id) DO NOTHING
      RETURNING call, kind, body, phone_at
    ), stored AS (
      SELECT call, kind, body, phone_at FROM added
      UNION ALL SELECT call, kind, body, phone_at FROM entry WHERE shop = $1 AND id = $2
      LIMIT 1
    )
    SELECT worked.diagram AS "diagramId", worked.version_now AS version, named.number AS named,
           stored.call AS "callId", stored.kind, stored.body, stored.phone_at AS "phoneAt"
    FROM named LEFT JOIN worked ON true LEFT JOIN stored ON true`,
};

interface AddedRow {
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
  const values = [shop, id, callId, kind, entry.body, phoneAt, skewMs, namedBy(entry), version];
  const { rows } = await db.query<AddedRow>({ ...ADD, values });
  const [row] = rows;
  if (!row) throw new Error('a statement that always has one row has none');
  return {
    worked:
      row.diagramId === null || row.version === null
        ? undefined
        : { diagramId: row.diagramId, version: row.version },
    named: row.named,
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
