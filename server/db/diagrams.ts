import type { DiagramSummary } from '../../contract/call';
import type { Diagram } from '../../core/diagram/diagram';
import type { Queries } from './database';

/** The newest version of every diagram of a shop. */
export async function listDiagrams(db: Queries, shop: string): Promise<DiagramSummary[]> {
  const { rows } = await db.query<{ id: string; version: number; body: Diagram }>(
    `SELECT DISTINCT ON (id) id, version, body FROM diagram
     WHERE shop = $1 ORDER BY id, version DESC`,
    [shop],
  );
  return rows.map(({ id, version, body }) => ({
    id,
    version,
    name: body.name,
    kind: body.kind,
    switches: body.parts.filter((part) => part.kind === 'switch').length,
  }));
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
