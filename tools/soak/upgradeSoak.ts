import { rmSync, symlinkSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { chanceFrom } from '../../core/chance';
import { Database, OF_A_TASK } from '../../server/db/database';
import { verify } from '../../server/db/verify';
import { foundShop, type SignedIn } from '../../e2e/signIn';
import { Member } from '../cluster/member';
import { answers, freePorts, serverProgram, serversOf, webProxy } from '../cluster/servers';
import { BadInput, EXIT, out } from '../commands/command';
import { needDebian } from '../debian';
import { ROOT } from '../folders';
import { startCluster } from '../postgres';
import { runProgram } from '../runProgram';
import { Phone } from './phone';
import { dataFolder } from '../../e2e/yarrix';

const PHONES = 20;
/** Between two servers that are replaced, as an operator looks whether the first is well. */
const LOOKS_MS = 3000;

/**
 * `./yarrix soak --upgrade REVISION [--seed N]`: two servers of an older revision, phones that write; then the database is brought up to this
 * program, and one server after the other is replaced. Says what was lost, and how long nothing was confirmed.
 */
export async function upgradeSoak(revision: string, seed: number): Promise<number> {
  await needDebian(['postgresql', 'haproxy']);
  const folder = dataFolder('yarrix-upgrade-');
  const older = join(folder, 'older');
  const tree = await runProgram(
    'git',
    ['-C', ROOT, 'worktree', 'add', '--detach', older, revision],
    {},
  );
  if (tree.code !== 0) throw new BadInput(`--upgrade ${revision}: ${tree.output.trim()}`);
  symlinkSync(join(ROOT, 'node_modules'), join(older, 'node_modules'));
  const cluster = await startCluster(join(folder, 'postgres'));
  const servers = serversOf(await freePorts(2));
  const [port = 0] = await freePorts(1);
  const address = `http://127.0.0.1:${port}`;
  const env = {
    ...process.env,
    YARRIX_DATA: folder,
    YARRIX_DATABASE_OWNER: cluster.ownerUrl,
    YARRIX_DATABASE: cluster.url,
  };
  process.env.YARRIX_DATA = folder;
  const prepare = async (of: string): Promise<void> => {
    const ran = await runProgram(join(of, 'yarrix'), ['prepare'], { env });
    if (ran.code !== 0) throw new Error(ran.output);
  };
  const member = (server: (typeof servers)[number], of: string): Member =>
    new Member(serverProgram(server, cluster.url, folder, of));
  const web = new Member(webProxy(servers, `127.0.0.1:${port}`, folder));
  const running = servers.map((server) => member(server, older));
  const faults: string[] = [];
  try {
    await prepare(older);
    for (const each of [...running, web]) each.start();
    for (const each of [...servers, { name: 'web', port }]) await answers(each, folder);
    let [last, gap] = [performance.now(), 0];
    const heard = (): void => {
      gap = Math.max(gap, performance.now() - last);
      last = performance.now();
    };
    const shops: SignedIn[] = [await foundShop(address, 'One'), await foundShop(address, 'Other')];
    const phones = Array.from({ length: PHONES }, (_, i) => {
      const shop = shops[i % 2] ?? { cookie: '' };
      return new Phone(address, shop, chanceFrom(seed * 1000 + i), heard);
    });
    const work = phones.map((phone) =>
      phone.work().catch((error: unknown) => void faults.push(String(error))),
    );
    await sleep(LOOKS_MS);
    gap = 0;
    await prepare(ROOT);
    out(
      `the database is of this version, its servers are not: ${(gap / 1000).toFixed(1)} s at most without an answer`,
    );
    await sleep(LOOKS_MS);
    for (const [i, server] of servers.entries()) {
      gap = 0;
      await running[i]?.stop();
      const newer = (running[i] = member(server, ROOT));
      newer.start();
      await answers(server, folder);
      await sleep(LOOKS_MS);
      out(`${server.name} replaced: ${(gap / 1000).toFixed(1)} s at most without an answer`);
    }
    for (const phone of phones) phone.end();
    await Promise.race([Promise.all(work), sleep(60_000)]);
    for (const phone of phones) faults.push(...(await phone.faults()));
    const db = new Database(cluster.ownerUrl, undefined, OF_A_TASK);
    faults.push(...(await verify(db)).faults);
    await db.end();
    const confirmed = phones.reduce((sum, phone) => sum + phone.confirmed.size, 0);
    out(`${confirmed} confirmed entries (seed ${seed})`);
    for (const fault of faults) out(`  ${fault}`);
    out(faults.length ? `${faults.length} faults` : '0 lost, 0 doubled, 0 refused');
  } finally {
    for (const each of [web, ...running]) await each.stop();
    await cluster.stop();
    await runProgram('git', ['-C', ROOT, 'worktree', 'remove', '--force', older]);
    rmSync(folder, { recursive: true, force: true });
  }
  return faults.length ? EXIT.no : EXIT.done;
}
