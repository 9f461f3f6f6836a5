import { isUUID } from 'class-validator';
import { Router, type Request, type RequestHandler } from 'express';
import { PAGE_HEADER } from '../../contract/change';
import type { Changes } from '../changes';
import { accountOf, rowsOf } from '../people/asker';
import { RefusedRequest } from '../problems';

/** Something is said so often, so that nobody between takes a quiet line for a dead one. */
const BEAT_MS = 20_000;
/** A page comes again after this, and is asked again who it is of. */
const LASTS_MS = 5 * 60_000;
/** How long a page waits before it comes again. */
const RETRY_MS = 2000;

/** Changes of the shop as they happen, as server-sent events; `?page=` names the page that listens, `?for=` the person. */
export function changeRoutes(changes: Changes): Router {
  const router = Router();
  router.get('/changes', (request, response) => {
    const { person } = accountOf(response);
    const { for: whose, page } = request.query;
    if (whose !== person)
      throw new RefusedRequest(401, 'somebody else is signed in in this browser now');
    if (typeof page !== 'string' || !isPage(page))
      throw new RefusedRequest(400, '"page" must name the page, in 40 plain letters at most');
    // Packed, events would wait until there are enough of them.
    response.setHeader('cache-control', 'no-store, no-transform');
    response.type('text/event-stream').write(`retry: ${RETRY_MS}\n\n`);
    const deaf = changes.hear(rowsOf(response).shop, {
      page,
      hear: (change) => void response.write(`data: ${JSON.stringify(change)}\n\n`),
      stop: () => void response.end(),
    });
    const beat = setInterval(() => response.write(': still here\n\n'), BEAT_MS);
    const late = setTimeout(() => response.end(), LASTS_MS);
    response.once('close', () => {
      deaf();
      clearInterval(beat);
      clearTimeout(late);
    });
  });
  return router;
}

/** How a page names itself; nothing else of what it says goes to others. */
const isPage = (text: string): boolean => /^[\w-]{1,40}$/.test(text);

/** Tells of every write to a call that was taken. */
export const tellsOfWrites =
  (changes: Changes): RequestHandler =>
  (request, response, next) => {
    if (request.method !== 'GET')
      response.once('finish', () => {
        if (response.statusCode >= 300) return;
        const named = String(request.headers[PAGE_HEADER] ?? '');
        const page = isPage(named) ? named : '';
        for (const call of callsIn(request)) changes.tell(rowsOf(response).shop, call, page);
      });
    next();
  };

/** Calls that a write is about, each once. */
function callsIn({ path, body }: Request): Set<string> {
  const [, call] = /^\/calls\/([^/]+)$/.exec(path) ?? [];
  const { callId, entries = [] } = (body ?? {}) as {
    callId?: unknown;
    entries?: { entry?: { callId?: unknown } }[];
  };
  const named = [
    call,
    callId,
    ...(Array.isArray(entries) ? entries : []).map((each) => each?.entry?.callId),
  ];
  return new Set(named.flatMap((each) => (isUUID(each) ? [String(each).toLowerCase()] : [])));
}
