import { builtIn } from '../../library/library';
import { sayLedgerLine } from '../describe/ledger';
import type { Diagram } from '../diagram/diagram';
import { drawnSetup } from '../diagram/setup';
import { LID_READING } from '../simulate/lidReading';
import { findingsInEntry } from './entryFindings';
import { causesAsked, causesSaid, protectorsTouched } from './causesAsked';
import { ledgerOf, openLines, wireMapOf } from './ledger';
import { lineNamed } from './ledgerLine';
import { powerAndIsolation } from './power';
import type { LogEntry, Records } from './record';
import { mapOnSheet, sharedColours } from './wireMap';

const unit = (id: string): Diagram => {
  const found = builtIn(id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};
const washer = unit('top-load-washer');
const dryer = unit('electric-dryer');
const heater = unit('electric-water-heater');

type Line = { [K in keyof Records]: [K, Records[K]] }[keyof Records];
let count = 0;
/** A log of some entries, each a minute after the one before. */
const log = (...said: Line[]): LogEntry[] =>
  said.map(
    ([kind, body], i) =>
      ({
        id: `e${i}`,
        kind,
        phoneAt: new Date(Date.UTC(2026, 10, 28, 8, count++ % 60)).toISOString(),
        body,
      }) as LogEntry,
  );
const open = (diagram: Diagram, entries: LogEntry[]): string[] =>
  openLines(diagram, entries).map((each) => sayLedgerLine(diagram, each));

describe('what has to be put right before a call is finished', () => {
  it('is what tests and scripts took off, opened and clipped on, what is clipped on first', () => {
    const lifted: Records['reading'] = {
      ...LID_READING,
      setup: { ...drawnSetup(washer), lifted: ['lid-switch.A1'], partsOut: ['drive'] },
    };
    const entries = log(
      ['acknowledged', { what: 'made-safe' }],
      ['acknowledged', { what: 'jumper-on', jumper: ['lid-switch.A1', 'lid-switch.A2'] }],
      ['reading', lifted],
    );
    expect(open(washer, entries)).toEqual([
      'Jumper A1 to A2 of Lid switch: on',
      'Wires on A1 of Lid switch: off',
      expect.stringMatching(/: out$/) as string,
      expect.stringMatching(/: open$/) as string,
      expect.stringMatching(/: off$/) as string,
    ]);
    // What was read on a twin took nothing off this one.
    expect(open(washer, log(['reading', { ...lifted, of: 'twin' }]))).toEqual([]);
  });

  it('is closed by a tick, by the script that undoes it, or by words, and opened again by the next', () => {
    const jumper: ['lid-switch.A1', 'lid-switch.A2'] = ['lid-switch.A1', 'lid-switch.A2'];
    const on: Line = ['acknowledged', { what: 'jumper-on', jumper }];
    const off: Line = ['acknowledged', { what: 'jumper-off', jumper: [jumper[1], jumper[0]] }];
    expect(open(washer, log(on, off))).toEqual([]);
    expect(open(washer, log(on, off, on))).toHaveLength(1);
    const tube: Line = ['opened', { what: 'tube', of: 'air tube of the level switch' }];
    const [line] = openLines(washer, log(tube));
    if (!line) throw new Error('nothing is open');
    expect(open(washer, log(tube, ['closed', { line: line.key, how: 'back' }]))).toEqual([]);
    const left = log(tube, ['closed', { line: line.key, how: 'left', words: 'new one ordered' }]);
    expect(ledgerOf(washer, left)).toMatchObject([
      { closed: { how: 'left', words: 'new one ordered' } },
    ]);
    // Nor does anything else than a tick, whatever it is called.
    expect(open(washer, log(tube, ['look', { look: 'click', found: true }]))).toHaveLength(1);
    // A key names a thing and what was done to it: not one of them, nor another word.
    expect(['tube air tube', 'tube ', 'tube', 'hose air tube', ''].map(lineNamed)).toEqual([
      { what: 'tube', of: 'air tube' },
      undefined,
      undefined,
      undefined,
      undefined,
    ]);
    // A tick that was taken back closes nothing.
    expect(
      open(washer, [
        ...left,
        ...log(['doubt', { names: 'e1', reason: 'wrong' }]).map((each) => ({ ...each, id: 'x' })),
      ]),
    ).toHaveLength(1);
  });

  it('has the supply as off from the moment that it was made safe until the unit is fed again', () => {
    const safe: Line = ['acknowledged', { what: 'made-safe' }];
    const seen: Line = [
      'statement',
      { source: 'seen', steps: 'timer=wash', subject: 'drive', outcome: 'runs' },
    ];
    expect(open(washer, log(safe))).toHaveLength(washer.supplies.length);
    expect(open(washer, log(safe, seen))).toEqual([]);
    expect(open(washer, log(safe, seen, safe))).toHaveLength(washer.supplies.length);
    // Ohms feed nothing, nor do volts on a twin of it; volts on this one do.
    const read = (more: Partial<Records['reading']>): Line => [
      'reading',
      { ...LID_READING, setup: drawnSetup(washer), ...more },
    ];
    const volts = { function: 'volt', said: '119 V', steps: 'timer=wash' } as const;
    const supply = (...after: Line[]): number =>
      openLines(washer, log(safe, ...after)).filter(({ what }) => what === 'supply').length;
    expect(supply(read({}))).toBe(1);
    expect(supply(read({ ...volts, of: 'twin' }))).toBe(1);
    expect(supply(read(volts))).toBe(0);
    expect(supply(['doubt', { names: 'nothing', reason: 'volt' }])).toBe(1);
  });

  it('tells power and isolation what a tick means: live again, and a way round the switch again', () => {
    const before = log(
      ['acknowledged', { what: 'made-safe' }],
      ['acknowledged', { what: 'wires-off', part: 'lid-switch' }],
    );
    expect(powerAndIsolation(before)).toMatchObject({ safe: true });
    const [wire] = openLines(washer, before).filter(({ what }) => what === 'wire');
    const [supply] = openLines(washer, before).filter(({ what }) => what === 'supply');
    const ticked = log(
      ['closed', { line: wire?.key ?? '', how: 'back' }],
      ['closed', { line: supply?.key ?? '', how: 'back' }],
    );
    expect(powerAndIsolation([...before, ...ticked.slice(0, 1)])).toMatchObject({
      safe: true,
      wiresOff: new Set(),
    });
    expect(powerAndIsolation([...before, ...ticked])).toMatchObject({ safe: false });
  });
});

describe('the cause of a blown or tripped protector', () => {
  const manual =
    heater.parts.find((each) => each.kind === 'switch' && each.reset === 'manual')?.id ?? '';

  it('is asked for by a reset and by a new one, until it is found, or each was looked for', () => {
    const done: Line = ['act', { part: manual, act: 'reset' }];
    expect(open(heater, log(done))).toEqual([
      expect.stringMatching(/^What made it fail/) as string,
    ]);
    const [asked] = causesAsked(heater, log(done));
    expect(asked?.causes.length).toBeGreaterThan(0);
    const all = (asked?.causes ?? []).map(({ cause }) => cause);
    const says = (cause: string, outcome: 'found' | 'not-there'): Line => [
      'cause',
      { part: manual, cause, outcome },
    ];
    expect(open(heater, log(done, says(all[0] ?? '', 'not-there')))).toHaveLength(
      all.length > 1 ? 1 : 0,
    );
    expect(open(heater, log(done, ...all.map((each) => says(each, 'not-there'))))).toEqual([]);
    expect(open(heater, log(done, says('scale on the element', 'found')))).toEqual([]);
    // A part that wears out by itself is asked for none.
    expect(open(washer, log(['act', { part: 'lid-switch', act: 'replace' }]))).toEqual([]);
  });

  it('is settled by what was found, and by no tick', () => {
    const line = `cause ${manual}`;
    const [found] = findingsInEntry(heater, { kind: 'closed', body: { line, how: 'back' } });
    expect(found?.message).toMatch(/entry of kind "cause"/);
    const tube = { line: 'tube air tube', how: 'back' } as const;
    expect(findingsInEntry(heater, { kind: 'closed', body: tube })).toEqual([]);
  });

  it('is of the part that it was said of, and goes when it is taken back', () => {
    const done: Line = ['act', { part: manual, act: 'reset' }];
    const said: Line = ['cause', { part: manual, cause: 'scale on the element', outcome: 'found' }];
    const other: Line = ['cause', { part: 'upper', cause: 'scale', outcome: 'found' }];
    expect(open(heater, log(done, other))).toHaveLength(1);
    expect(causesAsked(heater, log(done, other))[0]?.causes).not.toContainEqual(
      expect.objectContaining({ cause: 'scale' }),
    );
    const back = log(['doubt', { names: 'e1', reason: 'wrong' }]).map((each) => ({
      ...each,
      id: 'x',
    }));
    expect(open(heater, log(done, said))).toEqual([]);
    expect(open(heater, [...log(done, said), ...back])).toHaveLength(1);
    // What was spoken of is told, asked for or not; what was taken back is not.
    const told = (entries: LogEntry[]) => causesSaid(heater, entries).map(({ part }) => part);
    expect(told(log(other))).toEqual(['upper']);
    expect(told([...log(done, other), ...back])).toEqual([manual]);
    expect(told(log(['act', { part: 'upper', act: 'clean' }]))).toEqual([]);
  });

  it('is an alarm where a second protector went in the same unit', () => {
    const fuses = dryer.parts.filter(({ kind }) => kind === 'protector').map(({ id }) => id);
    const acts = fuses.map((part): Line => ['act', { part, act: 'replace' }]);
    expect(fuses.length).toBeGreaterThan(1);
    expect(protectorsTouched(dryer, log(...acts.slice(0, 1)))).toEqual([]);
    expect(protectorsTouched(dryer, log(...acts.slice(0, 2)))).toEqual(fuses.slice(0, 2));
  });
});

describe('the wire map', () => {
  it('has every wire of the terminals, and says where a colour alone does not tell', () => {
    const infinite = unit('coil-burner').parts.find(({ id }) => id === 'infinite');
    const at = (infinite?.terminals ?? []).map(({ id }) => `infinite.${id}` as const);
    const sheet = mapOnSheet(unit('coil-burner'), at);
    expect(sheet.length).toBeGreaterThanOrEqual(at.length - 1);
    const wires = [
      { at: 'infinite.L1' as const, colour: 'BK' },
      { at: 'infinite.H1' as const, colour: ' bk' },
      { at: 'infinite.L2' as const, colour: 'RD' },
      { at: 'infinite.L2' as const, colour: 'RD' },
    ];
    expect(sharedColours(wires)).toEqual([{ colour: 'BK', at: ['infinite.L1', 'infinite.H1'] }]);
    const entries = log(['wire-map', { part: 'infinite', wires }]);
    expect(wireMapOf(entries, 'infinite')?.wires).toEqual(wires);
    expect(wireMapOf(entries, 'coil')).toBeUndefined();
  });
});
