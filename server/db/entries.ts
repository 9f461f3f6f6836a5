import type { Entry, NewEntry } from '../../contract/entry';
import type { Queries } from './database';

/** The log of a call in the order of the phone's clock. */
export async function listEntries(db: Queries, shop: string, call: string): Promise<Entry[]> {
  const { rows } = await db.query<Entry>(
    `SELECT id, call AS "callId", kind, body, phone_at AS "phoneAt" FROM entry
     WHERE shop = $1 AND call = $2 ORDER BY phone_at, arrived`,
    [shop, call],
  );
  return rows;
}

/**
 * Adds a line to a call's log, once for each id.
 * @returns false when the id is taken by another entry, which is a mistake of the sender
 */
export async function addEntry(
  db: Queries,
  shop: string,
  id: string,
  entry: NewEntry,
): Promise<boolean> {
  const body = JSON.stringify(entry.body);
  await db.query(
    `INSERT INTO entry (shop, id, call, kind, body, phone_at)
     VALUES ($1, $2, $3, $4, $5, $6) ON CONFLICT (shop, id) DO NOTHING`,
    [shop, id, entry.callId, entry.kind, body, entry.phoneAt],
  );
  const { rows } = await db.query(
    'SELECT 1 FROM entry WHERE shop = $1 AND id = $2 AND call = $3 AND kind = $4 AND body = $5::jsonb',
    [shop, id, entry.callId, entry.kind, body],
  );
  return rows.length === 1;
}
