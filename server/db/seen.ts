import { RETURN_DAYS, type SeenBefore, type SeenCall, type SeenPart } from '../../contract/seen';
import type { Queries } from './database';

/** Calls that are told one by one. */
const MOST_CALLS = 10;
const MOST_PARTS = 12;

/** Calls of the shop with a verdict that were worked with the same diagram, or were of the same model; this one is left out. */
const ALIKE = `
  WITH this AS (
    SELECT call.id, call.diagram_now, lower(coalesce(call.corrected->>'model', appliance.model)) AS model
    FROM call JOIN appliance ON appliance.shop = call.shop AND appliance.id = call.appliance
    WHERE call.shop = $1 AND call.id = $2
  ), alike AS (
    SELECT call.id, call.shop, call.found, call.last_at, call.at, call.appliance,
      coalesce(call.corrected->>'complaint', call.complaint) AS complaint,
      coalesce(call.corrected->>'make', appliance.make) AS make,
      coalesce(call.corrected->>'model', appliance.model) AS model,
      coalesce(call.corrected->>'place', appliance.place) AS place,
      lower(coalesce(call.corrected->>'model', appliance.model)) = this.model
        AND this.model <> 'unknown' AS same_model
    FROM this
    JOIN call ON call.shop = $1 AND call.found IS NOT NULL AND call.id <> this.id
    JOIN appliance ON appliance.shop = call.shop AND appliance.id = call.appliance
    WHERE call.diagram_now = this.diagram_now
      OR lower(coalesce(call.corrected->>'model', appliance.model)) = this.model AND this.model <> 'unknown'
  ), told AS (
    SELECT alike.*, EXISTS (
      SELECT FROM call later JOIN appliance again ON again.shop = later.shop AND again.id = later.appliance
      WHERE later.shop = alike.shop AND later.id <> alike.id
        AND later.at > alike.at AND later.at < alike.last_at + interval '${RETURN_DAYS} days'
        AND lower(coalesce(later.corrected->>'make', again.make)) = lower(alike.make)
        AND lower(coalesce(later.corrected->>'model', again.model)) = lower(alike.model)
        AND lower(coalesce(later.corrected->>'place', again.place)) = lower(alike.place)
    ) AS came_back
    FROM alike
  )`;

/** What the shop has seen of units like that of a call. */
export async function seenBefore(db: Queries, shop: string, call: string): Promise<SeenBefore> {
  const calls = await db.query<SeenCall>(
    `${ALIKE} SELECT id, complaint, model, place, found, last_at AS "lastAt",
       same_model AS "sameModel", came_back AS "cameBack"
     FROM told ORDER BY same_model DESC, last_at DESC, id LIMIT ${MOST_CALLS}`,
    [shop, call],
  );
  const parts = await db.query<SeenPart>(
    `${ALIKE} SELECT found->>'part' AS part, max(coalesce(found->>'name', found->>'part')) AS name,
       count(*)::integer AS calls,
       (count(*) FILTER (WHERE same_model))::integer AS "sameModel",
       (count(*) FILTER (WHERE came_back))::integer AS "cameBack"
     FROM told WHERE found ? 'part' GROUP BY found->>'part'
     ORDER BY count(*) DESC, name LIMIT ${MOST_PARTS}`,
    [shop, call],
  );
  return { calls: calls.rows, parts: parts.rows };
}
