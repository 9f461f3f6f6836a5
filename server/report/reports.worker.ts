import { reportOf, type CallReport, type ReportedCall } from '../../core/describe/report';
import { reportPdf, type PdfOptions } from './pdf';

/** What is asked of the thread: the report itself, or its PDF. */
export type ReportQuestion = { call: ReportedCall; pdf?: PdfOptions };

/** One report, in a thread of its own. */
export default async function report({
  call,
  pdf,
}: ReportQuestion): Promise<CallReport | Uint8Array> {
  const made = reportOf(call);
  return pdf ? await reportPdf(made, pdf) : made;
}
