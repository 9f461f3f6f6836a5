import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';
import { migrate } from '../server/db/migrate';
import { needDebian } from './debian';
import { startCluster, type Cluster } from './postgres';

const kept = globalThis as typeof globalThis & {
  yarrixTest?: { cluster: Cluster; folder: string };
};

/** Jest's global set-up of the server tests: a real PostgreSQL that is thrown away afterwards. */
export async function setUp(): Promise<void> {
  await needDebian(['postgresql']);
  const folder = mkdtempSync(join(tmpdir(), 'yarrix-test-'));
  const cluster = await startCluster(folder, false);
  await migrate(cluster.ownerUrl, () => undefined);
  await keepEmpty(cluster.ownerUrl);
  kept.yarrixTest = { cluster, folder };
  process.env.YARRIX_TEST_DATABASE = cluster.url;
  process.env.YARRIX_TEST_OWNER = cluster.ownerUrl;
}

/** A copy of which tests make databases of their own, in which nobody has founded anything. */
async function keepEmpty(ownerUrl: string): Promise<void> {
  const client = new Client({ connectionString: ownerUrl.replace(/\/yarrix$/, '/postgres') });
  await client.connect();
  await client.query('CREATE DATABASE empty TEMPLATE yarrix');
  await client.end();
}

export async function tearDown(): Promise<void> {
  await kept.yarrixTest?.cluster.stop();
  if (kept.yarrixTest) rmSync(kept.yarrixTest.folder, { recursive: true, force: true });
}

export default setUp;
