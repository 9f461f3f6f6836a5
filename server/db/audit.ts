import type { AuditLine } from '../../contract/people';
import type { ShopQueries } from './database';

/** What is written down of the door and of what leads do. */
export type Audited =
  | 'founded the shop'
  | 'signed in'
  | 'gave a wrong password'
  | 'signed out'
  | 'signed out everywhere'
  | 'changed the password'
  | 'set a new password by a link'
  | 'invited somebody'
  | 'made a link for a new password'
  | 'withdrew an invitation'
  | 'joined'
  | 'changed a role'
  | 'took somebody out'
  | 'made a report link'
  | 'withdrew a report link'
  | 'exported a customer’s data'
  | 'erased a customer’s data';

/** Adds a line to the record of the door, which nobody changes. */
export async function audit(
  db: ShopQueries,
  line: { what: Audited; person?: string; about?: string; address?: string },
): Promise<void> {
  const { what, person = null, about = null, address = null } = line;
  await db.query(
    'INSERT INTO audit (shop, person, what, about, address) VALUES ($1, $2, $3, $4, $5)',
    [db.shop, person, what, about, address],
  );
}

/** Lines that are shown, the last ones. */
const MOST_LINES = 200;

/** The record of the door, the last line first. */
export async function listAudit(db: ShopQueries): Promise<AuditLine[]> {
  const { rows } = await db.query<AuditLine>(
    `SELECT audit.id, audit.at, person.name, audit.what, audit.about, audit.address
     FROM audit LEFT JOIN person ON person.shop = audit.shop AND person.id = audit.person
     WHERE audit.shop = $1 ORDER BY audit.at DESC, audit.id LIMIT ${MOST_LINES}`,
    [db.shop],
  );
  return rows;
}
