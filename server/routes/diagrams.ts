import { json, Router, text } from 'express';
import { readTableCsv } from '../../contract/contactTableCsv';
import { HaveDto, MOST_VERSIONS, WithdrawalDto } from '../../contract/diagram';
import { STORED_HEADER } from '../../contract/headers';
import { readDto } from '../../contract/readDto';
import { NewTableDto } from '../../contract/table';
import { findSwitch } from '../../core/diagram/terminal';
import type { ShopRows } from '../db/database';
import { diagramOfCall } from '../db/calls';

import {
  addDiagram,
  findDiagram,
  listDiagrams,
  missingDiagrams,
  withdrawDiagram,
} from '../db/diagrams';
import { addEntries } from '../db/entries';
import { refuseOther } from '../conflict';
import type { DiagramCheck } from '../diagramCheck';
import { onlyJson, skewOf, uuidOf, valid } from '../input';
import type { Reports } from '../report/reports';
import { accountOf, rowsOf } from '../people/asker';
import { notFound, RefusedRequest, unusable } from '../problems';

interface Named {
  id: string;
  version: string;
}

export function diagramRoutes(check: DiagramCheck, reports: Reports): Router {
  const router = Router();

  router.get('/diagrams', async (_request, response) => {
    const rows = rowsOf(response);
    response.json(await listDiagrams(rows));
  });

  router.post('/diagrams/bodies', onlyJson, json({ limit: '1mb' }), async (request, response) => {
    const { have } = valid(readDto(HaveDto, request.body));
    response.json(await missingDiagrams(rowsOf(response), have));
  });

  const versionOf = async (rows: ShopRows, { id, version: text }: Named) => {
    const version = Number(text);
    if (!Number.isInteger(version) || version < 1 || version > MOST_VERSIONS)
      throw new RefusedRequest(400, 'the version must be a whole number from 1 on');
    const diagram = await findDiagram(rows, id, version);
    if (!diagram) throw notFound('such diagram version');
    return { diagram, version };
  };

  router.get('/diagrams/:id/:version', async (request, response) => {
    response.json((await versionOf(rowsOf(response), request.params)).diagram);
  });

  router.get('/diagrams/:id/:version/page.pdf', async (request, response) => {
    const { diagram, version } = await versionOf(rowsOf(response), request.params);
    const pdf = await reports.diagram(diagram, version, accountOf(response).shopName);
    response.attachment(`${diagram.id}.pdf`).send(pdf);
  });

  // The body is the file itself, so that a fault can be told by its line and column.
  router.put(
    '/diagrams/:sentAs',
    text({ type: () => true, limit: '1mb' }),
    async (request, response) => {
      const rows = rowsOf(response);
      const sentAs = uuidOf(request.params.sentAs);
      const file = typeof request.body === 'string' ? request.body : '';
      const { diagram } = valid(await check.read(file));
      const { version, body } = await rows.transaction((queries) =>
        addDiagram(queries, sentAs, diagram),
      );
      refuseOther('diagram', diagram, body);
      response.json({ id: diagram.id, version });
    },
  );

  // Its versions stay for the calls that were worked with them.
  router.put('/withdrawals/:sentAs', onlyJson, json(), async (request, response) => {
    const sentAs = uuidOf(request.params.sentAs);
    const wanted = valid(readDto(WithdrawalDto, request.body));
    const withdrawn = await withdrawDiagram(rowsOf(response), sentAs, wanted);
    if (!withdrawn) throw notFound('such newest version of the diagram');
    refuseOther('withdrawal', { ...wanted }, withdrawn);
    response.setHeader(STORED_HEADER, sentAs);
    response.json(withdrawn);
  });

  return router;
}

export function tableRoutes(): Router {
  const router = Router();

  // A table makes a new version of the diagram, and the call goes on with that version.
  router.put('/tables/:sentAs', onlyJson, async (request, response) => {
    const rows = rowsOf(response);
    const sentAs = uuidOf(request.params.sentAs);
    const sent = valid(readDto(NewTableDto, request.body));
    const call = await diagramOfCall(rows, sent.callId);
    const diagram = call && (await findDiagram(rows, call.diagramId, sent.diagramVersion));
    if (!call || !diagram) throw notFound('such call');
    const part = findSwitch(diagram, sent.part);
    if (!part.ok) throw unusable([{ path: '/part', message: part.error.message }]);
    const table = valid(readTableCsv(diagram, part.value, sent.csv));
    const parts = diagram.parts.map((each) =>
      each.id === part.value.id ? { ...part.value, table } : each,
    );
    const version = await rows.transaction(async (queries) => {
      const wanted = { ...diagram, parts };
      const stored = await addDiagram(queries, sentAs, wanted);
      refuseOther('table', wanted, stored.body);
      const entry = {
        callId: sent.callId,
        kind: 'diagram',
        phoneAt: sent.phoneAt,
        body: {
          diagram: diagram.id,
          version: stored.version,
          reason: `contact table of ${part.value.name} read from CSV`,
        },
      } as const;
      const skewMs = skewOf(request);
      const { person } = accountOf(response);
      const [added] = await addEntries(queries, [
        { id: sentAs, entry, diagramId: call.diagramId, version: call.version, skewMs, person },
      ]);
      if (added?.stored) refuseOther('table', entry, added.stored);
      else if (!added?.added)
        throw new RefusedRequest(503, 'the call’s diagram changes just now; send it again');
      return stored.version;
    });
    response.setHeader(STORED_HEADER, sentAs);
    response.json({ id: diagram.id, version });
  });

  return router;
}
