import { Router } from 'express';
import { STORED_HEADER } from '../../contract/headers';
import { ModelSheetDto } from '../../contract/modelSheet';
import { readDto } from '../../contract/readDto';
import { refuseOther } from '../conflict';

import { addModelSheet, listModelSheets } from '../db/modelSheets';
import { onlyJson, uuidOf, valid } from '../input';
import { notFound } from '../problems';
import { rowsOf } from '../people/asker';

/** Which sheets the models of a shop use. */
export function modelSheetRoutes(): Router {
  const router = Router();

  router.get('/models', async (_request, response) => {
    response.json(await listModelSheets(rowsOf(response)));
  });

  router.put('/models/:sentAs', onlyJson, async (request, response) => {
    const sentAs = uuidOf(request.params.sentAs);
    const { make, pattern, diagram, version } = valid(readDto(ModelSheetDto, request.body));
    const said = { make, pattern, diagram, ...(version !== undefined && { version }) };
    const stored = await addModelSheet(rowsOf(response), sentAs, said);
    if (!stored) throw notFound('such diagram');
    refuseOther('model', said, stored);
    response.setHeader(STORED_HEADER, sentAs);
    response.json(stored);
  });

  return router;
}
