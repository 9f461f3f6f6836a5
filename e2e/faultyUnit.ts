import { Key } from 'selenium-webdriver';
import { alike } from '../core/behaviour/statement';
import { valueUnder } from '../core/simulate/simulatedCall';
import { ohmReading } from '../core/circuit/ohmReading';
import { complaintOf } from '../core/inference/complaint';
import { marked, sayPoints } from '../core/describe/point';
import type { Evidence, ReadingEvidence, StatementEvidence } from '../core/call/evidence';
import { ownerOf } from '../core/fault/fault';
import { parseFault } from '../core/fault/parseFault';
import { ORDINARY_METER, showOhms } from '../core/meter/meter';
import { UnitDiagnosis } from '../core/plan/unitDiagnosis';
import { answersTo } from '../core/plan/questions';
import type { UnitTest } from '../core/plan/unitTests';
import { USUAL_WAY } from '../core/plan/wayOfWorking';
import { builtIn } from '../library/library';
import type { Browser } from './browser';

/** Tests after which a call that comes to no verdict is given up. */
const PATIENCE = 20;

/** How a person presses, and types what the meter shows: with a thumb, or on the keyboard alone. */
export interface Hands {
  press: (id: string) => Promise<void>;
  enter: (shows: { kind: 'over' } | { kind: 'ohms'; ohms: number }) => Promise<void>;
}
export const thumb = (page: Browser): Hands => ({
  press: (id) => page.press(id),
  enter: async (shows) => {
    if (shows.kind === 'over') return page.press('key-over');
    await page.press('write');
    await page.fill('written', `${shows.ohms} ohm`);
    await page.press('written-enter');
  },
});
export const keyboard = (page: Browser): Hands => ({
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
export class FaultyUnit {
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

  /** Opens a call on the page, from the list of calls, and tells the complaint. */
  async open(page: Browser, hands: Hands, address: string, place: string): Promise<void> {
    await page.driver.get(address);
    await hands.press('new-call');
    await page.fill('diagram-search', builtIn(this.id)?.name ?? '');
    await page.find(`diagram-${this.id}`);
    await hands.press(`diagram-${this.id}`);
    await this.fillIn(page, hands, place);
  }

  /** The same on the form of a new call, its diagram chosen. */
  async fillIn(page: Browser, hands: Hands, place: string): Promise<void> {
    await page.fill('field-complaint', 'It does not do what it should');
    await page.fill('field-make', 'Marrowby');
    await page.fill('field-model', 'T-1');
    await page.fill('field-place', place);
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
    const way = { ...USUAL_WAY, asks: true };
    const { verdict, tests, secondLook } = this.diagnosis.of(this.evidence, way);
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

  /** Does what the page advises until there is a verdict. */
  async work(
    page: Browser,
    hands: Hands,
    meanwhile: (step: number) => Promise<void> = () => Promise.resolve(),
  ): Promise<void> {
    for (let step = 0; step < PATIENCE; step++) {
      if (!(await this.step(page, hands))) break;
      await meanwhile(step);
    }
    await page.says('unit-verdict', new RegExp(this.suspect));
    await page.says('verdict-action', /\w/);
    const stalls = await page.driver.executeScript<[number, string][]>('return stalls');
    const said = stalls.map(([duration, pressed]) => `${Math.round(duration)} ms after ${pressed}`);
    process.stdout.write(`stalls over 50 ms: ${said.join(', ') || 'none'}\n`);
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
        if (this.diagnosis.predictor.diagram.looks?.find((each) => each.id === test.look)?.powered)
          this.safe = false;
        return;
      case 'ohm': {
        const probes = [await page.text('probe-red'), await page.text('probe-black')];
        const { diagram } = this.diagnosis.predictor;
        expect(probes).toEqual([test.from, test.to].map((ref) => marked(diagram, ref)));
        const { from, to, setup } = test;
        return this.read(page, hands, { from, to, setup, id, wiggle: test.wiggle });
      }
      case 'measure': {
        const { actuator, steps } = test;
        const { diagram } = this.diagnosis.predictor;
        const value = Number(
          valueUnder(diagram, actuator, steps, this.truth, this.truth).toFixed(2),
        );
        if (steps !== undefined) await hands.press('try-ready');
        await page.fill('measured', String(value));
        await hands.press('measure-enter');
        const when = steps === undefined ? {} : { steps };
        this.evidence.push({ kind: 'measurement', id, actuator, value, how: 'measured', ...when });
        if (steps !== undefined) this.safe = false;
        return;
      }
      case 'ask': {
        const { steps, subject } = test;
        const { predictor } = this.diagnosis;
        const does = predictor.outcome(this.place, steps, subject);
        const outcome = answersTo(predictor, test).find((each) => does && alike(each, does));
        if (!outcome) throw new Error(`${subject} does nothing that can be told`);
        await page.says('question', /\?/);
        await hands.press(`answer-${outcome}`);
        this.evidence.push({ kind: 'statement', id, source: 'told', steps, subject, outcome });
        return;
      }
      case 'try': {
        const { steps, subject } = test;
        const does = this.diagnosis.predictor.outcome(this.place, steps, subject) ?? 'off';
        const outcome = does === 'stops' ? 'off' : does === 'cycles' ? 'runs' : does;
        await hands.press('try-ready');
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
    const taken = { meter: ORDINARY_METER };
    this.evidence.push({ kind: 'reading', of: 'unit', wiggle: false, ...at, shows, taken });
    await page.says('last-entry', new RegExp(escaped(sayPoints(diagram, at.from, at.to))));
  }
}

/**
 * Notes every task that keeps the page from answering for more than 50 ms, and when the complaint was
 * pressed and the advice was there.
 */
const WATCH_STALLS = `window.stalls = [];
  window.pressed = 'nothing';
  document.addEventListener('click', ({ target }) => {
    window.told ??= performance.now();
    window.pressed = target.closest('[data-testid]')?.dataset.testid;
  }, true);
  new MutationObserver(() => {
    if (document.querySelector('[data-testid=why]')) window.advised ??= performance.now();
  }).observe(document.body, { subtree: true, childList: true });
  new PerformanceObserver((list) => list.getEntries().forEach(({ duration }) => stalls.push([duration, pressed])))
    .observe({ type: 'longtask' });`;

const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

const diagnoses = new Map<string, UnitDiagnosis>();

/** A unit of a built-in diagram with a fault in it. */
export function faultyUnit(id: string, fault: string): FaultyUnit {
  const diagram = builtIn(id);
  if (!diagram) throw new Error(id);
  const diagnosis = diagnoses.get(id) ?? new UnitDiagnosis(diagram, ORDINARY_METER);
  diagnoses.set(id, diagnosis);
  return new FaultyUnit(id, fault, diagnosis);
}
