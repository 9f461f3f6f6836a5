import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, until } from 'selenium-webdriver';
import { isJpeg, saysWhereTaken, type PhotoSummary } from '../contract/photo';
import { type Browser, PHONE, SERVER_AWAY } from './browser';
import { inTurn } from '../tools/inTurn';
import { callWith, reportText } from './workedCall';
import { Yarrix } from './yarrix';

jest.setTimeout(180_000);

let yarrix: Yarrix;
let page: Browser;
beforeAll(async () => {
  yarrix = await Yarrix.fresh();
  page = await yarrix.browser(PHONE);
});
afterAll(async () => {
  expect(await page.close(SERVER_AWAY)).toEqual([]);
  await yarrix.end();
});

describe('after the repair', () => {
  inTurn(3)('sees the order of the interlocks, right and the wrong way round', async () => {
    const call = await callWith(yarrix, 'over-range-oven', 'Fuse blows when the door is opened', [
      ['act', { part: 'monitor', act: 'replace' }],
    ]);
    await page.driver.get(`${yarrix.address}/call/${call}`);
    await page.says('step-proved', /Opening the door: which contact goes over first/);
    await page.press('to-order');
    await page.press('went-monitor');
    await page.press('went-primary');
    await page.says(
      'order-says',
      /Monitor switch went over before Primary door switch: that must not be/,
    );
    await page.press('order-keep');
    await page.press('back');
    await page.says('state-proved', /look elsewhere/);
    await page.press('to-order');
    // Two channels at a time, by the stand-in for a recorder: the wrong way round, then what is missing.
    const folder = mkdtempSync(join(tmpdir(), 'yarrix-recording-'));
    const read = async (csv: string): Promise<void> => {
      const file = join(folder, 'recording.csv');
      writeFileSync(file, csv);
      await (await page.find('recording-file')).sendKeys(file);
    };
    const recorded = (...choices: string[]): string =>
      execFileSync('./yarrix', ['record', 'over-range-oven', 'door', 'opening', ...choices], {
        encoding: 'utf8',
      });
    await read('seconds,A,B\n0,1,OL\n1,x,OL\n2,OL,1');
    await page.says('recording-says', /line 3, column 2.*no reading in ohms/);
    await read(recorded('--part', 'primary,monitor', '--wrong'));
    await page.says('recording-says', /Monitor switch, then Primary.*Record the others/);
    await page.driver.navigate().refresh();
    await read(recorded('--part', 'primary,sense').replace('primary NO', 'A'));
    await page.press('channel-0-primary');
    await page.says('recording-says', /Record the others/);
    await read(recorded('--part', 'sense,monitor'));
    await page.says('order-says', /In the order that protects/);
    await page.press('order-again');
    rmSync(folder, { recursive: true });
    for (const way of ['opening', 'closing'] as const) {
      await page.press(`way-${way}`);
      for (const part of way === 'opening'
        ? ['primary', 'sense', 'monitor']
        : ['monitor', 'sense', 'primary'])
        await page.press(`went-${part}`);
      await page.says('order-says', /In the order that protects/);
      await page.press('order-keep');
    }
    await page.press('back');
    await page.says('step-proved', /Opening the door: In the order that protects/);
    await page.says('step-proved', /Closing the door: In the order that protects/);
  });

  it('asks before an oven is handed back, takes no leakage over the limit, and reports what was not done', async () => {
    const call = await callWith(yarrix, 'over-range-oven', 'Does not heat', [
      ['act', { part: 'primary', act: 'replace' }],
    ]);
    await page.driver.get(`${yarrix.address}/call/${call}`);
    await page.says('to-checks', /: \d+ to check/);
    await page.press('to-checks');
    await page.press('right-safety-primary-finger');
    await page.says('check-safety-primary', /Right, by finger/);
    await page.press('right-leakage');
    await page.says('fault-leakage', /what was read/);
    await page.fill('figure-leakage', '7');
    await page.press('right-leakage');
    await page.says('fault-leakage', /at most 5 mW/);
    await page.press('wrong-leakage');
    await page.says('checks-say', /do not hand it back/);
    await page.press('check-again-leakage');
    await page.fill('figure-leakage', '0.4');
    await page.press('right-leakage');
    await page.says('check-leakage', /Right, 0.4 mW/);
    await page.press('leave-corner-door');
    await page.fill('not-done-corner-door-words', 'door glass is cracked');
    await page.press('not-done-corner-door-keep');
    await page.press('back');
    await page.says('step-proved', /Primary door switch: proved by finger; not by what moves it/);
    await page.says('step-proved', /pulled by its corner: not done: door glass is cracked/);
    await page.gone('waiting');
    const text = await reportText(yarrix, call);
    expect(text).toMatch(/Microwave leakage: right, 0\.4 mW\/cm²/);
    expect(text).toMatch(/pulled by its corner: not done: door glass is cracked/);
    expect(text).toMatch(/Not done: [^]*Whole run/);
  });

  inTurn(3)(
    'keeps a photo through a lost server and a restart, scaled and without where it was taken',
    async () => {
      const call = await callWith(yarrix, 'coil-burner', 'Burner stays cold', []);
      await page.driver.get(`${yarrix.address}/call/${call}`);
      await page.press('photo-of-1');
      // A picture larger than is kept, as a camera would give it.
      const folder = mkdtempSync(join(tmpdir(), 'yarrix-photo-'));
      const file = join(folder, 'big.png');
      writeFileSync(
        file,
        Buffer.from(await page.driver.executeScript<string>(BIG_PICTURE), 'base64'),
      );
      await yarrix.stop();
      await (await page.find('photo-file')).sendKeys(file);
      await page.says('photos', /Wires, before they came off, waits on this device/);
      await page.says('waiting', /kept on this device/);
      await yarrix.start();
      await page.gone('waiting');
      await page.says('photos', /Wires, before they came off(?!, waits)/);
      const [photo] = await yarrix.get<PhotoSummary[]>(`/calls/${call}/photos`);
      expect(photo?.shows).toBe('Wires, before they came off');
      const jpeg = new Uint8Array(await (await yarrix.ask(`/photos/${photo?.id}`)).arrayBuffer());
      expect([isJpeg(jpeg), saysWhereTaken(jpeg), jpeg.length < 400_000]).toEqual([
        true,
        false,
        true,
      ]);
      // Seen again after a restart, and after a reload.
      await yarrix.stop();
      await yarrix.start();
      await page.driver.navigate().refresh();
      const width = await page.driver.wait(
        () =>
          page.driver.executeScript<number>(
            `return document.querySelector('[data-testid="photo-${photo?.id}"] img')?.naturalWidth ?? 0`,
          ),
        15_000,
      );
      expect(width).toBe(1280);
      // An arrow and a word are put on it: a photo of its own, in its place.
      await page.press(`photo-${photo?.id}`);
      await page.press('draw');
      const canvas = await page.driver.wait(
        until.elementLocated(By.css('[data-testid="draw-ground"] canvas')),
        15_000,
      );
      const move = (x: number, y: number) => ({ origin: canvas, x, y, duration: 100 });
      const finger = page.driver.actions();
      await finger.move(move(-80, -30)).press().move(move(60, 20)).release().perform();
      await page.press('draw-word');
      await page.fill('draw-words', 'burnt');
      await page.driver.actions().move(move(-60, 50)).press().release().perform();
      await page.press('draw-undo');
      await page.driver.actions().move(move(-20, 60)).press().release().perform();
      await page.press('draw-keep');
      await page.says('photo-page', /Drawn on; the photo as it was taken is kept/);
      await page.gone('waiting');
      const both = await yarrix.get<PhotoSummary[]>(`/calls/${call}/photos`);
      expect(both.map(({ drawnFrom }) => drawnFrom)).toEqual([null, photo?.id]);
      expect(await redIn(page, both[1]?.id ?? '')).toBeGreaterThan(300);
      await page.press('back');
      await page.find(`photo-${both[1]?.id}`);
      expect(await page.has(`photo-${photo?.id}`)).toBe(false);
      writeFileSync(file, 'no picture');
      await (await page.find('photo-file')).sendKeys(file);
      await page.says('photo-failed', /no picture/);
      rmSync(folder, { recursive: true });
    },
  );
});

/** A PNG of 2000 by 1000, with something on it, in base64. */
const BIG_PICTURE = `
  const canvas = document.createElement('canvas');
  canvas.width = 2000;
  canvas.height = 1000;
  const pen = canvas.getContext('2d');
  for (let x = 0; x < 2000; x += 8) {
    pen.fillStyle = 'hsl(' + x + ', 80%, 50%)';
    pen.fillRect(x, 0, 8, 1000);
  }
  return canvas.toDataURL('image/png').split(',')[1];`;

/** How many points of a photo have the red of a mark. */
const redIn = (page: Browser, id: string): Promise<number> =>
  page.driver.executeAsyncScript<number>(
    `const done = arguments[arguments.length - 1];
     const picture = new Image();
     picture.src = '/api/photos/' + arguments[0];
     picture.decode().then(() => {
       const canvas = document.createElement('canvas');
       [canvas.width, canvas.height] = [picture.naturalWidth, picture.naturalHeight];
       const pen = canvas.getContext('2d');
       pen.drawImage(picture, 0, 0);
       const { data } = pen.getImageData(0, 0, canvas.width, canvas.height);
       let red = 0;
       for (let i = 0; i < data.length; i += 4)
         if (Math.abs(data[i] - 214) < 25 && data[i + 1] < 40 && data[i + 2] < 40) red++;
       done(red);
     });`,
    id,
  );
