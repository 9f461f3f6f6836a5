import { join } from 'node:path';
import type { CheckedDiagram } from '../contract/diagramFile';
import type { InputFault } from '../contract/problem';
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

  /** Throws `RefusedRequest` when too many wait, or when the file takes too long. */
  read(file: string): Promise<Result<CheckedDiagram, InputFault[]>> {
    return this.thread.ask(file);
  }

  close(): Promise<void> {
    return this.thread.close();
  }
}
