import { reportOf, type CallReport, type ReportedCall } from '../../core/describe/report';
import type { Diagram } from '../../core/diagram/diagram';
import { diagramPdf } from './diagramPdf';
import { reportPdf } from './pdf';
import type { PdfOptions } from './pdfOptions';

/** What is asked of the thread: the report of a call itself, its PDF, or a diagram on paper. */
export type ReportQuestion =
  { call: ReportedCall; pdf?: PdfOptions } | { diagram: Diagram; version: number; shop: string };

/** One report or diagram, in a thread of its own. */
export default async function report(asked: ReportQuestion): Promise<CallReport | Uint8Array> {
  if ('diagram' in asked) return diagramPdf(asked.diagram, asked);
  const made = reportOf(asked.call);
  return asked.pdf ? await reportPdf(made, asked.pdf) : made;
}
