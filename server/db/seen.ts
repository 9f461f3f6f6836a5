import { cameBackOf, UNIT } from './cameBack';
import {
  type KindMinutes,
  type SeenBefore,
  type SeenCall,
  type SeenPart,
} from '../../contract/seen';
import type { ShopQueries } from './database';

/** Calls that are looked at: of the same model first, then the last ones. */
const MOST_LOOKED_AT = 500;
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
        AND this.model <> 'unknown' AS same_model, ${UNIT} AS unit
    FROM this
    JOIN call ON call.shop = $1 AND call.found IS NOT NULL AND call.id <> this.id
    JOIN appliance ON appliance.shop = call.shop AND appliance.id = call.appliance
    WHERE call.diagram_now = this.diagram_now
      OR lower(coalesce(call.corrected->>'model', appliance.model)) = this.model AND this.model <> 'unknown'
    ORDER BY same_model DESC, call.last_at DESC LIMIT ${MOST_LOOKED_AT}
  ), ${cameBackOf('alike')}, told AS (
    SELECT alike.*, alike.id IN (SELECT id FROM came_back) AS came_back FROM alike
  )`;

/** What the shop has seen of units like that of a call. */
export async function seenBefore(db: ShopQueries, call: string): Promise<SeenBefore> {
  const calls = await db.query<SeenCall>(
    `${ALIKE} SELECT id, complaint, model, place, found, last_at AS "lastAt",
       same_model AS "sameModel", came_back AS "cameBack"
     FROM told ORDER BY same_model DESC, last_at DESC, id LIMIT ${MOST_CALLS}`,
    [db.shop, call],
  );
  const parts = await db.query<SeenPart>(
    `${ALIKE} SELECT found->>'part' AS part, max(coalesce(found->>'name', found->>'part')) AS name,
       count(*)::integer AS calls,
       (count(*) FILTER (WHERE same_model))::integer AS "sameModel",
       (count(*) FILTER (WHERE came_back))::integer AS "cameBack"
     FROM told WHERE found ? 'part' GROUP BY found->>'part'
     ORDER BY count(*) DESC, name LIMIT ${MOST_PARTS}`,
    [db.shop, call],
  );
  return { calls: calls.rows, parts: parts.rows };
}

/** Finished calls that are looked at, the last ones. */
const MOST_FINISHED = 300;
/** Who enters nothing for longer than this is elsewhere meanwhile: from memory. */
const AWAY_SECONDS = 1800;
const MOST_KINDS = 8;

/** Minutes that a shop's finished calls took in the mean, by kind of unit: between entries that follow each other, the most frequent first. */
export async function minutesByKind(db: ShopQueries): Promise<KindMinutes[]> {
  const { rows } = await db.query<KindMinutes>(
    `WITH finished AS (
       SELECT call.shop, call.id, diagram.body->>'kind' AS kind
       FROM call JOIN diagram ON diagram.shop = call.shop AND diagram.id = call.diagram_now
                             AND diagram.version = call.version_now
       WHERE call.shop = $1 AND call.stage = 'done'
       ORDER BY call.last_at DESC LIMIT ${MOST_FINISHED}
     ), gaps AS (
       SELECT finished.kind, finished.id, extract(epoch FROM entry.at - lag(entry.at) OVER (
           PARTITION BY finished.id ORDER BY entry.at, entry.arrived)) AS seconds
       FROM finished JOIN entry ON entry.shop = finished.shop AND entry.call = finished.id
     ), worked AS (
       SELECT kind, id, sum(seconds) FILTER (WHERE seconds < ${AWAY_SECONDS}) / 60 AS minutes
       FROM gaps GROUP BY kind, id
     )
     SELECT kind, count(*)::integer AS calls, avg(minutes)::float8 AS minutes
     FROM worked WHERE minutes > 0 GROUP BY kind ORDER BY count(*) DESC, kind LIMIT ${MOST_KINDS}`,
    [db.shop],
  );
  return rows;
}
