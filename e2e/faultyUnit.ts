import { isDeepStrictEqual } from 'node:util';
import { Key, until } from 'selenium-webdriver';
import type { CallDetail, CallPage } from '../contract/call';
import { evidenceOf, refusalsOf } from '../core/call/log';
import type { Refusal } from '../core/call/refusal';
import { take, Technician } from '../core/simulate/simulatedCall';
import { complaintOf } from '../core/inference/complaint';
import { marked, sayPoints } from '../core/describe/point';
import type { Evidence, ReadingEvidence, StatementEvidence } from '../core/call/evidence';
import { nameOf } from '../core/describe/unit';
import type { Diagram } from '../core/diagram/diagram';
import { parseFault } from '../core/fault/parseFault';
import type { UnitDiagnosis } from '../core/plan/unitDiagnosis';
import type { UnitTest } from '../core/plan/unitTests';
import { USUAL_WAY } from '../core/plan/wayOfWorking';
import { builtIn } from '../library/library';
import type { Browser } from './browser';
import type { Yarrix } from './yarrix';
import { preparedUnit } from '../tools/preparations/preparedUnit';

/** Tests after which a call that comes to no verdict is given up. */
const PATIENCE = 20;

type Entered = { kind: 'over' } | { kind: 'ohms'; ohms: number } | { kind: 'volts'; volts: number };

/** How a person presses, and types what the meter shows: with a thumb, or on the keyboard alone. */
export interface Hands {
  press: (id: string) => Promise<void>;
  enter: (shows: Entered) => Promise<void>;
}
const saidOf = (shows: Exclude<Entered, { kind: 'over' }>): string =>
  shows.kind === 'ohms' ? `${shows.ohms} ohm` : `${shows.volts.toFixed(2)} V`;

export const thumb = (page: Browser): Hands => ({
  press: (id) => page.press(id),
  enter: async (shows) => {
    if (shows.kind === 'over') return page.press('key-over');
    await page.press('write');
    await page.fill('written', saidOf(shows));
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
    await page.keys(...(saidOf(shows).split(' ')[0] ?? ''), Key.ENTER);
  },
});

/** A unit with a hidden fault, and what is asked and found of it as the page goes along. */
export class FaultyUnit {
  readonly evidence: Evidence[] = [];
  readonly complaint: StatementEvidence;
  private readonly id: string;
  private readonly place: number;
  /** Whether it is known to be dead, and the meter proved, on this device. */
  safe = false;
  metered = false;
  /** Tests that were refused, as the server knows them. */
  refusals: Refusal[] = [];
  private readonly technician = new Technician(() => 0.5);
  /** The way of working that was chosen on the page. */
  live = false;

  constructor(
    fault: string,
    readonly diagnosis: UnitDiagnosis,
  ) {
    const { diagram } = diagnosis.predictor;
    this.id = diagram.id;
    const parsed = parseFault(diagram, fault);
    if (!parsed.ok) throw new Error(`${this.id}: ${fault}`);
    const [only] = parsed.value;
    const { hypotheses } = diagnosis.predictor;
    this.place = hypotheses.findIndex(
      ({ causes: [one] }) => one && only && isDeepStrictEqual(one, only),
    );
    const complaint = complaintOf(diagnosis.predictor, this.place);
    if (!complaint) throw new Error(`${this.id}: ${fault} is not noticed`);
    this.complaint = complaint;
  }

  get suspect(): string {
    const { diagram, hypotheses } = this.diagnosis.predictor;
    return nameOf(diagram, hypotheses[this.place]?.suspect);
  }

  /** Opens a call on the page, from the list of calls, and tells the complaint. */
  async open(page: Browser, hands: Hands, address: string, place: string): Promise<void> {
    await page.driver.get(address);
    await hands.press('new-call');
    await page.fill('diagram-search', this.diagnosis.predictor.diagram.name);
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
    const way = { ...USUAL_WAY, asks: true, live: this.live, refusals: this.refusals };
    const { verdict, tests, secondLook } = this.diagnosis.of(this.evidence, way);
    const again = this.evidence.find(
      (each): each is ReadingEvidence => each.kind === 'reading' && each.id === secondLook?.entry,
    );
    if (verdict.kind !== 'open') return false;
    if (again) {
      await this.makeSafe(hands);
      await page.find('second-look');
      const { from, to, setup, wiggle } = again;
      await this.take(page, hands, { kind: 'ohm', reach: 'through', from, to, setup, wiggle });
      return true;
    }
    const test = tests[0]?.test;
    if (!test) throw new Error('nothing is advised');
    if (test.kind === 'ohm') {
      await this.makeSafe(hands);
      await this.mapFirst(page, hands);
    }
    await page.find(test.kind === 'volt' ? 'live-script' : 'next-test');
    await this.take(page, hands, test);
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

  /** What the server knows of the call at a place: entries of other hands too. */
  async listen(yarrix: Yarrix, place: string, entries: number): Promise<void> {
    for (let tries = 0; tries < 60; tries++) {
      const { calls } = await yarrix.get<CallPage>('/calls');
      const id = calls.find((each) => each.appliance.place === place)?.id;
      const call = id && (await yarrix.get<CallDetail>(`/calls/${id}`));
      const known = call ? evidenceOf(call.diagram, call.entries).evidence : [];
      if (call && known.length + refusalsOf(call.entries).length >= entries) {
        this.evidence.splice(0, Infinity, ...known);
        this.refusals = refusalsOf(call.entries);
        return;
      }
      await new Promise((done) => setTimeout(done, 200));
    }
    throw new Error(`the server has not heard of ${entries} entries`);
  }

  /** What is found by a test, as somebody finds it on this unit. */
  finds(test: UnitTest): Evidence {
    const { predictor } = this.diagnosis;
    const truth = predictor.hypotheses[this.place];
    if (!truth) throw new Error('no such fault');
    return take(predictor, test, truth, `t${this.evidence.length}`, HABITS, this.technician);
  }

  /** Before the first wire comes off a part, the sheet's map is taken over as it is. */
  async mapFirst(page: Browser, hands: Hands): Promise<void> {
    while ((await page.either('map-first', 'next-test')) === 'map-first') {
      const card = await page.find('map-first');
      await hands.press('gate-done');
      await page.driver.wait(until.stalenessOf(card), 15_000);
    }
  }

  async makeSafe(hands: Hands): Promise<void> {
    if (!this.safe) await hands.press('made-safe');
    this.safe = true;
    // Once a visit.
    if (!this.metered) await hands.press('meter-proved');
    this.metered = true;
  }

  /** Does a test that is in hand on the page, and enters what is found. */
  async take(page: Browser, hands: Hands, test: UnitTest): Promise<void> {
    const { diagram } = this.diagnosis.predictor;
    const found = this.finds(test);
    switch (found.kind) {
      case 'look':
        await hands.press(found.found ? 'look-found' : 'look-nothing');
        if (diagram.looks?.find(({ id }) => id === found.look)?.powered) this.safe = false;
        break;
      case 'measurement':
        if (found.steps !== undefined) {
          await this.proveDead(page, hands);
          await hands.press('try-ready');
          this.safe = false;
        }
        found.value = Number(found.value.toFixed(2));
        await page.fill('measured', String(found.value));
        await hands.press('measure-enter');
        break;
      case 'statement':
        if (test.kind === 'ask') {
          await page.says('question', /\?/);
          await hands.press(`answer-${found.outcome}`);
          break;
        }
        if (found.jumper) {
          await this.proveDead(page, hands);
          await hands.press('jumper-on');
        }
        await hands.press('try-ready');
        await hands.press(`try-${found.outcome}`);
        // Power was on: it is proved dead again before the next ohms.
        this.safe = false;
        break;
      case 'reading':
        await this.read(page, hands, found);
    }
    this.evidence.push(found);
  }

  /** Where something is clipped on dead, and it is not known to be so. */
  private async proveDead(page: Browser, hands: Hands): Promise<void> {
    if (!this.safe && (await page.has('made-safe'))) await hands.press('made-safe');
  }

  private async read(page: Browser, hands: Hands, found: ReadingEvidence): Promise<void> {
    const { diagram } = this.diagnosis.predictor;
    const { from, to, shows, steps } = found;
    if (steps !== undefined) {
      if (!this.safe) await hands.press('made-safe');
      await hands.press('live-clipped');
      await hands.press('live-on');
      this.safe = false;
    }
    const probes = [await page.text('probe-red'), await page.text('probe-black')];
    expect(probes).toEqual([from, to].map((ref) => marked(diagram, ref)));
    if (shows.kind === 'unsteady') await hands.press('key-jumps');
    else if (shows.kind === 'over' || shows.kind === 'ohms' || shows.kind === 'volts')
      await hands.enter(shows);
    else throw new Error(`nobody enters ${shows.kind}`);
    await page.says('last-entry', new RegExp(escaped(sayPoints(diagram, from, to))));
  }
}

/** Nothing goes wrong by chance, and a look finds what it finds more often than not. */
const HABITS = { chance: () => 0.5 };

/**
 * Notes every task that keeps the page from answering for more than 50 ms, and when the complaint was
 * pressed and the advice was there.
 */
export const WATCH_STALLS = `window.stalls = [];
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

/** A text as a pattern finds it. */
export const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

const diagnoses = new Map<string, UnitDiagnosis>();

/** A unit of a built-in diagram, or of another, with a fault in it. */
export function faultyUnit(of: string | Diagram, fault: string): FaultyUnit {
  const diagram = typeof of === 'string' ? builtIn(of) : of;
  if (!diagram) throw new Error(`there is no ${String(of)}`);
  const diagnosis = diagnoses.get(diagram.id) ?? preparedUnit(diagram);
  diagnoses.set(diagram.id, diagnosis);
  return new FaultyUnit(fault, diagnosis);
}
