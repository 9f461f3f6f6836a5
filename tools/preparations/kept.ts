import { createHash } from 'node:crypto';
import { mkdirSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { PREPARATION_LETTERS, preparationText } from '../../app/workers/preparationName';
import type { Diagram } from '../../core/diagram/diagram';
import { ROOT } from '../folders';
import { engine } from './engine';

/** Kept between builds and runs: a unit is prepared anew when its diagram or the engine has changed. */
const KEPT = join(ROOT, 'node_modules', '.cache', 'yarrix-prepared');

/** What a preparation is called, as the app's `preparationName` calls it. */
export const nameOf = (diagram: Diagram): string =>
  createHash('sha256')
    .update(preparationText(engine(), diagram))
    .digest('hex')
    .slice(0, PREPARATION_LETTERS);

export const keptFile = (name: string): string => join(KEPT, `${name}.json`);

/** Puts a file in its place whole: another may read it at once. */
export function keep(name: string, text: string): void {
  mkdirSync(KEPT, { recursive: true });
  const written = `${keptFile(name)}.${process.pid}`;
  writeFileSync(written, text);
  renameSync(written, keptFile(name));
}
