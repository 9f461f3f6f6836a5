import type { CallSummary } from '../contract/call';
import { ohmReading } from '../core/circuit/ohmReading';
import type { Evidence } from '../core/diagnose/evidence';
import { UnitPredictor } from '../core/diagnose/unitPredictor';
import { unitState } from '../core/diagnose/unitState';
import { parseFault } from '../core/fault/parseFault';
import { ORDINARY_METER, showOhms } from '../core/meter/meter';
import { UnitPlanner } from '../core/plan/nextTest';
import { builtIn } from '../library/library';
import { Browser, PHONE } from './browser';
import { Yarrix } from './yarrix';

jest.setTimeout(180_000);

const SERVER_AWAY = /\/api\/|ERR_CONNECTION_REFUSED|sw\.js/;

let yarrix: Yarrix;
let page: Browser;
beforeAll(async () => {
  yarrix = await Yarrix.fresh();
  page = await Browser.open(PHONE);
});
afterAll(async () => {
  expect(await page.close(SERVER_AWAY)).toEqual([]);
  await yarrix.end();
});

it('goes from a complaint to the part, the server away in the middle, and keeps it all', async () => {
  const washer = builtIn('top-load-washer');
  const truth = washer && parseFault(washer, 'lid-switch.B:stuck-open');
  if (!washer || !truth?.ok) throw new Error('no washer');
  const planner = new UnitPlanner(new UnitPredictor(washer, ORDINARY_METER));
  const hypothesis = planner.predictor.hypotheses.findIndex(({ faults: [fault] }) =>
    truth.value.some((each) => JSON.stringify(each) === JSON.stringify(fault)),
  );

  await page.driver.get(yarrix.address);
  await page.press('new-call');
  await page.fill('field-complaint', 'Stands full of water; the timer does not move');
  await page.fill('field-make', 'Marrowby');
  await page.fill('field-model', 'W-44');
  await page.fill('field-place', 'Test attic');
  await page.press('diagram-top-load-washer');
  await page.press('open-call');
  await page.press('work');
  await page.press('moment-timer=wash,wait=30');
  await page.press('subject-timer-motor');
  await page.press('outcome-off');
  const evidence: Evidence[] = [
    {
      kind: 'statement',
      id: 'told',
      source: 'seen',
      steps: 'timer=wash,wait=30',
      subject: 'timer-motor',
      outcome: 'off',
    },
  ];

  // The page is told what a unit with this fault shows, test by test, until it names a part.
  for (let taken = 0; taken < 15; taken++) {
    const { tests } = planner.advise(unitState(planner.predictor, evidence), evidence);
    const test = tests[0]?.test;
    if (!test) break;
    if (test.kind === 'ohm' && !evidence.some((each) => each.kind === 'reading'))
      await page.press('made-safe');
    await page.find('next-test');
    const id = `t${taken}`;
    if (test.kind === 'look') {
      await page.press('look-nothing');
      evidence.push({ kind: 'look', id, look: test.look, found: false });
    } else if (test.kind === 'ohm') {
      expect([await page.text('probe-red'), await page.text('probe-black')]).toEqual(
        [test.from, test.to].map((ref) => ref.split('.')[1]),
      );
      const { from, to, setup } = test;
      const answer = ohmReading(washer, setup, from, to, truth.value);
      const ohms = answer.kind === 'ohms' ? answer.nominal : Infinity;
      const shows = showOhms(ORDINARY_METER, ohms);
      if (taken === 1) await yarrix.stop();
      if (shows.kind === 'ohms') {
        await page.press('write');
        await page.fill('written', `${shows.ohms} ohm`);
        await page.press('written-enter');
      } else await page.press('key-over');
      evidence.push({ kind: 'reading', id, from, to, setup, shows, of: 'unit', wiggle: false });
      await page.says('evidence', new RegExp(`${from} to ${to}`.replace(/\./g, '\\.')));
      if (taken === 1) await yarrix.start();
    } else {
      const { steps, subject } = test;
      const foretold = planner.predictor.outcome(hypothesis, steps, subject);
      const outcome = foretold === 'runs' ? 'runs' : 'off';
      expect(['runs', 'off', 'stops']).toContain(foretold);
      await page.press(`try-${outcome}`);
      evidence.push({ kind: 'statement', id, source: 'seen', steps, subject, outcome });
    }
  }
  await page.says('unit-verdict', /Lid switch/);
  await page.gone('waiting');

  const [call] = (await yarrix.get<CallSummary[]>('/calls')).filter(
    (each) => each.appliance.place === 'Test attic',
  );
  expect(call?.readings).toBe(evidence.filter((each) => each.kind === 'reading').length);
  await page.driver.navigate().refresh();
  await page.says('unit-verdict', /Lid switch/);
  // Taking the last entry back takes the verdict back.
  await page.press('take-back');
  await page.gone('unit-verdict');
});
