import type { CallSummary } from '../../contract/call';
import { NOTHING_WRONG, type FoundCounts } from '../../core/inference/shopPriors';
import type { Queries } from './database';
import { cameBack } from './seen';

/**
 * What finished calls of a shop on other units with the same diagram ended with: what was said in the end, or else the verdict,
 * unless somebody had to come again for it.
 */
export async function countFound(
  db: Queries,
  shop: string,
  { id, diagramId }: Pick<CallSummary, 'id' | 'diagramId'>,
): Promise<FoundCounts> {
  const { rows } = await db.query<{ part: string; calls: number }>(
    `WITH finished AS (
       SELECT call.shop, call.id, call.at, call.last_at, call.found,
         coalesce(call.corrected->>'make', appliance.make) AS make,
         coalesce(call.corrected->>'model', appliance.model) AS model,
         coalesce(call.corrected->>'place', appliance.place) AS place
       FROM call JOIN appliance ON appliance.shop = call.shop AND appliance.id = call.appliance
       WHERE call.shop = $1 AND call.diagram_now = $3 AND call.found IS NOT NULL
         AND call.stage = 'done' AND call.id <> $2
     ), ended AS (
       SELECT finished.*, (
         SELECT said.body FROM entry said
         WHERE said.shop = finished.shop AND said.call = finished.id AND said.kind = 'put-right'
           AND NOT EXISTS (SELECT FROM entry back WHERE back.shop = said.shop AND back.call = said.call
             AND back.kind = 'doubt' AND back.body->>'names' = said.id::text)
         ORDER BY said.at DESC, said.arrived DESC LIMIT 1) AS said
       FROM finished
     ), counted AS (
       SELECT CASE said->>'by'
           WHEN 'other' THEN said->>'part'
           WHEN 'nothing' THEN $4
           ELSE coalesce(found->>'part', $4) END AS part
       FROM ended
       WHERE coalesce(said->>'by', 'not-known') <> 'not-known' OR NOT ${cameBack('ended')}
     )
     SELECT part, count(*)::integer AS calls FROM counted GROUP BY part`,
    [shop, id, diagramId, NOTHING_WRONG],
  );
  return Object.fromEntries(rows.map(({ part, calls }) => [part, calls]));
}
