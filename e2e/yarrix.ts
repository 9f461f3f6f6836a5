import { execFileSync, spawn, type ChildProcess } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { intoDemo, type SignedIn } from './signIn';
import { Browser, type PHONE } from './browser';

/** The real `./yarrix start`, with data of its own, that a test can stop and start again. */
export class Yarrix {
  private child: ChildProcess | undefined;
  /** Whoever looks around in the demo. */
  private signedIn: SignedIn = { cookie: '' };
  private readonly browsers = new Set<Browser>();
  /** Those that were given back. */
  private readonly idle: Browser[] = [];

  private constructor(
    readonly port: number,
    private readonly data: string,
    private readonly options: readonly string[],
  ) {}

  /**
   * With the data that a first start makes: a copy of what `startedOnce` made for the run, where there is one.
   * @param options of the start, beside its port
   */
  static async fresh(...options: string[]): Promise<Yarrix> {
    const data = dataFolder('yarrix-e2e-');
    const first = process.env.YARRIX_STARTED_ONCE;
    // As it is, the database's owner too.
    if (first !== undefined) {
      execFileSync('cp', ['-a', `${first}/.`, data]);
      // Two copies that start at once would both try the port of last time.
      rmSync(join(data, 'postgres', 'port'), { force: true });
    }
    return Yarrix.over(data, ...options);
  }

  /** Over a folder, whatever is in it. */
  static async over(data: string, ...options: string[]): Promise<Yarrix> {
    const yarrix = new Yarrix(await freePort(), data, options);
    await yarrix.start();
    yarrix.signedIn = await intoDemo(yarrix.address);
    return yarrix;
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** Its process. */
  get pid(): number | undefined {
    return this.child?.pid;
  }

  /** Resolves when the address is printed. */
  async start(): Promise<void> {
    const args = ['start', '--port', String(this.port), ...this.options];
    const child = spawn(resolve(__dirname, '../yarrix'), args, {
      env: { ...process.env, YARRIX_DATA: this.data },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    this.child = child;
    let said = '';
    await new Promise<void>((done, failed) => {
      const hear = (part: Buffer): void => {
        said += part.toString();
        if (said.includes('runs at')) done();
      };
      child.stdout?.on('data', hear);
      child.stderr?.on('data', hear);
      child.once('exit', (code) => failed(new Error(`yarrix start ended with ${code}: ${said}`)));
    });
  }

  /** Ends it as Ctrl-C does, database and all. */
  async stop(): Promise<void> {
    const child = this.child;
    this.child = undefined;
    if (!child || child.exitCode !== null) return;
    await new Promise<void>((done) => {
      child.once('exit', () => done());
      child.kill('SIGINT');
    });
  }

  async end(): Promise<void> {
    await Promise.all([...this.browsers].map((each) => each.quit()));
    await this.stop();
    rmSync(this.data, { recursive: true, force: true });
  }

  async get<T>(path: string): Promise<T> {
    return (await (await this.ask(path)).json()) as T;
  }

  /** Asks as whoever looks around in the demo. */
  ask(path: string): Promise<Response> {
    return fetch(`${this.address}/api${path}`, { headers: { ...this.signedIn } });
  }

  /** A browser in which the demo is looked around in already: one that was given back, as if it were new but for the application. */
  async browser(size: typeof PHONE, theme: 'light' | 'dark' = 'light'): Promise<Browser> {
    const idle = this.idle.pop();
    if (!idle) return this.newBrowser(size, theme);
    await idle.dress(size, theme);
    return this.lookAround(idle);
  }

  /** The same with nothing in it of any visit before. */
  async newBrowser(...how: Parameters<typeof Browser.open>): Promise<Browser> {
    const browser = await Browser.open(...how);
    this.browsers.add(browser);
    return this.lookAround(browser);
  }

  private async lookAround(browser: Browser): Promise<Browser> {
    await browser.takeCookie(this.address, (await intoDemo(this.address)).cookie);
    return browser;
  }

  /** Gives a browser back, for the next one who wants one. @returns what it reported and was not meant to happen */
  async giveBack(browser: Browser, expected?: RegExp): Promise<string[]> {
    const reported = await browser.reported(expected);
    await browser.forget(this.address);
    this.idle.push(browser);
    return reported;
  }

  /** Stores something as a phone would. */
  async put(path: string, body: object): Promise<void> {
    const answer = await fetch(`${this.address}/api${path}`, {
      method: 'PUT',
      headers: {
        ...this.signedIn,
        'content-type': 'application/json',
        'x-phone-at': new Date().toISOString(),
      },
      body: JSON.stringify(body),
    });
    if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`);
  }
}

/** A new folder for data, which the database's own user can enter. */
export function dataFolder(name: string): string {
  const folder = mkdtempSync(join(tmpdir(), name));
  chmodSync(folder, 0o755);
  return folder;
}

function freePort(): Promise<number> {
  return new Promise((done) => {
    const probe = createServer();
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => done(typeof address === 'object' && address ? address.port : 0));
    });
  });
}
