import Ajv, { type ErrorObject } from 'ajv';
import {
  findNodeAtLocation,
  parseTree,
  printParseErrorCode,
  type Node,
  type ParseError,
} from 'jsonc-parser';
import type { Diagram } from '../core/diagram/diagram';
import { lintCircuit } from '../core/circuit/lintCircuit';
import { lintDiagram, type Finding } from '../core/diagram/lint';
import { fail, ok, type Result } from '../core/result';
import type { Fault } from './problem';
import schema from './diagram.schema.json';

const matches = new Ajv({
  allErrors: true,
  discriminator: true,
  strictTypes: false,
  strictRequired: false,
}).compile<Diagram>(schema);

export interface CheckedDiagram {
  diagram: Diagram;
  warnings: Finding[];
}

/**
 * Reads a diagram file and refuses it whole if anything is wrong: not JSON, not the shape of
 * diagram.schema.json, or not sound (a wire to a terminal that is not there).
 */
export function readDiagram(text: string): Result<CheckedDiagram, Fault[]> {
  const errors: ParseError[] = [];
  const tree = parseTree(text, errors, { disallowComments: true, allowTrailingComma: false });
  const [first] = errors;
  if (first || !tree) {
    const offset = first?.offset ?? 0;
    const reason = first ? printParseErrorCode(first.error) : 'the file is empty';
    return fail([{ path: '', ...lineAndColumn(text, offset), message: `not JSON: ${reason}` }]);
  }
  const place = (path: string): { line: number; column: number } =>
    lineAndColumn(text, nodeAt(tree, path)?.offset ?? 0);
  const checked = checkDiagram(JSON.parse(text));
  return checked.ok
    ? checked
    : fail(checked.error.map((each) => ({ ...each, ...place(each.path) })));
}

/** The same for a value that is already parsed, such as a request's body. */
export function checkDiagram(value: unknown): Result<CheckedDiagram, Fault[]> {
  if (!matches(value)) {
    const faults = (matches.errors ?? []).filter((each) => each.keyword !== 'if').map(sayError);
    return fail(
      faults.length ? faults : [{ path: '', message: 'does not have the shape of a diagram' }],
    );
  }
  const sound = lintDiagram(value);
  // The circuit can only be built once every name in the diagram is known.
  const broken = sound.some((each) => each.severity === 'error');
  const findings = broken ? sound : [...sound, ...lintCircuit(value)];
  const faults = findings.filter((each) => each.severity === 'error');
  if (faults.length) return fail(faults.map(({ path, message }) => ({ path, message })));
  return ok({ diagram: value, warnings: findings });
}

function sayError(error: ErrorObject): Fault {
  const path = error.instancePath;
  const params = error.params as Record<string, unknown>;
  switch (error.keyword) {
    case 'additionalProperties':
      return { path, message: `"${String(params.additionalProperty)}" is not known here` };
    case 'enum':
      return { path, message: `must be one of ${(params.allowedValues as unknown[]).join(', ')}` };
    case 'const':
      return { path, message: `must be ${JSON.stringify(params.allowedValue)}` };
    case 'discriminator':
      return {
        path: `${path}/kind`,
        message: `"${String(params.tagValue)}" is not a kind known here`,
      };
    case 'pattern': {
      const rule = error.parentSchema?.description;
      return {
        path,
        message:
          typeof rule === 'string'
            ? `is not written as it should be: ${rule}`
            : `must match ${String(params.pattern)}`,
      };
    }
    default:
      return { path, message: error.message ?? 'is not right' };
  }
}

function nodeAt(tree: Node, path: string): Node | undefined {
  const steps = path
    .split('/')
    .slice(1)
    .map((step) => step.replace(/~1/g, '/').replace(/~0/g, '~'));
  for (let length = steps.length; length >= 0; length--) {
    const way = steps.slice(0, length).map((step) => (/^\d+$/.test(step) ? Number(step) : step));
    const node = findNodeAtLocation(tree, way);
    if (node) return node;
  }
  return tree;
}

function lineAndColumn(text: string, offset: number): { line: number; column: number } {
  const before = text.slice(0, offset).split('\n');
  return { line: before.length, column: (before.at(-1)?.length ?? 0) + 1 };
}
