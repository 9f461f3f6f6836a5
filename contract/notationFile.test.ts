import { LIBRARY, VARIANTS } from '../library/library';
import { madeUpUnit } from '../library/madeUp/madeUpUnit';
import type { Diagram } from '../core/diagram/diagram';
import { writeNotation } from '../core/draft/writeNotation';
import { readDiagramText } from './notationFile';

/** As it is compared: an empty list is as good as none, and the order of wires says nothing. */
function plain(diagram: Diagram): unknown {
  const wires = [...diagram.wires]
    .map(({ from, to, ...wire }) => ({ ...wire, ends: [from, to].sort() }))
    .sort((a, b) => a.id.localeCompare(b.id));
  const { uses = [], looks = [], ...rest } = diagram;
  return JSON.parse(JSON.stringify({ ...rest, uses, looks, wires }));
}

it.each([...LIBRARY, ...Object.values(VARIANTS).flat()].map((each) => [each.id, each] as const))(
  'writes %s and reads the same again',
  (_, diagram) => {
    const read = readDiagramText(writeNotation(diagram));
    expect(read.ok ? plain(read.value.diagram) : read.error).toEqual(plain(diagram));
  },
);

it('does the same with units that nobody has built', () => {
  for (let seed = 1; seed <= 150; seed++) {
    const diagram = madeUpUnit(seed);
    const read = readDiagramText(writeNotation(diagram));
    if (read.ok) expect(plain(read.value.diagram)).toEqual(plain(diagram));
    // Who draws one looks whether it is sound; the text says the same of it either way.
    else expect(read.error.every(({ path }) => path !== '' && path !== '/wires')).toBe(true);
  }
});
