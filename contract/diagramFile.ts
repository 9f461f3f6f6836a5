import Ajv, { type ValidateFunction } from 'ajv';
import type { Diagram } from '../core/diagram/diagram';
import { lintWhole } from '../core/circuit/lintCircuit';
import type { Finding } from '../core/diagram/lint';
import { fail, ok, type Result } from '../core/result';
import { readJson, shapeFaults } from './jsonFile';
import type { InputFault } from './problem';
import schema from './diagram.schema.json';

let compiled: ValidateFunction<Diagram> | undefined;

/** The schema as a program; making it takes a third of a second, which what reads no diagram does without. */
const shape = (): ValidateFunction<Diagram> =>
  (compiled ??= new Ajv({
    allErrors: true,
    // A pattern is told by what it is for, which stands beside it in the schema.
    verbose: true,
    discriminator: true,
    strictTypes: false,
    strictRequired: false,
  }).compile<Diagram>(schema));

export interface CheckedDiagram {
  diagram: Diagram;
  warnings: Finding[];
}

/**
 * Reads a diagram file and refuses it whole if anything is wrong: not JSON, not the shape of
 * diagram.schema.json, or not sound (a wire to a terminal that is not there).
 */
export const readDiagram = (text: string): Result<CheckedDiagram, InputFault[]> =>
  readJson(text, checkDiagram);

/** The same for a value that is already parsed, such as a request's body. */
export function checkDiagram(value: unknown): Result<CheckedDiagram, InputFault[]> {
  const shaped = shapeOfDiagram(value);
  if (!shaped.ok) return shaped;
  const findings = lintWhole(shaped.value);
  const faults = findings.filter((each) => each.severity === 'error');
  if (faults.length) return fail(faults.map(({ path, message }) => ({ path, message })));
  return ok({ diagram: shaped.value, warnings: findings });
}

/** Whether a value has the shape of a diagram, sound or not: a draft. */
export function shapeOfDiagram(value: unknown): Result<Diagram, InputFault[]> {
  const matches = shape();
  return matches(value) ? ok(value) : fail(shapeFaults(matches, 'a diagram'));
}
