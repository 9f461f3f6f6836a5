import type { ModelSheet } from '../../core/diagram/modelPattern';
import type { ShopQueries } from './database';

interface Row {
  make: string;
  pattern: string;
  diagram: string;
  version: number | null;
}

const asSheet = ({ version, ...sheet }: Row): ModelSheet => ({
  ...sheet,
  ...(version !== null && { version }),
});

/** Which sheets the models of a shop use. */
export async function listModelSheets(db: ShopQueries): Promise<ModelSheet[]> {
  const { rows } = await db.query<Row>(
    `SELECT make, pattern, diagram, version FROM (
       SELECT DISTINCT ON (lower(make), lower(pattern)) make, pattern, diagram, version
       FROM model_sheet WHERE shop = $1
       ORDER BY lower(make), lower(pattern), arrived DESC
     ) newest
     WHERE diagram IS NOT NULL ORDER BY make, pattern`,
    [db.shop],
  );
  return rows.map(asSheet);
}

/** What was said of a model, with null where it uses no sheet any more. */
export type SaidOfModel = Omit<ModelSheet, 'diagram'> & { diagram: string | null };

/**
 * Says which sheet a model uses, once for each `sentAs`.
 * @returns what is stored under this id, by this sending or an earlier one; undefined where there is no such diagram
 */
export async function addModelSheet(
  db: ShopQueries,
  sentAs: string,
  { make, pattern, diagram, version }: SaidOfModel,
): Promise<SaidOfModel | undefined> {
  const { rows } = await db.query<Omit<Row, 'diagram'> & { diagram: string | null }>(
    `WITH added AS (
       INSERT INTO model_sheet (shop, sent_as, make, pattern, diagram, version)
       SELECT $1, $2, $3, $4, $5, $6::integer
       WHERE $5::text IS NULL OR EXISTS (
         SELECT FROM diagram WHERE shop = $1 AND id = $5 AND version = coalesce($6::integer, version)
       )
       ON CONFLICT (shop, sent_as) DO NOTHING
       RETURNING make, pattern, diagram, version
     )
     SELECT make, pattern, diagram, version FROM added
     UNION ALL SELECT make, pattern, diagram, version FROM model_sheet WHERE shop = $1 AND sent_as = $2`,
    [db.shop, sentAs, make, pattern, diagram, version ?? null],
  );
  const [row] = rows;
  if (!row) return undefined;
  const { version: stored, ...sheet } = row;
  return { ...sheet, ...(stored !== null && { version: stored }) };
}
