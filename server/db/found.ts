import type { CallSummary } from '../../contract/call';
import { NOTHING_WRONG, type FoundCounts } from '../../core/inference/shopPriors';
import { cameBackOf, UNIT } from './cameBack';
import type { ShopQueries } from './database';

/** Finished calls that are counted, the last ones: it is asked with every call that is opened. */
const MOST_FINISHED = 500;
/**
 * What finished calls of a shop on other units with the same diagram ended with: what was said in the end, or else the verdict,
 * unless somebody had to come again for it.
 */
export async function countFound(
  db: ShopQueries,
  { id, diagramId }: Pick<CallSummary, 'id' | 'diagramId'>,
): Promise<FoundCounts> {
  const { rows } = await db.query<{ part: string; calls: number }>(
    `WITH finished AS (
       SELECT call.id, call.at, call.last_at, call.found, ${UNIT} AS unit
       FROM call JOIN appliance ON appliance.shop = call.shop AND appliance.id = call.appliance
       WHERE call.shop = $1 AND call.diagram_now = $3 AND call.found IS NOT NULL
         AND call.stage = 'done' AND call.id <> $2
       ORDER BY call.last_at DESC LIMIT ${MOST_FINISHED}
     ), ${cameBackOf('finished')}, said AS (
       SELECT DISTINCT ON (said.call) said.call, said.body
       FROM entry said JOIN finished ON finished.id = said.call
       WHERE said.shop = $1 AND said.kind = 'put-right'
         AND NOT EXISTS (SELECT FROM entry back WHERE back.shop = $1 AND back.call = said.call
           AND back.kind = 'doubt' AND back.body->>'names' = said.id::text)
       ORDER BY said.call, said.at DESC, said.arrived DESC
     ), counted AS (
       SELECT CASE said.body->>'by'
           WHEN 'other' THEN said.body->>'part'
           WHEN 'nothing' THEN $4
           ELSE coalesce(finished.found->>'part', $4) END AS part
       FROM finished LEFT JOIN said ON said.call = finished.id
       WHERE coalesce(said.body->>'by', 'not-known') <> 'not-known'
         OR finished.id NOT IN (SELECT id FROM came_back)
     )
     SELECT part, count(*)::integer AS calls FROM counted GROUP BY part`,
    [db.shop, id, diagramId, NOTHING_WRONG],
  );
  return Object.fromEntries(rows.map(({ part, calls }) => [part, calls]));
}
