import { pathToFileURL } from 'node:url';
import { Piscina } from 'piscina';
import { RefusedRequest } from './problems';

interface ThreadOptions {
  /** Questions that may wait; who comes later is told to come again. */
  queue: number;
  patienceMs: number;
  /** What is said to who comes later. */
  busy: string;
  /** What is said where it takes longer. */
  late: Error;
}

/** A thread beside the server's own, for what takes its time: it starts with the first question, and ends when none comes. */
export class Thread<Question, Answer> {
  private pool: Piscina<Question, Answer> | undefined;

  /** @param file a module whose default export answers a question */
  constructor(
    private readonly file: string,
    private readonly options: ThreadOptions,
  ) {}

  /** Throws `RefusedRequest` when too many wait, and `late` when it takes too long. */
  async ask(question: Question): Promise<Answer> {
    const { queue, patienceMs, busy, late } = this.options;
    this.pool ??= new Piscina({
      filename: this.file,
      // However the server itself was started, the thread reads TypeScript.
      execArgv: ['--import', pathToFileURL(require.resolve('tsx')).href],
      minThreads: 0,
      maxThreads: 1,
      maxQueue: queue,
      idleTimeout: 60_000,
    });
    if (this.pool.queueSize >= queue) throw new RefusedRequest(503, busy);
    try {
      return await this.pool.run(question, { signal: AbortSignal.timeout(patienceMs) });
    } catch (error) {
      if (error instanceof Error && error.name === 'AbortError') throw late;
      throw error;
    }
  }

  async close(): Promise<void> {
    await this.pool?.destroy();
  }
}
