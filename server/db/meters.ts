import { MOST_METERS } from '../../contract/limits';
import type { MeterDto, ShopMeter } from '../../contract/meter';
import type { ShopQueries } from './database';

/** The meters of a shop that are still there, by name. */
export async function listMeters(db: ShopQueries): Promise<ShopMeter[]> {
  const { rows } = await db.query<ShopMeter>(
    `SELECT id, name, kind, lead_ohms AS "leadOhms" FROM meter
     WHERE shop = $1 AND NOT gone ORDER BY lower(name), id LIMIT ${MOST_METERS}`,
    [db.shop],
  );
  return rows;
}

/** Keeps a meter as it is said last. @returns false where the shop has as many as it may */
export async function keepMeter(
  db: ShopQueries,
  id: string,
  { name, kind, leadOhms }: MeterDto,
): Promise<boolean> {
  const { rows } = await db.query<{ id: string }>(
    `INSERT INTO meter (shop, id, name, kind, lead_ohms)
     SELECT $1, $2, $3, $4, $5
     WHERE (SELECT count(*) FROM meter WHERE shop = $1 AND id <> $2 AND NOT gone) < ${MOST_METERS}
     ON CONFLICT (shop, id) DO UPDATE
       SET name = excluded.name, kind = excluded.kind, lead_ohms = excluded.lead_ohms, gone = false
     RETURNING id`,
    [db.shop, id, name, kind, leadOhms],
  );
  return rows.length > 0;
}

/** Takes a meter off the list; one that was never on it is off it too. */
export async function dropMeter(db: ShopQueries, id: string): Promise<void> {
  await db.query('UPDATE meter SET gone = true WHERE shop = $1 AND id = $2', [db.shop, id]);
}
