import { Router, type Request } from 'express';
import { LRUCache } from 'lru-cache';
import {
  readEntry,
  readEntries,
  type EntryResult,
  type NewEntry,
  type SentEntry,
} from '../../contract/entry';
import { STORED_HEADER } from '../../contract/headers';
import { findingsInEntry } from '../../core/call/entryFindings';
import { diagramOfCall } from '../db/calls';
import type { Database, Queries } from '../db/database';
import { findDiagram } from '../db/diagrams';
import { addEntry, namedBy, type Added } from '../db/entries';
import { refuseOther } from '../conflict';
import { onlyJson, skewOf, uuidOf, valid } from '../input';
import { shopOf } from '../shop';
import { notFound, problemOf, RefusedRequest, unusable } from '../problems';

/** Which diagram calls were worked with when they were last heard of; the write itself looks again. */
type Worked = NonNullable<Added['worked']>;
const WORKED = new LRUCache<string, Worked>({ max: 20_000 });
/** A call's diagram changes now and then, not between one try and the next. */
const MOST_TRIES = 5;

export function entryRoutes(db: Database): Router {
  const router = Router();

  router.put('/entries/:id', onlyJson, async (request, response) => {
    const id = uuidOf(request.params.id);
    await store(db, shopOf(response), id, valid(readEntry(request.body)), skewOf(request));
    response.setHeader(STORED_HEADER, id).status(204).end();
  });

  // What a phone has waiting, in one request and one transaction, with an answer for each.
  router.post('/entries', onlyJson, async (request: Request, response) => {
    const shop = shopOf(response);
    const skew = skewOf(request);
    const sent = valid(readEntries(request.body));
    const results = new Map<number, EntryResult>();
    await db.transaction(async (queries) => {
      results.clear();
      // Calls in one order for everybody, so that no two senders wait for each other.
      const inOrder = sent
        .map((each, place) => ({ each, place }))
        .sort((a, b) => callOf(a.each).localeCompare(callOf(b.each)) || a.place - b.place);
      for (const { each, place } of inOrder) {
        const { id } = each;
        try {
          await store(queries, shop, uuidOf(id), valid(readEntry(each.entry)), skew);
          results.set(place, { id, status: 204 });
        } catch (error) {
          // Only a "no" of ours leaves the transaction whole; what the database refused ends it for all.
          if (!(error instanceof RefusedRequest) || error.status >= 500) throw error;
          const problem = problemOf(error);
          results.set(place, { id, status: problem.status, problem });
        }
      }
    });
    response.json({ results: sent.map((_, place) => results.get(place)) });
  });

  return router;
}

/** Stores one entry, or throws why not. */
async function store(
  db: Queries,
  shop: string,
  id: string,
  entry: NewEntry,
  skewMs: number,
): Promise<void> {
  // A change of diagram is written by the server itself, when a table comes in.
  if (entry.kind === 'diagram')
    throw unusable([{ path: '/kind', message: 'is written by the server when a table comes in' }]);
  const named = namedBy(entry);
  if (named.includes(id))
    throw unusable([{ path: placeOfNames(entry), message: 'an entry does not name itself' }]);
  const key = `${shop} ${entry.callId}`;
  let worked = WORKED.get(key) ?? (await diagramOfCall(db, shop, entry.callId));
  for (let tries = 0; worked && tries < MOST_TRIES; tries++) {
    const diagram = await findDiagram(db, shop, worked.diagramId, worked.version);
    if (!diagram)
      throw new Error(`call ${entry.callId} names a diagram version that is not stored`);
    const faults = findingsInEntry(diagram, entry).map(({ path, message }) => ({ path, message }));
    // What cannot be stored now may have been, by an earlier sending, with the diagram as it was.
    const added = await addEntry(db, shop, id, entry, faults.length ? 0 : worked.version, skewMs);
    if (added.worked) WORKED.set(key, added.worked);
    if (added.added) return;
    if (added.stored) return refuseOther('entry', entry, added.stored);
    if (!added.worked) break;
    if (added.worked.version === worked.version) {
      if (faults.length) throw unusable(faults);
      if (added.named < named.length)
        throw unusable([
          {
            path: placeOfNames(entry),
            message: 'names an entry that is not in the log of this call',
          },
        ]);
    }
    worked = added.worked;
  }
  if (worked) throw new RefusedRequest(503, 'the call’s diagram changes just now; send it again');
  throw notFound('such call');
}

const callOf = ({ entry }: SentEntry): string =>
  typeof entry === 'object' && entry !== null && 'callId' in entry ? String(entry.callId) : '';

const placeOfNames = ({ kind }: NewEntry): string =>
  kind === 'doubt' ? '/body/names' : '/body/supersedes';
