import { join } from 'node:path';
import type { CheckedDiagram } from '../contract/diagramFile';
import type { InputFault } from '../contract/problem';
import type { Diagram } from '../core/diagram/diagram';
import type { Result } from '../core/result';
import { unusable } from './problems';
import { Thread } from './thread';

/**
 * Diagram files are checked beside the server's own thread: a sound one is tried in every position of
 * its controls, which takes its time, and nobody else waits for it.
 */
export class DiagramCheck {
  private readonly thread = new Thread<string, Result<CheckedDiagram, InputFault[]>>(
    join(__dirname, 'diagramCheck.worker.ts'),
    {
      queue: 20,
      patienceMs: 10_000,
      busy: 'too many diagrams wait to be checked; send it again',
      // What takes longer has more in it than any unit that was built.
      late: unusable([{ path: '', message: 'takes too long to be checked: leave parts out' }]),
    },
  );

  private readonly libraries = new Thread<string, Result<Diagram[], InputFault[]>>(
    join(__dirname, 'libraryCheck.worker.ts'),
    {
      queue: 2,
      patienceMs: 60_000,
      busy: 'another library is being checked; send it again',
      late: unusable([{ path: '', message: 'takes too long to be checked: leave diagrams out' }]),
    },
  );

  /** Throws `RefusedRequest` when too many wait, or when the file takes too long. */
  read(file: string): Promise<Result<CheckedDiagram, InputFault[]>> {
    return this.thread.ask(file);
  }

  /** The same for a shop's whole library. */
  library(file: string): Promise<Result<Diagram[], InputFault[]>> {
    return this.libraries.ask(file);
  }

  async close(): Promise<void> {
    await Promise.all([this.thread.close(), this.libraries.close()]);
  }
}
