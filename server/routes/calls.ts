import { Router } from 'express';
import type { Pool } from 'pg';
import { NewCallDto, type CallDetail } from '../../contract/call';
import { readDto } from '../../contract/readDto';
import { addCall, findCall, listCalls } from '../db/calls';
import { transaction } from '../db/database';
import { findDiagram } from '../db/diagrams';
import { listEntries } from '../db/entries';
import { uuidOf, valid } from '../input';
import { shopOf } from '../shop';
import { notFound, RefusedRequest } from '../problems';

export function callRoutes(db: Pool): Router {
  const router = Router();

  router.get('/calls', async (_request, response) => {
    const shop = shopOf(response);
    response.json(await listCalls(db, shop));
  });

  router.get('/calls/:id', async (request, response) => {
    const shop = shopOf(response);
    const call = await findCall(db, shop, uuidOf(request.params.id));
    if (!call) throw notFound('such call');
    const diagram = await findDiagram(db, shop, call.diagramId, call.diagramVersion);
    if (!diagram) throw new Error(`call ${call.id} names a diagram version that is not stored`);
    const detail: CallDetail = { ...call, diagram, entries: await listEntries(db, shop, call.id) };
    response.json(detail);
  });

  router.put('/calls/:id', async (request, response) => {
    const shop = shopOf(response);
    const id = uuidOf(request.params.id);
    const call = valid(readDto(NewCallDto, request.body));
    if (!(await findDiagram(db, shop, call.diagramId, call.diagramVersion))) {
      const message = `there is no diagram "${call.diagramId}" version ${call.diagramVersion}`;
      throw new RefusedRequest(422, 'this cannot be stored as it is', [
        { path: '/diagramId', message },
      ]);
    }
    await transaction(db, (queries) => addCall(queries, shop, id, call));
    response.status(204).end();
  });

  return router;
}
