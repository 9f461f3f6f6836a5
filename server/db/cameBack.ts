import { RETURN_DAYS } from '../../contract/seen';

/** A unit is known by its make, model and place, for each call has it anew; over `call` and `appliance`. */
export const UNIT = `lower(concat_ws('|', coalesce(call.corrected->>'make', appliance.make),
  coalesce(call.corrected->>'model', appliance.model), coalesce(call.corrected->>'place', appliance.place)))`;

/**
 * Two tables of a query: every call of the shop ($1) by its unit, and `came_back`, which of some calls somebody had to come again for
 * within `RETURN_DAYS`. Joined by the unit as a whole: looking for each call by itself takes minutes in a shop of twenty thousand.
 * @param calls a table before it, with id, at, last_at and unit
 */
export const cameBackOf = (calls: string): string => `again AS (
    SELECT call.id, call.at, ${UNIT} AS unit
    FROM call JOIN appliance ON appliance.shop = call.shop AND appliance.id = call.appliance
    WHERE call.shop = $1 AND EXISTS (SELECT FROM ${calls})
  ), came_back AS (
    SELECT first.id FROM ${calls} first JOIN again ON again.unit = first.unit AND again.id <> first.id
      AND again.at > first.at AND again.at < first.last_at + interval '${RETURN_DAYS} days'
  )`;
