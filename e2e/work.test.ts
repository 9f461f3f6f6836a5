import { Key } from 'selenium-webdriver';
import type { CallPage } from '../contract/call';
import { type Browser, PHONE, SERVER_AWAY, WIDE_WINDOW } from './browser';
import { faultyUnit, keyboard, thumb, type FaultyUnit, type Hands } from './faultyUnit';
import { ALL, inTurn, TURN } from '../tools/inTurn';
import { callNumber } from './screens';
import { Yarrix } from './yarrix';

jest.setTimeout(240_000);

let yarrix: Yarrix;
beforeAll(async () => {
  yarrix = await Yarrix.fresh();
});
afterAll(() => yarrix.end());

/** Works a call to its verdict, and looks whether the server has all of it. */
async function work(
  unit: FaultyUnit,
  page: Browser,
  hands: Hands,
  place: string,
  meanwhile: (step: number) => Promise<void> = () => Promise.resolve(),
): Promise<void> {
  await unit.open(page, hands, yarrix.address, place);
  await unit.work(page, hands, meanwhile);
  await page.gone('waiting');
  const [call] = (await yarrix.get<CallPage>('/calls')).calls.filter(
    (each) => each.appliance.place === place,
  );
  expect(call?.readings).toBe(unit.evidence.filter((each) => each.kind === 'reading').length);
}

it('goes from a complaint to the part, the server away in the middle, and keeps it all', async () => {
  const page = await yarrix.browser(PHONE);
  const unit = faultyUnit('top-load-washer', 'lid-switch.B:stuck-open');
  await work(unit, page, thumb(page), 'Test attic', async (step) => {
    if (step === 1) await yarrix.stop();
    if (step === 2) await yarrix.start();
  });
  await page.driver.navigate().refresh();
  await page.says('unit-verdict', /Lid switch/);
  // Taking the last entry back takes the verdict back.
  await page.press('undo');
  await page.gone('unit-verdict');
  expect(await yarrix.giveBack(page, SERVER_AWAY)).toEqual([]);
});

/** One of them has its turn. */
const COMES = [
  ['coil-burner', 'infinite.L2-H2:stuck-open', 'Test galley'],
  ['millivolt-fireplace', 'wall-switch.a-b:stuck-open', 'Test parlour'],
  // The pressure is measured before the switch is named.
  ['cooling-unit', 'low-pressure.1-2:stuck-open', 'Test yard'],
] as const;

it.each(COMES.filter((_, i) => ALL || i === TURN % COMES.length))(
  'comes to the part on a phone: %s',
  async (id, fault, place) => {
    const page = await yarrix.browser(PHONE);
    await work(faultyUnit(id, fault), page, thumb(page), place);
    // Everything that was entered is in the log, with the suspects' course as a chart.
    await page.press('pane-log');
    await page.find('course');
    await page.says('evidence', /What is known/);
    await page.press('pane-diagram');
    await page.find('line');
    await page.press('show-drawing');
    await page.says('diagram-pane', /from the supply on/);
    // Going back takes the last choice back, and not the screen.
    await page.driver.navigate().back();
    await page.says('evidence', /What is known/);
    expect(await yarrix.giveBack(page, SERVER_AWAY)).toEqual([]);
  },
);

inTurn(4)('starts without a complaint, and stays calm about it', async () => {
  const page = await yarrix.browser(PHONE, 'dark');
  await page.driver.get(`${yarrix.address}/new?diagram=water-pump/1`);
  for (const field of ['complaint', 'make', 'model', 'place'])
    await page.fill(`field-${field}`, 'not known');
  await page.press('open-call');
  await page.press('work');
  await page.press('just-start');
  await page.find('why');
  expect(await page.has('unit-verdict')).toBe(false);
  expect(await yarrix.giveBack(page)).toEqual([]);
});

inTurn(4)(
  'takes the complaint in the customer’s words, before the call is opened and after',
  async () => {
    const page = await yarrix.browser(PHONE);
    await page.driver.get(`${yarrix.address}/new`);
    await page.fill('field-complaint', 'the burner wont get hot but its light comes on');
    await page.fill('diagram-search', 'stove element');
    await page.press('diagram-coil-burner');
    await page.press('fit-coil-off');
    await page.says('fit-lamp-runs', /is on/);
    for (const [field, text] of [
      ['make', 'Marrowby'],
      ['model', 'C-3'],
      ['place', 'Test scullery'],
    ] as const)
      await page.fill(`field-${field}`, text);
    await page.press('open-call');
    await page.press('work');
    await page.press('tell-more');
    await page.fill('complaint-words', 'zzz');
    await page.says('complaint-fits', /stays as a note/);
    await page.fill('complaint-words', 'the litle lamp comes on');
    await page.press('fit-lamp-runs');
    await page.press('pane-log');
    await page.says('evidence', /stays cold[^]*is on|is on[^]*stays cold/);
    expect(await yarrix.giveBack(page)).toEqual([]);
  },
);

inTurn(4)('comes to the part by keyboard alone, and says why', async () => {
  const page = await yarrix.browser(WIDE_WINDOW, 'dark');
  const unit = faultyUnit('radiant-burner', 'element:open');
  await work(unit, page, keyboard(page), 'Test loft', async (step) => {
    if (step > 0) return;
    await page.keys('y');
    await page.find('meaning-0');
    await page.keys('y');
    await page.gone('why-test');
  });
  expect(await yarrix.giveBack(page, SERVER_AWAY)).toEqual([]);
});

inTurn(4)('has a key for every action, which one key shows, and Escape leaves it', async () => {
  const page = await yarrix.browser(WIDE_WINDOW);
  await page.driver.get(`${yarrix.address}/call/${callNumber(2)}`);
  await page.find('work');
  await page.keys('w');
  await page.find('why');
  for (const [key, card] of [
    ['t', 'complaint'],
    ['q', 'looks'],
    ['p', 'supply'],
    ['r', 'own-reading'],
    ['a', 'acts'],
  ] as const) {
    await page.keys(key);
    await page.find(card);
    await page.keys(Key.ESCAPE);
    await page.gone(card);
  }
  await page.keys('h');
  await page.find('visit');
  await page.keys('?');
  await page.says('keys', /what it does, quick looks, supply/);
  expect(await yarrix.giveBack(page, SERVER_AWAY)).toEqual([]);
});

it('reads live by the script, refuses ohms until it is dead again, and says what is expected after', async () => {
  const page = await yarrix.browser(PHONE);
  const unit = faultyUnit('coil-burner', 'infinite.L2-H2:stuck-open');
  const hands = thumb(page);
  await unit.open(page, hands, yarrix.address, 'Test cellar');
  await page.press('open-way');
  await page.press('visit-asks');
  await page.press('blind');
  await page.press('place-part');
  await page.press('open-way');
  // After a try power may be on: ohms wait, and the same is offered live.
  await page.press('made-safe');
  await page.press('meter-proved');
  await unit.mapFirst(page, hands);
  await page.find('next-test');
  expect(await page.has('next-good')).toBe(false);
  // A good twin that shows what nobody foretells is told of, and is not this unit's reading.
  await page.press('twin');
  await page.press('key-jumps');
  await page.says('last-entry', /known-good unit/);
  await page.says('meaning', /leads, setup or diagram are wrong/);
  await page.press('undo');
  // What is undone moves the buttons: they are pressed once they stand.
  await page.says('last-entry', /^(?!.*known-good unit)/s);
  await page.find('next-test');
  await page.press('tell-more');
  await page.press('source-seen');
  await page.press(`moment-${unit.complaint.steps}`);
  await page.press(`subject-${unit.complaint.subject}`);
  await page.press(`outcome-${unit.complaint.outcome}`);
  // Looks may come first: what is read with a meter is among the others.
  await page.find('why');
  for (let i = 0; i < 3 && !(await page.has('make-safe')); i++) await page.press('another');
  await page.find('make-safe');
  expect(await page.has('keypad')).toBe(false);
  await page.press('live-instead');
  await page.press('made-safe');
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
  expect(await yarrix.giveBack(page, SERVER_AWAY)).toEqual([]);
});

inTurn(4)(
  'takes a reading that nobody proposed: by typing, by tapping, with what it would show',
  async () => {
    const page = await yarrix.browser(PHONE);
    const unit = faultyUnit('top-load-washer', 'lid-switch.B:stuck-open');
    await unit.open(page, thumb(page), yarrix.address, 'Test porch');
    await page.press('add-reading');
    await page.fill('own-where', 'lid swich b1 b2');
    await page.press('own-named');
    await page.says('own-good', /0\.[0-9]* Ω|OL/);
    await page.says('own-trap', /wires off/);
    await page.press('own-alone');
    await page.gone('own-trap');
    // Lid open a good switch is open there as well: all read the same, and that is said.
    await page.press('own-control-lid');
    await page.says('own-tells-nothing', /tells nothing/);
    await page.press('own-control-lid');
    await page.find('own-suspect');
    // A look at the wiring in between: the card is left for good all the same once it is read.
    await page.press('pane-diagram');
    await page.find('line');
    await page.press('pane-test');
    expect(await page.has('keypad')).toBe(false);
    await page.press('made-safe');
    await page.press('meter-proved');
    await page.press('key-over');
    await page.gone('own-reading');
    await page.says('last-entry', /OL[^]*B1 to B2 of Lid switch/);
    await page.says('meaning', /^Not as it should be[^]*Lid switch/);
    expect(await yarrix.giveBack(page)).toEqual([]);
  },
);

inTurn(4)('takes quick looks, several at once, and what is in no list', async () => {
  const page = await yarrix.browser(PHONE);
  const unit = faultyUnit('top-load-washer', 'timer-motor.winding:open');
  await unit.open(page, thumb(page), yarrix.address, 'Test utility');
  await page.press('open-looks');
  await page.says('look-click', /Speaks of: .*%/);
  await page.press('look-click-nothing');
  await page.press('look-strike-found');
  // The other way it is changed; pressed again it is taken back.
  await page.press('look-strike-nothing');
  await page.press('look-click-nothing');
  await page.press('add-sight');
  await page.press('sight-part-timer-motor');
  await page.press('sight-stuck');
  await page.press('looks-done');
  await page.says('last-entry', /stuck[^]*Timer motor/);
  await page.press('pane-log');
  await page.says('evidence', /strike of the lid is loose/);
  expect(await page.text('evidence')).not.toMatch(/No click under the lid/);
  expect(await yarrix.giveBack(page)).toEqual([]);
});

inTurn(4)(
  'goes on without a test that is refused, says what that costs, and remembers it',
  async () => {
    const page = await yarrix.browser(PHONE, 'dark');
    const unit = faultyUnit('top-load-washer', 'timer-motor.winding:open');
    await unit.open(page, thumb(page), yarrix.address, 'Test lean-to');
    await page.says('question', /Tub and agitator move\?/);
    await page.press('answer-unknown');
    await page.press('open-way');
    await page.says('refused-test', /Nobody knows/);
    await page.press('visit-asks');
    await page.press('refuse-test');
    await page.press('refuse-cannot-reach');
    await page.says('without-it', /Cannot get behind there: .*(longer|No other)/);
    await page.driver.navigate().refresh();
    await page.press('open-way');
    await page.says('visit', /Cannot get behind there/);
    expect(await yarrix.giveBack(page)).toEqual([]);
  },
);

it('proves a repair by what the unit does since, and says when it did not help', async () => {
  const page = await yarrix.browser(PHONE);
  const unit = faultyUnit('coil-burner', 'coil.element:open');
  const hands = thumb(page);
  await work(unit, page, hands, 'Test pantry');
  const { steps, subject } = unit.complaint;
  const see = async (outcome: string): Promise<void> => {
    for (const id of ['tell-more', 'source-seen', `moment-${steps}`, `subject-${subject}`])
      await page.press(id);
    await page.press(`outcome-${outcome}`);
  };
  for (const id of ['add-act', 'act-part-coil', 'act-replace']) await page.press(id);
  await page.says('repair-standing', /Half proved/);
  await see('runs');
  await page.says('repair-standing', /Repair proved/);
  await page.says('to-checks', /Before it is handed back/);
  await see('off');
  await page.says('repair-standing', /Still there/);
  // Before the unit is powered everything has to be so, and is asked for.
  await page.press('undo');
  await page.press('undo');
  await page.says('repair-standing', /Half proved/);
  await page.says('before-use', /Every wire back on/);
  await page.press('try-ready');
  await page.press('try-runs');
  await page.says('repair-standing', /Repair proved/);
  expect(await yarrix.giveBack(page, SERVER_AWAY)).toEqual([]);
});
