import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
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
  kept.yarrixTest = { cluster, folder };
  process.env.YARRIX_TEST_DATABASE = cluster.url;
  process.env.YARRIX_TEST_OWNER = cluster.ownerUrl;
}

export async function tearDown(): Promise<void> {
  await kept.yarrixTest?.cluster.stop();
  if (kept.yarrixTest) rmSync(kept.yarrixTest.folder, { recursive: true, force: true });
}

export default setUp;
