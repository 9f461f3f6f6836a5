import { join } from 'node:path';
import { loadDemo, removeShop } from '../demo/load';
import { migrate } from '../server/db/migrate';
import { needDebian } from './debian';
import { EXIT, out } from './commands/command';
import { DATA, DEMO_SHOP } from './folders';
import { startCluster } from './postgres';

/** `./yarrix reset-demo`: the demo shop as on the first day. Other shops are not touched. */
export async function resetDemo(): Promise<number> {
  await needDebian(['postgresql']);
  const cluster = await startCluster(join(DATA, 'postgres'));
  try {
    await migrate(cluster.url, () => undefined);
    await removeShop(cluster.url, DEMO_SHOP);
    await loadDemo(cluster.url, DEMO_SHOP);
  } finally {
    if (cluster.started) await cluster.stop();
  }
  out('The demo data is as it was on the first day.');
  return EXIT.done;
}
