import { isDeepStrictEqual } from 'node:util';
import { Router, text } from 'express';
import {
  MOST_LIBRARY_BYTES,
  type ComparedDiagram,
  type LibraryFile,
} from '../../contract/libraryFile';
import { sayDifferences } from '../../core/describe/diagramDifference';
import type { Diagram } from '../../core/diagram/diagram';

import { addDiagram, listedDiagrams } from '../db/diagrams';
import type { DiagramCheck } from '../diagramCheck';
import { uuidOf, valid } from '../input';
import { rowsOf } from '../people/asker';
import { uuidFrom } from '../uuidFrom';

/** Differences that are told of one diagram, at most. */
const MOST_TOLD = 20;

/** The shop's whole library, out and in as one file. */
export function libraryRoutes(check: DiagramCheck): Router {
  const router = Router();
  const whole = text({ type: () => true, limit: MOST_LIBRARY_BYTES });
  const fileOf = (body: unknown): string => (typeof body === 'string' ? body : '');

  router.get('/library', async (_request, response) => {
    const diagrams = await listedDiagrams(rowsOf(response));
    response.json({ format: 'yarrix-library', version: 1, diagrams } satisfies LibraryFile);
  });

  // What would be stored, before anything is.
  router.post('/library', whole, async (request, response) => {
    const sent = valid(await check.library(fileOf(request.body)));
    response.json({ diagrams: compared(sent, await listedDiagrams(rowsOf(response))) });
  });

  // All of it or nothing; what is the same as it was makes no version.
  router.put('/library/:sentAs', whole, async (request, response) => {
    const rows = rowsOf(response);
    const sentAs = uuidOf(request.params.sentAs);
    const sent = valid(await check.library(fileOf(request.body)));
    const stored = await rows.transaction(async (queries) => {
      const kept = compared(sent, await listedDiagrams(queries));
      const wanted = sent.filter((_, i) => kept[i]?.state !== 'same');
      for (const diagram of wanted)
        await addDiagram(queries, uuidFrom(`${sentAs} ${diagram.id}`), diagram);
      return wanted.map(({ id }) => id);
    });
    response.json({ stored });
  });

  return router;
}

function compared(sent: readonly Diagram[], kept: readonly Diagram[]): ComparedDiagram[] {
  const byId = new Map(kept.map((each) => [each.id, each]));
  return sent.map((diagram) => {
    const { id, name, kind } = diagram;
    const own = byId.get(id);
    if (!own) return { id, name, kind, state: 'new', differences: [] };
    if (isDeepStrictEqual(own, asStored(diagram)))
      return { id, name, kind, state: 'same', differences: [] };
    const said = sayDifferences(own, diagram);
    const differences = said.length ? said.slice(0, MOST_TOLD) : ['Something else is said of it.'];
    return { id, name, kind, state: 'different', differences };
  });
}

const asStored = (diagram: Diagram): unknown => JSON.parse(JSON.stringify(diagram));
