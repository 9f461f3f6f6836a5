import { readEntries, readEntry } from './entry';

describe('entries of every kind', () => {
  const ID = '00000000-0000-4000-8000-000000000001';
  const envelope = { callId: ID, phoneAt: '2026-11-24T08:00:00Z' };
  const setup = {
    power: 'off',
    except: [],
    actuators: { door: 'open' },
    byHand: {},
    lifted: ['a.1'],
    partsOut: [],
    jumpers: [['a.1', 'b.2']],
  };
  const bodies: Record<string, [body: object, wrong: [object, string][]]> = {
    reading: [
      {
        part: 'a',
        from: 'a.1',
        to: 'a.2',
        setup,
        wiggle: false,
        lookedAgain: false,
        function: 'ohm',
        meter: 'm',
        leadOhms: 0.2,
        said: '0.3',
        supersedes: [ID],
      },
      [
        [{ from: 'a' }, '/body/from'],
        [{ function: 'amps' }, '/body/function'],
        [{ leadOhms: 21 }, '/body/leadOhms'],
        [{ leadOhms: -1 }, '/body/leadOhms'],
        [{ said: '' }, '/body/said'],
        [{ supersedes: ['x'] }, '/body/supersedes'],
        [{ setup: { ...setup, lifted: ['a'] } }, '/body/setup/lifted'],
        [{ setup: { ...setup, power: 'maybe' } }, '/body/setup/power'],
        [{ setup: { ...setup, jumpers: ['a'] } }, '/body/setup/jumpers'],
        [{ of: 'sibling' }, '/body/of'],
        [{ wiggle: 'yes' }, '/body/wiggle'],
      ],
    ],
    doubt: [
      { names: ID, reason: 'undone' },
      [
        [{ names: 'a' }, '/body/names'],
        [{ reason: '' }, '/body/reason'],
      ],
    ],
    acknowledged: [
      { what: 'meter-proved', leadOhms: 0.2 },
      [
        [{ what: 'slept' }, '/body/what'],
        [{ leadOhms: 99 }, '/body/leadOhms'],
        [{ jumper: ['a.1'] }, '/body/jumper'],
        [{ jumper: ['a.1', 'b'] }, '/body/jumper'],
      ],
    ],
    stage: [{ stage: 'done' }, [[{ stage: 'lost' }, '/body/stage']]],
    diagram: [{ version: 2, reason: 'table' }, [[{ version: 0 }, '/body/version']]],
    statement: [
      { source: 'seen', steps: 'a=b', subject: 'c', outcome: 'off', jumper: ['a.1', 'b.2'] },
      [
        [{ source: 'dreamt' }, '/body/source'],
        [{ jumper: ['a.1'] }, '/body/jumper'],
        [{ jumper: ['a.1', 'b'] }, '/body/jumper'],
        [{ steps: '' }, '/body/steps'],
      ],
    ],
    look: [
      { look: 'click', found: false },
      [
        [{ found: 1 }, '/body/found'],
        [{ look: '' }, '/body/look'],
      ],
    ],
    sight: [
      { part: 'a', sight: 'burnt' },
      [
        [{ sight: 'ugly' }, '/body/sight'],
        [{ part: '' }, '/body/part'],
      ],
    ],
    refusal: [
      { why: 'no-tool', of: ['rear'] },
      [
        [{ why: 'tired' }, '/body/why'],
        [{ of: [''] }, '/body/of'],
      ],
    ],
    correction: [
      { model: 'W-45', place: 'Cellar' },
      [
        [{ model: '' }, '/body/model'],
        [{ make: 'x'.repeat(81) }, '/body/make'],
      ],
    ],
    act: [
      { part: 'a', act: 'tap' },
      [
        [{ act: 'kick' }, '/body/act'],
        [{ part: '' }, '/body/part'],
      ],
    ],
    measurement: [
      { actuator: 'box', value: 70, how: 'felt', felt: 'hot', steps: 'knob=on' },
      [
        [{ value: '70' }, '/body/value'],
        [{ value: 100_001 }, '/body/value'],
        [{ how: 'guessed' }, '/body/how'],
        [{ felt: 'lukewarm' }, '/body/felt'],
      ],
    ],
    opened: [
      { what: 'tube', of: 'air tube' },
      [
        // A cause is no thing that is opened by hand.
        [{ what: 'cause' }, '/body/what'],
        [{ of: '' }, '/body/of'],
      ],
    ],
    closed: [
      { line: 'wire a.1', how: 'left', words: 'a new one is ordered' },
      [
        [{ words: undefined }, '/body/words'],
        [{ words: '' }, '/body/words'],
        [{ how: 'lost' }, '/body/how'],
        [{ how: 'back', words: '' }, '/body/words'],
      ],
    ],
    'wire-map': [
      { part: 'a', wires: [{ at: 'a.1', colour: 'BK' }], keyed: false },
      [
        [{ wires: [{ at: 'a', colour: 'BK' }] }, '/body/wires/0/at'],
        [{ wires: [{ at: 'a.1', colour: '' }] }, '/body/wires/0/colour'],
        [{ wires: 'a.1' }, '/body/wires'],
        [{ keyed: 'yes' }, '/body/keyed'],
      ],
    ],
    cause: [
      { part: 'a', cause: 'lint', outcome: 'refused', words: 'behind a wall' },
      [
        [{ words: undefined }, '/body/words'],
        [{ outcome: 'maybe' }, '/body/outcome'],
        [{ cause: '' }, '/body/cause'],
      ],
    ],
    found: [
      {
        part: 'a',
        name: 'Lid switch',
        mode: 'stuck-open',
        says: 'stuck open',
        chance: 1,
        by: 'unit',
      },
      [
        [{ chance: 1.01 }, '/body/chance'],
        [{ chance: -0.1 }, '/body/chance'],
        [{ mode: 'sad' }, '/body/mode'],
        [{ says: '' }, '/body/says'],
        [{ by: 'neighbour' }, '/body/by'],
        [{ part: '' }, '/body/part'],
      ],
    ],
    order: [
      { actuator: 'door', way: 'closing', events: [{ part: 'a', contact: 'COM-NO' }] },
      [
        [{ events: [] }, '/body/events'],
        [{ events: [{ part: 'a' }] }, '/body/events/0/contact'],
        [{ way: 'slamming' }, '/body/way'],
      ],
    ],
    fit: [
      { part: 'a', words: 'from the van', used: true, amps: 16, rising: -4, lever: 'proved' },
      [
        [{ words: '' }, '/body/words'],
        [{ used: undefined }, '/body/used'],
        [{ amps: -1 }, '/body/amps'],
        [{ lever: 'alike' }, '/body/lever'],
        [{ reset: 'never' }, '/body/reset'],
      ],
    ],
    checked: [
      { check: 'safety', of: 'door', outcome: 'not-done', words: 'no power in the house' },
      [
        [{ words: undefined }, '/body/words'],
        [{ outcome: 'fine' }, '/body/outcome'],
        [{ check: 'karma' }, '/body/check'],
        [{ grade: 'looked' }, '/body/grade'],
        [{ value: 'three' }, '/body/value'],
      ],
    ],
    decision: [
      {
        part: 'a',
        option: 'replace',
        along: ['b'],
        partPrice: 40,
        comesBack: 0.1,
        expected: { customer: 120, shop: 80 },
        declined: ['both at once'],
      },
      [
        [{ option: 'pray' }, '/body/option'],
        [{ comesBack: 2 }, '/body/comesBack'],
        [{ expected: { customer: 120 } }, '/body/expected/shop'],
        [{ along: [3] }, '/body/along'],
        [{ declined: [''] }, '/body/declined'],
        [{ partPrice: -1 }, '/body/partPrice'],
      ],
    ],
    'put-right': [
      { by: 'other', part: 'b', name: 'Timer' },
      [
        [{ part: undefined }, '/body/part'],
        [{ by: 'luck' }, '/body/by'],
        [{ by: 'nothing', part: '' }, '/body/part'],
      ],
    ],
  };

  it.each(Object.keys(bodies))('%s is taken as it is, and refused with the place', (kind) => {
    const [body, wrong] = bodies[kind] ?? [{}, []];
    const taken = readEntry({ ...envelope, kind, body });
    expect(taken.ok && JSON.parse(JSON.stringify(taken.value))).toEqual({
      ...envelope,
      kind,
      body,
    });
    for (const [change, path] of wrong) {
      const refused = readEntry({ ...envelope, kind, body: { ...body, ...change } });
      const paths = refused.ok ? [] : refused.error.map((each) => each.path);
      expect([change, ...new Set(paths)]).toEqual([change, path]);
    }
    const more = readEntry({ ...envelope, kind, body: { ...body, colour: 'red' } });
    expect(more).toMatchObject({ ok: false, error: [{ path: '/body/colour' }] });
    expect(readEntry({ ...envelope, kind, body, colour: 'red' })).toMatchObject({ ok: false });
    expect(readEntry({ ...envelope, callId: 'x', kind, body })).toMatchObject({
      error: [{ path: '/callId' }],
    });
    expect(readEntry({ ...envelope, phoneAt: 'noon', kind, body })).toMatchObject({
      error: [{ path: '/phoneAt' }],
    });
    expect(readEntry({ ...envelope, kind, body: [] })).toMatchObject({ ok: false });
    for (const none of [null, [], 'text', 3])
      expect(readEntry(none)).toEqual({
        ok: false,
        error: [{ path: '', message: 'must be an object' }],
      });
  });
});

it('refuses an entry whose body is not that of its kind', () => {
  const entry = {
    callId: '00000000-0000-4000-8000-000000000001',
    kind: 'stage',
    phoneAt: '2026-11-24T08:00:00Z',
    body: { stage: 'lost' },
  };
  expect(readEntry(entry)).toMatchObject({ ok: false, error: [{ path: '/body/stage' }] });
  expect(readEntry({ ...entry, kind: 'rumour' })).toMatchObject({
    ok: false,
    error: [{ path: '/kind' }],
  });
  expect(readEntry('nothing')).toMatchObject({ ok: false });
});

it('refuses what lies beside an entry in a list with its place, whatever it is called', () => {
  const id = '4ba2a9d7-2f0b-467d-b8d6-8f7bec7d18ce';
  for (const beside of [
    { constructor: {} },
    { constructor: { prototype: {} } },
    [{ constructor: 1 }],
  ])
    expect(readEntries({ entries: [{ id, entry: {}, beside }] })).toMatchObject({
      ok: false,
      error: [{ path: expect.stringMatching(/^\/entries\/0\/beside/) }],
    });
});
