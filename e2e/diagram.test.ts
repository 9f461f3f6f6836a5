import { PHONE, SERVER_AWAY, WIDE_WINDOW } from './browser';
import { faultyUnit, thumb } from './faultyUnit';
import { inTurn } from '../tools/inTurn';
import { Yarrix } from './yarrix';

jest.setTimeout(240_000);

let yarrix: Yarrix;
beforeAll(async () => {
  yarrix = await Yarrix.fresh();
});
afterAll(() => yarrix.end());

/** Milliseconds from a press to the frame in which the page has drawn what follows from it. */
const REDRAWN = `const [id, done] = arguments;
  const from = performance.now();
  document.querySelector('[data-testid="' + id + '"]').click();
  requestAnimationFrame(() => setTimeout(() => done(performance.now() - from)));`;

/** Frames in a second while the drawing is moved to its end and back. */
const PANNED = `const [done] = arguments;
  const ladder = document.querySelector('[data-testid=ladder]');
  const from = performance.now();
  let frames = 0;
  const move = () => {
    const passed = performance.now() - from;
    frames++;
    ladder.scrollLeft = (ladder.scrollWidth / 2) * (1 - Math.cos(passed / 300));
    if (passed < 2000) requestAnimationFrame(move);
    else done((1000 * frames) / passed);
  };
  requestAnimationFrame(move);`;

/** How many diagrams are on the device. */
const ON_DEVICE = `const [done] = arguments;
  const opening = indexedDB.open('yarrix');
  opening.onsuccess = () => {
    const asking = opening.result.transaction('answers').objectStore('answers').getAllKeys();
    asking.onsuccess = () => {
      opening.result.close();
      done(asking.result.filter((key) => /\\/diagrams\\/.+\\/\\d+$/.test(key)).length);
    };
  };`;

it('asks the server few things at start, however many diagrams there are, and none twice', async () => {
  const page = await yarrix.browser(PHONE);
  await page.driver.get(yarrix.address);
  await page.find('new-call');
  // The bodies of all diagrams follow behind the first screen.
  const { length } = await yarrix.get<unknown[]>('/diagrams');
  await page.driver.wait(
    async () => (await page.driver.executeAsyncScript<number>(ON_DEVICE)) === length,
    60_000,
    `not all ${length} diagrams come onto the device`,
  );
  const asked = await page.driver.executeScript<string[]>(
    `return performance.getEntriesByType('resource').map(({ name }) => new URL(name).pathname)
      .filter((path) => path.startsWith('/api/'));`,
  );
  expect(asked.length).toBeGreaterThan(0);
  expect(asked.length).toBeLessThanOrEqual(6);
  expect(new Set(asked).size).toBe(asked.length);
  // So do the scripts of screens that were not opened.
  await page.driver.executeAsyncScript(
    'const [done] = arguments; navigator.serviceWorker.ready.then(() => done());',
  );
  // Without the server a diagram that was never opened is there all the same.
  await yarrix.stop();
  try {
    await page.press('diagrams-link');
    await page.press('diagram-over-range-oven');
    await page.find('ladder');
    expect(await yarrix.giveBack(page, SERVER_AWAY)).toEqual([]);
  } finally {
    await yarrix.start();
  }
});

/** What becomes of texts that are given to a page as a script, a worker or a part of itself. */
const TRIED = `return [
    () => { document.body.innerHTML = '<img src="/favicon.png">'; },
    () => { document.createElement('script').text = '1'; },
    () => { document.createElement('script').src = 'https://other.example/a.js'; },
    () => new Worker('https://other.example/a.js'),
    () => { document.createElement('div').innerHTML = ''; },
    () => new Worker('/workers/draft.js').terminate(),
  ].map((each) => { try { each(); return 'taken'; } catch ({ name }) { return name; } });`;

it('makes no script, worker or part of a page out of a text that is not its own', async () => {
  const page = await yarrix.browser(PHONE);
  await page.driver.get(yarrix.address);
  await page.find('new-call');
  const refused = Array(4).fill('TypeError');
  expect(await page.driver.executeScript(TRIED)).toEqual([...refused, 'taken', 'taken']);
  expect(await yarrix.giveBack(page, /Trusted|default policy/)).toEqual([]);
});

inTurn(4)(
  'says so when the script of a screen does not come, and goes on when it does',
  async () => {
    const page = await yarrix.browser(PHONE);
    await page.cutOff(['*/web/screens-*']);
    await page.driver.get(yarrix.address);
    await page.find('new-call');
    await page.press('diagrams-link');
    await page.says('screen-failed', /could not be shown/);
    await page.cutOff([]);
    await page.press('screen-again');
    await page.find('show-favourites');
    expect(await yarrix.giveBack(page, /web\/screens-|ERR_BLOCKED/)).toEqual([]);
  },
);

inTurn(4)(
  'is alive: the door moves, two points say what they show, a fault changes it, a call comes to the part',
  async () => {
    const page = await yarrix.browser(PHONE);
    await page.driver.get(yarrix.address);
    await page.press('diagrams-link');
    await page.fill('search', 'submarine periscope');
    await page.find('none-match');
    await page.fill('search', 'drum lamp start button');
    await page.press('diagram-electric-dryer');
    await page.press('point-door-switch.COM');
    await page.press('point-door-switch.NO');
    await page.says('between-good', /shows 0\.\d/);
    await page.press('move-door-open');
    await page.says('between-good', /OL|kΩ|\d\d Ω/);
    await page.press('move-door-closed');
    await page.fill('fault-search', 'door switch stuck open');
    await page.press('fault-0');
    await page.says('between-fault', /Door switch.*(OL|kΩ|\d\d Ω)/);
    await page.says('between-good', /shows 0\.\d/);
    // Plugged in and started, it does not run with the fault, and does without.
    await page.press('bench-power');
    await page.press('move-timer-heat');
    await page.press('move-start-pressed');
    expect(await page.text('running')).not.toMatch(/Drive motor/);
    await page.press('fault-out');
    await page.says('running', /Drive motor/);
    await page.press('move-start-released');
    await page.says('running', /Drive motor.*round and round/);

    const times: number[] = [];
    for (const id of [
      'move-door-open',
      'move-door-closed',
      'move-start-pressed',
      'move-timer-cool',
    ])
      times.push(await page.driver.executeAsyncScript<number>(REDRAWN, id));
    const frames = await page.driver.executeAsyncScript<number>(PANNED);
    const said = times.map((each) => each.toFixed(0)).join(', ');
    process.stdout.write(
      `redrawn after ${said} ms, panned at ${frames.toFixed(0)} frames a second\n`,
    );

    await page.press('start-call');
    const hands = thumb(page);
    const unit = faultyUnit('electric-dryer', 'door-switch.NO:stuck-open');
    await unit.fillIn(page, hands, 'Test laundry');
    await unit.work(page, hands);
    await page.press('pane-diagram');
    await page.find('line');
    await page.press('show-drawing');
    await page.find('ladder');
    expect(await yarrix.giveBack(page)).toEqual([]);
  },
);

inTurn(4)(
  'has tables, parts, what its faults do, and what nobody notices; a favourite stays one',
  async () => {
    const page = await yarrix.browser(WIDE_WINDOW, 'dark');
    await page.driver.get(`${yarrix.address}/diagrams`);
    await page.press('star-millivolt-fireplace');
    await page.driver.navigate().refresh();
    await page.press('show-favourites');
    await page.press('diagram-millivolt-fireplace');
    await page.find('ladder');
    await page.press('pane-tables');
    await page.says('table-wall-switch', /wall switch on/);
    await page.press('pane-complaints');
    await page.says('complaint-table', /Gas valve/);
    await page.find('hidden-faults');
    await page.press('pane-cautions');
    await page.says('cautions', /Gas smell/);
    await page.driver.get(`${yarrix.address}/diagram/none-such`);
    await page.says('failed', /No such diagram/);
    expect(await yarrix.giveBack(page)).toEqual([]);
  },
);
