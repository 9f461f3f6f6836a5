import type { Result } from '../../core/result';

/** Exit codes of every command: done, the answer is no, bad input. */
export const EXIT = { done: 0, no: 1, badInput: 2 } as const;
export type Exit = (typeof EXIT)[keyof typeof EXIT];

/** Bad input, with the one line that is shown on standard error. */
export class BadInput extends Error {}

export const out = (text: string): void => void process.stdout.write(`${text}\n`);
/** Numbers to ten digits: what is left beyond is rounding of the solver. */
const tenDigits = (_key: string, value: unknown): unknown =>
  typeof value === 'number' ? Number(value.toPrecision(10)) : value;
export const outJson = (value: unknown): void => out(JSON.stringify(value, tenDigits, 2));

export function valueOf<T, E extends { message: string }>(result: Result<T, E>): T {
  if (!result.ok) throw new BadInput(result.error.message);
  return result.value;
}
