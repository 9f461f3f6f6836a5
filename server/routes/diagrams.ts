import { json, Router, text } from 'express';
import type { Pool } from 'pg';
import { readTableCsv } from '../../contract/contactTableCsv';
import { HaveDto } from '../../contract/diagram';
import { readDiagram } from '../../contract/diagramFile';
import { readDto } from '../../contract/readDto';
import { NewTableDto } from '../../contract/table';
import { findSwitch } from '../../core/diagram/terminal';
import { diagramOfCall } from '../db/calls';
import { transaction } from '../db/database';
import { addDiagram, findDiagram, listDiagrams, missingDiagrams } from '../db/diagrams';
import { addEntry } from '../db/entries';
import { uuidOf, valid } from '../input';
import { shopOf } from '../shop';
import { notFound, RefusedRequest } from '../problems';

export function diagramRoutes(db: Pool): Router {
  const router = Router();

  router.get('/diagrams', async (_request, response) => {
    const shop = shopOf(response);
    response.json(await listDiagrams(db, shop));
  });

  router.post('/diagrams/bodies', json({ limit: '1mb' }), async (request, response) => {
    const { have } = valid(readDto(HaveDto, request.body));
    response.json(await missingDiagrams(db, shopOf(response), have));
  });

  router.get('/diagrams/:id/:version', async (request, response) => {
    const shop = shopOf(response);
    const version = Number(request.params.version);
    const diagram = await findDiagram(
      db,
      shop,
      request.params.id,
      Number.isInteger(version) ? version : 0,
    );
    if (!diagram) throw notFound('such diagram version');
    response.json(diagram);
  });

  // The body is the file itself, so that a fault can be told by its line and column.
  router.put(
    '/diagrams/:sentAs',
    text({ type: () => true, limit: '4mb' }),
    async (request, response) => {
      const shop = shopOf(response);
      const sentAs = uuidOf(request.params.sentAs);
      const { diagram } = valid(readDiagram(typeof request.body === 'string' ? request.body : ''));
      const version = await transaction(db, (queries) =>
        addDiagram(queries, shop, sentAs, diagram),
      );
      response.json({ id: diagram.id, version });
    },
  );

  return router;
}

export function tableRoutes(db: Pool): Router {
  const router = Router();

  // A table makes a new version of the diagram, and the call goes on with that version.
  router.put('/tables/:sentAs', async (request, response) => {
    const shop = shopOf(response);
    const sentAs = uuidOf(request.params.sentAs);
    const sent = valid(readDto(NewTableDto, request.body));
    const call = await diagramOfCall(db, shop, sent.callId);
    const diagram = call && (await findDiagram(db, shop, call.diagramId, sent.diagramVersion));
    if (!call || !diagram) throw notFound('such call');
    const part = findSwitch(diagram, sent.part);
    if (!part.ok)
      throw new RefusedRequest(422, 'this cannot be stored as it is', [
        { path: '/part', message: part.error.message },
      ]);
    const table = valid(readTableCsv(diagram, part.value, sent.csv));
    const parts = diagram.parts.map((each) =>
      each.id === part.value.id ? { ...part.value, table } : each,
    );
    const version = await transaction(db, async (queries) => {
      const stored = await addDiagram(queries, shop, sentAs, { ...diagram, parts });
      const body = { version: stored, reason: `contact table of ${part.value.name} read from CSV` };
      await addEntry(queries, shop, sentAs, {
        callId: sent.callId,
        kind: 'diagram',
        phoneAt: sent.phoneAt,
        body,
      });
      return stored;
    });
    response.json({ id: diagram.id, version });
  });

  return router;
}
