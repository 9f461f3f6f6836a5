import { randomUUID } from 'node:crypto';
import type { RequestHandler } from 'express';
import type { Logger } from 'pino';
import { withoutSecrets } from './people/link';

/** Where a request's id is found by who answers it. */
export const REQUEST_ID = 'x-request-id';

/**
 * Gives every request an id and writes one short line when it has ended: what was asked, how it ended,
 * how long it took. No header and no query: one could name a person or a token.
 */
export const requestLog =
  (log: Logger): RequestHandler =>
  (request, response, next) => {
    const id = randomUUID();
    const began = performance.now();
    const { method, path } = request;
    response.setHeader(REQUEST_ID, id);
    response.once('close', () => {
      const ms = Math.round(performance.now() - began);
      const status = response.writableFinished ? response.statusCode : 'cut off';
      log.info({ id, method, path: withoutSecrets(path).slice(0, 120), status, ms });
    });
    next();
  };
