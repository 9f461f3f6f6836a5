import { LIBRARY, VARIANTS } from '../library/library';
import { madeUpUnit } from '../library/madeUp/madeUpUnit';
import type { Diagram } from '../core/diagram/diagram';
import { writeNotation } from '../core/draft/writeNotation';
import { chanceFrom } from '../core/chance';
import { makePlace } from '../library/shelf/makePlace';
import { readDiagramFile, readDiagramText } from './notationFile';

const SEED = Number(process.env.YARRIX_SEED ?? 20261201);
const COUNT = process.env.YARRIX_ALL === '1' ? 10_000 : 300;

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
  for (let seed = 1; seed <= 60; seed++) {
    const diagram = madeUpUnit(seed);
    const read = readDiagramText(writeNotation(diagram));
    if (read.ok) expect(plain(read.value.diagram)).toEqual(plain(diagram));
    // Who draws one looks whether it is sound; the text says the same of it either way.
    else expect(read.error.every(({ path }) => path !== '' && path !== '/wires')).toBe(true);
  }
});

/** Text with some letters gone, doubled, moved or replaced, as a torn file has it. */
function mutilated(text: string, chance: () => number): string {
  const at = () => Math.floor(chance() * text.length);
  const [from, to] = [at(), at()].sort((a, b) => a - b) as [number, number];
  const piece = text.slice(from, Math.min(to, from + 1 + Math.floor(chance() * 40)));
  const rest = text.slice(from + piece.length);
  switch (Math.floor(chance() * 6)) {
    case 0:
      return text.slice(0, from) + rest;
    case 1:
      return text.slice(0, from) + piece + piece + rest;
    case 2:
      return text.slice(0, from);
    case 3:
      return text.slice(0, from) + SIGNS[Math.floor(chance() * SIGNS.length)] + rest;
    case 4:
      return text.slice(0, from) + rest.slice(0, 60) + piece + rest.slice(60);
    default:
      return text
        .split('\n')
        .sort(() => chance() - 0.5)
        .join('\n');
  }
}
const SIGNS = [
  '\0',
  '"',
  '(',
  '((((((((((',
  '>',
  '-BK>',
  '[',
  '{',
  '1e999',
  '-1',
  'null',
  '\ud800',
  '__proto__: 1',
  '  : ',
  '\t',
  'ä',
];

it(`refuses a mutilated file or takes it whole, and is stopped by none (seed ${SEED})`, () => {
  const chance = chanceFrom(SEED);
  const files = LIBRARY.flatMap((unit) => [writeNotation(unit), JSON.stringify(unit, null, 1)]);
  const counts = { taken: 0, refused: 0 };
  for (let i = 0; i < COUNT; i++) {
    let text = files[Math.floor(chance() * files.length)] ?? '';
    for (let n = 1 + Math.floor(chance() * 3); n > 0; n--) text = mutilated(text, chance);
    const read = readDiagramFile(text, makePlace);
    if (read.ok) {
      counts.taken++;
      // What is taken is whole: it is sound, and is written and read again.
      expect(readDiagramText(writeNotation(read.value.diagram)).ok).toBe(true);
    } else {
      counts.refused++;
      expect(read.error.length).toBeGreaterThan(0);
      for (const { message } of read.error) expect(message).not.toBe('');
    }
  }
  expect(counts.taken).toBeGreaterThan(COUNT / 100);
  expect(counts.refused).toBeGreaterThan(COUNT / 10);
}, 600_000);

it('guesses the uses of a plain text that has none, so that a complaint can be told of it', () => {
  const text = 'unit own-dryer\nL1 > timer A-C > start 1-2 > motor run > door 1-2 > N\n';
  const read = readDiagramFile(text, makePlace);
  expect(read.ok && read.value.diagram.uses?.map(({ steps }) => steps)).toEqual([
    'timer=on,start=pressed,wait=3,start=released',
  ]);
});

it.each([
  ['no unit', /say once what it is/],
  ['unit a\n  kind: oven\nL1 > fan motor 1-2', /no part or supply "L1"|there is no part/],
  ['unit a\nbanana b', /"banana" is not known/],
  ['unit a\nswitch s: by knob', /how it stands alone/],
  ['unit a\nsupply c: mains, L N', /a supply is said so/],
])('says by line what would be right: %s', (text, message) => {
  const read = readDiagramFile(text);
  expect(
    read.ok ? '' : read.error.map((each) => `${each.line}: ${each.message}`).join('\n'),
  ).toMatch(message);
});

it('says what is said of a wire of the one that a line has', () => {
  const text = 'unit a\nL1 > fan motor [40 ohm] 1-2 > N\n';
  const bare = readDiagramFile(text, makePlace);
  const [first, second] = bare.ok ? bare.value.diagram.wires : [];
  const read = readDiagramFile(`${text}wire ${second?.id}\n  colour: BK\n`, makePlace);
  expect(read.ok ? read.value.diagram.wires : read.error).toMatchObject([
    first,
    { ...second, colour: 'BK' },
  ]);
  expect(readDiagramFile(`${text}wire ${second?.id}\n\nwire w9\n`, makePlace)).toMatchObject({
    ok: false,
    error: [{ path: '/wires', line: 5, column: 1, message: 'no line has a wire "w9"' }],
  });
});
