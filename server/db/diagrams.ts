import { LRUCache } from 'lru-cache';
import { MOST_BODIES, type DiagramBody, type DiagramSummary } from '../../contract/diagram';
import { searchWords } from '../../core/describe/searchWords';
import type { Diagram } from '../../core/diagram/diagram';
import type { Queries } from './database';

/** What lists show of versions that were read before, by the id they were sent as: versions never change. */
const SUMMARIES = new LRUCache<string, DiagramSummary>({ max: 5_000 });

/** The newest version of every diagram of a shop. Bodies are read for those alone that are new here. */
export async function listDiagrams(db: Queries, shop: string): Promise<DiagramSummary[]> {
  const { rows } = await db.query<{ sentAs: string }>(
    `SELECT DISTINCT ON (id) sent_as AS "sentAs" FROM diagram
     WHERE shop = $1 ORDER BY id, version DESC`,
    [shop],
  );
  const known = new Map(rows.map(({ sentAs }) => [sentAs, SUMMARIES.get(`${shop} ${sentAs}`)]));
  const fresh = [...known].flatMap(([sentAs, summary]) => (summary ? [] : [sentAs]));
  if (fresh.length) {
    const read = await db.query<DiagramBody & { sentAs: string }>(
      `SELECT id, version, sent_as AS "sentAs", body FROM diagram
       WHERE shop = $1 AND sent_as = ANY($2::uuid[])`,
      [shop, fresh],
    );
    for (const each of read.rows) {
      const summary = summaryOf(each);
      known.set(each.sentAs, summary);
      SUMMARIES.set(`${shop} ${each.sentAs}`, summary);
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

/** Newest versions that a device lacks, by `id/version`, so many at a time. */
export async function missingDiagrams(
  db: Queries,
  shop: string,
  have: readonly string[],
): Promise<DiagramBody[]> {
  const { rows } = await db.query<DiagramBody>(
    `SELECT id, version, body FROM (
       SELECT DISTINCT ON (id) id, version, body FROM diagram
       WHERE shop = $1 ORDER BY id, version DESC
     ) newest
     WHERE NOT (id || '/' || version = ANY($2::text[])) ORDER BY id LIMIT $3`,
    [shop, have, MOST_BODIES],
  );
  return rows;
}

export async function findDiagram(
  db: Queries,
  shop: string,
  id: string,
  version: number,
): Promise<Diagram | undefined> {
  const { rows } = await db.query<{ body: Diagram }>(
    'SELECT body FROM diagram WHERE shop = $1 AND id = $2 AND version = $3',
    [shop, id, version],
  );
  return rows[0]?.body;
}

/** Adds the next version of a diagram, once for each `sentAs`, and says which version that is. */
export async function addDiagram(
  db: Queries,
  shop: string,
  sentAs: string,
  diagram: Diagram,
): Promise<number> {
  // Two senders at once would take the same number: they go one after the other.
  await db.query('SELECT 1 FROM shop WHERE shop = $1 FOR UPDATE', [shop]);
  const sent = await db.query<{ version: number }>(
    'SELECT version FROM diagram WHERE shop = $1 AND sent_as = $2',
    [shop, sentAs],
  );
  if (sent.rows[0]) return sent.rows[0].version;
  const { rows } = await db.query<{ version: number }>(
    `INSERT INTO diagram (shop, id, version, sent_as, body)
     SELECT $1, $2, coalesce(max(version), 0) + 1, $3, $4 FROM diagram WHERE shop = $1 AND id = $2
     RETURNING version`,
    [shop, diagram.id, sentAs, JSON.stringify(diagram)],
  );
  return rows[0]?.version ?? 1;
}
