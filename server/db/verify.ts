import { checkDiagram } from '../../contract/diagramFile';
import { readEntry, type NewEntry } from '../../contract/entry';
import type { Queries } from './database';
import { namedBy } from './entries';

/** What was read, and what of it does not hold. */
export interface Verified {
  shops: number;
  diagrams: number;
  calls: number;
  entries: number;
  /** Each names its place: the shop, the row, and what is wrong with it. */
  faults: string[];
}

/** Rows of a table at a time. */
const PAGE = 1000;
const MOST_FAULTS = 100;

/**
 * Reads everything once: every diagram is sound, every entry has the shape of its kind and names only
 * entries of its own call, and what lists show of a call is what its log says.
 */
export async function verify(db: Queries): Promise<Verified> {
  const faults: string[] = [];
  const report = (fault: string): void => {
    if (faults.length < MOST_FAULTS) faults.push(fault);
  };
  const shops = await db.query('SELECT shop FROM shop');
  const counted = { shops: shops.rowCount ?? 0, diagrams: 0, calls: 0, entries: 0 };

  const shared = await db.query<{ id: string; body: unknown }>('SELECT id, body FROM built_in');
  // What all shops have is checked once, not once for each of them.
  const builtIn = new Map(shared.rows.map(({ id, body }) => [id, checkDiagram(body)]));
  const diagrams = pages<{
    shop: string;
    id: string;
    version: number;
    name: string;
    builtIn: string | null;
    body: unknown;
  }>(db, 'SELECT shop, id, version, name, built_in AS "builtIn", body FROM kept_diagram', [
    'shop',
    'id',
    'version',
  ]);
  for await (const { shop, id, version, name, builtIn: from, body } of diagrams) {
    counted.diagrams++;
    const place = `${shop}: diagram ${id} version ${version}`;
    const checked = (from !== null && builtIn.get(from)) || checkDiagram(body);
    if (!checked.ok) report(`${place}: ${checked.error[0]?.path} ${checked.error[0]?.message}`);
    else if (checked.value.diagram.id !== id || checked.value.diagram.name !== name)
      report(`${place}: is kept under another id or name than it has`);
  }

  const entries = pages<NewEntry & { shop: string; id: string; named: number; phoneAt: Date }>(
    db,
    `SELECT shop, id, call AS "callId", kind, body, phone_at AS "phoneAt", (
       SELECT count(*)::integer FROM entry other
       WHERE other.shop = entry.shop AND other.call = entry.call AND other.id <> entry.id
         AND other.id::text IN (SELECT jsonb_array_elements_text(
           CASE entry.kind WHEN 'doubt' THEN jsonb_build_array(entry.body->'names')
                           WHEN 'reading' THEN entry.body->'supersedes' ELSE '[]' END))
     ) AS named FROM entry`,
    ['shop', 'id'],
  );
  for await (const { shop, id, named, phoneAt, callId, kind, body } of entries) {
    counted.entries++;
    const read = readEntry({ callId, kind, body, phoneAt: phoneAt.toISOString() });
    const place = `${shop}: entry ${id}`;
    if (!read.ok) report(`${place}: ${read.error[0]?.path} ${read.error[0]?.message}`);
    else if (named !== namedBy(read.value).length)
      report(`${place}: names an entry that is not in its call`);
  }

  const calls = await db.query<{ number: number }>('SELECT count(*)::integer AS number FROM call');
  counted.calls = calls.rows[0]?.number ?? 0;
  const { rows } = await db.query<{ shop: string; id: string; wrong: string }>(
    `SELECT call.shop, call.id, concat_ws(', ',
       CASE WHEN readings <> coalesce(log.number, 0) THEN 'readings' END,
       CASE WHEN last_at <> greatest(call.at, coalesce(log.last, call.at)) THEN 'last worked' END,
       CASE WHEN stage <> coalesce(log.stages, 'open') THEN 'stage' END,
       CASE WHEN version_now <> coalesce(log.versions, diagram_version) THEN 'diagram version' END,
       CASE WHEN diagram_now <> coalesce(log.diagrams, diagram) THEN 'diagram' END,
       CASE WHEN found IS NOT NULL AND NOT EXISTS (
         SELECT FROM entry WHERE entry.shop = call.shop AND entry.call = call.id AND kind = 'found' AND body = found
       ) THEN 'verdict' END,
       CASE WHEN corrected <> coalesce(put_right.said, '{}') THEN 'make, model, place or complaint' END
     ) AS wrong
     FROM call LEFT JOIN (
       SELECT shop, call, count(*) FILTER (WHERE kind = 'reading') AS number, max(at) AS last,
         (array_agg(body->>'stage' ORDER BY at DESC, arrived DESC)
           FILTER (WHERE kind = 'stage'))[1] AS stages,
         (array_agg(coalesce(body->>'version', body->>'diagramVersion')::integer ORDER BY at DESC, arrived DESC)
           FILTER (WHERE changes_diagram(kind, body)))[1] AS versions,
         (array_agg(coalesce(body->>'diagram', body->>'diagramId') ORDER BY at DESC, arrived DESC)
           FILTER (WHERE changes_diagram(kind, body)))[1] AS diagrams
       FROM entry GROUP BY shop, call
     ) log ON log.shop = call.shop AND log.call = call.id LEFT JOIN (
       SELECT shop, call, jsonb_object_agg(said.key, said.value ORDER BY at, arrived) AS said
       FROM entry, jsonb_each(body) said WHERE kind = 'correction' GROUP BY shop, call
     ) put_right ON put_right.shop = call.shop AND put_right.call = call.id`,
  );
  for (const { shop, id, wrong } of rows)
    if (wrong) report(`${shop}: call ${id} shows another ${wrong} than its log has`);
  return { ...counted, faults };
}

/** The rows of a table in the order of its key, a page at a time. */
async function* pages<R extends object>(
  db: Queries,
  select: string,
  key: readonly (keyof R & string)[],
): AsyncGenerator<R> {
  const order = key.join(', ');
  let last: unknown[] | undefined;
  for (;;) {
    const places = key.map((_, i) => `$${i + 1}`).join(', ');
    const after = last ? `WHERE (${order}) > (${places})` : '';
    const { rows } = await db.query<R>(
      `${select} ${after} ORDER BY ${order} LIMIT ${PAGE}`,
      last ?? [],
    );
    yield* rows;
    const end = rows.at(-1);
    if (rows.length < PAGE || !end) return;
    last = key.map((name) => end[name]);
  }
}
