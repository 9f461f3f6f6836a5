import 'reflect-metadata/lite';
import { plainToInstance, type ClassConstructor } from 'class-transformer';
import { validateSync, type ValidationError } from 'class-validator';
import { fail, ok, type Result } from '../core/result';
import type { InputFault } from './problem';
import { unstorable } from './storable';

/** Reads an unknown value as a DTO: every fault with the pointer to its place, or the value. */
export function readDto<T extends object>(
  shape: ClassConstructor<T>,
  value: unknown,
): Result<T, InputFault[]> {
  if (!isObject(value)) return fail([{ path: '', message: 'must be an object' }]);
  const wrong = unstorable(value);
  return wrong ? fail([wrong]) : readShape(shape, value);
}

export const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** The same for a value that is known to hold nothing that cannot be stored. */
export function readShape<T extends object>(
  shape: ClassConstructor<T>,
  value: Record<string, unknown>,
): Result<T, InputFault[]> {
  const dto = plainToInstance(shape, value);
  const errors = validateSync(dto, {
    whitelist: true,
    forbidNonWhitelisted: true,
    forbidUnknownValues: true,
  });
  return errors.length ? fail(errors.flatMap((each) => faultsOf(each, ''))) : ok(dto);
}

function faultsOf(error: ValidationError, above: string): InputFault[] {
  const path = `${above}/${error.property}`;
  const own = Object.values(error.constraints ?? {}).map((message): InputFault => ({
    path,
    message,
  }));
  return [...own, ...(error.children ?? []).flatMap((child) => faultsOf(child, path))];
}
