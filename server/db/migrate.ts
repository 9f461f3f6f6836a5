import { join } from 'node:path';
import { runner } from 'node-pg-migrate';
import { bringLibrary } from './builtIn';
import { Database, OF_A_TASK } from './database';

/**
 * Brings a database up to what this program needs: its schema, and the diagrams that the program brings along. Migrations only ever
 * add or widen; none loses data.
 */
export async function migrate(url: string, log: (line: string) => void): Promise<void> {
  await runner({
    databaseUrl: url,
    dir: join(__dirname, 'migrations'),
    direction: 'up',
    migrationsTable: 'migration',
    log,
  });
  const db = new Database(url, undefined, OF_A_TASK);
  try {
    await bringLibrary(db);
  } finally {
    await db.end();
  }
}
