import * as fc from 'fast-check';
import type { Diagram, SwitchPart } from '../core/diagram/diagram';
import { switches } from '../core/diagram/terminal';
import { bigSelector } from '../library/madeUp/bigSelector';
import { LIBRARY } from '../library/library';
import { readTableCsv, writeTableCsv } from './contactTableCsv';
import { checkDiagram, readDiagram } from './diagramFile';

const SEED = 20261124;
const all: [string, Diagram, SwitchPart][] = LIBRARY.flatMap((diagram) =>
  switches(diagram).map((part): [string, Diagram, SwitchPart] => [
    `${diagram.id} ${part.id}`,
    diagram,
    part,
  ]),
);
const [, oven, selector] = all.find(([name]) => name === 'wall-oven selector') ?? [];
if (!oven || !selector) throw new Error('no wall oven');

describe('diagram files', () => {
  it.each(LIBRARY.map((each): [string, Diagram] => [each.id, each]))(
    '%s is sound and comes back as it was',
    (_id, diagram) => {
      const read = readDiagram(JSON.stringify(diagram));
      expect(read).toEqual({ ok: true, value: { diagram, warnings: expect.anything() } });
    },
  );

  /** A change to a sound diagram, and the place that the refusal has to name. */
  const wrong: [string, (diagram: Diagram) => unknown, string, RegExp][] = [
    [
      'a wire to nowhere',
      (d) => ({ ...d, wires: [{ ...d.wires[0], to: 'bake.z' }] }),
      '/wires/0/to',
      /no terminal/,
    ],
    [
      'negative ohm',
      (d) => withLoad(d, { nominal: -3, low: 1, high: 2 }),
      '/parts/0/elements/0/value/nominal',
      /> 0/,
    ],
    [
      'ohms out of order',
      (d) => withLoad(d, { nominal: 5, low: 6, high: 7 }),
      '/parts/0/elements/0/value',
      /order/,
    ],
    [
      'a position without a row',
      (d) => withRows(d, (rows) => rows.slice(1)),
      '/parts/0/table/rows',
      /"off" has 0 rows/,
    ],
    [
      'a contact both closed and either',
      (d) => withRows(d, (rows) => rows.map((row) => ({ ...row, either: row.closed }))),
      '/parts/0/table/rows/1',
      /named twice/,
    ],
    [
      'an unknown part kind',
      (d) => ({ ...d, parts: [{ ...d.parts[0], kind: 'gadget' }] }),
      '/parts/0/kind',
      /gadget/,
    ],
    [
      'a colour that is no code',
      (d) => ({ ...d, wires: [{ ...d.wires[0], colour: 'black' }] }),
      '/wires/0/colour',
      /is not written as it should be: Two letters/,
    ],
    ['a field nobody knows', (d) => ({ ...d, weight: 3 }), '', /weight/],
    ['another version', (d) => ({ ...d, version: 2 }), '/version', /must be 1/],
    [
      'a part without a terminal',
      (d) => ({ ...d, parts: d.parts.map((p) => (p.id === 'lamp' ? { ...p, terminals: [] } : p)) }),
      `/parts/${oven.parts.findIndex((each) => each.id === 'lamp')}/terminals`,
      /no terminal/,
    ],
    [
      'a supply that a healthy unit shorts',
      (d) => ({
        ...d,
        wires: [...d.wires, { id: 'x', colour: 'BK', from: 'selector.1', to: 'selector.4' }],
      }),
      '/supplies/0',
      /shorts feed .*selector=(warm|bake)/,
    ],
    [
      'a supply without a way back',
      (d) => ({
        ...d,
        supplies: [
          { ...d.supplies[0], kind: 'mains', volts: 120, terminals: [{ id: 'L1' }, { id: 'N' }] },
        ],
        frame: undefined,
        wires: d.wires.filter(
          ({ from, to }) => ![from, to].some((ref) => /^feed\.(L2|N|G)$/.test(ref)),
        ),
      }),
      '/supplies/0/terminals',
      /no ground reference.*feed\.N/,
    ],
    [
      'two contacts on one pair that contradict each other',
      (d) => ({
        ...d,
        parts: d.parts.map((p) =>
          p.kind === 'switch'
            ? { ...p, contacts: [...p.contacts, { ...p.contacts[0], id: 'again' }] }
            : p,
        ),
      }),
      `/parts/${oven.parts.findIndex((each) => each.kind === 'switch')}/table/rows/1`,
      /contradiction/,
    ],
    [
      'a panel on a side that no unit has',
      (d) => ({ ...d, panels: [{ ...d.panels[0], side: 'under' }] }),
      '/panels/0/side',
      /front, back, top, bottom, left, right, inside/,
    ],
    [
      'a panel that wants no helper, said the wrong way',
      (d) => ({ ...d, panels: [{ ...d.panels[0], helper: false }] }),
      '/panels/0/helper',
      /true/,
    ],
    [
      'a part that fails by nothing',
      (d) => ({ ...d, parts: [{ ...d.parts[0], causes: [] }, ...d.parts.slice(1)] }),
      '/parts/0/causes',
      /1|fewer|empty/,
    ],
    ['a state that nobody drew', (d) => ({ ...d, drawnFor: {} }), '/drawnFor', /cavity/],
  ];
  it.each(wrong)('refuses %s and names the place', (_name, change, path, message) => {
    const text = JSON.stringify(change(oven), null, 2);
    const read = readDiagram(text);
    if (read.ok) throw new Error('it was taken');
    const fault = read.error.find((each) => each.path === path);
    expect(fault?.message).toMatch(message);
    const last = path.split('/').at(-1);
    if (last && !/^\d+$/.test(last))
      expect(text.split('\n').slice(0, fault?.line).join('\n')).toContain(`"${last}"`);
  });

  it(`comes back as it was, whatever its table and whatever it is called (seed ${SEED})`, () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 24 }),
        fc.integer({ min: 2, max: 24 }),
        fc.nat(),
        fc.string({ minLength: 1, maxLength: 60 }),
        (terminals, positions, seed, name) => {
          const diagram = { ...bigSelector(terminals, positions, seed), name };
          const read = readDiagram(JSON.stringify(diagram));
          expect(read.ok && read.value.diagram).toEqual(diagram);
          const [part] = switches(diagram);
          if (!part) throw new Error('no selector');
          expect(readTableCsv(diagram, part, writeTableCsv(diagram, part))).toEqual({
            ok: true,
            value: normal(part),
          });
        },
      ),
      { seed: SEED, numRuns: 150 },
    );
  });

  it('says where a text stops being JSON', () => {
    const read = readDiagram('{\n  "format": "yarrix-diagram",\n  "version": ,\n}');
    expect(read).toMatchObject({ ok: false, error: [{ line: 3 }] });
  });

  it(`never takes or trips over a mangled file (seed ${SEED})`, () => {
    const text = JSON.stringify(oven);
    fc.assert(
      fc.property(
        fc.nat(text.length - 1),
        fc.nat(40),
        fc.string({ maxLength: 3 }),
        (at, gone, put) => {
          const read = readDiagram(text.slice(0, at) + put + text.slice(at + gone));
          if (read.ok) expect(checkDiagram(read.value.diagram).ok).toBe(true);
          else expect(read.error.every((each) => each.message !== '')).toBe(true);
        },
      ),
      { seed: SEED, numRuns: 1000 },
    );
  });
});

describe('contact tables as CSV', () => {
  it.each(all)('%s comes back as it was', (_name, diagram, part) => {
    expect(readTableCsv(diagram, part, writeTableCsv(diagram, part))).toEqual({
      ok: true,
      value: normal(part),
    });
  });

  it(`any table comes back, however it is spelled, cut and ordered (seed ${SEED})`, () => {
    const state = fc.constantFrom('closed', 'open', 'either');
    const spelled: Record<string, string[]> = {
      closed: ['X', 'closed', '1', 'Made'],
      open: ['', 'open', '0', '-'],
      either: ['either', 'Cycles'],
    };
    const cells = fc.array(fc.tuple(state, fc.nat(3)), { minLength: 25, maxLength: 25 });
    fc.assert(
      fc.property(cells, fc.constantFrom(',', ';', '\t'), fc.boolean(), (table, cut, reversed) => {
        const ids = selector.table.rows.map((row) => row.position);
        const rows = ids.map((position, i) => ({
          position,
          states: selector.contacts.map((_, j) => table[i * 5 + j] ?? ['open', 0]),
        }));
        const lines = rows.map(({ position, states }) =>
          [
            position,
            ...states.map(([what, how]) => {
              const words = spelled[String(what)] ?? [];
              return words[Number(how) % words.length] ?? '';
            }),
          ].join(cut),
        );
        const header = [
          'position',
          ...selector.contacts.map((each) => [...each.between].reverse().join(' to ')),
        ].join(cut);
        const read = readTableCsv(
          oven,
          selector,
          [header, ...(reversed ? lines.reverse() : lines)].join('\r\n'),
        );
        const wanted = rows.map(({ position, states }) => {
          const named = (what: string) =>
            selector.contacts.filter((_, j) => states[j]?.[0] === what).map((each) => each.id);
          const either = named('either');
          return { position, closed: named('closed'), ...(either.length && { either }) };
        });
        expect(read).toEqual({ ok: true, value: { known: 'sheet', rows: wanted } });
      }),
      { seed: SEED, numRuns: 200 },
    );
  });

  const good = writeTableCsv(oven, selector);
  it('takes a table with a mark of its encoding before it, blank lines and spaces', () => {
    const text = `\uFEFF\n${good.replace(/^bake/m, ' bake ').replace(/\n/g, '\n\n')}`;
    expect(readTableCsv(oven, selector, text)).toEqual(readTableCsv(oven, selector, good));
  });

  it.each([
    ['a word that is neither', good.replace('bake,closed', 'bake,perhaps'), 4, 2, /perhaps/],
    ['an unknown pair', good.replace('A-2', 'A-9'), 1, 3, /A-9/],
    ['an unknown position', good.replace('broil', 'grill'), 6, 1, /grill/],
    ['a position twice', `${good}off,open,open,open,open,open\n`, 7, 1, /twice/],
    [
      'a word after blank lines',
      good.replace('bake,closed', '\n ,  \nbake,perhaps'),
      6,
      2,
      /perhaps/,
    ],
    ['a missing position', good.replace(/^fan.*\n/m, ''), 6, 1, /"fan" is missing/],
    ['a short line', good.replace(/^bake.*$/m, 'bake,closed,open'), 4, 3, /3 fields/],
    ['nothing', '', 1, 1, /empty/],
    ['a quote that is not closed', good.replace('bake,closed', '"bake,closed'), 4, 1, /[Qq]uote/],
  ])('refuses %s with line and column', (_name, text, line, column, message) => {
    const read = readTableCsv(oven, selector, text);
    if (read.ok) throw new Error('it was taken');
    expect(read.error[0]).toMatchObject({ line, column });
    expect(read.error[0]?.message).toMatch(message);
  });
});

/** The table with its rows as a file writes them: only what is not open. */
const normal = (part: SwitchPart) => ({
  known: part.table.known,
  rows: part.table.rows.map(({ position, closed, either }) => ({
    position,
    closed,
    ...(either?.length && { either }),
  })),
});

const withLoad = (diagram: Diagram, value: object): unknown => ({
  ...diagram,
  wires: [],
  parts: diagram.parts
    .filter((part) => part.id === 'bake')
    .map((part) =>
      part.kind === 'load' ? { ...part, elements: [{ ...part.elements[0], value }] } : part,
    ),
});
const withRows = (
  diagram: Diagram,
  change: (rows: SwitchPart['table']['rows']) => unknown,
): unknown => ({
  ...diagram,
  parts: [{ ...selector, table: { known: 'sheet', rows: change(selector.table.rows) } }],
});
