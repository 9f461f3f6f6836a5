import { existsSync, readFileSync } from 'node:fs';
import { readDiagram } from '../../contract/diagramFile';
import { sayInputFault } from '../../contract/problem';
import type { Diagram } from '../../core/diagram/diagram';
import type { Result } from '../../core/result';
import { builtIn, LIBRARY } from '../../library/library';

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

/** A diagram by the id of a built-in one or by the path of a file. */
export function openDiagram(name: string | undefined): Diagram {
  if (!name) throw new BadInput('name a DIAGRAM: a file or the id of a built-in one');
  const found = builtIn(name);
  if (found) return found;
  if (!existsSync(name)) {
    const ids = LIBRARY.map((each) => each.id).join(', ');
    throw new BadInput(`there is no file and no built-in diagram "${name}"; built in: ${ids}`);
  }
  const read = readDiagram(readText(name));
  if (!read.ok)
    throw new BadInput(`${name}: ${read.error.map(sayInputFault)[0] ?? 'not a diagram'}`);
  return read.value.diagram;
}

export function readText(path: string): string {
  try {
    return readFileSync(path, 'utf8');
  } catch (error) {
    throw new BadInput(
      `cannot read ${path}: ${error instanceof Error ? error.message : String(error)}`,
    );
  }
}
