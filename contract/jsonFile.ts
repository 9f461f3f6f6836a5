import type { ErrorObject, ValidateFunction } from 'ajv';
import {
  findNodeAtLocation,
  parseTree,
  printParseErrorCode,
  type Node,
  type ParseError,
} from 'jsonc-parser';
import { fail, type Result } from '../core/result';
import type { InputFault } from './problem';

/** Reads a JSON file; every fault that `check` finds gets the line and the column of its place. */
export function readJson<T>(
  text: string,
  check: (value: unknown) => Result<T, InputFault[]>,
): Result<T, InputFault[]> {
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
  const checked = check(JSON.parse(text));
  return checked.ok
    ? checked
    : fail(checked.error.map((each) => ({ ...each, ...place(each.path) })));
}

/** What a JSON Schema found wrong, in words. */
export function shapeFaults(matches: ValidateFunction, what: string): InputFault[] {
  const faults = (matches.errors ?? []).filter((each) => each.keyword !== 'if').map(sayError);
  return faults.length ? faults : [{ path: '', message: `does not have the shape of ${what}` }];
}

function sayError(error: ErrorObject): InputFault {
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
