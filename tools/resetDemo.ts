import { join } from 'node:path';
import { createInterface } from 'node:readline/promises';
import { resetDemoShop, strangersInDemo } from '../demo/load';
import { migrate } from '../server/db/migrate';
import { needDebian } from './debian';
import { EXIT, out } from './commands/command';
import { DATA, EnvironmentError } from './folders';
import { whoHolds } from './lease';
import { startCluster } from './postgres';

/**
 * `./yarrix reset-demo [--yes]`: the demo shop as on the first day. Other shops are not touched, and
 * what somebody has added to the demo goes only when it is said.
 */
export async function resetDemo(yes: boolean): Promise<number> {
  await needDebian(['postgresql']);
  const cluster = await startCluster(join(DATA, 'postgres'));
  try {
    const holder = await whoHolds(cluster.ownerUrl);
    if (holder)
      throw new EnvironmentError(
        `Yarrix works on this data (process ${holder.pid}, port ${holder.port}): ./yarrix stop first`,
      );
    await migrate(cluster.ownerUrl, () => undefined);
    const strangers = await strangersInDemo(cluster.ownerUrl);
    if (strangers.length && !yes && !(await agreed(strangers))) return EXIT.no;
    await resetDemoShop(cluster.ownerUrl);
  } finally {
    if (cluster.started) await cluster.stop();
  }
  out('The demo data is as it was on the first day.');
  return EXIT.done;
}

async function agreed(strangers: string[]): Promise<boolean> {
  const says = `The demo shop also has ${strangers.join(', ')} that the demo did not make.`;
  if (!process.stdin.isTTY) {
    out(`${says} Nothing was changed; with --yes they go.`);
    return false;
  }
  const asks = createInterface({ input: process.stdin, output: process.stdout });
  const answer = await asks.question(`${says} Take them out for good? [y/N] `);
  asks.close();
  return /^y(es)?$/i.test(answer.trim());
}
