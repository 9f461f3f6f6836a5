import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Piscina } from 'piscina';
import { LIBRARY } from '../../library/library';
import { keep, keptFile, nameOf } from './kept';
import type prepare from './library.worker';

/**
 * Prepares every built-in unit: seconds of work that no phone has to do.
 * @returns the files of each preparation, by its name
 */
export async function prepareLibrary(): Promise<Map<string, readonly string[]>> {
  const pool = new Piscina<string, ReturnType<typeof prepare>>({
    filename: join(__dirname, 'library.worker.ts'),
    execArgv: ['--import', pathToFileURL(require.resolve('tsx')).href],
    minThreads: 0,
    maxThreads: 2,
  });
  try {
    const prepared = await Promise.all(
      LIBRARY.map(async (diagram): Promise<[string, readonly string[]]> => {
        const name = nameOf(diagram);
        const files = [keptFile(name), keptFile(`${name}.first`)] as const;
        if (!files.every((file) => existsSync(file))) {
          const made = await pool.run(diagram.id);
          keep(name, made.prepared);
          keep(`${name}.first`, made.first);
        }
        return [name, files];
      }),
    );
    return new Map(prepared);
  } finally {
    await pool.destroy();
  }
}
