import { fork, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import type { WatchReport } from './watchedServer';

/** A server in a process of its own, on a database that is there already. */
export class Watched {
  private constructor(
    private readonly child: ChildProcess,
    readonly port: number,
  ) {}

  /**
   * @param rate requests of one address in ten seconds, where the usual limit is in the way
   * @param secret that sessions are signed with, where somebody wants to sign some
   */
  static async start(
    databaseUrl: string,
    dataFolder: string,
    rate?: number,
    secret?: string,
  ): Promise<Watched> {
    const args = [databaseUrl, dataFolder, ...(rate === undefined ? [] : [String(rate)])];
    const child = fork(join(__dirname, 'watchedServer.ts'), args, {
      execArgv: ['--expose-gc', '--import', pathToFileURL(require.resolve('tsx')).href],
      stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
      env: { ...process.env, ...(secret !== undefined && { YARRIX_SECRET: secret }) },
    });
    const port = await new Promise<number>((resolve, reject) => {
      child.once('message', (said: { port: number }) => resolve(said.port));
      child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
    });
    return new Watched(child, port);
  }

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** @param over begin to measure anew */
  report(over = false): Promise<WatchReport> {
    return new Promise((resolve) => {
      this.child.once('message', (said: WatchReport) => resolve(said));
      this.child.send(over ? 'start over' : 'report');
    });
  }

  async stop(): Promise<void> {
    const ended = new Promise((resolve) => this.child.once('exit', resolve));
    this.child.disconnect();
    await ended;
  }
}
