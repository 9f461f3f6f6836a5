import { randomBytes } from 'node:crypto';
import sharp from 'sharp';
import type { CallDetail } from '../contract/call';
import { PHONE, SERVER_AWAY, type Browser } from './browser';
import { inTurn } from '../tools/inTurn';
import { Yarrix } from './yarrix';

jest.setTimeout(240_000);

let yarrix: Yarrix;
beforeAll(async () => {
  yarrix = await Yarrix.fresh();
});
afterAll(() => yarrix.end());

const CALL = '00000000-0000-4000-8000-000200000000';
const ENTRIES = 500;
const PHOTOS = 20;

/** Puts a day's work where the app keeps what waits, as if it had been entered with the server away. */
const WORKED = `const [call, entries, photos, jpeg, done] = arguments;
  const phoneAt = new Date().toISOString();
  const opening = indexedDB.open('yarrix');
  opening.onsuccess = async () => {
    const all = (store) => new Promise((resolve) => {
      const asking = opening.result.transaction(store).objectStore(store).get('account');
      asking.onsuccess = () => resolve(asking.result);
    });
    const { shop, person } = await all('settings');
    const transaction = opening.result.transaction('waiting', 'readwrite');
    const add = (to, body) => transaction.objectStore('waiting').add({
      to, id: crypto.randomUUID(), body: { callId: call, phoneAt, ...body }, shop, person, since: Date.now(),
    });
    for (let i = 0; i < entries; i++) {
      add('entries', { kind: 'acknowledged', body: { what: 'meter-proved', leadOhms: 0.2 } });
      if (i % Math.ceil(entries / photos) === 0) add('photos', { shows: 'Photo ' + i, jpeg });
    }
    transaction.oncomplete = () => { opening.result.close(); done(); };
  };`;

/** How many writes wait on the device. */
const WAITING = `const [done] = arguments;
  const opening = indexedDB.open('yarrix');
  opening.onsuccess = () => {
    const counting = opening.result.transaction('waiting').objectStore('waiting').count();
    counting.onsuccess = () => { opening.result.close(); done(counting.result); };
  };`;

/** A picture as the app sends it, of which nothing can be packed. */
async function picture(): Promise<string> {
  const raw = { width: 800, height: 600, channels: 3 as const };
  const noise = sharp(randomBytes(raw.width * raw.height * 3), { raw });
  return (await noise.jpeg({ quality: 60 }).toBuffer()).toString('base64');
}

inTurn(4)(
  'sends what a day without a signal has brought, and loses nothing when it is killed in the middle',
  async () => {
    const page = await yarrix.browser(PHONE);
    const waiting = (): Promise<number> => page.driver.executeAsyncScript<number>(WAITING);
    const jpeg = await picture();
    await page.driver.get(`${yarrix.address}/call/${CALL}`);
    await page.find('stage');
    const { entries: before } = await yarrix.get<CallDetail>(`/calls/${CALL}`);
    // The application is on the device before the server goes.
    await page.driver.executeAsyncScript(
      'const [done] = arguments; navigator.serviceWorker.ready.then(() => done());',
    );
    for (const [day, killed] of [false, true].entries()) {
      await yarrix.stop();
      await page.driver.executeAsyncScript(WORKED, CALL, ENTRIES, PHOTOS, jpeg);
      await page.driver.navigate().refresh();
      await page.says('waiting', /kept on this device/);
      expect(await waiting()).toBe(ENTRIES + PHOTOS);
      await yarrix.start();
      const began = performance.now();
      await page.driver.executeScript("window.dispatchEvent(new Event('online'))");
      if (killed) await killInTheMiddle(page, waiting);
      await page.driver.wait(async () => (await waiting()) === 0, 60_000, 'something still waits');
      if (!killed)
        process.stdout.write(
          `${ENTRIES} entries and ${PHOTOS} photos of ${Math.round((jpeg.length * 3) / 4096)} KB sent in ${((performance.now() - began) / 1000).toFixed(1)} s\n`,
        );
      const { entries } = await yarrix.get<CallDetail>(`/calls/${CALL}`);
      expect(entries.length - before.length).toBe(ENTRIES * (day + 1));
      const photos = await yarrix.get<unknown[]>(`/calls/${CALL}/photos`);
      expect(photos).toHaveLength(PHOTOS * (day + 1));
    }
    expect(await page.close(SERVER_AWAY)).toEqual([]);
  },
);

/** The page goes when some has been sent and some has not, and is opened again. */
async function killInTheMiddle(page: Browser, waiting: () => Promise<number>): Promise<void> {
  const url = await page.driver.getCurrentUrl();
  await page.driver.wait(async () => (await waiting()) < ENTRIES + PHOTOS - 20, 30_000);
  await page.driver.get('about:blank');
  await page.driver.get(url);
  await page.find('stage');
}
