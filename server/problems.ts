import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { Logger } from 'pino';
import type { InputFault, Problem } from '../contract/problem';
import { failureOf } from './db/failure';
import { REQUEST_ID } from './requestLog';

/** An answer of "no" with its reason; everything else that is thrown is a failure of ours. */
export class RefusedRequest extends Error {
  constructor(
    readonly status: 400 | 401 | 403 | 404 | 409 | 413 | 415 | 422 | 421 | 429 | 503 | 507,
    readonly title: string,
    readonly faults: InputFault[] = [],
    /** Seconds after which the same again is worth a try. */
    readonly retryAfter?: number,
  ) {
    super(title);
  }
}

export const notFound = (what: string): RefusedRequest =>
  new RefusedRequest(404, `there is no ${what}`);

/** Faults that are told of one input; more help nobody. */
const MOST_FAULTS = 50;

/** What cannot be stored, with where and why; the first fifty, and how many more. */
export function unusable(faults: readonly InputFault[]): RefusedRequest {
  const told = faults.slice(0, MOST_FAULTS);
  const more = faults.length - told.length;
  if (more > 0) told.push({ path: '', message: `and ${more} more` });
  return new RefusedRequest(422, 'this cannot be stored as it is', told);
}

export const noSuchRoute: RequestHandler = (request) => {
  throw notFound(`${request.method} ${request.baseUrl}${request.path}`);
};

/** Seconds after which the same again is worth a try. */
const RETRY_AFTER: Partial<Record<number, string>> = { 503: '2', 507: '30' };

/** Every error leaves as application/problem+json (RFC 9457) with the id that the log has too. */
export const sendProblem =
  (log: Logger): ErrorRequestHandler =>
  (error: unknown, _request, response, next) => {
    if (response.headersSent) return next(error);
    const requestId = String(response.getHeader(REQUEST_ID));
    const problem = problemOf(error);
    if (problem.status >= 500) log.error({ err: error, id: requestId }, problem.title);
    const own = error instanceof RefusedRequest ? error.retryAfter?.toString() : undefined;
    const later = own ?? RETRY_AFTER[problem.status];
    if (later !== undefined) response.setHeader('retry-after', later);
    response
      .status(problem.status)
      .type('application/problem+json')
      .send(JSON.stringify({ ...problem, requestId }));
  };

/** What is answered to something that was thrown. */
export function problemOf(error: unknown): Problem {
  if (error instanceof RefusedRequest) {
    const { status, title, faults } = error;
    return { type: 'about:blank', title, status, ...(faults.length && { faults }) };
  }
  // Express's own body parser marks what the sender did wrong with a status of 4xx.
  if (
    typeof error === 'object' &&
    error !== null &&
    'message' in error &&
    'status' in error &&
    typeof error.status === 'number' &&
    error.status < 500
  ) {
    return { type: 'about:blank', title: String(error.message), status: error.status };
  }
  switch (failureOf(error)) {
    case 'away':
      return {
        type: 'about:blank',
        title: 'the database does not answer; what you sent is still on your device',
        status: 503,
      };
    case 'full':
      return problemOf(diskFull());
    case 'input':
      return { type: 'about:blank', title: 'this cannot be stored as it is', status: 422 };
    case undefined:
      return {
        type: 'about:blank',
        title: 'the server failed; what you sent is still on your device',
        status: 500,
      };
  }
}

export const diskFull = (): RefusedRequest =>
  new RefusedRequest(
    507,
    'the server’s disk is full: what you sent is still on your device, and is taken once there is space',
  );
