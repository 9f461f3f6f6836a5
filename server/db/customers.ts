import type { CallSummary } from '../../contract/call';
import type { CustomerFile } from '../../contract/customer';
import { findCall } from './calls';
import type { ShopQueries } from './database';
import { listEntries } from './entries';

/** The calls of a customer, by the name at their units, the first one first. */
export async function callsOfCustomer(db: ShopQueries, name: string): Promise<CallSummary[]> {
  const { rows } = await db.query<{ id: string }>(
    `SELECT call.id FROM call WHERE shop = $1 AND id IN (SELECT calls_of_customer($1, $2))
     ORDER BY at, id`,
    [db.shop, name],
  );
  const calls: CallSummary[] = [];
  for (const { id } of rows) {
    const call = await findCall(db, id);
    if (call) calls.push(call);
  }
  return calls;
}

/** All that the shop has of a customer. */
export async function exportCustomer(
  db: ShopQueries,
  name: string,
): Promise<CustomerFile['calls']> {
  const calls: CustomerFile['calls'] = [];
  for (const call of await callsOfCustomer(db, name)) {
    const { rows } = await db.query<{ shows: string; phoneAt: string; jpeg: Buffer }>(
      `SELECT shows, phone_at AS "phoneAt", jpeg FROM photo
       WHERE shop = $1 AND call = $2 ORDER BY phone_at, id`,
      [db.shop, call.id],
    );
    const photos = rows.map((photo) => ({ ...photo, jpeg: photo.jpeg.toString('base64') }));
    calls.push({ ...call, entries: await listEntries(db, call.id), photos });
  }
  return calls;
}

/** Erases the calls of a customer with all that hangs on them. @returns how many they were */
export async function eraseCustomer(db: ShopQueries, name: string): Promise<number> {
  const { rows } = await db.query<{ erased: number }>('SELECT erase_customer($1, $2) AS erased', [
    db.shop,
    name,
  ]);
  return rows[0]?.erased ?? 0;
}
