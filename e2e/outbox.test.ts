import type { Driver } from 'selenium-webdriver/chrome';
import type { CallDetail } from '../contract/call';
import { type Browser, PHONE, SERVER_AWAY } from './browser';
import { inTurn } from '../tools/inTurn';
import { Yarrix } from './yarrix';

jest.setTimeout(240_000);

// Nothing was opened on it: it can be finished and opened again by a tap.
const CALL = '00000000-0000-4000-8000-000200000000';

let yarrix: Yarrix;
let page: Browser;
beforeAll(async () => {
  yarrix = await Yarrix.fresh();
  page = await yarrix.newBrowser(PHONE);
});
afterAll(async () => {
  // What the browser says of a server that is away, or of a page that is none, is meant to be there.
  expect(await page.close(new RegExp(`${SERVER_AWAY.source}|Failed to load resource`))).toEqual([]);
  await yarrix.end();
});

const run = (script: string): Promise<unknown> => page.driver.executeScript(script);
/** Runs before anything of a page does. */
const beforeLoad = (source: string): Promise<unknown> =>
  (page.driver as Driver).sendDevToolsCommand('Page.addScriptToEvaluateOnNewDocument', { source });
const stored = async (): Promise<number> =>
  (await yarrix.get<CallDetail>(`/calls/${CALL}`)).entries.filter(({ kind }) => kind === 'stage')
    .length;
const openCall = async (): Promise<void> => {
  await page.driver.get(`${yarrix.address}/call/${CALL}`);
  await page.find('stage');
  // From here on the page itself comes from the device.
  await page.driver.executeAsyncScript(
    'const done = arguments[arguments.length - 1]; navigator.serviceWorker.ready.then(() => done());',
  );
};
/** Makes an entry with one tap: the call is finished, or open again. */
async function enter(): Promise<void> {
  const done = await page.has('reopen');
  await page.press(done ? 'reopen' : 'finish');
  await page.says('stage', done ? /Open/ : /Done/);
}
/** The same where it is refused at once, and so never shows. */
const enterInVain = async (): Promise<void> =>
  page.press((await page.has('reopen')) ? 'reopen' : 'finish');
/** Waits until the server has so many of them, each once. */
async function settled(wanted: number): Promise<void> {
  await page.driver.wait(async () => (await stored()) >= wanted, 15_000, `not ${wanted} stored`);
  await page.gone('waiting');
  const { entries } = await yarrix.get<CallDetail>(`/calls/${CALL}`);
  const ids = entries.map(({ id }) => id);
  expect(new Set(ids).size).toBe(ids.length);
  expect(await stored()).toBe(wanted);
}

it('keeps what is entered when the page goes at the same moment, and sends from two tabs once', async () => {
  const before = await stored();
  await openCall();
  const first = await page.driver.getWindowHandle();
  await page.driver.switchTo().newWindow('tab');
  const second = await page.driver.getWindowHandle();
  await openCall();
  await yarrix.stop();
  await enter();
  await page.driver.navigate().refresh();
  await page.says('waiting', /1 kept on this device since \d/);
  await page.driver.switchTo().window(first);
  await enter();
  // Each tab sees what the other has waiting, and both let it be saved without a server.
  await page.says('waiting', /2 kept on this device since \d/);
  await page.find('save-waiting');
  await yarrix.start();
  await settled(before + 2);
  // Another tab would send what this one is kept from sending below.
  await page.driver.switchTo().window(second);
  await page.driver.close();
  await page.driver.switchTo().window(first);
});

inTurn(4)(
  'takes a hotel’s page for no server, and goes on when the server itself answers',
  async () => {
    const before = await stored();
    await openCall();
    await run(`
    window.realFetch = window.fetch;
    window.fetch = async () => new Response('<title>Harbour Hotel</title>', {
      status: 200, headers: { 'content-type': 'text/html' } });`);
    await enter();
    await page.says('waiting', /No server. 1 kept/);
    for (const status of [401, 403, 429, 503]) {
      await run(`window.fetch = async () => new Response('{}', { status: ${status} });`);
      await run("window.dispatchEvent(new Event('online'))");
      await page.says('waiting', /No server. 1 kept/);
    }
    expect(await page.has('refused')).toBe(false);
    await run("window.fetch = window.realFetch; window.dispatchEvent(new Event('online'))");
    await settled(before + 1);
  },
);

inTurn(4)('keeps what the server refuses, with its reason, to try again or to save', async () => {
  const before = await stored();
  await openCall();
  await run(`
    window.realFetch = window.fetch;
    window.fetch = async () => new Response(
      JSON.stringify({ title: 'this cannot be stored as it is', faults: [{ path: '/body/said', message: 'says nothing' }] }),
      { status: 422, headers: { 'x-yarrix': 'api', 'content-type': 'application/json' } });`);
  await enterInVain();
  await page.says('refused', /cannot be stored[^]*Call (finished|opened again)[^]*says nothing/);
  await page.find('refused-save');
  await run('window.fetch = window.realFetch;');
  await page.press('refused-again');
  await page.gone('refused');
  await settled(before + 1);
});

inTurn(4)('survives that its database is deleted under it', async () => {
  const before = await stored();
  await openCall();
  await page.driver.executeAsyncScript(`
    const done = arguments[arguments.length - 1];
    const asks = indexedDB.deleteDatabase('yarrix');
    asks.onsuccess = asks.onerror = () => done();`);
  await enter();
  await settled(before + 1);
});

inTurn(4)('says so when the device keeps nothing, and sends it all the same', async () => {
  const before = await stored();
  await openCall();
  await run(`
    IDBObjectStore.prototype.add = () => { throw new DOMException('no room', 'QuotaExceededError'); };
    window.realFetch = window.fetch;
    window.fetch = async () => { throw new TypeError('no network'); };`);
  await enter();
  await page.says('unkept', /keeps nothing: 1 will go with this page/);
  await run("window.fetch = window.realFetch; window.dispatchEvent(new Event('online'))");
  await settled(before + 1);
});

inTurn(4)('marks the demo on every screen, and leads out of it to the door and back', async () => {
  await page.driver.get(`${yarrix.address}/call/${CALL}`);
  await page.says('shop-demo', /Demo/);
  await page.press('shop-demo');
  await page.press('sign-out');
  await page.find('door');
  await page.driver.navigate().refresh();
  await page.press('look-around');
  // The call itself may have been finished by an earlier test.
  await page.find('new-call');
});

// The last one: what is put into every page from here on stays there.
inTurn(4)(
  'works where the browser gives no database at all (private mode), and tells of a wrong clock',
  async () => {
    const before = await stored();
    await beforeLoad(`
    indexedDB.open = () => { throw new DOMException('private', 'SecurityError'); };
    const now = Date.now;
    Date.now = () => now() - 3 * 3600 * 1000;`);
    await openCall();
    await enter();
    await settled(before + 1);
    await page.says('clock-off', /clock is 3 h behind|clock is 180 min behind/);
  },
);
