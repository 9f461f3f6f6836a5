import { isolate } from '../core/circuit/isolation';
import { drawnSetup } from '../core/diagram/setup';
import { sayEvidence } from '../core/describe/unit';
import { marked } from '../core/describe/point';
import { owners, partAt, splitRef } from '../core/diagram/terminal';
import type { OhmTest } from '../core/plan/unitTests';
import { USUAL_WAY } from '../core/plan/wayOfWorking';
import { type Browser, PHONE, SERVER_AWAY, WIDE_WINDOW } from './browser';
import { escaped, faultyUnit, keyboard, thumb, type FaultyUnit, type Hands } from './faultyUnit';
import { ALL, TURN } from '../tools/inTurn';
import { Yarrix } from './yarrix';

jest.setTimeout(240_000);

/** Somebody who has never seen it, in front of a unit with something wrong in it. */
interface Newcomer {
  unit: FaultyUnit;
  place: string;
  page: Browser;
  hands: Hands;
}

/** What one does in a manner of one's own; what is not said is done as the page advises. */
interface Manner {
  manner: string;
  unit: string;
  fault: string;
  wide?: true;
  hands?: (page: Browser) => Hands;
  /** Right after the complaint. */
  begins?: (who: Newcomer) => Promise<void>;
  /** Before each step; true where the step was done by it. */
  before?: (who: Newcomer, step: number) => Promise<boolean>;
}

let yarrix: Yarrix;
beforeAll(async () => {
  yarrix = await Yarrix.fresh();
}, 120_000);
afterAll(() => yarrix.end());

const ASKED = { ...USUAL_WAY, asks: true };

const MANNERS: readonly Manner[] = [
  {
    manner: 'looks first',
    unit: 'top-load-washer',
    fault: 'lid-switch.B:stuck-open',
    begins: async ({ unit, page, hands }) => {
      await hands.press('open-looks');
      for (const look of unit.diagnosis.predictor.diagram.looks ?? []) {
        if (look.powered || !(await page.has(`look-${look.id}`))) continue;
        const found = unit.finds({ kind: 'look', look: look.id });
        await hands.press(
          `look-${look.id}-${'found' in found && found.found ? 'found' : 'nothing'}`,
        );
        unit.evidence.push(found);
      }
      await hands.press('looks-done');
    },
  },
  {
    manner: 'live volts first',
    unit: 'coil-burner',
    fault: 'infinite.L2-H2:stuck-open',
    begins: async ({ unit, hands }) => {
      await hands.press('open-way');
      await hands.press('way-live');
      await hands.press('open-way');
      unit.live = true;
    },
  },
  {
    manner: 'own readings only',
    unit: 'millivolt-fireplace',
    fault: 'wall-switch.a-b:stuck-open',
    before: async (who) => {
      const { tests, verdict } = who.unit.diagnosis.of(who.unit.evidence, ASKED);
      const test = tests.map((each) => each.test).find((each) => each.kind === 'ohm');
      if (verdict.kind !== 'open' || test?.kind !== 'ohm' || partAt(test.to) !== partAt(test.from))
        return false;
      await readOwn(who, test);
      return true;
    },
  },
  {
    manner: 'refuses half the tests',
    unit: 'top-load-washer',
    fault: 'timer-motor.winding:open',
    before: async ({ unit, page, hands, place }, step) => {
      const { refusals, evidence } = unit;
      const way = { ...ASKED, refusals };
      const { tests, verdict } = unit.diagnosis.of(evidence, way);
      if (refusals.length && verdict.kind === 'open' && tests.length === 0) {
        // Without what was refused no part is named: it is had back.
        await page.says('unit-verdict', /not read|Nothing/);
        await hands.press('open-way');
        for (let left = refusals.length; left; left--) await hands.press('refused-back');
        await hands.press('open-way');
        await unit.listen(yarrix, place, evidence.length);
        return true;
      }
      if (step % 2 === 0 || step > 6 || !(await page.has('refuse-test'))) return false;
      await hands.press('refuse-test');
      await hands.press('refuse-no-time');
      // It is the next one's turn.
      await page.gone('refuse');
      await unit.listen(yarrix, place, evidence.length + refusals.length + 1);
      return true;
    },
  },
  {
    manner: 'types the complaint in bad spelling',
    unit: 'radiant-burner',
    fault: 'element.ribbon:open',
    begins: async ({ unit, page, hands }) => {
      await hands.press('tell-more');
      await page.fill('complaint-words', 'the elemint stais cold');
      await page.find('fit-element-off');
      await hands.press('say-cancel');
      expect(unit.evidence).toHaveLength(1);
    },
  },
  {
    manner: 'goes back and corrects',
    unit: 'cooling-unit',
    // Low charge: the pressure switch is rightly open.
    fault: 'suction.low-pressure:out-of-place=below',
    before: async ({ unit, page, hands }, step) => {
      if (step !== 1 || !(await page.has('keypad'))) return false;
      await unit.makeSafe(hands);
      await hands.press('key-jumps');
      await page.says('last-entry', /unsteady/);
      await hands.press('undo');
      await page.find('keypad');
      return false;
    },
  },
  {
    manner: 'switches panes in mid-number',
    unit: 'millivolt-fireplace',
    // Worn, and no single contact is to be condemned.
    fault: 'thermopile:worn',
    hands: (page) => ({
      ...thumb(page),
      enter: async (shows) => {
        if (shows.kind !== 'ohms') return thumb(page).enter(shows);
        for (const digit of String(shows.ohms))
          await page.press(`key-${digit === '.' ? 'point' : digit}`);
        await page.press('pane-log');
        await page.press('pane-diagram');
        await page.driver.navigate().back();
        await page.press('pane-test');
        await page.says('typed', new RegExp(`^${shows.ohms}$`));
        await page.press('key-ohm');
      },
    }),
  },
  {
    manner: 'closes the browser',
    unit: 'relay-monitor-oven',
    // A trip: the fuse blows as soon as START is pressed.
    fault: 'monitor.C4-B4:stuck-closed',
    before: async (who, step) => {
      if (step !== 2) return false;
      const address = await who.page.driver.getCurrentUrl();
      await who.unit.listen(yarrix, who.place, who.unit.evidence.length);
      await who.page.close();
      who.page = await yarrix.browser(PHONE);
      who.hands = thumb(who.page);
      await who.page.driver.get(address);
      // On another device nothing counts as proved dead.
      who.unit.safe = false;
      return false;
    },
  },
  {
    manner: 'has two tabs',
    unit: 'water-pump',
    // A trip: the winding is shorted, and the fuse has blown for it.
    fault: 'pump.winding:shorted',
    before: async ({ unit, page, place }, step) => {
      if (step === 0) {
        const address = await page.driver.getCurrentUrl();
        await page.driver.switchTo().newWindow('tab');
        await page.driver.get(address);
      } else {
        const here = await page.driver.getWindowHandle();
        const other = (await page.driver.getAllWindowHandles()).find((each) => each !== here);
        if (other !== undefined) await page.driver.switchTo().window(other);
      }
      await unit.listen(yarrix, place, unit.evidence.length);
      const last = unit.evidence.at(-1);
      const { diagram } = unit.diagnosis.predictor;
      // What one tab has entered stands in the other without a reload.
      if (last)
        await page.says('last-entry', new RegExp(escaped(sayEvidence(diagram, last).shown)));
      return false;
    },
  },
  {
    manner: 'uses the keyboard alone',
    unit: 'water-pump',
    fault: 'pressure-switch.1-2:stuck-open',
    wide: true,
    hands: keyboard,
  },
];

/** Two have their turn; with `--all` everybody comes. */
const COMING = MANNERS.filter((_, i) => ALL || i % 5 === TURN % 5);

it.each(COMING.map((each): [string, Manner] => [each.manner, each]))(
  'a newcomer who %s comes to the right part',
  async (_, { manner, unit: id, fault, wide, hands = thumb, begins, before }) => {
    const page = await yarrix.browser(wide ? WIDE_WINDOW : PHONE);
    const unit = faultyUnit(id, fault);
    const who: Newcomer = { unit, place: `Test ${manner}`, page, hands: hands(page) };
    await unit.open(page, who.hands, yarrix.address, who.place);
    await begins?.(who);
    for (let step = 0; step < 24; step++) {
      if (await before?.(who, step)) continue;
      if (!(await unit.step(who.page, who.hands))) break;
    }
    await who.page.says('unit-verdict', new RegExp(unit.suspect));
    expect(await yarrix.giveBack(who.page, SERVER_AWAY)).toEqual([]);
  },
);

/** Reads at one part as one likes: typed where, controls moved, wires off or on. */
async function readOwn({ unit, page, hands }: Newcomer, test: OhmTest): Promise<void> {
  const { diagram } = unit.diagnosis.predictor;
  const owner = owners(diagram).find(({ id }) => id === splitRef(test.from).part);
  const part = diagram.parts.find(({ id }) => id === owner?.id);
  const drawn = drawnSetup(diagram);
  await hands.press('add-reading');
  await page.fill(
    'own-where',
    `${owner?.name ?? ''} ${marked(diagram, test.from)} ${marked(diagram, test.to)}`,
  );
  await hands.press('own-named');
  for (const { id, ...actuator } of diagram.actuators) {
    if (actuator.kind !== 'hand' && actuator.kind !== 'momentary') continue;
    const place = (at: unknown): number => actuator.positions.findIndex((each) => each.id === at);
    const [from, to] = [place(drawn.actuators[id]), place(test.setup.actuators[id])];
    const times = (to - from + actuator.positions.length) % actuator.positions.length;
    for (let i = 0; i < times; i++) await hands.press(`own-control-${id}`);
  }
  const alone = part?.kind === 'switch' ? [...isolate(diagram, part).lift] : [test.from];
  const lifted = alone.length && part ? alone : [];
  if (lifted.length) await hands.press('own-alone');
  const hand = part && test.setup.byHand[part.id];
  if (hand !== undefined) await hands.press(`own-hand-${hand}`);
  const setup = { ...test.setup, lifted };
  const found = unit.finds({ ...test, setup, wiggle: false });
  await unit.makeSafe(hands);
  if (found.kind !== 'reading') throw new Error('no reading');
  if (found.shows.kind === 'over' || found.shows.kind === 'ohms') await hands.enter(found.shows);
  else await hands.press('key-jumps');
  unit.evidence.push(found);
  await page.gone('own-reading');
}
