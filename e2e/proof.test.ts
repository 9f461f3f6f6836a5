import { Key } from 'selenium-webdriver';
import type { CallDetail, CallPage } from '../contract/call';
import { type Browser, PHONE, SERVER_AWAY, WIDE_WINDOW } from './browser';
import { inTurn } from '../tools/inTurn';
import { Yarrix } from './yarrix';

jest.setTimeout(180_000);

const CALL = (number: number): string => `00000000-0000-4000-8000-00020000000${number}`;

let yarrix: Yarrix;
beforeAll(async () => {
  yarrix = await Yarrix.fresh();
});
afterAll(() => yarrix.end());

const readings = async (id: string): Promise<string[]> => {
  const { entries } = await yarrix.get<CallDetail>(`/calls/${id}`);
  return entries.flatMap((each) => (each.kind === 'reading' ? [each.body.said] : []));
};

/** What comes before the first reading of a switch. */
const GATES = ['made-safe', 'meter-proved', 'gate-done'];

/** Notes how high that stands which says what waits to be sent. */
const WATCH_STRIP = `
  window.pushed = [];
  new MutationObserver(() => {
    const strip = document.querySelector('[data-testid=waiting]');
    if (strip) pushed.push(strip.offsetHeight);
  }).observe(document, { childList: true, subtree: true });`;

describe('a phone', () => {
  let page: Browser;
  beforeAll(async () => {
    page = await yarrix.browser(PHONE);
  });
  afterAll(async () => {
    expect(await yarrix.giveBack(page, SERVER_AWAY)).toEqual([]);
  });

  it('proves a switch from a new call to its verdict, through a reload, a lost server and a restart', async () => {
    await page.driver.get(yarrix.address);
    await page.press('new-call');
    await page.press('open-call');
    await page.says('field-complaint-fault', /what the unit does/);
    await page.fill('field-complaint', 'Fills, then stands full of water');
    await page.fill('field-make', 'Marrowby');
    await page.fill('field-model', 'W-44');
    await page.fill('field-place', 'Test cellar');
    await page.fill('diagram-search', 'washer lid switch');
    await page.press('diagram-top-load-washer');
    await page.press('open-call');
    await page.press('switch-lid-switch');

    await page.says('make-safe', /Power cord: .*0 V L to N/);
    for (const gate of GATES) await page.press(gate);
    await page.says('next-position', /Lid closed/);
    await page.says('next-good', /CLOSED[^]*0\.2 Ω to 0\.5 Ω/);
    const pair = `${await page.text('probe-red')} ${await page.text('probe-black')}`;
    expect(pair).toBe('A1 A2');

    // What is said both ways is asked back; a number alone waits for its unit.
    await page.press('write');
    await page.fill('written', 'zero reading');
    await page.press('written-enter');
    await page.find('entry-question');
    await page.press('choice-none');
    await page.press('written-close');

    await page.driver.executeScript(WATCH_STRIP);
    const took = await enterAndMeasure(page, ['0', 'point', '3', 'ohm']);
    process.stderr.write(`a reading is on screen with its meaning after ${took.toFixed(0)} ms\n`);
    await page.says('meaning', /Closed, as it should be/);
    await page.gone('waiting');
    // While the server answers, nothing moves under the thumb.
    const pushed = await page.driver.executeScript<number[]>('return pushed');
    expect(pushed.length).toBeGreaterThan(0);
    expect(Math.max(...pushed)).toBe(0);

    await page.driver.navigate().refresh();
    await page.says('verdict', /Half proved: 1 of 4/);

    await yarrix.stop();
    await page.press('key-over');
    await page.says('meaning', /Open, as it should be/);
    await page.says('waiting', /kept on this device/);
    // The page itself comes back from the device, and with it what was entered.
    await page.driver.navigate().refresh();
    await page.says('verdict', /Half proved: 2 of 4/);
    await page.press('key-over');
    await page.says('verdict', /Half proved: 3 of 4/);
    await page.says('waiting', /2 kept on this device/);

    await yarrix.start();
    await page.gone('waiting');
    await page.says('next-position', /Lid closed/);
    await page.press('key-over');
    await page.says('meaning', /Open where it should be closed/);
    // One odd reading does not condemn: another is asked for.
    expect(await page.has('verdict-fault')).toBe(false);
    await page.press('key-over');
    await page.find('verdict-fault');
    await page.says('verdict', /Contact B stuck open/);
    await page.gone('waiting');

    const [call] = (await yarrix.get<CallPage>('/calls')).calls.filter(
      (each) => each.appliance.place === 'Test cellar',
    );
    expect(call && (await readings(call.id))).toEqual(['0.3 ohm', 'OL', 'OL', 'OL', 'OL']);

    await yarrix.stop();
    await yarrix.start();
    await page.driver.navigate().refresh();
    await page.says('verdict', /Contact B stuck open/);
    await page.press('back');
    await page.says('standing-lid-switch', /Bad/);
    // What came off and is open has to be put back, and ticked.
    await page.press('finish');
    await page.says('not-finished', /not put back/);
    await page.press('to-ledger');
    await page.find('ledger');
    for (let ticks = 0; ticks < 8 && !(await page.has('ledger-empty')); ticks++)
      await page.driver.executeScript(
        `document.querySelector('[data-testid^="back-"]:not([data-testid=back])')?.click()`,
      );
    await page.find('ledger-empty');
    await page.press('back');
    await page.press('finish');
    await page.says('stage', /Done/);
    await page.gone('waiting');
  });

  inTurn(4)(
    'asks to look again when the readings fit a door that was the other way round',
    async () => {
      await page.driver.get(`${yarrix.address}/call/${CALL(0)}/monitor`);
      for (const gate of GATES) await page.press(gate);
      await page.says('next-position', /Door closed/);
      await page.press('key-beep');
      await page.says('meaning', /Closed where it should be open/);
      for (let i = 0; i < 3 && !(await page.has('verdict-check-again')); i++) {
        // A good monitor, read with the door the other way round each time.
        // By hand, off its bracket, the door does not matter.
        const open =
          /open/i.test(await page.text('next-position')) !== (await page.has('next-by-hand'));
        await page.press(open ? 'key-over' : 'key-beep');
        await page.text('meaning');
      }
      await page.find('verdict-check-again');
      expect(await page.has('keypad')).toBe(false);
      await page.press('looked');
      await page.find('keypad');
    },
  );

  inTurn(4)('refuses a bad table with its line and stores nothing', async () => {
    const before = await yarrix.get<CallDetail>(`/calls/${CALL(1)}`);
    await page.driver.get(`${yarrix.address}/call/${CALL(1)}/lid-switch`);
    await page.press('table-open');
    await page.fill('table-text', 'position,1-2\nclosed,x\nopen,perhaps\n');
    await page.press('table-read');
    await page.says('table-fault', /line 3, column 2.*perhaps/);
    const after = await yarrix.get<CallDetail>(`/calls/${CALL(1)}`);
    expect(after).toEqual(before);
    expect(await page.has('table-taken')).toBe(false);

    await page.fill('table-text', 'position,1-2\nclosed,x\nopen,either\n');
    await page.press('table-read');
    await page.find('table-taken');
    await page.gone('waiting');
    expect((await yarrix.get<CallDetail>(`/calls/${CALL(1)}`)).diagramVersion).toBe(2);
  });
});

describe('a wide screen', () => {
  let page: Browser;
  beforeAll(async () => {
    page = await yarrix.browser(WIDE_WINDOW);
  });
  afterAll(async () => {
    expect(await yarrix.giveBack(page)).toEqual([]);
  });

  inTurn(4)(
    'proves a switch by keyboard alone, with table, next reading and history side by side',
    async () => {
      await page.driver.get(yarrix.address);
      await page.find(`call-${CALL(0)}`);
      await page.tabTo(`call-${CALL(0)}`);
      await page.keys(Key.ENTER);
      await page.find('switch-sense');
      await page.tabTo('switch-sense');
      await page.keys(Key.ENTER);
      // Another device: what was proved dead on the phone has to be proved again.
      await page.find('make-safe');
      await page.keys('d');
      // The meter, where no earlier test has proved it.
      if ((await page.either('meter-proved', 'gate-wires-off')) === 'meter-proved') {
        await page.tabTo('meter-proved');
        await page.keys(Key.ENTER);
        await page.find('gate-wires-off');
      }
      await page.keys(Key.ENTER);
      await page.find('keypad');
      const lefts = await Promise.all(
        ['contact-table', 'next-reading'].map(
          async (id) => (await (await page.find(id)).getRect()).x,
        ),
      );
      expect(lefts[0]).toBeLessThan(lefts[1] ?? 0);

      await page.keys('b');
      await page.says('verdict', /Half proved: 1 of 2/);
      await page.keys('u');
      await page.says('verdict', /Not read yet/);
      await page.keys('0', '.', '4', Key.ENTER);
      await page.says('verdict', /Half proved: 1 of 2/);
      await page.keys('o');
      await page.says('verdict', /Good switch/);
      expect(await readings(CALL(0))).toEqual(expect.arrayContaining(['0.4 ohm', 'OL']));
      // The full proof asks for more.
      await page.keys('f');
      await page.says('verdict', /Half proved/);
    },
  );
});

/** Presses keys and gives the time from the last press to the meaning standing on the screen. */
async function enterAndMeasure(page: Browser, keys: string[]): Promise<number> {
  for (const key of keys.slice(0, -1)) await page.press(`key-${key}`);
  const last = await page.find(`key-${keys.at(-1)}`);
  await page.driver.executeScript(`
    window.measured = new Promise((done) => {
      let from;
      addEventListener('click', () => { from ??= performance.now(); }, { capture: true, once: true });
      new MutationObserver((_, watch) => {
        if (!document.querySelector('[data-testid="meaning"]')) return;
        watch.disconnect();
        requestAnimationFrame(() => done(performance.now() - from));
      }).observe(document.body, { childList: true, subtree: true, characterData: true });
    });
  `);
  await last.click();
  return page.driver.executeScript<number>('return window.measured');
}
