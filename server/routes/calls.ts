import { Router } from 'express';
import { NewCallDto, type CallDetail } from '../../contract/call';
import { STORED_HEADER } from '../../contract/headers';
import { readDto } from '../../contract/readDto';
import { addCall, findCall, listCalls, readCursor, type CallsWanted } from '../db/calls';

import { findDiagram } from '../db/diagrams';
import { listEntries } from '../db/entries';
import { minutesByKind, seenBefore } from '../db/seen';
import { countFound } from '../db/found';
import { refuseOther } from '../conflict';
import { onlyJson, skewOf, uuidOf, valid } from '../input';
import { rowsOf } from '../people/asker';
import { notFound, RefusedRequest, unusable } from '../problems';

export function callRoutes(): Router {
  const router = Router();

  router.get('/calls', async (request, response) => {
    response.json(await listCalls(rowsOf(response), wantedIn(request.query)));
  });

  router.get('/calls/:id', async (request, response) => {
    const rows = rowsOf(response);
    const call = await findCall(rows, uuidOf(request.params.id));
    if (!call) throw notFound('such call');
    const diagram = await findDiagram(rows, call.diagramId, call.diagramVersion);
    if (!diagram) throw new Error(`call ${call.id} names a diagram version that is not stored`);
    const entries = await listEntries(rows, call.id);
    const foundBefore = await countFound(rows, call);
    const any = Object.keys(foundBefore).length > 0;
    const detail: CallDetail = { ...call, diagram, entries, ...(any && { foundBefore }) };
    response.json(detail);
  });

  router.get('/calls/:id/seen', async (request, response) => {
    response.json(await seenBefore(rowsOf(response), uuidOf(request.params.id)));
  });

  router.get('/minutes', async (_request, response) => {
    response.json(await minutesByKind(rowsOf(response)));
  });

  router.put('/calls/:id', onlyJson, async (request, response) => {
    const id = uuidOf(request.params.id);
    const call = valid(readDto(NewCallDto, request.body));
    const stored = await addCall(rowsOf(response), id, call, skewOf(request));
    const { appliance, ...rest } = call;
    if (stored.appliance) refuseOther('appliance', appliance, stored.appliance);
    if (stored.call) refuseOther('call', { ...rest, applianceId: appliance.id }, stored.call);
    else if (!stored.diagram) {
      const message = `there is no diagram "${call.diagramId}" version ${call.diagramVersion}`;
      throw unusable([{ path: '/diagramId', message }]);
    } else throw new RefusedRequest(503, 'this call is being stored just now; send it again');
    response.setHeader(STORED_HEADER, id).status(204).end();
  });

  return router;
}

/** Words of a search, at most. */
const MOST_WORDS = 8;

function wantedIn(query: Record<string, unknown>): CallsWanted {
  const text = (name: string): string | undefined => {
    const value = query[name];
    if (value === undefined) return undefined;
    if (typeof value !== 'string' || value.length > 200 || value.includes('\u0000'))
      throw new RefusedRequest(400, `"${name}" must be a text of at most 200 letters, once`);
    return value;
  };
  const [search, stage, after] = [text('search'), text('stage'), text('after')];
  if (stage !== undefined && stage !== 'open' && stage !== 'done')
    throw new RefusedRequest(400, '"stage" must be open or done');
  const cursor = after === undefined ? undefined : readCursor(after);
  if (after !== undefined && !cursor)
    throw new RefusedRequest(400, '"after" must be what a page before gave as "next"');
  const words = (search ?? '').split(/\s+/).filter(Boolean).slice(0, MOST_WORDS);
  return { words, stage, after: cursor };
}
