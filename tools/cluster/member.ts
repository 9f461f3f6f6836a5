import { spawn, type ChildProcess } from 'node:child_process';
import { closeSync, openSync } from 'node:fs';
import { setTimeout as sleep } from 'node:timers/promises';

/** A program that is kept running. */
export interface Program {
  name: string;
  command: string;
  args: readonly string[];
  env: Readonly<Record<string, string | undefined>>;
  /** Database programs refuse to be root. */
  asPostgres?: boolean;
  /** File that its output goes to. */
  log: string;
}

/** Before one that has ended by itself is started again, as an operator's systemd does. */
const AGAIN_MS = 1000;
const STOPS_WITHIN_MS = 15_000;

/** One program of a cluster on this machine: started again whenever it ends, unless it is held down. */
export class Member {
  private child: ChildProcess | undefined;
  private wanted = false;

  /**
   * @param isHeld whether it is to stay down just now
   * @param began hears of every process that it becomes
   */
  constructor(
    readonly program: Program,
    private readonly isHeld: () => boolean = () => false,
    private readonly began: (pid: number) => void = () => undefined,
  ) {}

  start(): void {
    this.wanted = true;
    if (!this.isHeld()) this.begin();
    else this.later();
  }

  private begin(): void {
    const { command, args, env, log, asPostgres } = this.program;
    const output = openSync(log, 'a');
    // It keeps the process id, becomes another user where it has to, and ends with whoever keeps it running.
    const user = asPostgres && process.getuid?.() === 0;
    const as = user ? ['--reuid=postgres', '--regid=postgres', '--init-groups'] : [];
    const child = spawn('setpriv', [...as, '--pdeathsig=TERM', '--', command, ...args], {
      env: env as NodeJS.ProcessEnv,
      cwd: '/',
      stdio: ['ignore', output, output],
    });
    closeSync(output);
    this.child = child;
    if (child.pid !== undefined) this.began(child.pid);
    const over = (): void => {
      if (this.child !== child) return;
      this.child = undefined;
      this.later();
    };
    child.once('exit', over);
    child.once('error', over);
  }

  private later(): void {
    setTimeout(() => {
      if (!this.wanted || this.child) return;
      if (this.isHeld()) this.later();
      else this.begin();
    }, AGAIN_MS);
  }

  /** Ends it, in a hurry where it does not by itself. */
  async stop(): Promise<void> {
    this.wanted = false;
    const { child } = this;
    if (!child) return;
    const ended = new Promise((resolve) => child.once('exit', resolve));
    child.kill('SIGTERM');
    const late = new AbortController();
    await Promise.race([
      ended,
      sleep(STOPS_WITHIN_MS, undefined, { signal: late.signal }).then(
        () => child.kill('SIGKILL'),
        () => undefined,
      ),
    ]);
    late.abort();
    await ended;
  }
}
