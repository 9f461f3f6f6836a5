import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { DATA } from './folders';

/** What a running `./yarrix start` says of itself. */
export interface Running {
  pid: number;
  port: number;
}

const FILE = join(DATA, 'running.json');

export const addressOf = ({ port }: Pick<Running, 'port'>): string => `http://127.0.0.1:${port}/`;

/** The running start, if its process is still there and still is one. */
export function whoRuns(): Running | undefined {
  if (!existsSync(FILE)) return undefined;
  const said = JSON.parse(readFileSync(FILE, 'utf8')) as Running;
  try {
    const command = readFileSync(`/proc/${said.pid}/cmdline`, 'utf8');
    return command.includes('cli.ts') ? said : undefined;
  } catch {
    return undefined; // the process has ended without saying so
  }
}

export function sayRunning(running: Running): void {
  mkdirSync(DATA, { recursive: true });
  writeFileSync(FILE, JSON.stringify(running));
}

export const sayStopped = (): void => rmSync(FILE, { force: true });
