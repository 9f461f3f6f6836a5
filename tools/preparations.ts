import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Piscina } from 'piscina';
import { preparationName } from '../app/workers/preparationName';
import { LIBRARY } from '../library/library';
import { ROOT } from './folders';
import type prepare from './preparations.worker';

/** Kept between builds: a unit is prepared anew when its diagram or the engine has changed. */
const CACHE = join(ROOT, 'node_modules', '.cache', 'yarrix-prepared');

/**
 * Prepares every built-in unit: seconds of work that no phone has to do.
 * @param engine what the engine is known by
 * @returns the files of each preparation, by its name
 */
export async function prepareLibrary(engine: string): Promise<Map<string, readonly string[]>> {
  mkdirSync(CACHE, { recursive: true });
  const pool = new Piscina<string, ReturnType<typeof prepare>>({
    filename: join(__dirname, 'preparations.worker.ts'),
    execArgv: ['--import', pathToFileURL(require.resolve('tsx')).href],
    minThreads: 0,
    maxThreads: 2,
  });
  try {
    const prepared = await Promise.all(
      LIBRARY.map(async (diagram): Promise<[string, readonly string[]]> => {
        const name = await preparationName(engine, diagram);
        if (name === undefined) throw new Error('this Node.js does not hash');
        const files = [join(CACHE, `${name}.json`), join(CACHE, `${name}.first.json`)] as const;
        if (!files.every((file) => existsSync(file))) {
          const made = await pool.run(diagram.id);
          writeFileSync(files[0], made.prepared);
          writeFileSync(files[1], made.first);
        }
        return [name, files];
      }),
    );
    return new Map(prepared);
  } finally {
    await pool.destroy();
  }
}
