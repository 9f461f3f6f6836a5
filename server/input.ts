import { isUUID } from 'class-validator';
import express, { type Request, type RequestHandler } from 'express';
import { isMoment } from '../contract/moment';
import type { InputFault } from '../contract/problem';
import type { Result } from '../core/result';
import { RefusedRequest, unusable } from './problems';

/** The value of an input that was checked, or a refusal that names every fault. */
export function valid<T>(result: Result<T, InputFault[]>): T {
  if (!result.ok) throw unusable(result.error);
  return result.value;
}

export function uuidOf(text: unknown): string {
  if (!isUUID(text))
    throw new RefusedRequest(400, 'the id must be a UUID', [
      { path: '/id', message: 'must be a UUID' },
    ]);
  return (text as string).toLowerCase();
}

/** Reads a body of JSON: nothing that is typed or measured is larger. */
export const smallJson = express.json({ limit: '256kb' });

/** Refuses a body that is said to be something else than JSON: it would be read as empty. */
export const onlyJson: RequestHandler = (request, _response, next) => {
  const writes = request.method === 'PUT' || request.method === 'POST';
  if (writes && request.is('application/json') !== 'application/json')
    throw new RefusedRequest(415, 'send JSON, with content-type: application/json');
  next();
};

/** A clock that is no further off than this is right: the way here takes its time as well. */
const RIGHT_WITHIN_MS = 60_000;

/** What a phone's clock lacks to the server's, by the time that it gave with what it sent; 0 where it is right. */
export function skewOf(request: Request): number {
  const said = request.headers['x-phone-at'];
  if (!isMoment(said)) return 0;
  const skew = Date.now() - Date.parse(said as string);
  return Math.abs(skew) < RIGHT_WITHIN_MS ? 0 : skew;
}
