import { Router } from 'express';
import { MOST_METERS } from '../../contract/limits';
import { MeterDto } from '../../contract/meter';
import { readDto } from '../../contract/readDto';

import { dropMeter, keepMeter, listMeters } from '../db/meters';
import { onlyJson, uuidOf, valid } from '../input';
import { unusable } from '../problems';
import { rowsOf } from '../people/asker';

/** The shop's own meters: read, kept, taken off the list. */
export function meterRoutes(): Router {
  const router = Router();

  router.get('/meters', async (_request, response) => {
    response.json(await listMeters(rowsOf(response)));
  });

  router.put('/meters/:id', onlyJson, async (request, response) => {
    const id = uuidOf(request.params.id);
    const meter = valid(readDto(MeterDto, request.body));
    if (!(await keepMeter(rowsOf(response), id, meter)))
      throw unusable([
        { path: '', message: `a shop has ${MOST_METERS} meters at most; remove one first` },
      ]);
    response.status(204).end();
  });

  router.delete('/meters/:id', async (request, response) => {
    await dropMeter(rowsOf(response), uuidOf(request.params.id));
    response.status(204).end();
  });

  return router;
}
