import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import express from 'express';
import { UseRuns } from '../../core/behaviour/useRuns';
import type { Diagram } from '../../core/diagram/diagram';
import { PHONE } from '../../e2e/browser';
import { Yarrix } from '../../e2e/yarrix';
import { LIBRARY } from '../../library/library';
import { serveWeb } from '../../server/web';
import { BadInput, EXIT, out, outJson } from '../commands/command';
import { compress } from '../compressed';
import { needDebian } from '../debian';
import { exportPage } from '../webMake';
import { Measured, PHONES, type PageLoad, type Phone } from './pageLoad';
import { pressesOf, type PagePress } from './pagePress';
import { median } from './median';

const RUNS = 5;
const EMPTY = join('tools', 'bench', 'emptyPage');

/** One page under one condition, each run of it. */
type Loads = Record<string, PageLoad[]>;
/** A call on one unit: milliseconds from the press on it to its first advice, and what each answer took then. */
interface CallOf {
  first: number;
  presses: PagePress[];
}
type Calls = Record<Phone, Record<string, CallOf>>;

/**
 * `./yarrix bench web [--only UNIT,...] [--json]`: the first page on a cheap phone and on this machine, beside a page of one word
 * of the same platform, in turns; then a call on every unit: its first advice right after a cold load, and what follows each answer.
 */
export async function benchWeb(json: boolean, only: string | undefined): Promise<number> {
  const units = only === undefined ? LIBRARY : only.split(',').map(unitNamed);
  await needDebian(['postgresql', 'chromium', 'chromium-driver']);
  const empty = await emptyPage();
  const yarrix = await Yarrix.fresh();
  try {
    const loads = await loadsOf(empty.address, yarrix);
    const calls: Calls = { cheap: {}, 'as it is': {} };
    for (const phone of Object.keys(PHONES) as Phone[])
      for (const unit of units) calls[phone][unit.id] = await callOn(yarrix, phone, unit);
    if (json) outJson({ loads, calls });
    else say(loads, calls);
  } finally {
    await yarrix.end();
    empty.end();
  }
  return EXIT.done;
}

function unitNamed(id: string): Diagram {
  const unit = LIBRARY.find((each) => each.id === id);
  if (!unit) throw new BadInput(`--only ${id}: no built-in unit has this id`);
  return unit;
}

/** The page of one word, built with the settings of ours and served as ours is. */
async function emptyPage(): Promise<{ address: string; end: () => void }> {
  const folder = mkdtempSync(join(tmpdir(), 'yarrix-empty-page-'));
  await exportPage(folder, EMPTY);
  await compress(folder);
  const server = express().use(serveWeb(folder)).listen(0, '127.0.0.1');
  await new Promise((done) => server.once('listening', done));
  const end = (): void => {
    server.close();
    rmSync(folder, { recursive: true, force: true });
  };
  const { port } = server.address() as AddressInfo;
  return { address: `http://127.0.0.1:${port}`, end };
}

/** Each page in turns, so that what else the machine does meets all of them. */
async function loadsOf(empty: string, yarrix: Yarrix): Promise<Loads> {
  const loads: Loads = {};
  const add = (name: string, load: PageLoad): void => void (loads[name] ??= []).push(load);
  for (let run = 0; run < RUNS; run++)
    for (const phone of Object.keys(PHONES) as Phone[]) {
      await opened(yarrix, phone, async (page) => {
        add(`${phone}, empty page, cold`, await page.load(`${empty}/`, '[data-testid=word]'));
      });
      await opened(yarrix, phone, async (page) => {
        const first = '[data-testid^=call-]';
        add(`${phone}, ours, cold`, await page.load(`${yarrix.address}/`, first));
        await page.kept();
        add(`${phone}, ours, warm`, await page.load(`${yarrix.address}/`, first));
      });
    }
  return loads;
}

async function opened<T>(
  yarrix: Yarrix,
  phone: Phone,
  measure: (page: Measured) => Promise<T>,
): Promise<T> {
  const browser = await yarrix.newBrowser(PHONE, 'light', true);
  try {
    return await measure(await Measured.on(browser, phone));
  } finally {
    await browser.close();
  }
}

/** A call whose complaint is told, pressed in the list as soon as that is there, from a cold load on. */
async function callOn(yarrix: Yarrix, phone: Phone, unit: Diagram): Promise<CallOf> {
  const call = await toldCall(yarrix, unit);
  const row = `[data-testid="call-${call}"]`;
  return opened(yarrix, phone, async (measured) => {
    await measured.load(`${yarrix.address}/`, row, 0);
    const [from, at] = await measured.press([row, '[data-testid=work]'], '[data-testid=why]');
    return { first: at - from, presses: await pressesOf(measured.page) };
  });
}

/** A call of which is known that a load does not run. */
async function toldCall(yarrix: Yarrix, unit: Diagram): Promise<string> {
  const runs = new UseRuns(unit).of([]).outcomes;
  const [said] = [...runs].flatMap(([steps, outcomes]) =>
    [...outcomes].filter(([, does]) => does === 'runs').map(([subject]) => ({ steps, subject })),
  );
  if (!said) throw new Error(`nothing of ${unit.id} runs in any of its uses`);
  const [callId, phoneAt] = [randomUUID(), new Date().toISOString()];
  await yarrix.put(`/calls/${callId}`, {
    appliance: { id: randomUUID(), make: 'Bench', model: unit.id, place: 'Bench' },
    diagramId: unit.id,
    diagramVersion: 1,
    complaint: 'Does not run',
    phoneAt,
  });
  const body = { source: 'told', ...said, outcome: 'off' };
  await yarrix.put(`/entries/${randomUUID()}`, { callId, kind: 'statement', phoneAt, body });
  return callId;
}

function say(loads: Loads, calls: Calls): void {
  const ms = (of: number): string => of.toFixed(0).padStart(7);
  out(
    `medians of ${RUNS} runs, milliseconds; bytes on the wire; script that the page begins with, requests until in sight`,
  );
  out(`${''.padEnd(28)}   paint  sight  tasks before, after  requests  script  bytes in all`);
  const of = (name: string, pick: (load: PageLoad) => number): number =>
    median((loads[name] ?? []).map(pick));
  const script = (load: PageLoad): number => load.script;
  for (const name of Object.keys(loads))
    out(
      [
        name.padEnd(28),
        ms(of(name, (each) => each.firstPaint)),
        ms(of(name, (each) => each.inSight)),
        ms(of(name, (each) => each.longestBefore)),
        ms(of(name, (each) => each.longestAfter)),
        of(name, (each) => each.requests)
          .toFixed(0)
          .padStart(5),
        of(name, script).toFixed(0).padStart(9),
        of(name, (each) => each.allBytes)
          .toFixed(0)
          .padStart(9),
      ].join(' '),
    );
  for (const phone of Object.keys(PHONES) as Phone[]) {
    const [ours, empty] = [`${phone}, ours, cold`, `${phone}, empty page, cold`];
    const ratio = (pick: (load: PageLoad) => number): string =>
      (of(ours, pick) / of(empty, pick)).toFixed(2);
    out(
      `${phone}: ${ratio((each) => each.inSight)} times the empty page until in sight, ${ratio(script)} times its script`,
    );
    const units = Object.entries(calls[phone]);
    const times = (title: string, pick: (call: CallOf) => number[]): void => {
      const all = units.flatMap(([unit, call]) => pick(call).map((at) => ({ unit, at })));
      all.sort((one, two) => two.at - one.at);
      const slowest = all.slice(0, 3).map(({ unit, at }) => `${unit} ${at.toFixed(0)}`);
      out(
        `${phone}: ${title}, ${all.length} on ${units.length} units: median ${median(all.map(({ at }) => at)).toFixed(0)}, nine of ten within ${(all[Math.floor(all.length / 10)]?.at ?? NaN).toFixed(0)}, slowest ${slowest.join(', ')}`,
      );
    };
    times('first advice after the press on a call', ({ first }) => [first]);
    times('from an answer to its meaning', ({ presses }) => presses.map((each) => each.meaning));
    times('from an answer to the next advice', ({ presses }) => presses.map((each) => each.advice));
    times('longest task after an answer', ({ presses }) => presses.map((each) => each.longest));
  }
}
