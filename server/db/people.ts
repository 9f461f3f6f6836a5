import type { Role } from '../../contract/account';
import type { Invitation, LinkSaid, Person } from '../../contract/people';
import type { Database, Queries, ShopQueries } from './database';
import { forgetSessions } from './sessions';

/** The account of an address, with the hash of its password: before there is a shop to ask in. */
export async function accountAtDoor(
  db: Queries,
  email: string,
): Promise<{ shop: string; person: string; password: string | null } | undefined> {
  const { rows } = await db.query<{ shop: string; person: string; password: string | null }>(
    'SELECT * FROM account_at_door($1)',
    [email],
  );
  return rows[0];
}

/** Counts a try. @returns seconds to wait before one is let through; 0 for this one is */
export async function waitAtDoor(db: Database, key: Buffer, free: number): Promise<number> {
  const { rows } = await db.query<{ wait: number }>('SELECT wait_at_door($1, $2) AS wait', [
    key,
    free,
  ]);
  return rows[0]?.wait ?? 0;
}

/** Takes back a try under a key, or all of them. */
export async function letIn(db: Database, key: Buffer, all: boolean): Promise<void> {
  await db.query('SELECT let_in($1, $2)', [key, all]);
}

export interface PersonInShop {
  shopName: string;
  name: string;
  email: string;
  role: Role;
  password: string | null;
}

/** Somebody who is in the shop. */
export async function findPerson(db: ShopQueries, id: string): Promise<PersonInShop | undefined> {
  const { rows } = await db.query<PersonInShop>(
    `SELECT shop.name AS "shopName", person.name, email, role, password FROM person
     JOIN shop ON shop.shop = person.shop
     WHERE person.shop = $1 AND id = $2 AND left_at IS NULL`,
    [db.shop, id],
  );
  return rows[0];
}

/** Adds somebody. @returns false where the address has an account, here or in another shop */
export async function addPerson(
  db: ShopQueries,
  person: { id: string; name: string; email: string; role: Role; password: string | null },
): Promise<boolean> {
  const { id, name, email, role, password } = person;
  const { rowCount } = await db.query(
    `INSERT INTO person (shop, id, name, email, role, password) VALUES ($1, $2, $3, $4, $5, $6)
     ON CONFLICT DO NOTHING`,
    [db.shop, id, name, email, role, password],
  );
  return rowCount === 1;
}

/** Those who are in the shop, by name. */
export async function listPeople(db: ShopQueries): Promise<Person[]> {
  const { rows } = await db.query<Person>(
    `SELECT id, name, email, role, since,
       (SELECT max(began_at) FROM session WHERE session.shop = person.shop AND session.person = person.id)
         AS "lastSignIn"
     FROM person WHERE shop = $1 AND left_at IS NULL ORDER BY lower(name), id`,
    [db.shop],
  );
  return rows;
}

/** How many leads a shop has; held until the transaction ends, so that no two of them leave at once. */
export async function countLeads(db: ShopQueries): Promise<number> {
  const { rowCount } = await db.query(
    `SELECT id FROM person WHERE shop = $1 AND role = 'lead' AND left_at IS NULL ORDER BY id FOR UPDATE`,
    [db.shop],
  );
  return rowCount ?? 0;
}

export async function setRole(db: ShopQueries, id: string, role: Role): Promise<void> {
  forgetSessions();
  await db.query('UPDATE person SET role = $3 WHERE shop = $1 AND id = $2', [db.shop, id, role]);
}

export async function setPassword(db: ShopQueries, id: string, password: string): Promise<void> {
  await db.query('UPDATE person SET password = $3 WHERE shop = $1 AND id = $2', [
    db.shop,
    id,
    password,
  ]);
}

/** Takes somebody out of the shop: what they entered stays, their password goes. */
export async function takeOut(db: ShopQueries, id: string): Promise<void> {
  await db.query(
    'UPDATE person SET left_at = now(), password = NULL WHERE shop = $1 AND id = $2 AND left_at IS NULL',
    [db.shop, id],
  );
}

export async function addInvitation(
  db: ShopQueries,
  invitation: {
    id: string;
    token: Buffer;
    role: Role;
    person: string | null;
    madeBy: string;
    expiresAt: Date;
  },
): Promise<void> {
  const { id, token, role, person, madeBy, expiresAt } = invitation;
  await db.query(
    `INSERT INTO invitation (shop, token, id, role, person, made_by, expires_at)
     VALUES ($1, $2, $3, $4, $5, $6, $7)`,
    [db.shop, token, id, role, person, madeBy, expiresAt],
  );
}

const WORKS = 'used_at IS NULL AND withdrawn_at IS NULL AND expires_at > now()';

/** Invitations that still work, the one that ends first before. */
export async function listInvitations(db: ShopQueries): Promise<Invitation[]> {
  const { rows } = await db.query<Invitation>(
    `SELECT id, role, person, expires_at AS "expiresAt" FROM invitation
     WHERE shop = $1 AND ${WORKS} ORDER BY expires_at, id`,
    [db.shop],
  );
  return rows;
}

/** What a link is for that still works; undefined for any other. */
export async function findInvitation(
  db: ShopQueries,
  token: Buffer,
): Promise<(LinkSaid & { person: string | null }) | undefined> {
  const { rows } = await db.query<LinkSaid & { person: string | null }>(
    `SELECT shop.name AS "shopName", invitation.role, person.name, invitation.person
     FROM invitation JOIN shop ON shop.shop = invitation.shop
     LEFT JOIN person ON person.shop = invitation.shop AND person.id = invitation.person
     WHERE invitation.shop = $1 AND token = $2 AND ${WORKS}
       AND (invitation.person IS NULL OR person.left_at IS NULL)`,
    [db.shop, token],
  );
  return rows[0];
}

/** Uses a link up. @returns false where it does not work any more: two may have it open at one moment */
export async function useInvitation(db: ShopQueries, token: Buffer): Promise<boolean> {
  const { rowCount } = await db.query(
    `UPDATE invitation SET used_at = now() WHERE shop = $1 AND token = $2 AND ${WORKS}`,
    [db.shop, token],
  );
  return rowCount === 1;
}

/** @returns false where there is no such invitation that works */
export async function withdrawInvitation(db: ShopQueries, id: string): Promise<boolean> {
  const { rowCount } = await db.query(
    `UPDATE invitation SET withdrawn_at = now() WHERE shop = $1 AND id = $2 AND ${WORKS}`,
    [db.shop, id],
  );
  return rowCount === 1;
}
