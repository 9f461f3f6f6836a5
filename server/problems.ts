import type { ErrorRequestHandler, RequestHandler } from 'express';
import type { InputFault, Problem } from '../contract/problem';

/** An answer of "no" with its reason; everything else that is thrown is a failure of ours. */
export class RefusedRequest extends Error {
  constructor(
    readonly status: 400 | 404 | 409 | 422 | 503,
    readonly title: string,
    readonly faults: InputFault[] = [],
  ) {
    super(title);
  }
}

export const notFound = (what: string): RefusedRequest =>
  new RefusedRequest(404, `there is no ${what}`);

export const noSuchRoute: RequestHandler = (request) => {
  throw notFound(`${request.method} ${request.baseUrl}${request.path}`);
};

/** Every error leaves as application/problem+json (RFC 9457) with the id that the log has too. */
export const sendProblem: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) return next(error);
  const requestId = String(request.id);
  const problem = asProblem(error);
  if (problem.status >= 500) request.log.error({ err: error }, 'request failed');
  response
    .status(problem.status)
    .type('application/problem+json')
    .send(JSON.stringify({ ...problem, requestId }));
};

function asProblem(error: unknown): Problem {
  if (error instanceof RefusedRequest) {
    const { status, title, faults } = error;
    return { type: 'about:blank', title, status, ...(faults.length && { faults }) };
  }
  // Express's own body parser marks what the sender did wrong with a status of 4xx.
  if (
    error instanceof Error &&
    'status' in error &&
    typeof error.status === 'number' &&
    error.status < 500
  ) {
    return { type: 'about:blank', title: error.message, status: error.status };
  }
  return {
    type: 'about:blank',
    title: 'the server failed; what you sent is still on your device',
    status: 500,
  };
}
