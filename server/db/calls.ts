import type { CallSummary, NewCallDto } from '../../contract/call';
import type { Queries } from './database';

const SUMMARY = `
  SELECT call.id, call.complaint, call.diagram AS "diagramId", call.phone_at AS "phoneAt",
         coalesce(log.version, call.diagram_version) AS "diagramVersion",
         diagram.body->>'name' AS "diagramName",
         coalesce(log.stage, 'open') AS stage,
         coalesce(log.readings, 0)::int AS readings,
         coalesce(log.last_at, call.phone_at) AS "lastAt",
         json_build_object('id', appliance.id, 'make', appliance.make, 'model', appliance.model,
           'place', appliance.place, 'customer', appliance.customer) AS appliance
  FROM call
  JOIN appliance ON appliance.shop = call.shop AND appliance.id = call.appliance
  JOIN diagram ON diagram.shop = call.shop AND diagram.id = call.diagram
              AND diagram.version = call.diagram_version
  LEFT JOIN LATERAL (
    SELECT count(*) FILTER (WHERE kind = 'reading') AS readings,
           max(phone_at) AS last_at,
           (array_agg(body->>'stage' ORDER BY phone_at DESC, arrived DESC) FILTER (WHERE kind = 'stage'))[1] AS stage,
           (array_agg((body->>'version')::int ORDER BY phone_at DESC, arrived DESC) FILTER (WHERE kind = 'diagram'))[1] AS version
    FROM entry WHERE entry.shop = call.shop AND entry.call = call.id
  ) log ON true`;

/** The calls of a shop, the last worked first. */
export async function listCalls(db: Queries, shop: string): Promise<CallSummary[]> {
  const { rows } = await db.query<CallSummary>(
    `${SUMMARY} WHERE call.shop = $1 ORDER BY "lastAt" DESC LIMIT 2000`,
    [shop],
  );
  return rows;
}

export async function findCall(
  db: Queries,
  shop: string,
  id: string,
): Promise<CallSummary | undefined> {
  const { rows } = await db.query<CallSummary>(`${SUMMARY} WHERE call.shop = $1 AND call.id = $2`, [
    shop,
    id,
  ]);
  return rows[0];
}

/** The diagram that a call is worked with now: cheap, since every entry asks for it. */
export async function diagramOfCall(
  db: Queries,
  shop: string,
  id: string,
): Promise<{ diagramId: string; version: number } | undefined> {
  const { rows } = await db.query<{ diagramId: string; version: number }>(
    `SELECT call.diagram AS "diagramId",
            coalesce((
              SELECT (body->>'version')::int FROM entry
              WHERE entry.shop = call.shop AND entry.call = call.id AND kind = 'diagram'
              ORDER BY phone_at DESC, arrived DESC LIMIT 1
            ), call.diagram_version) AS version
     FROM call WHERE call.shop = $1 AND call.id = $2`,
    [shop, id],
  );
  return rows[0];
}

/** Stores a call and its appliance once, however often it is sent. */
export async function addCall(
  db: Queries,
  shop: string,
  id: string,
  call: NewCallDto,
): Promise<void> {
  const { appliance } = call;
  await db.query(
    `INSERT INTO appliance (shop, id, make, model, place, customer)
     VALUES ($1, $2, $3, $4, $5, $6) ON CONFLICT (shop, id) DO NOTHING`,
    [
      shop,
      appliance.id,
      appliance.make,
      appliance.model,
      appliance.place,
      appliance.customer ?? null,
    ],
  );
  await db.query(
    `INSERT INTO call (shop, id, appliance, diagram, diagram_version, complaint, phone_at)
     VALUES ($1, $2, $3, $4, $5, $6, $7) ON CONFLICT (shop, id) DO NOTHING`,
    [shop, id, appliance.id, call.diagramId, call.diagramVersion, call.complaint, call.phoneAt],
  );
}
