import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ROOT } from './folders';

/**
 * What sources are known by, the same in every checkout; tests do not count.
 * @param paths files and folders in the repository
 */
export function sourceHash(paths: readonly string[]): string {
  const hash = createHash('sha256');
  const add = (path: string): void => {
    if (!existsSync(path)) return;
    if (statSync(path).isDirectory()) {
      for (const name of readdirSync(path).sort()) add(join(path, name));
    } else if (!/\.test\.tsx?$/.test(path)) {
      hash.update(relative(ROOT, path)).update(readFileSync(path));
    }
  };
  for (const each of paths) add(join(ROOT, each));
  return hash.digest('hex');
}
