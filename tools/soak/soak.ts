import { spawn, type ChildProcess } from 'node:child_process';
import { mkdirSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { chanceFrom } from '../../core/chance';
import { Database, OF_A_TASK } from '../../server/db/database';
import { verify } from '../../server/db/verify';
import { BadInput, EXIT, out } from '../commands/command';
import { ROOT } from '../folders';
import { freePort, postgresOf } from '../postgres';
import { foundShop, intoDemo, type SignedIn } from '../../e2e/signIn';
import { runProgram } from '../runProgram';
import { clusterSoak } from './clusterSoak';
import { fuzzRequests } from './fuzz';
import { Phone } from './phone';
import { upgradeSoak } from './upgradeSoak';
import { dataFolder } from '../../e2e/yarrix';

/** What is done to a running Yarrix while phones work with it. */
const TROUBLES = [
  'server killed',
  'postmaster killed',
  'backend killed',
  'everything killed',
  'database stopped',
  'disk full',
  'fuzz',
  'started twice',
] as const;
type Trouble = (typeof TROUBLES)[number];

const PHONES = 20;
/** A disk of its own, where the system lets us have one: it is filled to the brim. */
const DISK_MB = 700;
const BACK_WITHIN_S = 10;

export interface Soaked {
  rounds: Partial<Record<Trouble, number>>;
  confirmed: number;
  /** Seconds from the trouble until the server's health was good again. */
  backSeconds: number[];
  startSeconds: number[];
  faults: string[];
  diskFilled: boolean;
}

/**
 * `./yarrix soak [--minutes N | --rounds N] [--only TROUBLE,...] [--seed N]`: every trouble there is,
 * mixed, and what was lost by it.
 */
export async function soakFor(options: {
  minutes?: string;
  rounds?: string;
  only?: string;
  seed?: string;
  cluster?: boolean;
  upgrade?: string;
}): Promise<number> {
  const number = (name: 'minutes' | 'rounds' | 'seed', usual: number): number => {
    const value = Number(options[name] ?? usual);
    if (!(value > 0)) throw new BadInput(`--${name} ${options[name]}: a number above 0`);
    return value;
  };
  const seed = number('seed', 1);
  const [alone] = options.cluster ? ['--cluster'] : options.upgrade ? ['--upgrade'] : [];
  if (alone && (options.only !== undefined || options.minutes !== undefined))
    throw new BadInput(`${alone} does not go with --only or --minutes`);
  if (options.cluster) return clusterSoak(number('rounds', 4), seed);
  if (options.upgrade) return upgradeSoak(options.upgrade, seed);
  const only = options.only?.split(',') ?? TROUBLES;
  const troubles = TROUBLES.filter((each) => only.includes(each));
  if (troubles.length < only.length)
    throw new BadInput(`--only ${options.only}: some of ${TROUBLES.join(', ')}`);
  const rounds = options.rounds === undefined ? Infinity : number('rounds', 1);
  const minutes = options.rounds === undefined ? number('minutes', 5) : Infinity;
  const until = Date.now() + minutes * 60_000;
  const goesOn = (round: number): boolean => round < rounds && Date.now() < until;
  const soaked = await soak(seed, goesOn, out, troubles);
  const most = (list: number[]): string => (list.length ? Math.max(...list).toFixed(1) : '-');
  const said = Object.entries(soaked.rounds).map(([name, count]) => `${name} ${count}`);
  out(`${said.join(', ')} (seed ${seed})`);
  out(
    `${soaked.confirmed} confirmed entries; ${soaked.backSeconds.length} times away, back within ${most(soaked.backSeconds)} s at most; ${soaked.startSeconds.length} starts, each within ${most(soaked.startSeconds)} s at most${soaked.diskFilled ? '' : '; the disk could not be filled here (no tmpfs)'}`,
  );
  for (const fault of soaked.faults) out(`  ${fault}`);
  out(
    soaked.faults.length ? `${soaked.faults.length} faults` : '0 lost, 0 doubled, 0 out of order',
  );
  return soaked.faults.length ? EXIT.no : EXIT.done;
}

/**
 * Works with a real `./yarrix start` on data of its own while it is troubled.
 * @param goesOn asked before every trouble
 */
export async function soak(
  seed: number,
  goesOn: (rounds: number) => boolean,
  say: (line: string) => void,
  troubles: readonly Trouble[] = TROUBLES,
): Promise<Soaked> {
  const yarrix = await Troubled.begin();
  const chance = chanceFrom(seed);
  const soaked: Soaked = {
    rounds: {},
    confirmed: 0,
    backSeconds: [],
    startSeconds: [],
    faults: [],
    diskFilled: yarrix.disk,
  };
  try {
    // The first one may have a web application to build; those that follow have to be quick.
    await yarrix.start();
    const own = await foundShop(yarrix.address, 'Soak');
    const demo = (yarrix.demo = await intoDemo(yarrix.address));
    const phones = Array.from(
      { length: PHONES },
      (_, i) => new Phone(yarrix.address, i % 2 ? demo : own, chanceFrom(seed * 1000 + i)),
    );
    const work = phones.map((phone) =>
      phone.work().catch((error: unknown) => void soaked.faults.push(String(error))),
    );
    await sleep(500);
    for (let round = 0; goesOn(round); round++) {
      // Each once, then as the seed has it.
      const place = round < troubles.length ? round : Math.floor(chance() * troubles.length);
      const trouble = troubles[place] ?? 'fuzz';
      if (trouble === 'disk full' && !yarrix.disk) continue;
      const began = performance.now();
      await yarrix.trouble(trouble, chance, soaked);
      const back = await yarrix.isBack();
      if (!back) soaked.faults.push(`not back after: ${trouble}`);
      else if (trouble !== 'fuzz' && trouble !== 'started twice')
        soaked.backSeconds.push((performance.now() - began) / 1000);
      soaked.rounds[trouble] = (soaked.rounds[trouble] ?? 0) + 1;
      say(`round ${round + 1}: ${trouble}, ${((performance.now() - began) / 1000).toFixed(1)} s`);
      if (!back) break;
      await sleep(300 + 700 * chance());
    }
    for (const phone of phones) phone.end();
    await Promise.race([Promise.all(work), sleep(60_000)]);
    for (const phone of phones) {
      soaked.confirmed += phone.confirmed.size;
      soaked.faults.push(...(await phone.faults()));
    }
    soaked.faults.push(...(await yarrix.verified()));
    const late = soaked.startSeconds.filter((each) => each > BACK_WITHIN_S);
    if (late.length) soaked.faults.push(`${late.length} starts took more than ${BACK_WITHIN_S} s`);
  } finally {
    await yarrix.end();
  }
  return soaked;
}

/** A real Yarrix in a folder of its own, and what can be done to it. */
class Troubled {
  private child: ChildProcess | undefined;
  /** Who asks nonsense. */
  demo: SignedIn | undefined;

  private constructor(
    private readonly folder: string,
    readonly disk: boolean,
    private readonly port: number,
  ) {}

  static async begin(): Promise<Troubled> {
    const folder = dataFolder('yarrix-soak-');
    const options = ['-t', 'tmpfs', '-o', `size=${DISK_MB}m,mode=755`, 'tmpfs', folder];
    const mounted = await runProgram('mount', options).catch(() => ({ code: 1 }));
    const port = await freePort(0);
    if (port === undefined) throw new Error('no free port');
    mkdirSync(join(folder, 'data'), { recursive: true });
    return new Troubled(folder, mounted.code === 0, port);
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  private get env(): NodeJS.ProcessEnv {
    return { ...process.env, YARRIX_DATA: join(this.folder, 'data') };
  }

  /** @returns seconds until it said its address */
  async start(): Promise<number> {
    const began = performance.now();
    const child = spawn(join(ROOT, 'yarrix'), ['start', '--port', String(this.port)], {
      env: this.env,
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    this.child = child;
    let said = '';
    await new Promise<void>((done, failed) => {
      const hear = (part: Buffer): void => {
        said += part.toString();
        if (/runs at|already running/.test(said)) done();
      };
      child.stdout?.on('data', hear);
      child.stderr?.on('data', hear);
      child.once('exit', (code) => failed(new Error(`start ended with ${code}: ${said}`)));
    });
    return (performance.now() - began) / 1000;
  }

  async trouble(what: Trouble, chance: () => number, soaked: Soaked): Promise<void> {
    const database = await postgresOf(join(this.folder, 'data', 'postgres'));
    const kill = (pid: number | undefined, signal: NodeJS.Signals): void => {
      try {
        if (pid !== undefined) process.kill(pid, signal);
      } catch {
        // it has ended by itself
      }
    };
    switch (what) {
      case 'server killed':
        kill(this.child?.pid, 'SIGKILL');
        soaked.startSeconds.push(await this.startAgain());
        break;
      case 'everything killed':
        kill(this.child?.pid, 'SIGKILL');
        for (const pid of [database?.pid, ...(database?.children ?? [])]) kill(pid, 'SIGKILL');
        soaked.startSeconds.push(await this.startAgain());
        break;
      case 'postmaster killed':
        kill(database?.pid, 'SIGKILL');
        break;
      case 'backend killed': {
        const { children = [] } = database ?? {};
        kill(children[Math.floor(chance() * children.length)], 'SIGKILL');
        break;
      }
      case 'database stopped': {
        const all = [database?.pid, ...(database?.children ?? [])];
        for (const pid of all) kill(pid, 'SIGSTOP');
        await sleep(2000 + 2000 * chance());
        for (const pid of all) kill(pid, 'SIGCONT');
        break;
      }
      case 'disk full': {
        const filler = join(this.folder, 'filler');
        const { bavail, bsize } = statfsSync(this.folder);
        // Nearly to the brim, or over it: the server has to notice either.
        const left = chance() < 0.5 ? 0 : 20 * 2 ** 20;
        try {
          writeFileSync(filler, Buffer.alloc(Math.max(0, bavail * bsize - left)));
        } catch {
          // full to the last byte
        }
        await sleep(3000);
        rmSync(filler, { force: true });
        break;
      }
      case 'fuzz': {
        const requests = fuzzRequests(Math.floor(chance() * 1e9), [
          '00000000-0000-4000-8000-000200000001',
        ]);
        for (let i = 0; i < 200; i++) {
          const { value } = requests.next();
          if (!value) break;
          const { method, path, headers, body } = value;
          const as = { ...headers, ...this.demo };
          const answer = await fetch(new URL(path, this.address), {
            method,
            headers: as,
            body,
          }).catch(() => undefined);
          await answer?.arrayBuffer().catch(() => undefined);
          if (answer?.status === 500) soaked.faults.push(`500 to ${method} ${path}`);
        }
        break;
      }
      case 'started twice': {
        const second = await runProgram(join(ROOT, 'yarrix'), ['start', '--port', '0'], {
          env: this.env,
        });
        if (second.code === 0 || !second.output.includes('already works on'))
          soaked.faults.push(`a second start said: ${second.output}`);
        break;
      }
    }
  }

  private async startAgain(): Promise<number> {
    const ended = this.child;
    if (ended && ended.exitCode === null && ended.signalCode === null)
      await new Promise((resolve) => ended.once('exit', resolve));
    return this.start();
  }

  /** Whether its health is good again within a minute. */
  async isBack(): Promise<boolean> {
    for (let waited = 0; waited < 60_000; waited += 50) {
      const health = await fetch(`${this.address}/api/ready`, {
        signal: AbortSignal.timeout(4000),
      }).catch(() => undefined);
      await health?.arrayBuffer().catch(() => undefined);
      if (health?.ok) return true;
      await sleep(50);
    }
    return false;
  }

  async verified(): Promise<string[]> {
    const database = await postgresOf(join(this.folder, 'data', 'postgres'));
    if (!database) return ['the database does not run at the end'];
    const db = new Database(database.ownerUrl, undefined, OF_A_TASK);
    try {
      return (await verify(db)).faults;
    } finally {
      await db.end();
    }
  }

  async end(): Promise<void> {
    await runProgram(join(ROOT, 'yarrix'), ['stop'], { env: this.env });
    if (this.disk) await runProgram('umount', [this.folder]);
    rmSync(this.folder, { recursive: true, force: true });
  }
}
