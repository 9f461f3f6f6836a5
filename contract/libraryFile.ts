import type { Diagram } from '../core/diagram/diagram';
import { fail, ok, type Result } from '../core/result';
import { checkDiagram } from './diagramFile';
import { readJson } from './jsonFile';
import type { InputFault } from './problem';

/** All diagrams of a shop, each its newest version, as one file. */
export interface LibraryFile {
  format: 'yarrix-library';
  version: 1;
  diagrams: Diagram[];
}

/** Diagrams in one file, at most, and its size. */
export const MOST_IN_LIBRARY = 500;
export const MOST_LIBRARY_BYTES = 16_000_000;

/** A diagram of a library file beside what the shop has. */
export interface ComparedDiagram {
  id: string;
  name: string;
  kind: string;
  state: 'new' | 'same' | 'different';
  /** What the file's has otherwise, in words; some of it where that is much. */
  differences: string[];
}

/** Reads a library and refuses it whole if anything in it is wrong, told by its place and line. */
export const readLibrary = (text: string): Result<Diagram[], InputFault[]> =>
  readJson(text, checkLibrary);

function checkLibrary(value: unknown): Result<Diagram[], InputFault[]> {
  const { format, version, diagrams } = (value ?? {}) as Partial<LibraryFile>;
  if (format !== 'yarrix-library' || version !== 1 || !Array.isArray(diagrams))
    return fail([
      {
        path: '',
        message: 'is no library: "format" is yarrix-library, "version" 1, "diagrams" a list',
      },
    ]);
  if (diagrams.length > MOST_IN_LIBRARY)
    return fail([{ path: '/diagrams', message: `has more than ${MOST_IN_LIBRARY} diagrams` }]);
  const faults: InputFault[] = [];
  const sound = diagrams.flatMap((each, i): Diagram[] => {
    const checked = checkDiagram(each);
    if (checked.ok) return [checked.value.diagram];
    faults.push(
      ...checked.error.map((fault) => ({ ...fault, path: `/diagrams/${i}${fault.path}` })),
    );
    return [];
  });
  const ids = sound.map(({ id }) => id);
  const twice = ids.findIndex((id, i) => ids.indexOf(id) !== i);
  if (twice >= 0)
    faults.push({ path: `/diagrams/${twice}/id`, message: `"${ids[twice]}" is there twice` });
  return faults.length ? fail(faults) : ok(sound);
}
