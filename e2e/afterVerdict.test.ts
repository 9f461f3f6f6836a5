import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, until } from 'selenium-webdriver';
import type { CallDetail } from '../contract/call';
import type { Records } from '../core/call/record';
import { isJpeg, saysWhereTaken, type PhotoSummary } from '../contract/photo';
import { evidenceOf } from '../core/call/log';
import { drawnSetup } from '../core/diagram/setup';
import { ORDINARY_METER } from '../core/meter/meter';
import { UnitDiagnosis } from '../core/plan/unitDiagnosis';
import { LID_READING } from '../core/simulate/lidReading';
import { builtIn } from '../library/library';
import { Browser, PHONE, SERVER_AWAY } from './browser';
import { FaultyUnit, thumb, WATCH_STALLS } from './faultyUnit';
import { Yarrix } from './yarrix';

jest.setTimeout(180_000);

let yarrix: Yarrix;
let page: Browser;
beforeAll(async () => {
  yarrix = await Yarrix.fresh();
  page = await Browser.open(PHONE);
});
afterAll(async () => {
  expect(await page.close(SERVER_AWAY)).toEqual([]);
  await yarrix.end();
});

type Line = { [K in keyof Records]: [K, Records[K]] }[keyof Records];
/** A call of the demo shop with a log that another device has made. */
async function callWith(diagramId: string, complaint: string, lines: Line[]): Promise<string> {
  const callId = randomUUID();
  let at = Date.now() - 3_600_000;
  const phoneAt = (): string => new Date((at += 1000)).toISOString();
  await yarrix.put(`/calls/${callId}`, {
    appliance: { id: randomUUID(), make: 'Harrow', model: 'T-1', place: 'Mill Row 2' },
    diagramId,
    diagramVersion: 1,
    complaint,
    phoneAt: phoneAt(),
  });
  for (const [kind, body] of lines)
    await yarrix.put(`/entries/${randomUUID()}`, { callId, kind, phoneAt: phoneAt(), body });
  return callId;
}
const detail = (id: string): Promise<CallDetail> => yarrix.get<CallDetail>(`/calls/${id}`);

const washer = builtIn('top-load-washer');
if (!washer) throw new Error('no washer');
const lid = (said: string, lidState: 'open' | 'closed', wires: 'on' | 'off' = 'off'): Line => [
  'reading',
  {
    ...LID_READING,
    said,
    setup: {
      ...drawnSetup(washer),
      actuators: { ...drawnSetup(washer).actuators, lid: lidState },
      lifted: wires === 'off' ? ['lid-switch.A1'] : [],
    },
  },
];

describe('after the verdict', () => {
  it('decides by the sum, refuses to finish with a jumper left on, and reports what was done', async () => {
    const call = await callWith('top-load-washer', 'Does not spin', [
      ['statement', { source: 'told', steps: 'timer=spin', subject: 'drive', outcome: 'off' }],
      ['acknowledged', { what: 'made-safe' }],
      ['acknowledged', { what: 'jumper-on', jumper: ['lid-switch.A1', 'lid-switch.A2'] }],
      lid('OL', 'closed'),
      lid('OL', 'open'),
      [
        'found',
        {
          part: 'lid-switch',
          name: 'Lid switch',
          mode: 'stuck-open',
          says: 'stuck open (A)',
          chance: 0.97,
          by: 'unit',
        },
      ],
    ]);
    await page.driver.get(`${yarrix.address}/call/${call}`);
    await page.says('step-complaint', /Complaint.*done/s);
    await page.says('work', /Lid switch: stuck open/);
    await page.press('step-decided');
    await page.says('cost-replace', /About \$\d+ for the customer/);
    await page.press('open-sum-replace');
    await page.fill('partPrice-replace', '31.5');
    await page.press('take-replace');
    await page.fill('choice-words', 'Mend it, and nothing else');
    await page.press('decide-keep');
    await page.says('state-decided', /done/);

    // Something is forgotten: it is refused, and said where to tap.
    await page.press('finish');
    await page.says('not-finished', /Jumper A1 to A2 of Lid switch: on/);
    expect((await detail(call)).stage).toBe('open');
    await page.press('to-ledger');
    await page.press('back-jumper lid-switch.A1 lid-switch.A2');
    await page.says('ledger-closed', /Jumper A1 to A2 of Lid switch: taken off/);
    await page.press('back-wire lid-switch.A1');
    await page.press('leave-panel cabinet');
    await page.press('leave-keep');
    await page.says('leave-words-fault', /in a few words/);
    await page.fill('leave-words', 'one clip broken, ordered');
    await page.press('leave-keep');
    await page.press('back-supply cord');
    await page.find('ledger-empty');
    await page.press('back');
    await page.press('finish');
    await page.says('stage', /Done/);
    await page.gone('waiting');
    expect((await detail(call)).stage).toBe('done');

    // What is handed over says all of it, in words that a customer reads.
    await page.press('report');
    await page.says('report-page', /Lid switch: stuck open[^]*one clip broken/);
    const text = await reportText(call);
    for (const words of [
      /Lid switch: stuck open/,
      /Parts about \$31\.50/,
      /Mend it, and nothing else/,
      /one clip broken, ordered/,
      /OL .*not so/,
    ])
      expect(text).toMatch(words);
    await page.driver.get(yarrix.address);
    await page.press('show-all');
    await page.says(`call-${call}`, /Lid switch: stuck open/);
  });

  it('does not let a manual reset pass without its cause, and alarms at a second protector', async () => {
    const heater = builtIn('electric-water-heater');
    const reset = heater?.parts.find((each) => each.kind === 'switch' && each.reset === 'manual');
    if (!reset) throw new Error('no manual reset');
    const call = await callWith('electric-water-heater', 'No hot water', [
      ['act', { part: reset.id, act: 'reset' }],
    ]);
    await page.driver.get(`${yarrix.address}/call/${call}`);
    await page.press('finish');
    await page.says('not-finished', /What made it fail/);
    await page.press('to-ledger');
    await page.press('cause-refused-0');
    await page.press('refuse-cause-cancel');
    await page.press('cause-found-0');
    await page.says(`cause-${reset.id}`, /settled/);
    await page.press('back');
    await page.press('finish');
    await page.says('stage', /Done/);
    await page.gone('waiting');

    const protectors = (builtIn('electric-dryer')?.parts ?? []).filter(
      ({ kind }) => kind === 'protector',
    );
    const twice = await callWith(
      'electric-dryer',
      'Stays cold',
      protectors.slice(0, 2).map(({ id }): Line => ['act', { part: id, act: 'replace' }]),
    );
    await page.driver.get(`${yarrix.address}/call/${twice}/ledger`);
    await page.says('second-protector', /A second protector/);
  });

  it('does not let a used part in that reads bad on the bench', async () => {
    const call = await callWith('coil-burner', 'Burner stays cold', [
      [
        'found',
        { part: 'infinite', mode: 'stuck-open', says: 'stuck open (H1)', chance: 0.9, by: 'unit' },
      ],
    ]);
    await page.driver.get(`${yarrix.address}/call/${call}/decide`);
    await page.says('option-salvaged', /proved on the bench before it goes in/);
    expect(await page.has('take-salvaged')).toBe(false);
    await page.press('prove-bench');
    // Nothing feeds it on the bench: the meter alone is proved.
    await page.press('meter-proved');
    await page.says('next-position', /^As with/);
    for (let readings = 0; readings < 8 && !(await page.has('not-fitted')); readings++) {
      await page.press('key-over');
      await page.text('meaning');
    }
    await page.find('not-fitted');
    expect(await page.has('decide-switch')).toBe(false);
    await page.press('back');
    await page.says('option-salvaged', /The used part is bad/);
    // What was read on the bench says nothing of the unit.
    await page.gone('waiting');
    const { entries } = await detail(call);
    const bench = entries.filter((each) => each.kind === 'reading' && each.body.of === 'bench');
    expect(bench.length).toBeGreaterThan(1);
    await page.driver.get(`${yarrix.address}/call/${call}`);
    await page.says('standing-infinite', /Not read/);
    await page.says('step-closed', /Nothing is left open/);
  });

  it('leads on to the second fault when a repair did not help', async () => {
    const burner = builtIn('coil-burner');
    if (!burner) throw new Error('no burner');
    const off = { steps: 'knob=high,wait=60', subject: 'coil', outcome: 'off' } as const;
    const coil = (): Line => [
      'reading',
      {
        part: 'coil',
        from: 'coil.a',
        to: 'coil.b',
        function: 'ohm',
        setup: { ...drawnSetup(burner), lifted: ['coil.a'] },
        said: 'OL',
        meter: 'ordinary-auto',
        leadOhms: 0.1,
        wiggle: false,
        lookedAgain: false,
        supersedes: [],
      },
    ];
    const call = await callWith('coil-burner', 'Burner stays cold', [
      ['statement', { source: 'seen', ...off }],
      coil(),
      coil(),
      ['found', { part: 'coil', mode: 'open', says: 'open', chance: 0.98, by: 'unit' }],
      ['decision', { part: 'coil', option: 'replace', along: [], declined: [] }],
      ['act', { part: 'coil', act: 'replace' }],
    ]);
    await page.driver.get(`${yarrix.address}/call/${call}/work`);
    await page.says('repair-standing', /Half proved/);
    for (const id of ['tell-more', 'source-seen', `moment-${off.steps}`, `subject-${off.subject}`])
      await page.press(id);
    await page.driver.executeScript(WATCH_STALLS);
    await page.press('outcome-off');
    await page.says('repair-standing', /Still there: look elsewhere/);
    await page.gone('waiting');
    // The new element is good; the switch never fed it, as the next readings show.
    const unit = new FaultyUnit(
      'coil-burner',
      'infinite.L1-H1:stuck-open',
      new UnitDiagnosis(burner, ORDINARY_METER),
    );
    const { diagram, entries } = await detail(call);
    unit.evidence.push(...evidenceOf(diagram, entries).evidence);
    await unit.work(page, thumb(page));
    await page.says('unit-verdict', /Infinite switch/);
    await page.press('decide-unit');
    await page.says('found', /Infinite switch/);
    await page.driver.get(`${yarrix.address}/call/${call}`);
    await page.says('work', /Infinite switch[^]*stuck open/);
    await page.says('state-proved', /look elsewhere/);
  });

  it('sees the order of the interlocks, right and the wrong way round', async () => {
    const call = await callWith('over-range-oven', 'Fuse blows when the door is opened', [
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
    const call = await callWith('over-range-oven', 'Does not heat', [
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
    const text = await reportText(call);
    expect(text).toMatch(/Microwave leakage: right, 0\.4 mW\/cm²/);
    expect(text).toMatch(/pulled by its corner: not done: door glass is cracked/);
    expect(text).toMatch(/Not done: [^]*Whole run/);
  });

  it('asks what it was in the end, and counts that for the next call on such a unit', async () => {
    const first = await callWith('dehumidifier', 'Does not start', [
      ['found', { part: 'float-switch', says: 'stuck open', chance: 0.9, by: 'unit' }],
    ]);
    await page.driver.get(`${yarrix.address}/call/${first}`);
    await page.press('finish');
    await page.says('put-right', /Was it that\?/);
    await page.press('put-right-found');
    await page.says('put-right', /it was what was found/);
    await page.says('stage', /Done/);
    await page.gone('waiting');
    const next = await callWith('dehumidifier', 'Stays off', []);
    await page.driver.get(`${yarrix.address}/call/${next}`);
    await page.says('share-float-switch', /diagram \d+ in 100[^]*with yours \d+ in 100 \(1\)/);
    await page.driver.get(`${yarrix.address}/call/${next}/work?pane=suspects`);
    await page.says('counts-found', /in 1 finished call/);
    await page.driver.get(`${yarrix.address}/call/${next}`);
    await page.press('shop-priors');
    await page.driver.get(`${yarrix.address}/call/${next}/work?pane=suspects`);
    await page.find('suspects');
    expect(await page.has('counts-found')).toBe(false);
  });

  it('keeps a photo through a lost server and a restart, scaled and without where it was taken', async () => {
    const call = await callWith('coil-burner', 'Burner stays cold', []);
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
    const jpeg = new Uint8Array(
      await (await fetch(`${yarrix.address}/api/photos/${photo?.id}`)).arrayBuffer(),
    );
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
  });

  it('reckons with the numbers of the call', async () => {
    const call = await callWith('coil-burner', 'Burner is slow', []);
    await page.driver.get(`${yarrix.address}/call/${call}`);
    await page.press('figures-coil-element');
    const watts = Number(await (await page.find('in-watts')).getAttribute('value'));
    expect(watts).toBeGreaterThan(0);
    await page.fill('in-volts', '208');
    await page.says('answer', /75 % of its plate/);
    await page.fill('in-volts', 'many');
    await page.says('in-volts-fault', /A number/);
    await page.press('calc-limit-marking');
    await page.fill('in-marking', 'L140-20');
    await page.says('answer', /140 °F, 60 °C[^]*120 °F/);
    await page.press('back');
    await page.find('course');
  });
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

/** The words of the customer's PDF. */
async function reportText(call: string): Promise<string> {
  const answer = await fetch(`${yarrix.address}/api/calls/${call}/report.pdf?currency=$`);
  const folder = mkdtempSync(join(tmpdir(), 'yarrix-report-'));
  try {
    const file = join(folder, 'report.pdf');
    writeFileSync(file, Buffer.from(await answer.arrayBuffer()));
    return execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
  } finally {
    rmSync(folder, { recursive: true });
  }
}
