import { LRUCache } from 'lru-cache';
import { MOST_BODIES, type DiagramBody, type DiagramSummary } from '../../contract/diagram';
import { searchWords } from '../../core/describe/searchWords';
import type { Diagram } from '../../core/diagram/diagram';
import type { ShopQueries } from './database';

/** A version by what it is: a built-in one is the same for every shop. Versions never change. */
interface Version {
  sentAs: string;
  builtIn: string | null;
}
const keyOf = (shop: string, { sentAs, builtIn }: Version): string =>
  builtIn ?? `${shop} ${sentAs}`;

/** What lists show of versions that were read before. */
const SUMMARIES = new LRUCache<string, DiagramSummary>({ max: 5_000 });

/** The newest version of each diagram that is not withdrawn: what stands in lists. */
const LISTED = `(
  SELECT newest.* FROM (
    SELECT DISTINCT ON (id) id, version, sent_as, built_in, body FROM diagram
    WHERE shop = $1 ORDER BY id, version DESC
  ) newest
  WHERE NOT EXISTS (
    SELECT FROM diagram_withdrawal gone
    WHERE gone.shop = $1 AND gone.diagram = newest.id AND gone.version = newest.version
  )
) listed`;

/** The newest version of every diagram of a shop. Bodies are read for those alone that are new here. */
export async function listDiagrams(db: ShopQueries): Promise<DiagramSummary[]> {
  const { rows } = await db.query<Version>(
    `SELECT sent_as AS "sentAs", built_in AS "builtIn" FROM ${LISTED} ORDER BY id`,
    [db.shop],
  );
  const known = new Map(rows.map((each) => [each.sentAs, SUMMARIES.get(keyOf(db.shop, each))]));
  const fresh = [...known].flatMap(([sentAs, summary]) => (summary ? [] : [sentAs]));
  if (fresh.length) {
    const read = await db.query<DiagramBody & Version>(
      `SELECT id, version, sent_as AS "sentAs", built_in AS "builtIn", body FROM diagram
       WHERE shop = $1 AND sent_as = ANY($2::uuid[])`,
      [db.shop, fresh],
    );
    for (const each of read.rows) {
      const summary = summaryOf(each);
      known.set(each.sentAs, summary);
      SUMMARIES.set(keyOf(db.shop, each), summary);
    }
  }
  return [...known.values()].flatMap((each) => each ?? []);
}

const summaryOf = ({ id, version, body }: DiagramBody): DiagramSummary => ({
  id,
  version,
  name: body.name,
  kind: body.kind,
  parts: body.parts.length,
  switches: body.parts.filter((part) => part.kind === 'switch').length,
  words: searchWords(body),
});

/** Bodies of one answer together, as the database keeps them: about a third of what they are as JSON. */
const MOST_BYTES = 500_000;

/** The newest version of each diagram that stands in the shop's list, whole. */
export async function listedDiagrams(db: ShopQueries): Promise<Diagram[]> {
  const { rows } = await db.query<{ body: Diagram }>(`SELECT body FROM ${LISTED} ORDER BY id`, [
    db.shop,
  ]);
  return rows.map(({ body }) => body);
}

/** Newest versions that a device lacks, by `id/version`, so many at a time. */
export async function missingDiagrams(
  db: ShopQueries,
  have: readonly string[],
): Promise<DiagramBody[]> {
  const { rows } = await db.query<DiagramBody>(
    `SELECT id, version, body FROM (
       SELECT id, version, body, row_number() OVER missing AS number,
              sum(pg_column_size(body)) OVER missing AS bytes
       FROM ${LISTED}
       WHERE NOT (id || '/' || version = ANY($2::text[]))
       WINDOW missing AS (ORDER BY id)
     ) counted
     WHERE number = 1 OR (number <= $3 AND bytes <= $4) ORDER BY id`,
    [db.shop, have, MOST_BODIES, MOST_BYTES],
  );
  return rows;
}

/** Bodies that were read before: every entry is checked against its call's. */
const BODIES = new LRUCache<string, Diagram>({ max: 300 });
/** Which of them a shop's version is. */
const BODY_OF = new LRUCache<string, string>({ max: 50_000 });

export async function findDiagram(
  db: ShopQueries,
  id: string,
  version: number,
): Promise<Diagram | undefined> {
  const named = JSON.stringify([db.shop, id, version]);
  const known = BODIES.get(BODY_OF.get(named) ?? '');
  if (known) return known;
  const { rows } = await db.query<Version & { body: Diagram }>(
    `SELECT sent_as AS "sentAs", built_in AS "builtIn", body FROM diagram
     WHERE shop = $1 AND id = $2 AND version = $3`,
    [db.shop, id, version],
  );
  const [found] = rows;
  if (!found) return undefined;
  const key = keyOf(db.shop, found);
  BODY_OF.set(named, key);
  BODIES.set(key, found.body);
  return found.body;
}

/** Who made a version: it came with the program, or the shop sent it. */
export type Origin = 'built-in' | 'shop';

/** What is stored under the id that a diagram was sent as, by this sending or an earlier one. */
export interface AddedDiagram {
  version: number;
  body: Diagram;
}

/** Two senders at once would take the same number: they go one after the other, until the transaction ends. */
export async function lockDiagrams(db: ShopQueries): Promise<void> {
  await db.query('SELECT pg_advisory_xact_lock(hashtextextended($1, 0))', [`diagram ${db.shop}`]);
}

/** Adds the next version of a diagram, once for each `sentAs`. Runs in a transaction. */
export async function addDiagram(
  db: ShopQueries,
  sentAs: string,
  diagram: Diagram,
): Promise<AddedDiagram> {
  await lockDiagrams(db);
  const sent = await db.query<AddedDiagram>(
    'SELECT version, body FROM diagram WHERE shop = $1 AND sent_as = $2',
    [db.shop, sentAs],
  );
  if (sent.rows[0]) return sent.rows[0];
  const { rows } = await db.query<AddedDiagram>(
    `INSERT INTO kept_diagram (shop, id, version, sent_as, name, body)
     SELECT $1, $2, coalesce(max(version), 0) + 1, $3, $4, $5 FROM kept_diagram
     WHERE shop = $1 AND id = $2
     RETURNING version, body`,
    [db.shop, diagram.id, sentAs, diagram.name, JSON.stringify(diagram)],
  );
  if (!rows[0]) throw new Error('a version that was added is not there');
  return rows[0];
}

/** The newest version of every diagram of a shop, with who made it. */
export async function newestDiagrams(
  db: ShopQueries,
): Promise<{ id: string; origin: Origin; builtIn: string | null; body: Diagram }[]> {
  const { rows } = await db.query<Awaited<ReturnType<typeof newestDiagrams>>[number]>(
    `SELECT DISTINCT ON (id) id, origin, built_in AS "builtIn", body FROM diagram
     WHERE shop = $1 ORDER BY id, version DESC`,
    [db.shop],
  );
  return rows;
}

/** What a shop has withdrawn from its list. */
export interface Withdrawn {
  diagram: string;
  version: number;
}

/**
 * Takes a diagram from the list by its newest version, once for each `sentAs`.
 * @returns what was withdrawn under this id, by this sending or an earlier one; undefined where that is not its newest version
 */
export async function withdrawDiagram(
  db: ShopQueries,
  sentAs: string,
  { diagram, version }: Withdrawn,
): Promise<Withdrawn | undefined> {
  const { rows } = await db.query<Withdrawn>(
    `WITH added AS (
       INSERT INTO diagram_withdrawal (shop, sent_as, diagram, version)
       SELECT shop, $2, id, version FROM diagram
       WHERE shop = $1 AND id = $3 AND version = $4
         AND version = (SELECT max(version) FROM diagram WHERE shop = $1 AND id = $3)
       ON CONFLICT (shop, sent_as) DO NOTHING
       RETURNING diagram, version
     )
     SELECT diagram, version FROM added
     UNION ALL SELECT diagram, version FROM diagram_withdrawal WHERE shop = $1 AND sent_as = $2`,
    [db.shop, sentAs, diagram, version],
  );
  return rows[0];
}
