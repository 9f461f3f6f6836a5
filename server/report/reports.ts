import { join } from 'node:path';
import type { CallReport, ReportedCall } from '../../core/describe/report';
import type { Diagram } from '../../core/diagram/diagram';
import { RefusedRequest } from '../problems';
import { Thread } from '../thread';
import type { PdfOptions } from './pdfOptions';
import type { ReportQuestion } from './reports.worker';

/** Reports are made beside the server's own thread: a good unit is run for each, and nobody else waits for it. */
export class Reports {
  private readonly thread = new Thread<ReportQuestion, CallReport | Uint8Array>(
    join(__dirname, 'reports.worker.ts'),
    {
      queue: 50,
      patienceMs: 20_000,
      busy: 'too many reports wait to be made; ask again',
      late: new RefusedRequest(503, 'the report takes too long just now; ask again'),
    },
  );

  async of(call: ReportedCall): Promise<CallReport> {
    return (await this.thread.ask({ call })) as CallReport;
  }

  async pdf(call: ReportedCall, pdf: PdfOptions): Promise<Buffer> {
    return Buffer.from((await this.thread.ask({ call, pdf })) as Uint8Array);
  }

  async diagram(diagram: Diagram, version: number, shop: string): Promise<Buffer> {
    return Buffer.from((await this.thread.ask({ diagram, version, shop })) as Uint8Array);
  }

  close(): Promise<void> {
    return this.thread.close();
  }
}
