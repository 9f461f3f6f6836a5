import { drawnSetup, poweredSetup } from '../core/diagram/setup';
import { ORDINARY_METER } from '../core/meter/meter';
import { builtIn } from '../library/library';
import { readEvidence } from './evidenceFile';
import { sayInputFault, sayInputPlace } from './problem';

const washer = builtIn('top-load-washer');
if (!washer) throw new Error('no washer');
const file = (entries: unknown[], more: object = {}): string =>
  JSON.stringify({ format: 'yarrix-evidence', version: 1, entries, ...more }, null, 1);
const read = (entries: unknown[], more?: object) => {
  const evidence = readEvidence(washer, file(entries, more));
  if (!evidence.ok) throw new Error(evidence.error.map(sayInputFault).join('; '));
  return evidence.value;
};
const refused = (entries: unknown[], more?: object): string[] => {
  const evidence = readEvidence(washer, file(entries, more));
  return evidence.ok ? [] : evidence.error.map(({ path, message }) => `${path}: ${message}`);
};
const told = {
  kind: 'statement',
  source: 'told',
  steps: 'timer=wash',
  subject: 'drive',
  outcome: 'off',
};
const lid = { kind: 'reading', from: 'lid-switch.A1', to: 'lid-switch.A2', shows: '0.3' };

describe('an evidence file', () => {
  it('is what is known of a unit, in its order, with ids of its own or by the place', () => {
    const known = read([
      told,
      { ...told, id: 'mine', source: 'seen', jumper: ['timer.L', 'timer.AG'] },
      { kind: 'look', look: 'click', found: true },
      { kind: 'act', part: 'timer', act: 'tap' },
      lid,
    ]);
    expect(known.map(({ id, kind }) => [id, kind])).toEqual([
      ['e1', 'statement'],
      ['mine', 'statement'],
      ['e3', 'look'],
      ['e4', 'act'],
      ['e5', 'reading'],
    ]);
    expect(known[0]).toEqual({ ...told, id: 'e1' });
    expect(known[1]).toMatchObject({ jumper: ['timer.L', 'timer.AG'] });
    expect(known[4]).toEqual({
      kind: 'reading',
      id: 'e5',
      from: lid.from,
      to: lid.to,
      setup: { ...drawnSetup(washer), except: [] },
      shows: { kind: 'ohms', ohms: 0.3 },
      taken: { meter: ORDINARY_METER },
      of: 'unit',
      wiggle: false,
    });
    expect(read([], { diagram: 'top-load-washer' })).toEqual([]);
  });

  it('tells a setup by how it differs from the one that is drawn', () => {
    const [one] = read([
      {
        ...lid,
        set: { lid: 'open' },
        lift: ['lid-switch.A2'],
        byHand: { 'lid-switch': 'closed' },
        wiggle: true,
        of: 'twin',
      },
    ]);
    const drawn = drawnSetup(washer);
    expect(one).toMatchObject({
      of: 'twin',
      wiggle: true,
      setup: {
        ...drawn,
        actuators: { ...drawn.actuators, lid: 'open' },
        lifted: ['lid-switch.A2'],
        byHand: { 'lid-switch': 'closed' },
      },
    });
  });

  it('has what was out, bridged, and read at the free end of a wire', () => {
    const setup = {
      lift: ['lid-switch.A2'],
      out: ['timer-motor'],
      jumpers: [['timer.L', 'timer.SP']],
    };
    const [one] = read([
      { ...lid, ...setup, from: 'lid-switch.A2:wire', to: 'drive.S', shows: '0.2' },
    ]);
    expect(one).toMatchObject({
      from: 'lid-switch.A2:wire',
      setup: { lifted: ['lid-switch.A2'], partsOut: ['timer-motor'], jumpers: setup.jumpers },
    });
  });

  it.each([
    [{ from: 'lid-switch.A2:wire' }, 'from', 'the wire at lid-switch.A2 is on'],
    [{ from: 'cord.G:wire', lift: ['cord.L'] }, 'from', 'the wire at cord.G is on'],
    [{ from: 'lid-switch.Z:wire' }, 'from', 'there is no terminal'],
    [{ out: ['lit'] }, 'out/0', 'there is no part "lit"'],
    [{ jumpers: [['timer.L', 'timer.L']] }, 'jumpers/0', 'two different terminals'],
    [{ jumpers: [['timer.L', 'lid-switch.A2:wire']] }, 'jumpers/0/1', 'is on'],
  ])('refuses %j', (more, path, message) => {
    const faults = refused([{ ...lid, ...more }]);
    expect(faults).toHaveLength(1);
    expect(faults[0]).toContain(`/entries/0/${path}`);
    expect(faults[0]).toContain(message);
  });

  it('has the meter, the range and the leads that were used', () => {
    const [one] = read([
      { ...lid, meter: 'ordinary-manual', range: '200Ω', leads: 1.2, shows: 'OL' },
    ]);
    expect(one).toMatchObject({
      taken: { meter: { id: 'ordinary-manual', leads: { ohms: 1.2 } }, range: '200Ω' },
      shows: { kind: 'over' },
    });
    const [beep] = read([{ ...lid, shows: 'beep' }]);
    expect(beep).toMatchObject({ shows: { kind: 'beep' } });
  });

  it('live is volts after the steps that are set or said', () => {
    const live = { ...lid, power: 'on', shows: '119 V' };
    const [plugged, set, said] = read([
      live,
      { ...live, set: { timer: 'wash', lid: 'open' } },
      { ...live, steps: 'timer=spin,wait=5', set: { timer: 'spin' } },
    ]);
    expect(plugged).toMatchObject({ steps: 'power=on', shows: { kind: 'volts', volts: 119 } });
    expect(plugged).toMatchObject({ setup: poweredSetup(drawnSetup(washer)) });
    expect(set).toMatchObject({
      steps: 'timer=wash,lid=open',
      setup: { actuators: { lid: 'open' } },
    });
    expect(said).toMatchObject({ steps: 'timer=spin,wait=5' });
  });

  it.each<[string, unknown, RegExp]>([
    ['no object', 'OL', /^\/entries\/0: must be an object/],
    ['nothing', null, /^\/entries\/0: must be an object/],
    ['a list', [lid], /^\/entries\/0: must be an object/],
    [
      'no kind',
      { found: true },
      /^\/entries\/0\/kind: "undefined" is not a kind known here: statement, /,
    ],
    ['another kind', { kind: 'stage', stage: 'done' }, /^\/entries\/0\/kind: "stage"/],
    ['an empty id', { ...lid, id: '' }, /^\/entries\/0\/id: must be a text/],
    ['an id that is too long', { ...lid, id: 'x'.repeat(81) }, /^\/entries\/0\/id/],
    ['an id that is a number', { ...lid, id: 3 }, /^\/entries\/0\/id/],
    ['a field that nobody knows', { ...lid, colour: 'red' }, /^\/entries\/0\/colour/],
    ['no display', { ...lid, shows: '' }, /^\/entries\/0\/shows/],
    [
      'a word that is said both ways',
      { ...lid, shows: 'zero reading' },
      /^\/entries\/0\/shows: .*both ends/,
    ],
    [
      'a display that is none',
      { ...lid, shows: 'abc' },
      /^\/entries\/0\/shows: "abc" is not a display/,
    ],
    ['ohms for volts', { ...lid, power: 'on', shows: '0.3' }, /^\/entries\/0\/shows/],
    [
      'a position',
      { ...lid, set: { lid: 'ajar' } },
      /^\/entries\/0\/set\/lid: .*known: closed, open/,
    ],
    ['an actuator', { ...lid, set: { hatch: 'open' } }, /^\/entries\/0\/set\/hatch/],
    ['a wire', { ...lid, lift: ['lid-switch.A2', 'pump.1'] }, /^\/entries\/0\/lift\/1/],
    ['a lever', { ...lid, byHand: { timer: 'boil' } }, /^\/entries\/0\/byHand\/timer/],
    ['a point', { ...lid, from: 'pump.1' }, /^\/entries\/0\/from: there is no part/],
    ['steps', { ...lid, power: 'on', shows: '1 V', steps: 'timer=boil' }, /^\/entries\/0\/steps/],
    ['a meter', { ...lid, meter: 'abacus' }, /^\/entries\/0\/meter/],
    ['a range', { ...lid, range: '7Ω' }, /^\/entries\/0\/range/],
    ['leads', { ...lid, leads: -1 }, /^\/entries\/0\/leads/],
    ['an outcome', { ...told, outcome: 'dances' }, /^\/entries\/0\/outcome/],
    ['a jumper', { ...told, jumper: ['timer.L', 'pump.1'] }, /^\/entries\/0\/jumper\/1/],
    ['a look', { kind: 'look', look: 'smell', found: true }, /^\/entries\/0\/look/],
    ['an act', { kind: 'act', part: 'timer', act: 'kick' }, /^\/entries\/0\/act/],
  ])('is refused whole for %s, with the place', (_what, entry, message) => {
    const faults = refused([entry]);
    expect(faults).toHaveLength(1);
    expect(faults[0]).toMatch(message);
    expect(refused([told, entry])[0]).toContain('/entries/1');
  });

  it('is refused for ids that are given twice, another format, and what is no file', () => {
    expect(
      refused([
        { ...lid, id: 'a' },
        { ...told, id: 'a' },
      ]),
    ).toEqual(['/entries/1/id: the id "a" is given twice']);
    // An id of one's own may be the place of another.
    expect(refused([lid, { ...told, id: 'e1' }])).toHaveLength(1);
    expect(refused([], { format: 'other' })[0]).toMatch(/^\/format/);
    expect(refused([], { version: 2 })[0]).toMatch(/^\/version/);
    expect(refused([], { entries: 'none' })[0]).toMatch(/^\/entries/);
    const text = '{\n  "format": ,\n}';
    const broken = readEvidence(washer, text);
    expect(broken.ok ? '' : broken.error.map(sayInputPlace)).toEqual(['line 2, column 13']);
    const empty = readEvidence(washer, '');
    expect(empty.ok ? '' : empty.error[0]?.message).toMatch(/not JSON/);
  });

  it('finds its place among many entries', () => {
    const many = [...Array(12).fill(told), { ...lid, shows: 'abc' }];
    const text = file(many);
    const evidence = readEvidence(washer, text);
    const [fault] = evidence.ok ? [] : evidence.error;
    expect(fault?.path).toBe('/entries/12/shows');
    expect(text.split('\n')[(fault?.line ?? 0) - 1]).toContain('"abc"');
  });

  it('says line and column of what is wrong', () => {
    const text = file([told, { ...lid, to: 'pump.1' }]);
    const evidence = readEvidence(washer, text);
    const [fault] = evidence.ok ? [] : evidence.error;
    expect(fault?.path).toBe('/entries/1/to');
    const line = text.split('\n')[(fault?.line ?? 0) - 1] ?? '';
    expect(line.slice((fault?.column ?? 1) - 1)).toMatch(/^"pump\.1"/);
    expect(fault && sayInputFault(fault)).toMatch(/^line \d+, column \d+ \(\/entries\/1\/to\): /);
    expect(sayInputPlace({ path: '/a', message: '' })).toBe('/a');
    expect(sayInputPlace({ path: '', message: '' })).toBe('the whole');
    expect(sayInputPlace({ path: '', line: 3, message: '' })).toBe('line 3, column 1');
  });
});
