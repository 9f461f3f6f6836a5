import type { CallSummary } from '../contract/call';
import { ohmReading } from '../core/circuit/ohmReading';
import type { Evidence, ReadingEvidence, StatementEvidence } from '../core/diagnose/evidence';
import { ownerOf } from '../core/fault/modes';
import { parseFault } from '../core/fault/parseFault';
import { complaintOf } from '../core/diagnose/complaint';
import { ORDINARY_METER, showOhms } from '../core/meter/meter';
import type { UnitTest } from '../core/plan/unitTests';
import { UnitDiagnosis } from '../core/plan/unitDiagnosis';
import { builtIn } from '../library/library';
import { Key } from 'selenium-webdriver';
import { Browser, PHONE, WIDE } from './browser';
import { Yarrix } from './yarrix';

jest.setTimeout(240_000);

const SERVER_AWAY = /\/api\/|ERR_CONNECTION_REFUSED|sw\.js/;

let yarrix: Yarrix;
beforeAll(async () => {
  yarrix = await Yarrix.fresh();
});
afterAll(() => yarrix.end());

/** How a person presses, and types what the meter shows: with a thumb, or on the keyboard alone. */
interface Hands {
  press: (id: string) => Promise<void>;
  enter: (shows: { kind: 'over' } | { kind: 'ohms'; ohms: number }) => Promise<void>;
}
const thumb = (page: Browser): Hands => ({
  press: (id) => page.press(id),
  enter: async (shows) => {
    if (shows.kind === 'over') return page.press('key-over');
    await page.press('write');
    await page.fill('written', `${shows.ohms} ohm`);
    await page.press('written-enter');
  },
});
const keyboard = (page: Browser): Hands => ({
  press: async (id) => {
    await page.find(id);
    await page.tabTo(id);
    await page.keys(Key.ENTER);
  },
  enter: async (shows) => {
    if (shows.kind === 'over') return page.keys('o');
    await page.keys(...String(shows.ohms), Key.ENTER);
  },
});

/** A unit with a hidden fault, and what is asked and found of it as the page goes along. */
class Bench {
  readonly evidence: Evidence[] = [];
  readonly complaint: StatementEvidence;
  private readonly truth;
  private readonly place: number;
  private safe = false;

  constructor(
    private readonly id: string,
    fault: string,
    private readonly diagnosis: UnitDiagnosis,
  ) {
    const diagram = builtIn(id);
    const parsed = diagram && parseFault(diagram, fault);
    if (!parsed?.ok) throw new Error(`${id}: ${fault}`);
    this.truth = parsed.value;
    const [only] = this.truth;
    const { hypotheses } = diagnosis.predictor;
    this.place = hypotheses.findIndex(
      ({ causes: [one] }) => one && only && JSON.stringify(one) === JSON.stringify(only),
    );
    const complaint = complaintOf(diagnosis.predictor, this.place);
    if (!complaint) throw new Error(`${id}: ${fault} is not noticed`);
    this.complaint = complaint;
  }

  get suspect(): string {
    const [fault] = this.truth;
    const owner = fault && ownerOf(fault);
    return this.diagnosis.predictor.diagram.parts.find((each) => each.id === owner)?.name ?? '';
  }

  /** Opens a call on the page and tells the complaint. */
  async open(page: Browser, hands: Hands, place: string): Promise<void> {
    await page.driver.get(yarrix.address);
    await hands.press('new-call');
    await page.fill('field-complaint', 'It does not do what it should');
    await page.fill('field-make', 'Marrowby');
    await page.fill('field-model', 'T-1');
    await page.fill('field-place', place);
    await hands.press(`diagram-${this.id}`);
    await hands.press('open-call');
    await hands.press('work');
    const { steps, subject, outcome } = this.complaint;
    await hands.press('source-seen');
    await hands.press(`moment-${steps}`);
    await hands.press(`subject-${subject}`);
    await page.driver.executeScript(WATCH_STALLS);
    await hands.press(`outcome-${outcome}`);
    await page.find('why');
    const advised = await page.driver.executeScript<number>('return Math.round(advised - told)');
    process.stdout.write(`first advice of ${this.id} on screen after ${advised} ms\n`);
    this.evidence.push(this.complaint);
  }

  /** Does what the page advises once. @returns false when there is a verdict */
  async step(page: Browser, hands: Hands): Promise<boolean> {
    const { verdict, tests, secondLook } = this.diagnosis.of(this.evidence);
    const again = this.evidence.find(
      (each): each is ReadingEvidence => each.kind === 'reading' && each.id === secondLook?.entry,
    );
    if (verdict.kind !== 'open') return false;
    const id = `t${this.evidence.length}`;
    if (again) {
      await this.makeSafe(hands);
      await page.find('second-look');
      const { from, to, setup } = again;
      await this.read(page, hands, { from, to, setup, id });
      return true;
    }
    const test = tests[0]?.test;
    if (!test || test.kind === 'volt') throw new Error('nothing cold is advised');
    if (test.kind === 'ohm') await this.makeSafe(hands);
    await page.find('next-test');
    await this.take(page, hands, test, id);
    return true;
  }

  private async makeSafe(hands: Hands): Promise<void> {
    if (!this.safe) await hands.press('made-safe');
    this.safe = true;
  }

  private async take(
    page: Browser,
    hands: Hands,
    test: Exclude<UnitTest, { kind: 'volt' }>,
    id: string,
  ): Promise<void> {
    switch (test.kind) {
      case 'look':
        await hands.press('look-nothing');
        this.evidence.push({ kind: 'look', id, look: test.look, found: false });
        return;
      case 'ohm': {
        const probes = [await page.text('probe-red'), await page.text('probe-black')];
        expect(probes).toEqual([test.from, test.to].map((ref) => ref.split('.')[1]));
        const { from, to, setup } = test;
        return this.read(page, hands, { from, to, setup, id, wiggle: test.wiggle });
      }
      case 'try': {
        const { steps, subject } = test;
        const does = this.diagnosis.predictor.outcome(this.place, steps, subject) ?? 'off';
        const outcome = does === 'stops' ? 'off' : does === 'cycles' ? 'runs' : does;
        await hands.press(`try-${outcome}`);
        this.evidence.push({ kind: 'statement', id, source: 'seen', steps, subject, outcome });
        // Power was on: it is proved dead again before the next ohms.
        this.safe = false;
      }
    }
  }

  private async read(
    page: Browser,
    hands: Hands,
    at: Pick<ReadingEvidence, 'id' | 'from' | 'to' | 'setup'> & { wiggle?: boolean },
  ): Promise<void> {
    const { diagram } = this.diagnosis.predictor;
    const answer = ohmReading(diagram, at.setup, at.from, at.to, this.truth);
    const shows = showOhms(ORDINARY_METER, answer.kind === 'ohms' ? answer.nominal : Infinity);
    if (shows.kind !== 'over' && shows.kind !== 'ohms') throw new Error('no display');
    await hands.enter(shows);
    this.evidence.push({ kind: 'reading', of: 'unit', wiggle: false, ...at, shows });
    await page.says('last-entry', new RegExp(`${at.from} to ${at.to}`.replace(/\./g, '\\.')));
  }
}

/**
 * Notes every task that keeps the page from answering for more than 50 ms, and when the complaint was
 * pressed and the advice was there.
 */
const WATCH_STALLS = `window.stalls = [];
  document.addEventListener('click', ({ target }) => {
    window.told ??= performance.now();
    window.pressed = target.closest('[data-testid]')?.dataset.testid;
  }, true);
  new MutationObserver(() => {
    if (document.querySelector('[data-testid=why]')) window.advised ??= performance.now();
  }).observe(document.body, { subtree: true, childList: true });
  new PerformanceObserver((list) => list.getEntries().forEach(({ duration }) => stalls.push([duration, pressed])))
    .observe({ type: 'longtask' });`;

const PATIENCE = 20;
const diagnoses = new Map<string, UnitDiagnosis>();
function bench(id: string, fault: string): Bench {
  const diagram = builtIn(id);
  if (!diagram) throw new Error(id);
  const diagnosis = diagnoses.get(id) ?? new UnitDiagnosis(diagram, ORDINARY_METER);
  diagnoses.set(id, diagnosis);
  return new Bench(id, fault, diagnosis);
}

/** Works a call to its verdict, and looks whether the server has all of it. */
async function work(
  unit: Bench,
  page: Browser,
  hands: Hands,
  place: string,
  meanwhile: (step: number) => Promise<void> = () => Promise.resolve(),
): Promise<void> {
  await unit.open(page, hands, place);
  for (let step = 0; step < PATIENCE; step++) {
    if (!(await unit.step(page, hands))) break;
    await meanwhile(step);
  }
  await page.says('unit-verdict', new RegExp(unit.suspect));
  await page.says('verdict-action', /\w/);
  const stalls = await page.driver.executeScript<[number, string][]>('return stalls');
  const said = stalls.map(([duration, pressed]) => `${Math.round(duration)} ms after ${pressed}`);
  process.stdout.write(`stalls over 50 ms: ${said.join(', ') || 'none'}\n`);
  await page.gone('waiting');
  const [call] = (await yarrix.get<CallSummary[]>('/calls')).filter(
    (each) => each.appliance.place === place,
  );
  expect(call?.readings).toBe(unit.evidence.filter((each) => each.kind === 'reading').length);
}

it('goes from a complaint to the part, the server away in the middle, and keeps it all', async () => {
  const page = await Browser.open(PHONE);
  const unit = bench('top-load-washer', 'lid-switch.B:stuck-open');
  await work(unit, page, thumb(page), 'Test attic', async (step) => {
    if (step === 1) await yarrix.stop();
    if (step === 2) await yarrix.start();
  });
  await page.driver.navigate().refresh();
  await page.says('unit-verdict', /Lid switch/);
  // Taking the last entry back takes the verdict back.
  await page.press('undo');
  await page.gone('unit-verdict');
  expect(await page.close(SERVER_AWAY)).toEqual([]);
});

it.each([
  ['coil-burner', 'infinite.L2-H2:stuck-open', 'Test galley'],
  ['millivolt-fireplace', 'wall-switch.a-b:stuck-open', 'Test parlour'],
])('comes to the part on a phone: %s', async (id, fault, place) => {
  const page = await Browser.open(PHONE);
  await work(bench(id, fault), page, thumb(page), place);
  // Everything that was entered is in the log, with the suspects' course as a chart.
  await page.press('pane-log');
  await page.find('course');
  await page.says('evidence', /What is known/);
  await page.press('pane-diagram');
  await page.says('diagram-pane', /from the supply on/);
  expect(await page.close(SERVER_AWAY)).toEqual([]);
});

it('comes to the part by keyboard alone, and says why', async () => {
  const page = await Browser.open(WIDE, 'dark');
  const unit = bench('radiant-burner', 'element:open');
  await work(unit, page, keyboard(page), 'Test loft', async (step) => {
    if (step > 0) return;
    await page.keys('y');
    await page.find('meaning-0');
    await page.keys('y');
    await page.gone('why-test');
  });
  expect(await page.close(SERVER_AWAY)).toEqual([]);
});

it('reads live by the script, refuses ohms until it is dead again, and says what is expected after', async () => {
  const page = await Browser.open(PHONE);
  const unit = bench('coil-burner', 'infinite.L2-H2:stuck-open');
  const hands = thumb(page);
  await unit.open(page, hands, 'Test cellar');
  await page.press('open-way');
  await page.press('blind');
  await page.press('place-part');
  await page.press('way-live');
  await page.press('open-way');
  // After a try power may be on: ohms wait, and the same is offered live.
  await page.press('made-safe');
  await page.find('next-test');
  expect(await page.has('next-good')).toBe(false);
  await page.press('tell-more');
  await page.press('source-seen');
  await page.press(`moment-${unit.complaint.steps}`);
  await page.press(`subject-${unit.complaint.subject}`);
  await page.press(`outcome-${unit.complaint.outcome}`);
  await page.find('make-safe');
  expect(await page.has('keypad')).toBe(false);
  await page.press('live-instead');
  await page.press('live-dead');
  await page.press('live-clipped');
  await page.press('live-on');
  await page.press('key-2');
  await page.press('key-4');
  await page.press('key-0');
  await page.press('key-volt');
  await page.says('last-entry', /240 V/);
  await page.find('last-good');
  await page.find('make-safe');
  expect(await page.has('keypad')).toBe(false);
  expect(await page.close(SERVER_AWAY)).toEqual([]);
});
