import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { DATA, identityOf } from './folders';

/** What a running `./yarrix start` says of itself. */
export interface Running {
  pid: number;
  /** When the process began, in the kernel's own count: a process id is used again. */
  began: string;
  port: number;
}

/** As it is noted: a copy of the folder has the note too, and nobody runs there. */
type Noted = Running & { folder: string };

const FILE = join(DATA, 'running.json');

export const addressOf = ({ port }: Pick<Running, 'port'>): string => `http://127.0.0.1:${port}/`;

/** The running start, if its process is still there and still is the one that wrote this. */
export function whoRuns(): Running | undefined {
  const said = read();
  return said && beganAt(said.pid) === said.began ? said : undefined;
}

function read(): Running | undefined {
  try {
    const said = JSON.parse(readFileSync(FILE, 'utf8')) as Partial<Noted>;
    const { pid, began, port, folder } = said;
    if (folder !== identityOf(DATA)) return undefined;
    return typeof pid === 'number' && typeof began === 'string' && typeof port === 'number'
      ? { pid, began, port }
      : undefined;
  } catch {
    return undefined; // not there, or cut off while it was written
  }
}

/** When a process began; undefined for one that has ended, or is not one of `./yarrix`. */
export function beganAt(pid: number): string | undefined {
  try {
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes('tools/cli.ts')
      ? processBegan(pid)
      : undefined;
  } catch {
    return undefined;
  }
}

/** When any process began; undefined for one that has ended. */
export function processBegan(pid: number): string | undefined {
  try {
    // The name of the program, in brackets, may hold anything; the 22nd field is the start.
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
    return fields[0] === 'Z' ? undefined : fields[19];
  } catch {
    return undefined;
  }
}

export function sayRunning(running: Running): void {
  mkdirSync(DATA, { recursive: true });
  const noted: Noted = { ...running, folder: identityOf(DATA) };
  writeFileSync(FILE, JSON.stringify(noted));
}

export const sayStopped = (): void => rmSync(FILE, { force: true });

export interface Health {
  ok: boolean;
  /** What is wrong. */
  title: string | undefined;
  /** Lines of its log that it could not write. */
  droppedLogLines: number;
}

/** What a server says of its health within some seconds; undefined where it says nothing. */
export async function healthOf(
  running: Pick<Running, 'port'>,
  withinMs = 4000,
): Promise<Health | undefined> {
  try {
    const signal = AbortSignal.timeout(withinMs);
    const answer = await fetch(new URL('/api/ready', addressOf(running)), { signal });
    const body = (await answer.json()) as { title?: string; droppedLogLines?: number };
    return { ok: answer.ok, title: body.title, droppedLogLines: body.droppedLogLines ?? 0 };
  } catch {
    return undefined;
  }
}
