import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Piscina } from 'piscina';
import { preparationName } from '../app/workers/preparationName';
import { LIBRARY } from '../library/library';
import { ROOT } from './folders';

/** Kept between builds: a unit is prepared anew when its diagram or the engine has changed. */
const CACHE = join(ROOT, 'node_modules', '.cache', 'yarrix-prepared');

/**
 * Prepares every built-in unit: seconds of work that no phone has to do.
 * @param engine what the engine is known by
 * @returns by its name each preparation as text
 */
export async function prepareLibrary(engine: string): Promise<Map<string, string>> {
  mkdirSync(CACHE, { recursive: true });
  const pool = new Piscina<string, string>({
    filename: join(__dirname, 'preparations.worker.ts'),
    execArgv: ['--import', pathToFileURL(require.resolve('tsx')).href],
    minThreads: 0,
    maxThreads: 2,
  });
  try {
    const prepared = await Promise.all(
      LIBRARY.map(async (diagram): Promise<[string, string]> => {
        const name = await preparationName(engine, diagram);
        if (name === undefined) throw new Error('this Node.js does not hash');
        const kept = join(CACHE, `${name}.json`);
        if (existsSync(kept)) return [name, readFileSync(kept, 'utf8')];
        const text = await pool.run(diagram.id);
        writeFileSync(kept, text);
        return [name, text];
      }),
    );
    return new Map(prepared);
  } finally {
    await pool.destroy();
  }
}
