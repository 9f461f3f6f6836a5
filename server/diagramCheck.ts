import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Piscina } from 'piscina';
import type { CheckedDiagram } from '../contract/diagramFile';
import type { InputFault } from '../contract/problem';
import type { Result } from '../core/result';
import { RefusedRequest, unusable } from './problems';

/** Files that may wait to be checked; who comes later is told to come again. */
const QUEUE = 20;
/** What takes longer has more in it than any unit that was built. */
const PATIENCE_MS = 10_000;

/**
 * Diagram files are checked beside the server's own thread: a sound one is tried in every position of
 * its controls, which takes its time, and nobody else waits for it.
 */
export class DiagramCheck {
  private pool: Piscina<string, Result<CheckedDiagram, InputFault[]>> | undefined;

  /** Throws `RefusedRequest` when too many wait, or when the file takes too long. */
  async read(file: string): Promise<Result<CheckedDiagram, InputFault[]>> {
    // The thread starts with the first file: most days none comes.
    this.pool ??= new Piscina({
      filename: join(__dirname, 'diagramCheck.worker.ts'),
      // However the server itself was started, the thread reads TypeScript.
      execArgv: ['--import', pathToFileURL(require.resolve('tsx')).href],
      minThreads: 0,
      maxThreads: 1,
      maxQueue: QUEUE,
      idleTimeout: 60_000,
    });
    if (this.pool.queueSize >= QUEUE)
      throw new RefusedRequest(503, 'too many diagrams wait to be checked; send it again');
    try {
      return await this.pool.run(file, { signal: AbortSignal.timeout(PATIENCE_MS) });
    } catch (error) {
      if (error instanceof Error && error.name === 'AbortError')
        throw unusable([{ path: '', message: 'takes too long to be checked: leave parts out' }]);
      throw error;
    }
  }

  async close(): Promise<void> {
    await this.pool?.destroy();
  }
}
