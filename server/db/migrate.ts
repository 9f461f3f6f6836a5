import { join } from 'node:path';
import { runner } from 'node-pg-migrate';

/** Brings the schema up to date. Migrations only ever add or widen; none loses data. */
export async function migrate(url: string, log: (line: string) => void): Promise<void> {
  await runner({
    databaseUrl: url,
    dir: join(__dirname, 'migrations'),
    direction: 'up',
    migrationsTable: 'migration',
    log,
  });
}
