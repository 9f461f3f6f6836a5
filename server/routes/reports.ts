import { Router, type Response } from 'express';
import type { CallDetail } from '../../contract/call';
import type { ReportedCall } from '../../core/describe/report';
import { findCall } from '../db/calls';
import type { ShopRows } from '../db/database';
import { findDiagram } from '../db/diagrams';
import { listEntries } from '../db/entries';
import { picturesOf } from '../db/photos';
import { uuidOf } from '../input';
import { notFound, RefusedRequest } from '../problems';
import { logCsv, readingsCsv, returnVisit } from '../report/files';
import { READERS, type PdfOptions } from '../report/pdfOptions';
import type { Reports } from '../report/reports';
import { accountOf, rowsOf } from '../people/asker';

/** A call as files: its report, its log, its readings, a return visit. Open formats, all of them. */
export function reportRoutes(reports: Reports): Router {
  const router = Router();

  router.get('/calls/:id/report', async (request, response) => {
    const call = await detailOf(rowsOf(response), request.params.id);
    response.json(await reports.of(reported(call)));
  });

  router.get('/calls/:id/report.pdf', async (request, response) => {
    const rows = rowsOf(response);
    const call = await detailOf(rows, request.params.id);
    const options = optionsIn(request.query, accountOf(response).shopName);
    const photos = await picturesOf(rows, call.id, MOST_IN_REPORT);
    const pdf = await reports.pdf(reported(call), { ...options, photos });
    asFile(response, call, 'pdf', 'application/pdf').send(pdf);
  });

  router.get('/calls/:id/log.csv', async (request, response) => {
    const call = await detailOf(rowsOf(response), request.params.id);
    asFile(response, call, 'log.csv', 'text/csv; charset=utf-8').send(logCsv(call));
  });

  router.get('/calls/:id/readings.csv', async (request, response) => {
    const call = await detailOf(rowsOf(response), request.params.id);
    asFile(response, call, 'readings.csv', 'text/csv; charset=utf-8').send(readingsCsv(call));
  });

  router.get('/calls/:id/log.json', async (request, response) => {
    const call = await detailOf(rowsOf(response), request.params.id);
    const { diagram: _, ...rest } = call;
    asFile(response, call, 'log.json', 'application/json').send(JSON.stringify(rest, null, 2));
  });

  router.get('/calls/:id/return.ics', async (request, response) => {
    const call = await detailOf(rowsOf(response), request.params.id);
    const { at, minutes } = visitIn(request.query);
    asFile(response, call, 'ics', 'text/calendar; charset=utf-8').send(
      returnVisit(call, at, minutes),
    );
  });

  return router;
}

/** A call with its diagram and its log. */
export async function detailOf(rows: ShopRows, id: string): Promise<CallDetail> {
  const call = await findCall(rows, uuidOf(id));
  if (!call) throw notFound('such call');
  const diagram = await findDiagram(rows, call.diagramId, call.diagramVersion);
  if (!diagram) throw new Error(`call ${call.id} names a diagram version that is not stored`);
  return { ...call, diagram, entries: await listEntries(rows, call.id) };
}

/** As much of a call as its report is made of. */
export const reported = ({
  appliance,
  complaint,
  diagram,
  entries,
  phoneAt,
}: CallDetail): ReportedCall => ({
  appliance,
  complaint,
  diagram,
  entries,
  phoneAt,
});

/** An answer that a browser keeps under a name of its own: nothing of it is run. */
const asFile = (
  response: Response,
  { appliance }: CallDetail,
  ending: string,
  type: string,
): Response => {
  const name = `${appliance.make}-${appliance.model}`.replace(/[^A-Za-z0-9-]+/g, '-').slice(0, 60);
  return response
    .setHeader('content-disposition', `attachment; filename="${name || 'call'}.${ending}"`)
    .type(type);
};

type Query = Record<string, unknown>;

function textIn(query: Query, name: string, most: number): string | undefined {
  const value = query[name];
  if (value === undefined) return undefined;
  if (typeof value !== 'string' || value.length > most || value.includes('\u0000'))
    throw new RefusedRequest(400, `"${name}" must be a text of at most ${most} letters, once`);
  return value;
}

/** Photos in a PDF: more make it too heavy to be sent. */
export const MOST_IN_REPORT = 12;

function optionsIn(query: Query, shop: string): Omit<PdfOptions, 'photos'> {
  const said = textIn(query, 'for', 20) ?? 'customer';
  const reader = READERS.find((each) => each === said);
  if (!reader) throw new RefusedRequest(400, `"for" must be ${READERS.join(' or ')}`);
  const zone = textIn(query, 'zone', 60) ?? 'UTC';
  if (!isZone(zone))
    throw new RefusedRequest(400, `"zone" must be a time zone, such as Europe/Vienna`);
  return {
    reader,
    zone,
    currency: textIn(query, 'currency', 4) ?? '',
    shop,
  };
}

const USUAL_MINUTES = 60;

function visitIn(query: Query): { at: Date; minutes: number } {
  const at = new Date(textIn(query, 'at', 40) ?? '');
  if (Number.isNaN(at.getTime()) || at.getUTCFullYear() < 2000 || at.getUTCFullYear() > 2199)
    throw new RefusedRequest(400, '"at" must be a time, such as 2026-12-01T09:00:00Z');
  const minutes = Number(textIn(query, 'minutes', 10) ?? USUAL_MINUTES);
  if (!(minutes >= 1 && minutes <= 1440))
    throw new RefusedRequest(400, '"minutes" must be a number from 1 to 1440');
  return { at, minutes };
}

/** Whether a text names a time zone. */
export function isZone(text: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: text });
    return true;
  } catch {
    return false;
  }
}
