import { Router } from 'express';
import type { Pool } from 'pg';
import { readEntry, type NewEntry } from '../../contract/entry';
import type { Fault } from '../../contract/problem';
import { findSwitch, findTerminal } from '../../core/diagram/terminal';
import type { Diagram } from '../../core/diagram/diagram';
import { findCall } from '../data/calls';
import { findDiagram } from '../data/diagrams';
import { addEntry } from '../data/entries';
import { uuidOf, valid } from '../input';
import { notFound, Refused } from '../problems';

export function entryRoutes(db: Pool, shop: string): Router {
  const router = Router();

  router.put('/:id', async (request, response) => {
    const id = uuidOf(request.params.id);
    const entry = valid(readEntry(request.body));
    const call = await findCall(db, shop, entry.callId);
    if (!call) throw notFound('such call');
    const diagram = await findDiagram(db, shop, call.diagramId, call.diagramVersion);
    const faults = diagram ? unknownPlaces(diagram, entry) : [];
    if (faults.length) throw new Refused(422, 'this cannot be stored as it is', faults);
    if (!(await addEntry(db, shop, id, entry))) {
      throw new Refused(409, 'another entry has this id; entries are only ever added');
    }
    response.status(204).end();
  });

  return router;
}

/** Names in a reading that the call's diagram does not have. */
function unknownPlaces(diagram: Diagram, entry: NewEntry): Fault[] {
  if (entry.kind === 'diagram')
    return [{ path: '/kind', message: 'is written by the server when a table comes in' }];
  if (entry.kind !== 'reading') return [];
  const { part, from, to } = entry.body;
  const checks = [
    { path: '/body/part', found: findSwitch(diagram, part) },
    { path: '/body/from', found: findTerminal(diagram, from) },
    { path: '/body/to', found: findTerminal(diagram, to) },
  ];
  return checks.flatMap(({ path, found }) =>
    found.ok ? [] : [{ path, message: found.error.message }],
  );
}
