import { existsSync, readFileSync } from 'node:fs';
import { readDiagramFile } from '../../contract/notationFile';
import { sayInputFault } from '../../contract/problem';
import type { Diagram } from '../../core/diagram/diagram';
import { builtIn, LIBRARY } from '../../library/library';
import { makePlace } from '../../library/shelf/makePlace';
import { BadInput } from './command';

/** A diagram by the id of a built-in one or by the path of a file. */
export function openDiagram(name: string | undefined): Diagram {
  if (!name) throw new BadInput('name a DIAGRAM: a file or the id of a built-in one');
  const found = builtIn(name);
  if (found) return found;
  if (!existsSync(name)) {
    const ids = LIBRARY.map((each) => each.id).join(', ');
    throw new BadInput(`there is no file and no built-in diagram "${name}"; built in: ${ids}`);
  }
  const read = readDiagramFile(readText(name), makePlace);
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
