import { statSync } from 'node:fs';
import { join, resolve } from 'node:path';

/** The repository. */
export const ROOT = resolve(__dirname, '..');
/** What this machine keeps between runs: database, logs, hashes. Git ignores it. */
export const DATA = process.env.YARRIX_DATA
  ? resolve(process.env.YARRIX_DATA)
  : join(ROOT, '.yarrix');
export const WEB = join(ROOT, 'dist');
/** Port of `./yarrix start` unless another is asked for. */
export const PORT = 8420;

/** The same wherever a folder is moved to on its disk, and another one for a copy of it. */
export function identityOf(folder: string): string {
  const { dev, ino } = statSync(folder);
  return `${dev}:${ino}`;
}

/** Something outside the program is missing or in the way; the message says what to do. */
export class EnvironmentError extends Error {}
