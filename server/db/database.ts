import { Pool, type PoolClient } from 'pg';

/** A place to send queries: the pool, or one client inside a transaction. */
export type Queries = Pick<PoolClient, 'query'>;

export const openDatabase = (url: string): Pool => new Pool({ connectionString: url, max: 8 });

/** Runs queries as one: all are kept, or none. */
export async function transaction<T>(
  pool: Pool,
  run: (queries: Queries) => Promise<T>,
): Promise<T> {
  const client = await pool.connect();
  try {
    await client.query('BEGIN');
    const result = await run(client);
    await client.query('COMMIT');
    return result;
  } catch (error) {
    await client.query('ROLLBACK');
    throw error;
  } finally {
    client.release();
  }
}
