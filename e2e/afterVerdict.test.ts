import type { CallDetail } from '../contract/call';
import { evidenceOf } from '../core/call/log';
import { drawnSetup } from '../core/diagram/setup';
import { LID_READING } from '../core/simulate/lidReading';
import { builtIn } from '../library/library';
import { type Browser, PHONE, SERVER_AWAY } from './browser';
import { FaultyUnit, thumb, WATCH_STALLS } from './faultyUnit';
import { inTurn } from '../tools/inTurn';
import { callWith, reportText, type Line } from './workedCall';
import { Yarrix } from './yarrix';
import { preparedUnit } from '../tools/preparations/preparedUnit';

jest.setTimeout(180_000);

let yarrix: Yarrix;
let page: Browser;
beforeAll(async () => {
  yarrix = await Yarrix.fresh();
  page = await yarrix.browser(PHONE);
});
afterAll(async () => {
  expect(await page.close(SERVER_AWAY)).toEqual([]);
  await yarrix.end();
});

const detail = (id: string): Promise<CallDetail> => yarrix.get<CallDetail>(`/calls/${id}`);

const washer = builtIn('top-load-washer');
if (!washer) throw new Error('no washer');
const lid = (said: string, lidState: 'open' | 'closed', wires: 'on' | 'off' = 'off'): Line => [
  'reading',
  {
    ...LID_READING,
    said,
    setup: {
      ...drawnSetup(washer),
      actuators: { ...drawnSetup(washer).actuators, lid: lidState },
      lifted: wires === 'off' ? ['lid-switch.A1'] : [],
    },
  },
];

describe('after the verdict', () => {
  it('decides by the sum, refuses to finish with a jumper left on, and reports what was done', async () => {
    const call = await callWith(yarrix, 'top-load-washer', 'Does not spin', [
      ['statement', { source: 'told', steps: 'timer=spin', subject: 'drive', outcome: 'off' }],
      ['acknowledged', { what: 'made-safe' }],
      ['acknowledged', { what: 'jumper-on', jumper: ['lid-switch.A1', 'lid-switch.A2'] }],
      lid('OL', 'closed'),
      lid('OL', 'open'),
      [
        'found',
        {
          part: 'lid-switch',
          name: 'Lid switch',
          mode: 'stuck-open',
          says: 'stuck open (A)',
          chance: 0.97,
          by: 'unit',
        },
      ],
    ]);
    await page.driver.get(`${yarrix.address}/call/${call}`);
    await page.says('step-complaint', /Complaint.*done/s);
    await page.says('work', /Lid switch: stuck open/);
    await page.press('step-decided');
    await page.says('cost-replace', /About \$\d+ for the customer/);
    await page.press('open-sum-replace');
    await page.fill('partPrice-replace', '31.5');
    await page.press('take-replace');
    await page.fill('choice-words', 'Mend it, and nothing else');
    await page.press('decide-keep');
    await page.says('state-decided', /done/);

    // Something is forgotten: it is refused, and said where to tap.
    await page.press('finish');
    await page.says('not-finished', /Jumper A1 to A2 of Lid switch: on/);
    expect((await detail(call)).stage).toBe('open');
    await page.press('to-ledger');
    await page.press('back-jumper lid-switch.A1 lid-switch.A2');
    await page.says('ledger-closed', /Jumper A1 to A2 of Lid switch: taken off/);
    await page.press('back-wire lid-switch.A1');
    await page.press('leave-panel cabinet');
    await page.press('leave-keep');
    await page.says('leave-words-fault', /in a few words/);
    await page.fill('leave-words', 'one clip broken, ordered');
    await page.press('leave-keep');
    await page.press('back-supply cord');
    await page.find('ledger-empty');
    await page.press('back');
    await page.press('finish');
    await page.says('stage', /Done/);
    await page.gone('waiting');
    expect((await detail(call)).stage).toBe('done');

    // What is handed over says all of it, in words that a customer reads.
    await page.press('report');
    await page.says('report-page', /Lid switch: stuck open[^]*one clip broken/);
    const text = await reportText(yarrix, call);
    for (const words of [
      /Lid switch: stuck open/,
      /Parts about \$31\.50/,
      /Mend it, and nothing else/,
      /one clip broken, ordered/,
      /OL .*not so/,
    ])
      expect(text).toMatch(words);
    await page.driver.get(yarrix.address);
    await page.press('show-all');
    await page.says(`call-${call}`, /Lid switch: stuck open/);
  });

  inTurn(4)(
    'does not let a manual reset pass without its cause, and alarms at a second protector',
    async () => {
      const heater = builtIn('electric-water-heater');
      const reset = heater?.parts.find((each) => each.kind === 'switch' && each.reset === 'manual');
      if (!reset) throw new Error('no manual reset');
      const call = await callWith(yarrix, 'electric-water-heater', 'No hot water', [
        ['act', { part: reset.id, act: 'reset' }],
      ]);
      await page.driver.get(`${yarrix.address}/call/${call}`);
      await page.press('finish');
      await page.says('not-finished', /What made it fail/);
      await page.press('to-ledger');
      await page.press('cause-refused-0');
      await page.press('refuse-cause-cancel');
      await page.press('cause-found-0');
      await page.says(`cause-${reset.id}`, /settled/);
      await page.press('back');
      await page.press('finish');
      await page.says('stage', /Done/);
      await page.gone('waiting');

      const protectors = (builtIn('electric-dryer')?.parts ?? []).filter(
        ({ kind }) => kind === 'protector',
      );
      const twice = await callWith(
        yarrix,
        'electric-dryer',
        'Stays cold',
        protectors.slice(0, 2).map(({ id }): Line => ['act', { part: id, act: 'replace' }]),
      );
      await page.driver.get(`${yarrix.address}/call/${twice}/ledger`);
      await page.says('second-protector', /A second protector/);
    },
  );

  inTurn(4)('does not let a used part in that reads bad on the bench', async () => {
    const call = await callWith(yarrix, 'coil-burner', 'Burner stays cold', [
      [
        'found',
        { part: 'infinite', mode: 'stuck-open', says: 'stuck open (H1)', chance: 0.9, by: 'unit' },
      ],
    ]);
    await page.driver.get(`${yarrix.address}/call/${call}/decide`);
    await page.says('option-salvaged', /proved on the bench before it goes in/);
    expect(await page.has('take-salvaged')).toBe(false);
    await page.press('prove-bench');
    // Nothing feeds it on the bench: the meter alone is proved.
    await page.press('meter-proved');
    await page.says('next-position', /^As with/);
    for (let readings = 0; readings < 8 && !(await page.has('not-fitted')); readings++) {
      await page.press('key-over');
      await page.text('meaning');
    }
    await page.find('not-fitted');
    expect(await page.has('decide-switch')).toBe(false);
    await page.press('back');
    await page.says('option-salvaged', /The used part is bad/);
    // What was read on the bench says nothing of the unit.
    await page.gone('waiting');
    const { entries } = await detail(call);
    const bench = entries.filter((each) => each.kind === 'reading' && each.body.of === 'bench');
    expect(bench.length).toBeGreaterThan(1);
    await page.driver.get(`${yarrix.address}/call/${call}`);
    await page.says('standing-infinite', /Not read/);
    await page.says('step-closed', /Nothing is left open/);
  });

  inTurn(4)('leads on to the second fault when a repair did not help', async () => {
    const burner = builtIn('coil-burner');
    if (!burner) throw new Error('no burner');
    const off = { steps: 'knob=high,wait=60', subject: 'coil', outcome: 'off' } as const;
    const coil = (): Line => [
      'reading',
      {
        part: 'coil',
        from: 'coil.a',
        to: 'coil.b',
        function: 'ohm',
        setup: { ...drawnSetup(burner), lifted: ['coil.a'] },
        said: 'OL',
        meter: 'ordinary-auto',
        leadOhms: 0.1,
        wiggle: false,
        lookedAgain: false,
        supersedes: [],
      },
    ];
    const call = await callWith(yarrix, 'coil-burner', 'Burner stays cold', [
      ['statement', { source: 'seen', ...off }],
      coil(),
      coil(),
      ['found', { part: 'coil', mode: 'open', says: 'open', chance: 0.98, by: 'unit' }],
      ['decision', { part: 'coil', option: 'replace', along: [], declined: [] }],
      ['act', { part: 'coil', act: 'replace' }],
    ]);
    await page.driver.get(`${yarrix.address}/call/${call}/work`);
    await page.says('repair-standing', /Half proved/);
    for (const id of ['tell-more', 'source-seen', `moment-${off.steps}`, `subject-${off.subject}`])
      await page.press(id);
    await page.driver.executeScript(WATCH_STALLS);
    await page.press('outcome-off');
    await page.says('repair-standing', /Still there: look elsewhere/);
    await page.gone('waiting');
    // The new element is good; the switch never fed it, as the next readings show.
    const unit = new FaultyUnit('infinite.L1-H1:stuck-open', preparedUnit(burner));
    const { diagram, entries } = await detail(call);
    unit.evidence.push(...evidenceOf(diagram, entries).evidence);
    await unit.work(page, thumb(page));
    await page.says('unit-verdict', /Infinite switch/);
    await page.press('decide-unit');
    await page.says('found', /Infinite switch/);
    await page.driver.get(`${yarrix.address}/call/${call}`);
    await page.says('work', /Infinite switch[^]*stuck open/);
    await page.says('state-proved', /look elsewhere/);
  });

  inTurn(4)(
    'asks what it was in the end, and counts that for the next call on such a unit',
    async () => {
      const first = await callWith(yarrix, 'dehumidifier', 'Does not start', [
        ['found', { part: 'float-switch', says: 'stuck open', chance: 0.9, by: 'unit' }],
      ]);
      await page.driver.get(`${yarrix.address}/call/${first}`);
      await page.press('finish');
      await page.says('put-right', /Was it that\?/);
      await page.press('put-right-found');
      await page.says('put-right', /it was what was found/);
      await page.says('stage', /Done/);
      await page.gone('waiting');
      const next = await callWith(yarrix, 'dehumidifier', 'Stays off', []);
      await page.driver.get(`${yarrix.address}/call/${next}`);
      await page.says('share-float-switch', /diagram \d+ in 100[^]*with yours \d+ in 100 \(1\)/);
      await page.driver.get(`${yarrix.address}/call/${next}/work?pane=suspects`);
      await page.says('counts-found', /in 1 finished call/);
      await page.driver.get(`${yarrix.address}/call/${next}`);
      await page.press('shop-priors');
      await page.driver.get(`${yarrix.address}/call/${next}/work?pane=suspects`);
      await page.find('suspects');
      expect(await page.has('counts-found')).toBe(false);
    },
  );

  inTurn(4)('reckons with the numbers of the call', async () => {
    const call = await callWith(yarrix, 'coil-burner', 'Burner is slow', []);
    await page.driver.get(`${yarrix.address}/call/${call}`);
    await page.press('figures-coil-element');
    const watts = Number(await (await page.find('in-watts')).getAttribute('value'));
    expect(watts).toBeGreaterThan(0);
    await page.fill('in-volts', '208');
    await page.says('answer', /75 % of its plate/);
    await page.fill('in-volts', 'many');
    await page.says('in-volts-fault', /A number/);
    await page.press('calc-limit-marking');
    await page.fill('in-marking', 'L140-20');
    await page.says('answer', /140 °F, 60 °C[^]*120 °F/);
    await page.press('back');
    await page.find('course');
  });
});
