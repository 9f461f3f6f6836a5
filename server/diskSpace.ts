import { statfs } from 'node:fs/promises';
import type { RequestHandler } from 'express';
import { diskFull } from './problems';

/**
 * Bytes that have to be free for a write to be taken. The database asks for its log in pieces of
 * 16 MB and stops altogether when it gets none, so writes are refused while there still are some.
 */
const LEAST_FREE = 96 * 2 ** 20;
/** How long an answer of the file system holds. */
const HOLDS_MS = 1000;

/** Whether there is space for another write, asked of the file system once a second at most. */
export class DiskSpace {
  private asked = -Infinity;
  private enough = true;

  constructor(
    private readonly folder: string,
    private readonly least = LEAST_FREE,
  ) {}

  /** At once where it was asked just now, so that a write waits for nothing. */
  isEnough(): boolean | Promise<boolean> {
    const now = performance.now();
    if (now - this.asked < HOLDS_MS) return this.enough;
    this.asked = now;
    return this.ask();
  }

  private async ask(): Promise<boolean> {
    const disk = await statfs(this.folder);
    this.enough = disk.bavail * disk.bsize >= this.least;
    return this.enough;
  }
}

/** Refuses what would be stored while the disk is full; what is read is answered as ever. */
export const whileThereIsSpace =
  (disk: DiskSpace): RequestHandler =>
  (request, _response, next) => {
    if (request.method === 'GET' || request.method === 'HEAD') return next();
    const go = (enough: boolean): void => next(enough ? undefined : diskFull());
    const enough = disk.isEnough();
    if (typeof enough === 'boolean') go(enough);
    else enough.then(go, next);
  };
