import { MOST_LINKS } from '../../contract/limits';
import type { ReportLink } from '../../contract/reportLink';
import type { ShopQueries } from './database';

const WORKS = 'withdrawn_at IS NULL AND expires_at > now()';

export interface LinkToAdd {
  id: string;
  token: Buffer;
  call: string;
  zone: string;
  currency: string;
  madeBy: string;
  days: number;
}

/** @returns when it ends; undefined where there is no such call, or it has as many links as it may */
export async function addReportLink(db: ShopQueries, link: LinkToAdd): Promise<Date | undefined> {
  const { id, token, call, zone, currency, madeBy, days } = link;
  const { rows } = await db.query<{ expiresAt: Date }>(
    `INSERT INTO report_link (shop, token, id, call, zone, currency, made_by, expires_at)
     SELECT $1, $2, $3, call.id, $5, $6, $7, now() + $8 * interval '1 day' FROM call
     WHERE call.shop = $1 AND call.id = $4 AND ${MOST_LINKS} > (
       SELECT count(*) FROM report_link WHERE shop = $1 AND call = $4 AND ${WORKS})
     RETURNING expires_at AS "expiresAt"`,
    [db.shop, token, id, call, zone, currency, madeBy, days],
  );
  return rows[0]?.expiresAt;
}

/** The links of a call that work, the one that ends first before. */
export async function listReportLinks(db: ShopQueries, call: string): Promise<ReportLink[]> {
  const { rows } = await db.query<ReportLink>(
    `SELECT id, expires_at AS "expiresAt", opened, last_opened_at AS "lastOpenedAt" FROM report_link
     WHERE shop = $1 AND call = $2 AND ${WORKS} ORDER BY expires_at, id`,
    [db.shop, call],
  );
  return rows;
}

/** @returns false where there is no such link that works */
export async function withdrawReportLink(db: ShopQueries, id: string): Promise<boolean> {
  const { rowCount } = await db.query(
    `UPDATE report_link SET withdrawn_at = now() WHERE shop = $1 AND id = $2 AND ${WORKS}`,
    [db.shop, id],
  );
  return rowCount === 1;
}

/** What a link opens, and counts that it was opened; undefined for one that does not work. */
export async function openReportLink(
  db: ShopQueries,
  token: Buffer,
): Promise<{ call: string; zone: string; currency: string; shopName: string } | undefined> {
  const { rows } = await db.query<{
    call: string;
    zone: string;
    currency: string;
    shopName: string;
  }>(
    `UPDATE report_link SET opened = opened + 1, last_opened_at = now() FROM shop
     WHERE report_link.shop = $1 AND shop.shop = $1 AND token = $2 AND ${WORKS}
     RETURNING call, zone, currency, shop.name AS "shopName"`,
    [db.shop, token],
  );
  return rows[0];
}
