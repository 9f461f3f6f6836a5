import { LRUCache } from 'lru-cache';
import type { Account } from '../../contract/account';
import type { Link } from '../people/link';
import type { Database, ShopQueries } from './database';

/** Somebody who is signed in, and the cookie of their session. */
type Found = Account & { cookie: object };

/**
 * Sessions that were found just now, so that a phone that sends all it has is looked up once. What ends or changes one here
 * counts at once; where it was another server's doing, so much later.
 */
const SEEN = new LRUCache<string, Found>({ max: 5000, ttl: 2000 });
const keyOf = (shop: string, token: Buffer): string => `${shop} ${token.toString('base64')}`;
/** Something of somebody has changed that sessions say. */
export const forgetSessions = (): void => SEEN.clear();

/** Whose a session is that has not ended, and its cookie; undefined for none. */
export async function findSession(db: Database, { shop, token }: Link): Promise<Found | undefined> {
  const seen = SEEN.get(keyOf(shop, token));
  if (seen) return seen;
  const { rows } = await db.entering(shop).query<Omit<Account, 'shop'> & { cookie: object }>({
    name: 'session',
    text: 'SELECT * FROM session_at_door($1, $2)',
    values: [shop, token],
  });
  const found = rows[0] && { shop, ...rows[0] };
  if (found) SEEN.set(keyOf(shop, token), found);
  return found;
}

/** Keeps a session, and clears away those of its person that have ended. */
export async function addSession(
  db: ShopQueries,
  session: { token: Buffer; person: string; cookie: object; expiresAt: Date },
): Promise<void> {
  const { token, person, cookie, expiresAt } = session;
  await db.query(
    `WITH ended AS (DELETE FROM session WHERE shop = $1 AND person = $3 AND expires_at < now())
     INSERT INTO session (shop, token, person, cookie, expires_at) VALUES ($1, $2, $3, $4, $5)
     ON CONFLICT (shop, token) DO NOTHING`,
    [db.shop, token, person, JSON.stringify(cookie), expiresAt],
  );
}

export async function endSession(db: ShopQueries, token: Buffer): Promise<void> {
  SEEN.delete(keyOf(db.shop, token));
  await db.query('DELETE FROM session WHERE shop = $1 AND token = $2', [db.shop, token]);
}

/** Ends all sessions of somebody, everywhere. */
export async function endSessionsOf(db: ShopQueries, person: string): Promise<void> {
  forgetSessions();
  await db.query('DELETE FROM session WHERE shop = $1 AND person = $2', [db.shop, person]);
}
