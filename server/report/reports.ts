import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { Piscina } from 'piscina';
import type { Report, ReportedCall } from '../../core/describe/report';
import { RefusedRequest } from '../problems';
import type { PdfOptions } from './pdf';
import type { ReportQuestion } from './reports.worker';

const QUEUE = 50;
const PATIENCE_MS = 20_000;

/** Reports are made beside the server's own thread: a good unit is run for each, and nobody else waits for it. */
export class Reports {
  private pool: Piscina<ReportQuestion, Report | Uint8Array> | undefined;

  async of(call: ReportedCall): Promise<Report> {
    return (await this.ask({ call })) as Report;
  }

  async pdf(call: ReportedCall, pdf: PdfOptions): Promise<Buffer> {
    return Buffer.from((await this.ask({ call, pdf })) as Uint8Array);
  }

  /** Throws `RefusedRequest` when too many wait, or when it takes too long. */
  private async ask(question: ReportQuestion): Promise<Report | Uint8Array> {
    this.pool ??= new Piscina({
      filename: join(__dirname, 'reports.worker.ts'),
      // However the server itself was started, the thread reads TypeScript.
      execArgv: ['--import', pathToFileURL(require.resolve('tsx')).href],
      minThreads: 0,
      maxThreads: 1,
      maxQueue: QUEUE,
      idleTimeout: 60_000,
    });
    if (this.pool.queueSize >= QUEUE)
      throw new RefusedRequest(503, 'too many reports wait to be made; ask again');
    try {
      return await this.pool.run(question, { signal: AbortSignal.timeout(PATIENCE_MS) });
    } catch (error) {
      if (error instanceof Error && error.name === 'AbortError')
        throw new RefusedRequest(503, 'the report takes too long just now; ask again');
      throw error;
    }
  }

  async close(): Promise<void> {
    await this.pool?.destroy();
  }
}
