import { isDeepStrictEqual } from 'node:util';
import { addBuiltIn, BUILT_IN, LIBRARY_NOW } from './builtIn';
import type { Queries, ShopQueries } from './database';
import { lockDiagrams, newestDiagrams } from './diagrams';

/**
 * A shop, and in it the built-in diagrams: one that is new, or that has changed since, comes as the
 * next version. What the shop has made of one itself stays the newest. Runs in a transaction.
 * @returns whether the shop was not there before
 */
export async function makeShop(db: ShopQueries, name: string): Promise<boolean> {
  const { rowCount } = await db.query(
    'INSERT INTO shop (shop, name) VALUES ($1, $2) ON CONFLICT (shop) DO NOTHING',
    [db.shop, name],
  );
  const { rows } = await db.query<{ library: string | null }>(
    'SELECT library FROM shop WHERE shop = $1',
    [db.shop],
  );
  if (rows[0]?.library === LIBRARY_NOW) return rowCount === 1;
  await lockDiagrams(db);
  const newest = new Map((await newestDiagrams(db)).map((each) => [each.id, each]));
  const behind = BUILT_IN.filter(({ id, body }) => {
    const kept = newest.get(body.id);
    if (kept?.origin === 'shop' || kept?.builtIn === id) return false;
    // One that an older program brought along may be the same under another id.
    return !isDeepStrictEqual(kept?.body, JSON.parse(JSON.stringify(body)));
  });
  await addBuiltIn(db, behind);
  await db.query('UPDATE shop SET library = $2 WHERE shop = $1', [db.shop, LIBRARY_NOW]);
  return rowCount === 1;
}

/** Shops that do not have what the program brings along now. @param db as the owner, who sees all */
export async function shopsBehind(db: Queries): Promise<{ shop: string; name: string }[]> {
  const { rows } = await db.query<{ shop: string; name: string }>(
    'SELECT shop, name FROM shop WHERE library IS DISTINCT FROM $1 ORDER BY shop',
    [LIBRARY_NOW],
  );
  return rows;
}

export async function renameShop(db: ShopQueries, name: string): Promise<void> {
  await db.query('UPDATE shop SET name = $2 WHERE shop = $1', [db.shop, name]);
}

/** Whether anybody was ever in the shop; who asks waits for another one who is just being added. */
export async function isClaimed(db: ShopQueries): Promise<boolean> {
  await db.query('SELECT pg_advisory_xact_lock(hashtextextended($1, 0))', [`claim ${db.shop}`]);
  const { rowCount } = await db.query('SELECT 1 FROM person WHERE shop = $1 LIMIT 1', [db.shop]);
  return rowCount === 1;
}

/** Whether a shop is there. */
export async function hasShop(db: ShopQueries): Promise<boolean> {
  const { rowCount } = await db.query('SELECT 1 FROM shop WHERE shop = $1', [db.shop]);
  return rowCount === 1;
}
