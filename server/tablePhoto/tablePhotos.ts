import { join } from 'node:path';
import type { PhotoTable } from '../../contract/tablePhoto';
import type { Result } from '../../core/result';
import { RefusedRequest, unusable } from '../problems';
import { Thread } from '../thread';

/** Photos of sheets are read beside the server's own thread: that takes seconds, and nobody else waits for it. */
export class TablePhotos {
  private readonly thread = new Thread<Uint8Array, Result<PhotoTable[], string>>(
    join(__dirname, 'tablePhotos.worker.ts'),
    {
      queue: 5,
      patienceMs: 60_000,
      busy: 'too many photos wait to be read; send it again',
      late: new RefusedRequest(503, 'this photo takes too long: photograph the table alone'),
    },
  );

  /** Throws `RefusedRequest` when the bytes are no picture, when too many wait, and when it takes too long. */
  async read(jpeg: Uint8Array): Promise<PhotoTable[]> {
    const read = await this.thread.ask(jpeg);
    if (!read.ok) throw unusable([{ path: '/jpeg', message: read.error }]);
    return read.value;
  }

  close(): Promise<void> {
    return this.thread.close();
  }
}
