import { Router } from 'express';
import type { Pool } from 'pg';
import { readEntry, type NewEntry } from '../../contract/entry';
import type { InputFault } from '../../contract/problem';
import { parseSteps } from '../../core/behaviour/step';
import { findTerminal, owners } from '../../core/diagram/terminal';
import type { Result } from '../../core/result';
import type { Diagram } from '../../core/diagram/diagram';
import { findCall } from '../db/calls';
import { findDiagram } from '../db/diagrams';
import { addEntry } from '../db/entries';
import { uuidOf, valid } from '../input';
import { notFound, RefusedRequest } from '../problems';

export function entryRoutes(db: Pool, shop: string): Router {
  const router = Router();

  router.put('/:id', async (request, response) => {
    const id = uuidOf(request.params.id);
    const entry = valid(readEntry(request.body));
    const call = await findCall(db, shop, entry.callId);
    if (!call) throw notFound('such call');
    const diagram = await findDiagram(db, shop, call.diagramId, call.diagramVersion);
    const faults = diagram ? unknownPlaces(diagram, entry) : [];
    if (faults.length) throw new RefusedRequest(422, 'this cannot be stored as it is', faults);
    if (!(await addEntry(db, shop, id, entry))) {
      throw new RefusedRequest(409, 'another entry has this id; entries are only ever added');
    }
    response.status(204).end();
  });

  return router;
}

/** Names in an entry that the call's diagram does not have. */
function unknownPlaces(diagram: Diagram, entry: NewEntry): InputFault[] {
  switch (entry.kind) {
    case 'diagram':
      return [{ path: '/kind', message: 'is written by the server when a table comes in' }];
    case 'reading': {
      const { part, from, to, steps } = entry.body;
      const ids = [...owners(diagram), ...diagram.wires].map((each) => each.id);
      return [
        ...(ids.includes(part)
          ? []
          : [{ path: '/body/part', message: `there is no part "${part}"` }]),
        ...unless('/body/from', findTerminal(diagram, from)),
        ...unless('/body/to', findTerminal(diagram, to)),
        ...(steps === undefined ? [] : unless('/body/steps', parseSteps(diagram, steps))),
      ];
    }
    case 'statement': {
      const { steps, subject, jumper = [] } = entry.body;
      const known = owners(diagram).some((each) => each.id === subject);
      const bridged = jumper.flatMap((ref, i) =>
        unless(`/body/jumper/${i}`, findTerminal(diagram, ref)),
      );
      return [
        ...unless('/body/steps', parseSteps(diagram, steps)),
        ...bridged,
        ...(known ? [] : [{ path: '/body/subject', message: `there is no part "${subject}"` }]),
      ];
    }
    case 'look': {
      const { look } = entry.body;
      const known = diagram.looks?.some((each) => each.id === look);
      return known ? [] : [{ path: '/body/look', message: `there is no look "${look}"` }];
    }
    case 'act': {
      const { part } = entry.body;
      const known = [...owners(diagram), ...diagram.wires].some((each) => each.id === part);
      return known ? [] : [{ path: '/body/part', message: `there is no part "${part}"` }];
    }
    default:
      return [];
  }
}

const unless = (path: string, found: Result<unknown, { message: string }>): InputFault[] =>
  found.ok ? [] : [{ path, message: found.error.message }];
