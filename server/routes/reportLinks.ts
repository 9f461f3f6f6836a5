import { randomUUID } from 'node:crypto';
import { Router } from 'express';
import { MOST_LINKS } from '../../contract/limits';
import { NewReportLinkDto } from '../../contract/reportLink';
import { readDto } from '../../contract/readDto';
import { audit } from '../db/audit';
import { findCall } from '../db/calls';
import { addReportLink, listReportLinks, withdrawReportLink } from '../db/reportLinks';
import { onlyJson, uuidOf, valid } from '../input';
import { accountOf, rowsOf } from '../people/asker';
import { newLink } from '../people/link';
import { addressOf } from '../people/wait';
import { notFound, unusable } from '../problems';
import { isZone } from './reports';

/** Links by which a customer reads a report: made, listed with how often they were opened, withdrawn. */
export function reportLinkRoutes(): Router {
  const router = Router();

  router.get('/calls/:id/links', async (request, response) => {
    response.json(await listReportLinks(rowsOf(response), uuidOf(request.params.id)));
  });

  // The link is in this answer and nowhere else: what is kept of it opens nothing.
  router.post('/calls/:id/links', onlyJson, async (request, response) => {
    const call = uuidOf(request.params.id);
    const { days, zone, currency } = valid(readDto(NewReportLinkDto, request.body));
    if (!isZone(zone))
      throw unusable([{ path: '/zone', message: 'must be a time zone, such as Europe/Vienna' }]);
    const rows = rowsOf(response);
    if (!(await findCall(rows, call))) throw notFound('such call');
    const { person } = accountOf(response);
    const { text, token } = newLink(rows.shop);
    const id = randomUUID();
    const expiresAt = await rows.transaction(async (queries) => {
      const ends = await addReportLink(queries, {
        id,
        token,
        call,
        zone,
        currency,
        madeBy: person,
        days,
      });
      if (!ends)
        throw unusable([
          { path: '', message: `a call has ${MOST_LINKS} links that work at most: withdraw one` },
        ]);
      await audit(queries, {
        what: 'made a report link',
        person,
        about: call,
        address: addressOf(request),
      });
      return ends;
    });
    response.status(201).json({ id, link: text, expiresAt });
  });

  router.delete('/links/:id', async (request, response) => {
    const id = uuidOf(request.params.id);
    const { person } = accountOf(response);
    await rowsOf(response).transaction(async (queries) => {
      if (!(await withdrawReportLink(queries, id))) throw notFound('such link that still works');
      await audit(queries, { what: 'withdrew a report link', person, address: addressOf(request) });
    });
    response.status(204).end();
  });

  return router;
}
