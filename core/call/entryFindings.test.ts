import { builtIn, LIBRARY } from '../../library/library';
import type { TerminalRef } from '../diagram/diagram';
import { drawnSetup, poweredSetup, type Setup } from '../diagram/setup';
import { UnitPredictor } from '../inference/unitPredictor';
import { beliefState } from '../inference/beliefState';
import { ORDINARY_METER } from '../meter/meter';
import { unitTests } from '../plan/unitTests';
import { LID_READING } from '../simulate/lidReading';
import { findingsInEntry } from './entryFindings';
import { evidenceOf } from './log';
import type { LogEntry, ReadingRecord, Records } from './record';

const washer = builtIn('top-load-washer');
const furnace = builtIn('gas-furnace');
if (!washer || !furnace) throw new Error('no washer, no furnace');
const drawn: Setup = { ...drawnSetup(washer), except: [] };

const good: ReadingRecord = { ...LID_READING, setup: drawn };
const inReading = (more: Partial<ReadingRecord>, setup: Partial<Setup> = {}): string[] =>
  findingsInEntry(washer, {
    kind: 'reading',
    body: { ...good, ...more, setup: { ...drawn, ...setup } },
  }).map(({ path }) => path);
const inBody = <K extends keyof Records>(kind: K, body: Records[K]): string[] =>
  findingsInEntry(washer, { kind, body } as Parameters<typeof findingsInEntry>[1]).map(
    ({ path, message }) => `${path}: ${message}`,
  );

describe('the current of a load beside its diagram', () => {
  const measured = (actuator: string, value: number, steps?: string): string[] =>
    inBody('measurement', { actuator, value, how: 'measured', ...(steps && { steps }) });

  it('is taken of a motor that was brought to run', () => {
    expect(measured('drive', 4.2, 'timer=spin')).toEqual([]);
  });

  it('says what is missing or cannot be', () => {
    expect(measured('drive', 4.2)).toEqual([expect.stringMatching(/steps: .*read live/)]);
    expect(measured('drive', -1, 'timer=spin')).toEqual([expect.stringMatching(/value: /)]);
    expect(measured('lid-switch', 1, 'timer=spin')).toEqual([
      expect.stringMatching(/no quantity, heater or motor "lid-switch"; .*drive/),
    ]);
  });
});

describe('a reading beside its diagram', () => {
  it('is taken when everything in it is there', () => {
    expect(inReading({})).toEqual([]);
    expect(inReading({ part: 'w5', from: 'timer.MT', to: 'lid-switch.B1' })).toEqual([]);
    const whole: Partial<Setup> = {
      byHand: { 'lid-switch': 'open' },
      lifted: ['lid-switch.A2'],
      partsOut: ['timer'],
      jumpers: [['timer.L', 'timer.SP']],
      except: ['cord'],
    };
    expect(inReading({}, whole)).toEqual([]);
  });

  it.each<[string, Partial<ReadingRecord>, Partial<Setup>, string]>([
    ['a part', { part: 'nothing' }, {}, '/body/part'],
    ['a point', { from: 'lid-switch.Z' }, {}, '/body/from'],
    ['the other point', { to: 'nothing.A' }, {}, '/body/to'],
    ['two points', { to: 'lid-switch.A1' }, {}, '/body/to'],
    ['steps', { steps: 'timer=boil' }, {}, '/body/steps'],
    ['a supply', {}, { except: ['gas'] }, '/body/setup/except/0'],
    ['an actuator', {}, { actuators: { hatch: 'open' } }, '/body/setup/actuators/hatch'],
    ['a position', {}, { actuators: { lid: 'ajar' } }, '/body/setup/actuators/lid'],
    [
      'a position, not a value',
      {},
      { actuators: { lid: { value: 3 } } },
      '/body/setup/actuators/lid',
    ],
    ['a switch in hand', {}, { byHand: { drive: 'open' } }, '/body/setup/byHand/drive'],
    [
      'where a hand holds it',
      {},
      { byHand: { 'lid-switch': 'up' } },
      '/body/setup/byHand/lid-switch',
    ],
    ['a lifted wire', {}, { lifted: ['timer.L', 'timer.Q'] }, '/body/setup/lifted/1'],
    ['a part on the bench', {}, { partsOut: ['pump'] }, '/body/setup/partsOut/0'],
    ['a jumper', {}, { jumpers: [['timer.L', 'nowhere.9']] }, '/body/setup/jumpers/0/1'],
    ['both ends of a jumper', {}, { jumpers: [['timer.L', 'timer.L']] }, '/body/setup/jumpers/0'],
    ['a meter', { meter: 'abacus' }, {}, '/body/meter'],
    ['a range', { meter: 'ordinary-manual', range: '7Ω' }, {}, '/body/range'],
    ['a display', { said: 'zero reading' }, {}, '/body/said'],
    ['a display of ohms', { said: '24 V' }, {}, '/body/said'],
    ['dead, for ohms', {}, { power: 'on' }, '/body/setup/power'],
    ['known to be dead, for ohms', {}, { power: 'unknown' }, '/body/setup/power'],
    [
      'dead, for the beeper',
      { function: 'beeper', said: 'beep' },
      { power: 'on' },
      '/body/setup/power',
    ],
    ['fed, for volts', { function: 'volt', said: '0 V' }, {}, '/body/setup/power'],
    ['volts, for volts', { function: 'volt', said: '0.3' }, { power: 'on' }, '/body/said'],
  ])('is refused without %s', (_what, more, setup, path) => {
    expect(inReading(more, setup)).toEqual([path]);
  });

  it('takes volts under power, and from a pilot that burns on while the plug is out', () => {
    expect(inReading({ function: 'volt', said: '119 V' }, poweredSetup(drawn))).toEqual([]);
    expect(inReading({ function: 'volt', said: '0 V' }, { except: ['cord'] })).toEqual([]);
  });

  it('takes a quantity by its value and the side it came from, or by the side alone', () => {
    const id = furnace.actuators.find((each) => each.kind === 'quantity')?.id ?? '';
    const at = (state: unknown): string[] =>
      findingsInEntry(furnace, {
        kind: 'reading',
        body: {
          ...good,
          part: 'limit',
          from: 'limit.a',
          to: 'limit.b',
          setup: {
            ...drawnSetup(furnace),
            except: [],
            actuators: { [id]: state } as Setup['actuators'],
          },
        },
      }).map(({ path }) => path);
    for (const right of [
      { value: 70 },
      { value: 70, cameFrom: 'above' },
      { value: 70, cameFrom: 'below' },
      'above',
      'below',
    ])
      expect(at(right)).toEqual([]);
    for (const wrong of ['hot', { value: NaN }, { value: 70, cameFrom: 'left' }, { value: 'x' }])
      expect(at(wrong)).toEqual([`/body/setup/actuators/${id}`]);
  });
});

describe('other entries beside their diagram', () => {
  const told = { source: 'told', steps: 'timer=wash', subject: 'drive', outcome: 'hums' } as const;

  it('take only what can be noticed of a part', () => {
    expect(inBody('statement', told)).toEqual([]);
    expect(inBody('statement', { ...told, subject: 'cord', outcome: 'opens' })).toEqual([]);
    const seconds = { on: 5, off: 25 };
    expect(inBody('statement', { ...told, seconds })).toEqual([]);
    expect(inBody('statement', { ...told, seconds: { on: 0, off: 0 } })).toEqual([
      expect.stringMatching(/^\/body\/seconds/),
    ]);
    expect(inBody('statement', { ...told, outcome: 'dances' })).toEqual([
      expect.stringMatching(/^\/body\/outcome: "dances" is not seen of drive; known: runs, weak/),
    ]);
    expect(inBody('statement', { ...told, subject: 'cord' })).toHaveLength(1);
    expect(inBody('statement', { ...told, subject: 'lid-switch' })).toHaveLength(1);
    expect(inBody('statement', { ...told, subject: 'pump' })).toEqual([
      '/body/subject: there is no part "pump"',
    ]);
    expect(inBody('statement', { ...told, steps: 'timer=boil' })[0]).toMatch(/^\/body\/steps/);
    expect(inBody('statement', { ...told, jumper: ['timer.L', 'x.y'] })[0]).toMatch(
      /^\/body\/jumper\/1/,
    );
    const board = furnace.parts.find((part) => part.kind === 'board' && part.logic);
    if (board?.kind !== 'board' || !board.logic) throw new Error('no board');
    const says = (outcome: string): number =>
      findingsInEntry(furnace, {
        kind: 'statement',
        body: { ...told, steps: 'thermostat=heat', subject: board.id, outcome },
      }).length;
    expect(says(`says ${board.logic.states[0].says}`)).toBe(0);
    expect(says('says hello')).toBe(1);
  });

  it('take looks, parts and switches that are there', () => {
    expect(inBody('look', { look: 'click', found: true })).toEqual([]);
    expect(inBody('look', { look: 'smell', found: true })[0]).toMatch(/known: click/);
    expect(inBody('act', { part: 'w5', act: 'reseat' })).toEqual([]);
    expect(inBody('act', { part: 'pump', act: 'tap' })).toHaveLength(1);
    expect(inBody('acknowledged', { what: 'made-safe' })).toEqual([]);
    expect(inBody('acknowledged', { what: 'wires-off', part: 'timer' })).toEqual([]);
    expect(inBody('acknowledged', { what: 'wires-off' })[0]).toMatch(/^\/body\/part/);
    expect(inBody('acknowledged', { what: 'wires-off', part: 'pump' })).toHaveLength(1);
    const jumper: [TerminalRef, TerminalRef] = ['timer.L', 'timer.SP'];
    expect(inBody('acknowledged', { what: 'jumper-on', jumper })).toEqual([]);
    expect(inBody('acknowledged', { what: 'jumper-off' })).toEqual([]);
    expect(inBody('acknowledged', { what: 'jumper-on' })[0]).toMatch(/^\/body\/jumper/);
    expect(
      inBody('acknowledged', { what: 'jumper-on', jumper: ['timer.L', 'timer.ZZ'] })[0],
    ).toMatch(/^\/body\/jumper\/1/);
    expect(inBody('act', { part: 'timer-motor', act: 'replace' })).toEqual([]);
    expect(inBody('sight', { part: 'timer', sight: 'burnt' })).toEqual([]);
    expect(inBody('sight', { part: 'pump', sight: 'burnt' })).toHaveLength(1);
    expect(inBody('correction', { model: 'W-45' })).toEqual([]);
    expect(inBody('correction', {})).toHaveLength(1);
    expect(inBody('refusal', { why: 'no-helper', of: [] })).toEqual([]);
    expect(inBody('refusal', { why: 'no-time', of: [] })[0]).toMatch(/^\/body\/of/);
    expect(inBody('refusal', { why: 'no-terminal', of: ['timer.SP'] })).toEqual([]);
    expect(inBody('refusal', { why: 'no-terminal', of: ['timer.ZZ'] })[0]).toMatch(
      /^\/body\/of\/0/,
    );
    expect(inBody('doubt', { names: 'a', reason: 'b' })).toEqual([]);
    // A quantity is put right as a part is, and a control that stands in positions is not.
    const quantity = furnace.actuators.find(({ kind }) => kind === 'quantity')?.id ?? '';
    const put = (part: string) =>
      findingsInEntry(furnace, { kind: 'act', body: { part, act: 'adjust' } }).length;
    expect([put(quantity), put('nothing')]).toEqual([0, 1]);
    expect(inBody('act', { part: 'lid', act: 'adjust' })).toHaveLength(1);
    expect(inBody('stage', { stage: 'done' })).toEqual([]);
  });
});

it('takes every test that the planner asks for, on every built-in diagram', () => {
  for (const diagram of LIBRARY)
    // Every ninth of them: they are alike but for their points.
    for (const [i, test] of unitTests(diagram).entries()) {
      if (test.kind !== 'ohm' || i % 9) continue;
      const { from, to, setup, wiggle } = test;
      const part = diagram.parts.find((each) => from.startsWith(`${each.id}.`))?.id;
      const body = { ...good, part: part ?? diagram.wires[0]?.id ?? '', from, to, setup, wiggle };
      expect(findingsInEntry(diagram, { kind: 'reading', body })).toEqual([]);
    }
});

it('says what would be right', () => {
  const say = (more: Partial<ReadingRecord>, setup: Partial<Setup> = {}): string => {
    const body = { ...good, ...more, setup: { ...drawn, ...setup } };
    const [first, ...others] = findingsInEntry(washer, { kind: 'reading', body });
    expect(others).toEqual([]);
    expect(first?.severity).toBe('error');
    return first?.message ?? '';
  };
  expect(say({ part: 'pump' })).toBe('there is no part "pump"');
  expect(say({}, { except: ['gas'] })).toBe('there is no supply "gas"; known: cord');
  expect(say({}, { actuators: { hatch: 'open' } })).toBe(
    'there is no actuator "hatch"; known: lid, timer',
  );
  expect(say({}, { actuators: { lid: 'ajar' } })).toBe(
    '"ajar" is not a position; known: closed, open',
  );
  expect(say({}, { actuators: { lid: { value: 3 } } })).toBe(
    '"a value" is not a position; known: closed, open',
  );
  expect(say({}, { byHand: { 'lid-switch': 'up' } })).toBe(
    '"up" is not a position; known: closed, open',
  );
  expect(say({}, { partsOut: ['pump'] })).toBe('there is no part "pump"');
  expect(say({}, { jumpers: [['timer.L', 'timer.L']] })).toMatch(/two different terminals/);
  expect(say({ to: 'lid-switch.A1' })).toMatch(/two different points/);
  expect(say({ said: 'zero reading' })).toMatch(/"zero reading" is not a display/);
  expect(say({ meter: 'abacus' })).toBe(
    'there is no meter "abacus"; known: ordinary-auto, ordinary-manual',
  );
  expect(say({ range: '7Ω' })).toMatch(/no range "7Ω"; known: 600Ω, 6kΩ/);
  // A beep has no range: what was noted beside it does no harm.
  expect(inReading({ function: 'beeper', said: 'beep', range: '7Ω' })).toEqual([]);
  expect(say({}, { power: 'on' })).toMatch(/live it is volts/);
  expect(say({ function: 'volt', said: '0 V' })).toMatch(/something feeding/);
  const plain = { ...washer, looks: undefined };
  const [look] = findingsInEntry(plain, { kind: 'look', body: { look: 'x', found: true } });
  expect(look?.message).toBe('there is no look "x"; known: none');
  // One of two supplies is enough for volts.
  const two = {
    ...washer,
    supplies: [...washer.supplies, { ...washer.supplies[0], id: 'b' }],
  } as typeof washer;
  const fed: ReadingRecord = {
    ...good,
    function: 'volt',
    said: '24 V',
    setup: { ...drawn, except: ['cord'] },
  };
  expect(findingsInEntry(two, { kind: 'reading', body: fed })).toEqual([]);
});

it('lets no stored entry stop a call, whatever is in it', () => {
  const setups = [
    { jumpers: [['nowhere.1', 'nowhere.2']] },
    { lifted: ['nowhere.1'] },
    { actuators: { lid: 7 } },
    { byHand: { nothing: 'x' } },
    { power: 'on' },
    { jumpers: undefined },
    { lifted: 'timer.L' },
    { byHand: null },
    { jumpers: ['timer.L'] },
  ] as unknown as Partial<Setup>[];
  for (const setup of setups.slice(5)) {
    const [found] = findingsInEntry(washer, {
      kind: 'reading',
      body: { ...good, setup: { ...drawn, ...setup } },
    });
    expect(found).toMatchObject({
      path: '/body/setup',
      message: expect.stringMatching(/everything that must be true/),
    });
  }
  const log = setups.map((setup, i): LogEntry => ({
    id: `${i}`,
    kind: 'reading',
    phoneAt: '',
    body: { ...good, setup: { ...drawn, ...setup } },
  }));
  const { evidence, setAside } = evidenceOf(washer, log);
  expect(setAside).toHaveLength(log.length);
  expect(() => beliefState(new UnitPredictor(washer, ORDINARY_METER), evidence)).not.toThrow();
});
