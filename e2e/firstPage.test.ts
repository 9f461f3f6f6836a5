import { randomUUID } from 'node:crypto';
import { builtIn } from '../library/library';
import { type Browser, PHONE, SERVER_AWAY } from './browser';
import { inTurn } from '../tools/inTurn';
import { callNumber } from './screens';
import { Yarrix } from './yarrix';

jest.setTimeout(240_000);

let yarrix: Yarrix;
beforeAll(async () => {
  yarrix = await Yarrix.fresh();
});
afterAll(() => yarrix.end());

const ready = (page: Browser): Promise<unknown> =>
  page.driver.executeAsyncScript(
    'const [done] = arguments; navigator.serviceWorker.ready.then(() => done());',
  );

inTurn(4)(
  'has the frame of a screen before its script, and the calls without the network the second time',
  async () => {
    const page = await yarrix.newBrowser(PHONE);
    await page.cutOff(['*/entry-*']);
    await page.driver.get(yarrix.address);
    const frame = `return document.querySelector('#shell')?.innerText`;
    expect(await page.driver.executeScript(frame)).toContain('Yarrix');
    expect(await page.has('new-call')).toBe(false);
    await page.cutOff([]);
    await page.driver.navigate().refresh();
    await page.find(`call-${callNumber(0)}`);
    expect(await page.driver.executeScript(frame)).toBeNull();
    await ready(page);
    await yarrix.stop();
    try {
      await page.driver.navigate().refresh();
      await page.find(`call-${callNumber(0)}`);
    } finally {
      await yarrix.start();
    }
    expect(await page.close(/entry-|ERR_BLOCKED|\/api\/|ERR_CONNECTION_REFUSED|sw\.js/)).toEqual(
      [],
    );
  },
);

inTurn(4)('offers a newer version, and takes it when somebody says so', async () => {
  const page = await yarrix.newBrowser(PHONE);
  await page.driver.get(yarrix.address);
  await page.find('new-call');
  await ready(page);
  await page.driver.executeScript(
    `window.before = true; return navigator.serviceWorker.register('/sw.js?newer').then(() => undefined);`,
  );
  await page.find('new-version');
  // Nothing happens to what is worked on, also after a while and on the next screen.
  await page.press('new-call');
  await page.fill('field-make', 'Marrowby');
  await page.find('new-version');
  expect(await page.driver.executeScript('return window.before')).toBe(true);
  await page.press('take-version');
  await page.driver.wait(
    async () => (await page.driver.executeScript('return window.before ?? null')) === null,
    15_000,
    'the page is not read anew',
  );
  await page.find('field-make');
  expect(await page.has('new-version')).toBe(false);
  expect(await page.close()).toEqual([]);
});

/** Preparations that the device has made itself and kept. */
const KEPT = `const [done] = arguments;
  const opening = indexedDB.open('yarrix-prepared');
  opening.onsuccess = () => {
    const asking = opening.result.transaction('prepared').objectStore('prepared').count();
    asking.onsuccess = () => { opening.result.close(); done(asking.result); };
  };`;
/** Whether it was ever said that a diagram is being prepared. */
const WATCH = `window.said = false;
  new MutationObserver(() => { window.said ||= !!document.querySelector('[data-testid=preparing]'); })
    .observe(document.body, { childList: true, subtree: true });`;

inTurn(4)(
  'prepares a unit once in its life: a built-in one never here, an own one the first time',
  async () => {
    const page = await yarrix.newBrowser(PHONE);
    await page.driver.get(yarrix.address);
    await page.press(`call-${callNumber(6)}`);
    await page.driver.executeScript(WATCH);
    await page.press('work');
    await page.press('just-start');
    await page.find('why');
    expect(await page.driver.executeScript('return window.said')).toBe(false);
    // The same unit, but for a word.
    const burner = builtIn('coil-burner');
    if (!burner) throw new Error('no coil burner');
    const own = { ...burner, id: 'own-burner', name: 'Coil burner of the galley' };
    await yarrix.put(`/diagrams/${randomUUID()}`, own);
    const call = randomUUID();
    await yarrix.put(`/calls/${call}`, {
      appliance: { id: randomUUID(), make: 'Marrowby', model: 'T-2', place: 'Galley' },
      diagramId: own.id,
      diagramVersion: 1,
      complaint: 'Stays cold',
      phoneAt: new Date().toISOString(),
    });
    for (const expected of [true, false]) {
      await page.driver.get(`${yarrix.address}/call/${call}/work`);
      await page.find('just-start');
      await page.driver.executeScript(WATCH);
      await page.press('just-start');
      await page.find('why');
      await page.driver.wait(
        async () => (await page.driver.executeAsyncScript<number>(KEPT)) === 1,
        15_000,
        'nothing is kept',
      );
      if (!expected) expect(await page.driver.executeScript('return window.said')).toBe(false);
    }
    expect(await page.close(SERVER_AWAY)).toEqual([]);
  },
);
