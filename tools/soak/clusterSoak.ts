import { spawn, type ChildProcess } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { chanceFrom } from '../../core/chance';
import { Database, OF_A_TASK } from '../../server/db/database';
import { verify } from '../../server/db/verify';
import { foundShop, type SignedIn } from '../../e2e/signIn';
import { planIn, roleOf, urlOf, type Plan } from '../cluster/nodes';
import { EXIT, out } from '../commands/command';
import { ROOT } from '../folders';
import { freePort, reachable } from '../postgres';
import { runProgram } from '../runProgram';
import { Phone } from './phone';
import { dataFolder } from '../../e2e/yarrix';

const PHONES = 20;
/** Shops that they work in. */
const SHOPS = 4;
const AGAIN_WITHIN_S = 30;
const WHOLE_WITHIN_MS = 120_000;

/** What is done to the primary: its PostgreSQL is killed, or the whole node, which stays away until somebody else writes. */
const WAYS = ['postgres killed', 'node killed'] as const;

/**
 * `./yarrix soak --cluster [--rounds N] [--seed N]`: the primary of a cluster is killed again and again while phones write; says what was
 * lost, and how long nothing was confirmed each time.
 */
export async function clusterSoak(rounds: number, seed: number): Promise<number> {
  const cluster = await Troubled.start();
  const faults: string[] = [];
  const gaps: Record<(typeof WAYS)[number], number[]> = {
    'postgres killed': [],
    'node killed': [],
  };
  try {
    let last = performance.now();
    let gap = 0;
    const heard = (): void => {
      gap = Math.max(gap, performance.now() - last);
      last = performance.now();
    };
    const shops: SignedIn[] = [];
    for (let i = 0; i < SHOPS; i++) shops.push(await foundShop(cluster.address, `Soak ${i}`));
    const phones = Array.from({ length: PHONES }, (_, i) => {
      const shop = shops[i % SHOPS];
      if (!shop) throw new Error('no shop');
      return new Phone(cluster.address, shop, chanceFrom(seed * 1000 + i), heard);
    });
    const work = phones.map((phone) =>
      phone.work().catch((error: unknown) => void faults.push(String(error))),
    );
    for (let round = 0; round < rounds && faults.length === 0; round++) {
      const way = WAYS[round % 2] ?? 'node killed';
      if (!(await cluster.isWhole())) faults.push(`not whole before round ${round + 1}`);
      await sleep(1000);
      gap = 0;
      const primary = await cluster.primary();
      await cluster.run('kill', primary, ...(way === 'postgres killed' ? ['--postgres'] : []));
      const after = confirmed(phones);
      // Confirmed again, and not only what was under way when it was killed.
      for (let waited = 0; waited < WHOLE_WITHIN_MS; waited += 100) {
        await sleep(100);
        if (gap > 1000 && confirmed(phones) > after + PHONES) break;
      }
      const seconds = gap / 1000;
      gaps[way].push(seconds);
      if (way === 'node killed') await cluster.run('revive', primary);
      out(`round ${round + 1}: ${way} (${primary}), nothing confirmed for ${seconds.toFixed(1)} s`);
      if (seconds > AGAIN_WITHIN_S)
        faults.push(`round ${round + 1}: more than ${AGAIN_WITHIN_S} s`);
    }
    for (const phone of phones) phone.end();
    await Promise.race([Promise.all(work), sleep(120_000)]);
    for (const phone of phones) faults.push(...(await phone.faults()));
    faults.push(...(await cluster.verified()));
    for (const way of WAYS) out(`${way}: ${sayGaps(gaps[way])}`);
    out(`${confirmed(phones)} confirmed entries (seed ${seed})`);
    for (const fault of faults) out(`  ${fault}`);
    out(faults.length ? `${faults.length} faults` : '0 lost, 0 doubled, 0 out of order');
  } finally {
    await cluster.end();
  }
  return faults.length ? EXIT.no : EXIT.done;
}

const confirmed = (phones: readonly Phone[]): number =>
  phones.reduce((sum, phone) => sum + phone.confirmed.size, 0);

function sayGaps(gaps: readonly number[]): string {
  const sorted = gaps.toSorted((a, b) => a - b);
  const at = (share: number): string =>
    (sorted[Math.floor(share * (sorted.length - 1))] ?? 0).toFixed(1);
  return `${gaps.length} times, nothing confirmed for ${at(0)} to ${at(1)} s, ${at(0.5)} in the median`;
}

/** A real cluster in a folder of its own. */
class Troubled {
  private constructor(
    private readonly folder: string,
    private readonly child: ChildProcess,
    private readonly plan: Plan,
    readonly address: string,
  ) {}

  static async start(): Promise<Troubled> {
    const folder = dataFolder('yarrix-cluster-');
    const port = await freePort(0);
    const child = spawn(join(ROOT, 'yarrix'), ['cluster', 'start', '--port', String(port)], {
      env: { ...process.env, YARRIX_DATA: folder },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    let said = '';
    await new Promise<void>((done, failed) => {
      child.stdout.on('data', (part: Buffer) => {
        said += part.toString();
        if (said.includes('runs as a cluster')) done();
      });
      child.once('exit', (code) => failed(new Error(`the cluster ended with ${code}: ${said}`)));
    });
    const plan = await planIn(join(folder, 'cluster'));
    return new Troubled(folder, child, plan, `http://127.0.0.1:${port}`);
  }

  async run(...args: string[]): Promise<void> {
    const env = { ...process.env, YARRIX_DATA: this.folder };
    const ran = await runProgram(join(ROOT, 'yarrix'), ['cluster', ...args], { env });
    if (ran.code !== 0) throw new Error(ran.output);
  }

  /** Whether a primary, one that follows to the letter and another one are there within two minutes. */
  async isWhole(): Promise<boolean> {
    for (const until = Date.now() + WHOLE_WITHIN_MS; Date.now() < until; await sleep(500)) {
      const roles = await Promise.all(this.plan.nodes.map(roleOf));
      if (roles.toSorted().join() === 'primary,replica,synchronous standby') return true;
    }
    return false;
  }

  async primary(): Promise<string> {
    const roles = await Promise.all(this.plan.nodes.map(roleOf));
    return `n${roles.indexOf('primary') + 1}`;
  }

  async verified(): Promise<string[]> {
    const db = new Database(urlOf(this.plan, 'owner'), undefined, OF_A_TASK);
    try {
      return (await verify(db)).faults;
    } finally {
      await db.end();
    }
  }

  async end(): Promise<void> {
    const ended = new Promise((resolve) => this.child.once('exit', resolve));
    this.child.kill('SIGTERM');
    await ended;
    const elsewhere = await reachable(join(this.folder, 'cluster'));
    for (const each of [elsewhere, this.folder]) rmSync(each, { recursive: true, force: true });
  }
}
