import { isUUID } from 'class-validator';
import type { InputFault } from '../contract/problem';
import type { Result } from '../core/result';
import { RefusedRequest } from './problems';

/** The value of an input that was checked, or a refusal that names every fault. */
export function valid<T>(result: Result<T, InputFault[]>): T {
  if (!result.ok) throw new RefusedRequest(422, 'this cannot be stored as it is', result.error);
  return result.value;
}

export function uuidOf(text: unknown): string {
  if (!isUUID(text))
    throw new RefusedRequest(400, 'the id must be a UUID', [
      { path: '/id', message: 'must be a UUID' },
    ]);
  return text as string;
}
