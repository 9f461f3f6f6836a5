import { Router } from 'express';
import { openReportLink } from '../db/reportLinks';
import type { Database } from '../db/database';
import { picturesOf } from '../db/photos';
import { readLink } from '../people/link';
import type { Reports } from '../report/reports';
import { detailOf, MOST_IN_REPORT, reported } from './reports';

/** What a customer's browser is told: keep nothing, tell nobody where one came from, and no search engine lists it. */
const HEADERS: [string, string][] = [
  ['cache-control', 'private, no-store'],
  ['referrer-policy', 'no-referrer'],
  ['x-robots-tag', 'noindex, nofollow, noarchive'],
  ['x-content-type-options', 'nosniff'],
  ['x-frame-options', 'DENY'],
];

/**
 * The report of one call, for whoever has its link; no session, and a way to nothing else. It stands outside the API, which
 * only pages of this server may ask: somebody comes here out of a message.
 */
export function sharedRoutes(db: Database, reports: Reports): Router {
  const router = Router();
  router.get('/shared/:link', async (request, response) => {
    for (const [name, value] of HEADERS) response.setHeader(name, value);
    const link = readLink(request.params.link);
    // Looking whether it is there (a messenger's preview) is not opening it.
    if (request.method === 'HEAD') return void response.status(link ? 200 : 404).end();
    const rows = link && db.of(link.shop);
    const opened = rows && (await openReportLink(rows, link.token));
    if (!opened) {
      response.status(404).type('html').send(ENDED);
      return;
    }
    const { call, zone, currency, shopName: shop } = opened;
    const detail = await detailOf(rows, call);
    const photos = await picturesOf(rows, call, MOST_IN_REPORT);
    const pdf = await reports.pdf(reported(detail), {
      reader: 'customer',
      zone,
      currency,
      shop,
      photos,
    });
    response
      .setHeader('content-disposition', 'inline; filename="report.pdf"')
      .type('application/pdf')
      .send(pdf);
  });
  return router;
}

const ENDED = `<!doctype html>
<html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex"><title>This link has ended</title>
<body style="font:18px/1.5 sans-serif;max-width:32em;margin:3em auto;padding:0 1em">
<h1 style="font-size:1.3em">This link has ended</h1>
<p>It is too old, or the shop has withdrawn it. Ask the shop that sent it to you for another one.</p>
`;
