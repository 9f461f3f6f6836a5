import { builtIn } from '../../library/library';
import { sayEvidence } from '../describe/unit';
import { drawnSetup } from '../diagram/setup';
import { evidenceKey, placeKey, type Evidence, type ReadingEvidence } from './evidence';
import { evidenceOf, readingsOf, refusalsOf } from './log';
import { lastOf, takenBack } from './takenBack';
import { shownIn, type LogEntry, type ReadingRecord } from './record';

const washer = builtIn('top-load-washer');
if (!washer) throw new Error('no washer');

const at = (minute: number): string => new Date(Date.UTC(2026, 10, 24, 8, minute)).toISOString();
const record = (said: string, more: Partial<ReadingRecord> = {}): ReadingRecord => ({
  part: 'lid-switch',
  from: 'lid-switch.A1',
  to: 'lid-switch.A2',
  setup: { ...drawnSetup(washer), lifted: ['lid-switch.A2'] },
  wiggle: false,
  lookedAgain: false,
  function: 'ohm',
  meter: 'ordinary-auto',
  leadOhms: 0.2,
  said,
  supersedes: [],
  ...more,
});
const reading = (id: string, said: string, more: Partial<ReadingRecord> = {}): LogEntry => ({
  id,
  kind: 'reading',
  phoneAt: at(1),
  body: record(said, more),
});
const retraction = (id: string, names: string): LogEntry => ({
  id,
  kind: 'doubt',
  phoneAt: at(2),
  body: { names, reason: 'taken back' },
});
const statement = (id: string, source: 'told' | 'seen', outcome = 'off'): LogEntry => ({
  id,
  kind: 'statement',
  phoneAt: at(1),
  body: { source, steps: 'timer=wash', subject: 'timer-motor', outcome },
});
const acknowledged = (body: Extract<LogEntry, { kind: 'acknowledged' }>['body']): LogEntry => ({
  id: `k ${JSON.stringify(body)}`,
  kind: 'acknowledged',
  phoneAt: at(1),
  body,
});

describe('what counts in the log of a call', () => {
  it('is without what was taken back or taken the place of', () => {
    const log = [
      reading('a', '0.3'),
      reading('b', 'OL'),
      reading('c', 'OL', { supersedes: ['a'] }),
    ];
    expect([...takenBack([...log, retraction('d', 'b')])].sort()).toEqual(['a', 'b']);
    expect(takenBack(log.slice(0, 2)).size).toBe(0);
  });

  // Two corrections race: whichever phone is heard first, the same entries count in the end.
  it('is the same in whatever order corrections of corrections arrive', () => {
    const log = [
      reading('a', '0.3'),
      reading('b', 'OL', { supersedes: ['a'] }),
      retraction('undo b', 'b'),
      retraction('undo that', 'undo b'),
    ];
    // The undo was undone: b counts again, so that a does not.
    expect([...takenBack(log)].sort()).toEqual(['a', 'undo b']);
    expect([...takenBack([...log].reverse())].sort()).toEqual(['a', 'undo b']);
    // What was taken the place of by an entry that is taken back counts again.
    expect([...takenBack(log.slice(0, 3))].sort()).toEqual(['b']);
  });

  it('does not hang on entries that take each other back', () => {
    const log = [retraction('a', 'b'), retraction('b', 'a')];
    expect(takenBack(log).size).toBeLessThanOrEqual(2);
  });

  it('is evidence of the whole unit: told, looked for, done and read, in order', () => {
    const log = [
      statement('told', 'told'),
      { id: 'look', kind: 'look', phoneAt: at(1), body: { look: 'click', found: false } },
      reading('odd', 'OL'),
      { id: 'tap', kind: 'act', phoneAt: at(1), body: { part: 'timer', act: 'tap' } },
      { id: 'burnt', kind: 'sight', phoneAt: at(1), body: { part: 'timer', sight: 'burnt' } },
      { id: 'no', kind: 'refusal', phoneAt: at(1), body: { why: 'no-helper', of: [] } },
      { id: 'tool', kind: 'refusal', phoneAt: at(1), body: { why: 'no-tool', of: ['console'] } },
      retraction('yes', 'no'),
      reading('again', '0.3', { supersedes: ['odd'] }),
      acknowledged({ what: 'made-safe' }),
    ] as LogEntry[];
    const { evidence, setAside } = evidenceOf(washer, log);
    expect(setAside).toEqual([]);
    expect(evidence.map((each) => each.id)).toEqual(['told', 'look', 'tap', 'burnt', 'again']);
    // What this visit does not allow is no evidence, and is had back by taking it back.
    expect(refusalsOf(log)).toEqual([{ id: 'tool', why: 'no-tool', of: ['console'] }]);
    expect(evidence[0]).toMatchObject({ kind: 'statement', source: 'told', outcome: 'off' });
    expect(evidence[4]).toMatchObject({ shows: { kind: 'ohms', ohms: 0.3 }, of: 'unit' });
    expect(evidence.map((each) => sayEvidence(washer, each).shown)).toEqual([
      'Timer does not advance',
      'not there',
      'tapped',
      'burnt',
      '0.3 Ω',
    ]);
  });

  it('keeps the meter, the range and the leads that each reading was taken with', () => {
    const manual = reading('m', 'OL', { meter: 'ordinary-manual', range: '200Ω', leadOhms: 1.2 });
    const [evidence] = evidenceOf(washer, [manual]).evidence;
    expect(evidence).toMatchObject({
      taken: { meter: { id: 'ordinary-manual', leads: { ohms: 1.2 } }, range: '200Ω' },
    });
    const [read] = readingsOf(washer, [manual], 'lid-switch');
    expect(read?.taken).toEqual((evidence as ReadingEvidence).taken);
  });

  it('reads millivolts as millivolts, and a good twin as no reading of this unit', () => {
    const live = {
      function: 'volt',
      steps: 'timer=wash',
      setup: { ...drawnSetup(washer), power: 'on' },
    } as const;
    const shows = ({ evidence: [one] }: ReturnType<typeof evidenceOf>) =>
      one?.kind === 'reading' ? one.shows : undefined;
    expect(shows(evidenceOf(washer, [reading('v', '80 mV', live)]))).toEqual({
      kind: 'volts',
      volts: 0.08,
    });
    expect(shows(evidenceOf(washer, [reading('v', '119 V', live)]))).toEqual({
      kind: 'volts',
      volts: 119,
    });
    expect(shownIn({ said: '80 mV', function: 'ohm' })).toBeUndefined();
    expect(
      readingsOf(
        washer,
        [reading('t', '0.3', { of: 'twin' }), reading('v', '119 V', live)],
        'lid-switch',
      ),
    ).toEqual([]);
    expect(evidenceOf(washer, [reading('t', '0.3', { of: 'twin' })]).evidence).toMatchObject([
      { of: 'twin' },
    ]);
  });

  it('sets aside what cannot be used, and goes on with the rest', () => {
    const setup = {
      ...drawnSetup(washer),
      jumpers: [['lid-switch.A1', 'nowhere.9']],
    } as ReadingRecord['setup'];
    const log = [reading('bad', '0.3', { setup }), reading('good', '0.3')];
    const { evidence, setAside } = evidenceOf(washer, log);
    expect(evidence.map((each) => each.id)).toEqual(['good']);
    expect(setAside).toMatchObject([
      { id: 'bad', findings: [{ path: '/body/setup/jumpers/0/1' }] },
    ]);
    expect(readingsOf(washer, log, 'lid-switch').map((each) => each.id)).toEqual(['good']);
    // Taken back, nobody is bothered with it any more.
    expect(evidenceOf(washer, [...log, retraction('r', 'bad')]).setAside).toEqual([]);
  });

  it('shows what was taken back of a switch, marked', () => {
    const log = [reading('a', '0.3'), reading('b', 'OL'), retraction('d', 'a')];
    expect(readingsOf(washer, log, 'lid-switch').map(({ id, doubted }) => [id, doubted])).toEqual([
      ['a', true],
      ['b', false],
    ]);
    expect(readingsOf(washer, log, 'timer')).toEqual([]);
  });

  it('counts nothing as a reading of a switch that is not between its own terminals', () => {
    const lifted = { ...drawnSetup(washer), lifted: ['lid-switch.A2' as const] };
    const log = [
      reading('through', 'OL', { to: 'drive.S' }),
      reading('end', 'OL', { from: 'lid-switch.A2:wire', to: 'lid-switch.A1', setup: lifted }),
    ];
    expect(readingsOf(washer, log, 'lid-switch')).toEqual([]);
    expect(evidenceOf(washer, log).evidence).toHaveLength(2);
  });
});

describe('what is read of one switch', () => {
  const act = (
    id: string,
    part: string,
    done: Extract<LogEntry, { kind: 'act' }>['body']['act'],
  ): LogEntry => ({ id, kind: 'act', phoneAt: at(1), body: { part, act: done } });
  const ids = (...log: LogEntry[]): string[] =>
    readingsOf(washer, log, 'lid-switch').map((each) => each.id);

  it('counts from its last repair, not from one of another part, nor from one that was taken back', () => {
    const before = reading('before', 'OL');
    const after = reading('after', '0.3');
    const fitted = act('fitted', 'lid-switch', 'replace');
    expect(ids(before, fitted, after)).toEqual(['after']);
    expect(ids(before, act('other', 'timer', 'replace'), after)).toEqual(['before', 'after']);
    // Tapping it mends nothing.
    expect(ids(before, act('tap', 'lid-switch', 'tap'), after)).toEqual(['before', 'after']);
    expect(ids(before, fitted, after, retraction('no', 'fitted'))).toEqual(['before', 'after']);
    // A look at it that names it as a repair would is none.
    const burnt = { id: 's', kind: 'sight', phoneAt: at(1) } as const;
    expect(
      ids(before, { ...burnt, body: { part: 'lid-switch', sight: 'burnt' } }, after),
    ).toHaveLength(2);
  });

  it('is on the bench another part, which says nothing of the unit', () => {
    const bench = reading('bench', 'OL', { of: 'bench' });
    expect(ids(reading('here', '0.3'), bench)).toEqual(['here']);
    expect(
      readingsOf(washer, [reading('here', '0.3'), bench], 'lid-switch', 'bench').map((r) => r.id),
    ).toEqual(['bench']);
    expect(evidenceOf(washer, [bench])).toEqual({ evidence: [], setAside: [] });
  });

  it('is the last of its kind that was not taken back', () => {
    const log = [statement('one', 'told'), reading('r', 'OL'), statement('two', 'seen')];
    expect(lastOf(log, 'statement')?.id).toBe('two');
    expect(lastOf(log, 'reading')?.id).toBe('r');
    expect(lastOf([...log, retraction('no', 'two')], 'statement')?.id).toBe('one');
    expect(lastOf(log, 'act')).toBeUndefined();
  });

  it('is not touched by what was written of a thing that has the name of an entry', () => {
    const named = { id: 'x', kind: 'act', phoneAt: at(3), body: { part: 'timer', act: 'tap' } };
    expect(takenBack([reading('timer', '0.3'), named as LogEntry]).size).toBe(0);
  });
});

describe('the same said twice', () => {
  const evidence = (entry: LogEntry): ReadingEvidence => {
    const [one] = evidenceOf(washer, [entry]).evidence;
    if (one?.kind !== 'reading') throw new Error('no reading');
    return one;
  };

  it('is the same whatever its id, its order of keys, and which probe is where', () => {
    const one = evidence(reading('a', '0.3'));
    const { setup } = one;
    const stored = {
      ...one,
      id: 'b',
      from: one.to,
      to: one.from,
      setup: Object.fromEntries(Object.entries(setup).reverse()) as typeof setup,
    };
    expect(evidenceKey(stored)).toBe(evidenceKey(one));
    expect(placeKey(stored)).toBe(placeKey(one));
  });

  it('is another with another display, leads, range, unit or movement', () => {
    const one = evidence(reading('a', '0.3'));
    const others = [
      reading('b', '0.4'),
      reading('b', 'OL'),
      reading('b', '0.3', { leadOhms: 0.5 }),
      reading('b', '0.3', { meter: 'ordinary-manual', range: '200Ω' }),
      reading('b', '0.3', { meter: 'ordinary-manual', range: '2kΩ' }),
      reading('b', '0.3', { of: 'twin' }),
      reading('b', '0.3', { wiggle: true }),
      reading('b', '0.3', { to: 'lid-switch.B1' }),
    ].map(evidence);
    const keys = [one, ...others].map(evidenceKey);
    expect(new Set(keys).size).toBe(keys.length);
    const said = [statement('a', 'told'), statement('a', 'seen'), statement('a', 'told', 'runs')];
    const told = said.flatMap((each) => evidenceOf(washer, [each]).evidence).map(evidenceKey);
    expect(new Set(told).size).toBe(3);
    const looks = [true, false].map((found) =>
      evidenceKey({ kind: 'look', id: '', look: 'click', found }),
    );
    expect(looks[0]).not.toBe(looks[1]);
    const acts = (['tap', 'clean'] as const).map((act) =>
      evidenceKey({ kind: 'act', id: '', part: 'timer', act }),
    );
    expect(acts[0]).not.toBe(acts[1]);
    const measured = { kind: 'measurement', id: '', actuator: 'box', value: 70, how: 'measured' };
    const measurements = [
      measured,
      { ...measured, value: 71 },
      { ...measured, actuator: 'tub' },
      { ...measured, how: 'felt', felt: 'hot' },
      { ...measured, steps: 'timer=wash' },
    ].map((each) => evidenceKey(each as Evidence));
    expect(new Set(measurements).size).toBe(measurements.length);
    expect(measurements[0]).toMatch(/^measurement/);
    // Entries of two kinds are never the same, whatever their words are.
    const words = [
      evidenceKey({ kind: 'look', id: '', look: 'tap', found: true }),
      evidenceKey({ kind: 'act', id: '', part: 'tap', act: 'tap' }),
      evidenceKey({ kind: 'act', id: '', part: 'look', act: 'tap' }),
    ];
    expect(new Set(words).size).toBe(3);
    // Three ohm and three volt are two displays; so are two moments of a use.
    const shown = [
      { ...one, shows: { kind: 'ohms', ohms: 3 } },
      { ...one, shows: { kind: 'volts', volts: 3 } },
      { ...one, shows: { kind: 'volts', volts: 4 } },
      { ...one, shows: { kind: 'beep' } },
      { ...one, shows: { kind: 'silent' } },
      { ...one, steps: 'timer=wash' },
      { ...one, steps: 'timer=spin' },
    ].map((each) => evidenceKey(each as ReadingEvidence));
    expect(new Set([...shown, evidenceKey(one)]).size).toBe(8);
    const bridged = (pair: ['timer.L' | 'timer.MT', 'timer.SP']) =>
      evidenceKey({
        kind: 'statement',
        id: '',
        source: 'seen',
        steps: 'timer=wash',
        subject: 'drive',
        outcome: 'runs',
        jumper: pair,
      });
    expect(bridged(['timer.L', 'timer.SP'])).not.toBe(bridged(['timer.MT', 'timer.SP']));
  });
});
