import { addPaths, type MakePlace } from '../core/draft/addPath';
import { MOST_NOTATION, readNotation } from '../core/draft/readNotation';
import type { Diagram } from '../core/diagram/diagram';
import { guessUses } from '../core/draft/guessUses';
import { fail, ok, type Result } from '../core/result';
import { checkDiagram, readDiagram, shapeOfDiagram, type CheckedDiagram } from './diagramFile';
import type { InputFault } from './problem';

/**
 * Reads a diagram in the line notation and refuses it whole if anything is wrong, told by line and column. What a line of
 * wires names and nothing declares is made by `make`, or refused without it.
 */
export function readDiagramText(
  text: string,
  make?: MakePlace,
): Result<CheckedDiagram, InputFault[]> {
  if (text.length > MOST_NOTATION)
    return fail([{ path: '', message: `a diagram has at most ${MOST_NOTATION} letters` }]);
  const read = readNotation(text);
  if (!read.ok) return fail(read.error.map((each) => ({ path: '', ...each })));
  const { declared, paths, wires, lines } = read.value;
  const placed = (faults: InputFault[]): InputFault[] =>
    faults.map((each) => ({ ...each, ...lineOf(lines, each.path) }));
  const shaped = shapeOfDiagram(declared);
  if (!shaped.ok) return fail(placed(shaped.error));
  const joined = addPaths(shaped.value, paths, make);
  if (!joined.ok) return fail(joined.error.map((each) => ({ path: '/wires', ...each })));
  const missing = Object.entries(wires).find(
    ([id]) => !joined.value.wires.some((wire) => wire.id === id),
  );
  if (missing)
    return fail([
      {
        path: '/wires',
        line: missing[1].line,
        column: 1,
        message: `no line has a wire "${missing[0]}"`,
      },
    ]);
  const told = joined.value.wires.map((wire) => ({ ...wire, ...wires[wire.id]?.said }));
  const checked = checkDiagram({ ...joined.value, wires: told } satisfies Diagram);
  if (!checked.ok) return fail(placed(checked.error));
  const { diagram } = checked.value;
  // Without a use nothing can be told of it: who lets parts be made lets uses be guessed as well.
  if (!make || diagram.uses?.length) return checked;
  return ok({ ...checked.value, diagram: { ...diagram, uses: guessUses(diagram) } });
}

/** The line of the nearest thing around a JSON pointer. */
function lineOf(lines: Record<string, number>, path: string): { line?: number; column?: number } {
  for (let at = path; at; at = at.slice(0, at.lastIndexOf('/'))) {
    const line = lines[at];
    if (line !== undefined) return { line, column: 1 };
  }
  return {};
}

/** Reads a diagram file, JSON or line notation: the one begins with a brace, the other never does. */
export const readDiagramFile = (
  text: string,
  make?: MakePlace,
): Result<CheckedDiagram, InputFault[]> =>
  /^\s*[{[]/.test(text) ? readDiagram(text) : readDiagramText(text, make);
