import { LIBRARY } from '../../library/library';
import { uuidFrom } from '../uuidFrom';
import type { Queries, ShopQueries } from './database';

/** What the program brings along, each under an id made of its content. */
export const BUILT_IN = LIBRARY.map((body) => ({ id: uuidFrom(JSON.stringify(body)), body }));

/** All of it in one word that changes with it. */
export const LIBRARY_NOW = uuidFrom(JSON.stringify(LIBRARY));

/** Puts what the program brings along where all shops read it. @param db as the owner of the tables */
export async function bringLibrary(db: Queries): Promise<void> {
  await db.query(
    `INSERT INTO built_in (id, body)
     SELECT id, body FROM jsonb_to_recordset($1) AS brought (id uuid, body jsonb)
     ON CONFLICT (id) DO NOTHING`,
    [JSON.stringify(BUILT_IN)],
  );
}

/**
 * Gives a shop the newest of some built-in diagrams, each as the next version of its own; one that it had before stays the
 * version that it was. Runs in a transaction.
 */
export async function addBuiltIn(
  db: ShopQueries,
  brought: readonly (typeof BUILT_IN)[number][],
): Promise<void> {
  await db.query(
    `INSERT INTO kept_diagram (shop, id, version, sent_as, built_in, name, origin)
     SELECT $1, brought.id, 1 + coalesce((
       SELECT max(version) FROM kept_diagram WHERE shop = $1 AND kept_diagram.id = brought.id
     ), 0), built_in, built_in, name, 'built-in'
     FROM unnest($2::uuid[], $3::text[], $4::text[]) AS brought (built_in, id, name)
     ON CONFLICT (shop, sent_as) DO NOTHING`,
    [
      db.shop,
      brought.map(({ id }) => id),
      brought.map(({ body }) => body.id),
      brought.map(({ body }) => body.name),
    ],
  );
}
