import { Router, type Request } from 'express';
import { readEntries, readEntry, type EntryResult } from '../../contract/entry';
import { STORED_HEADER } from '../../contract/headers';
import type { Database } from '../db/database';
import { EntryWriter } from '../db/entryWriter';
import { onlyJson, skewOf, smallJson, uuidOf, valid } from '../input';
import { problemOf, unusable } from '../problems';
import { accountOf, rowsOf } from '../people/asker';
import { storeEntries, type SentShape } from '../storeEntries';

export function entryRoutes(db: Database): Router {
  const router = Router();
  const writer = new EntryWriter(db);

  router.put('/entries/:id', onlyJson, smallJson, async (request, response) => {
    const id = uuidOf(request.params.id);
    const entry = valid(readEntry(request.body));
    const rows = rowsOf(response);
    const { person } = accountOf(response);
    const [refusal] = await storeEntries(rows, writer, person, [{ id, entry }], skewOf(request));
    if (refusal) throw refusal;
    response.setHeader(STORED_HEADER, id).status(204).end();
  });

  // What a phone has waiting, in one request and one transaction, with an answer for each.
  router.post('/entries', onlyJson, smallJson, async (request: Request, response) => {
    const results: EntryResult[] = [];
    const whole: (SentShape & { place: number })[] = [];
    for (const [place, { id, entry: sent }] of valid(readEntries(request.body)).entries()) {
      const entry = readEntry(sent);
      results.push(entry.ok ? { id, status: 204 } : refused(id, unusable(entry.error)));
      if (entry.ok) whole.push({ id: uuidOf(id), entry: entry.value, place });
    }
    const outcomes = await storeEntries(
      rowsOf(response),
      writer,
      accountOf(response).person,
      whole,
      skewOf(request),
    );
    whole.forEach(({ place }, at) => {
      const refusal = outcomes[at];
      const result = results[place];
      if (refusal && result) results[place] = refused(result.id, refusal);
    });
    response.json({ results });
  });

  return router;
}

function refused(id: string, error: Error): EntryResult {
  const problem = problemOf(error);
  return { id, status: problem.status, problem };
}
