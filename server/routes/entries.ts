import { Router } from 'express';
import type { Pool } from 'pg';
import { readEntry } from '../../contract/entry';
import { findingsInEntry } from '../../core/call/entryFindings';
import { diagramOfCall } from '../db/calls';
import { findDiagram } from '../db/diagrams';
import { addEntry } from '../db/entries';
import { uuidOf, valid } from '../input';
import { shopOf } from '../shop';
import { notFound, RefusedRequest } from '../problems';

export function entryRoutes(db: Pool): Router {
  const router = Router();

  router.put('/entries/:id', async (request, response) => {
    const shop = shopOf(response);
    const id = uuidOf(request.params.id);
    const entry = valid(readEntry(request.body));
    // A change of diagram is written by the server itself, when a table comes in.
    if (entry.kind === 'diagram')
      throw new RefusedRequest(422, 'this cannot be stored as it is', [
        { path: '/kind', message: 'is written by the server when a table comes in' },
      ]);
    const worked = await diagramOfCall(db, shop, entry.callId);
    const diagram = worked && (await findDiagram(db, shop, worked.diagramId, worked.version));
    if (!diagram) throw notFound('such call');
    const faults = findingsInEntry(diagram, entry).map(({ path, message }) => ({ path, message }));
    if (faults.length) throw new RefusedRequest(422, 'this cannot be stored as it is', faults);
    if (!(await addEntry(db, shop, id, entry))) {
      throw new RefusedRequest(409, 'another entry has this id; entries are only ever added');
    }
    response.status(204).end();
  });

  return router;
}
