import type { CallPage, CallSummary, NewCallDto } from '../../contract/call';
import { foldText } from '../../core/describe/searchWords';
import type { ShopQueries } from './database';

const SUMMARY = `
  SELECT call.id, coalesce(call.corrected->>'complaint', call.complaint) AS complaint, call.diagram_now AS "diagramId", call.phone_at AS "phoneAt",
         call.version_now AS "diagramVersion", diagram.name AS "diagramName",
         call.stage, call.found, call.readings, call.last_at AS "lastAt",
         jsonb_build_object('id', appliance.id, 'make', appliance.make, 'model', appliance.model,
           'place', appliance.place, 'customer', appliance.customer)
           || (call.corrected - ARRAY['complaint', 'diagramId', 'diagramVersion']) AS appliance`;
const FROM = `
  FROM call
  JOIN appliance ON appliance.shop = call.shop AND appliance.id = call.appliance
  JOIN diagram ON diagram.shop = call.shop AND diagram.id = call.diagram_now
              AND diagram.version = call.version_now`;

/** Calls in one answer. */
const PAGE = 50;

/** Which calls are asked for. */
export interface CallsWanted {
  /** Words that all have to be found. */
  words: string[];
  stage?: CallSummary['stage'];
  /** Where the page before ended. */
  after?: Cursor;
}

/** The last call of a page: when it was worked last, to the microsecond, and its id. */
export interface Cursor {
  lastAt: string;
  id: string;
}

export const writeCursor = ({ lastAt, id }: Cursor): string =>
  Buffer.from(`${lastAt} ${id}`).toString('base64url');

/** @returns undefined for a text that no page ended with */
export function readCursor(text: string): Cursor | undefined {
  const [, lastAt, id] =
    /^(\d+) ([0-9a-f-]{36})$/.exec(Buffer.from(text, 'base64url').toString('utf8')) ?? [];
  return lastAt !== undefined && id !== undefined && lastAt.length < 18
    ? { lastAt, id }
    : undefined;
}

/** A word anywhere in a text, for LIKE. */
const patternOf = (word: string): string => `%${foldText(word).replace(/[\\%_]/g, '\\$&')}%`;

/** A page of a shop's calls, the last worked first. */
export async function listCalls(
  db: ShopQueries,
  { words, stage, after }: CallsWanted,
): Promise<CallPage> {
  const values: unknown[] = [db.shop];
  const conditions = ['call.shop = $1'];
  const at =
    after && `to_timestamp(0) + $${values.push(after.lastAt)}::bigint * interval '1 microsecond'`;
  const id = after && `$${values.push(after.id)}::uuid`;
  const of = stage && `$${values.push(stage)}`;
  if (words.length) {
    const patterns = `$${values.push(words.map(patternOf))}::text[]`;
    const page = [of ?? 'NULL', at ?? 'NULL', id ?? 'NULL', PAGE + 1].join(', ');
    // An array, so that it is asked once: as a list it may be asked again for every call on the way.
    conditions.push(`call.id = ANY(ARRAY(SELECT calls_by_words($1, ${patterns}, ${page})))`);
  } else {
    if (of) conditions.push(`call.stage = ${of}`);
    // The second says the same for the index, which knows hours alone.
    if (at) conditions.push(`(call.last_at, call.id) < (${at}, ${id})`, `call.last_hour <= ${at}`);
  }
  const text = `${SUMMARY}, (extract(epoch FROM call.last_at) * 1000000)::bigint AS micros
     ${FROM} WHERE ${conditions.join(' AND ')}
     ORDER BY call.last_hour DESC, call.last_at DESC, call.id DESC LIMIT ${PAGE + 1}`;
  // What is asked most is planned once a connection; a search is planned by its words.
  const name = words.length ? {} : { name: `calls ${conditions.length} ${stage ?? ''}` };
  const { rows } = await db.query<CallSummary & { micros: string }>({ ...name, text, values });
  const calls = rows.slice(0, PAGE).map(({ micros: _, ...call }) => call);
  const last = rows.length > PAGE ? rows[PAGE - 1] : undefined;
  return { calls, next: last ? writeCursor({ lastAt: last.micros, id: last.id }) : null };
}

export async function findCall(db: ShopQueries, id: string): Promise<CallSummary | undefined> {
  const { rows } = await db.query<CallSummary>(
    `${SUMMARY} ${FROM} WHERE call.shop = $1 AND call.id = $2`,
    [db.shop, id],
  );
  return rows[0];
}

/** The diagram that a call is worked with now. */
export async function diagramOfCall(
  db: ShopQueries,
  id: string,
): Promise<{ diagramId: string; version: number } | undefined> {
  const { rows } = await db.query<{ diagramId: string; version: number }>(
    `SELECT diagram_now AS "diagramId", version_now AS version FROM call WHERE shop = $1 AND id = $2`,
    [db.shop, id],
  );
  return rows[0];
}

/** What became of a call that was sent. */
export interface AddedCall {
  /** Whether the diagram that it names is there. */
  diagram: boolean;
  /** What is stored under the call's id and the appliance's, by this sending or an earlier one. */
  call: (Omit<NewCallDto, 'appliance'> & { applianceId: string }) | null;
  appliance: NewCallDto['appliance'] | null;
}

/**
 * Stores a call and its appliance in one round trip, once however often it is sent; neither where the
 * appliance's id is taken by another one.
 */
export async function addCall(
  db: ShopQueries,
  id: string,
  call: NewCallDto,
  skewMs = 0,
): Promise<AddedCall> {
  const { appliance } = call;
  const { make, model, place, customer = null } = appliance;
  const { rows } = await db.query<AddedCall>(
    `WITH drawn AS (
       SELECT name FROM diagram WHERE shop = $1 AND id = $8 AND version = $9
     ), wanted AS (
       SELECT name FROM drawn WHERE NOT EXISTS (
         SELECT FROM appliance WHERE shop = $1 AND id = $3
           AND (make, model, place, customer) IS DISTINCT FROM ($4, $5, $6, $7)
       )
     ), new_appliance AS (
       INSERT INTO appliance (shop, id, make, model, place, customer)
       SELECT $1, $3, $4, $5, $6, $7 FROM wanted ON CONFLICT (shop, id) DO NOTHING
       RETURNING id, make, model, place, customer
     ), new_call AS (
       INSERT INTO call (shop, id, appliance, diagram, diagram_now, diagram_version, version_now, complaint,
                         phone_at, at, last_at)
       SELECT $1, $2, $3, $8, $8, $9, $9, $10, $11, made, made
       FROM wanted, least($11::timestamptz + $12 * interval '1 ms', now()) made
       ON CONFLICT (shop, id) DO NOTHING
       RETURNING appliance, diagram, diagram_version, complaint, phone_at
     ), new_words AS (
       INSERT INTO call_words (shop, call, words)
       SELECT $1, $2, $13 || ' ' || lower(name) FROM wanted, new_call
     ), of_call AS (
       SELECT * FROM new_call UNION ALL
       SELECT appliance, diagram, diagram_version, complaint, phone_at FROM call
       WHERE shop = $1 AND id = $2 LIMIT 1
     ), of_appliance AS (
       SELECT * FROM new_appliance UNION ALL
       SELECT id, make, model, place, customer FROM appliance WHERE shop = $1 AND id = $3 LIMIT 1
     )
     SELECT EXISTS (SELECT FROM drawn) AS diagram,
       (SELECT json_build_object('applianceId', appliance, 'diagramId', diagram,
          'diagramVersion', diagram_version, 'complaint', complaint, 'phoneAt', phone_at)
        FROM of_call) AS call,
       (SELECT json_build_object('id', id, 'make', make, 'model', model, 'place', place,
          'customer', customer) FROM of_appliance) AS appliance`,
    [
      db.shop,
      id,
      appliance.id,
      make,
      model,
      place,
      customer,
      call.diagramId,
      call.diagramVersion,
      call.complaint,
      call.phoneAt,
      skewMs,
      foldText([make, model, place, customer ?? '', call.complaint].join(' ')),
    ],
  );
  const [row] = rows;
  if (!row) throw new Error('a statement that always has one row has none');
  return row;
}
