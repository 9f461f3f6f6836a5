import type { Account } from '../../contract/account';
import type { Link } from '../people/link';
import type { Database, ShopQueries } from './database';

/** Whose a session is that has not ended, and its cookie; undefined for none. */
export async function findSession(
  db: Database,
  { shop, token }: Link,
): Promise<(Account & { cookie: object }) | undefined> {
  const { rows } = await db.entering(shop).query<Omit<Account, 'shop'> & { cookie: object }>({
    name: 'session',
    text: 'SELECT * FROM session_at_door($1, $2)',
    values: [shop, token],
  });
  return rows[0] && { shop, ...rows[0] };
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
  await db.query('DELETE FROM session WHERE shop = $1 AND token = $2', [db.shop, token]);
}

/** Ends all sessions of somebody, everywhere. */
export async function endSessionsOf(db: ShopQueries, person: string): Promise<void> {
  await db.query('DELETE FROM session WHERE shop = $1 AND person = $2', [db.shop, person]);
}
