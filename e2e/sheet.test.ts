import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By, Key } from 'selenium-webdriver';
import type { Diagram } from '../core/diagram/diagram';
import { drawPage, type DrawnTable } from '../server/tablePhoto/photographedTable';
import { PHONE } from './browser';
import { inTurn } from '../tools/inTurn';
import { Yarrix } from './yarrix';

jest.setTimeout(240_000);

let yarrix: Yarrix;
const folder = mkdtempSync(join(tmpdir(), 'yarrix-sheet-'));
beforeAll(async () => {
  yarrix = await Yarrix.fresh();
});
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await yarrix.end();
});

const TEST_ID = (id: string) => By.css(`[data-testid="${id}"]`);

inTurn(4)(
  'traces a unit without a sheet: parts from the shelf, colours, and the readings that tell most',
  async () => {
    const page = await yarrix.browser(PHONE);
    await page.driver.get(`${yarrix.address}/edit/new`);
    await page.find('new-line');
    await page.press('pane-parts');
    await page.press('supply-add');
    await page.press('supply-kind-mains');
    for (const kind of ['button', 'lamp', 'heater']) {
      await page.press('shelf');
      await page.press(`kind-${kind}`);
      await page.press('shelf-take');
      await page.press('part-close');
    }
    await page.press('pane-lines');
    await page.press('trace-open');
    // The hot side feeds the button, which feeds a lamp and a heater beside each other.
    const nets = [
      ['L of Control supply', '1 of Start switch'],
      ['2 of Start switch', '1 of Lamp', '1 of Heater'],
      ['2 of Lamp', '2 of Heater', 'N of Control supply'],
    ];
    const colours = {
      L: 'BK',
      'start-switch.1': 'BK',
      'start-switch.2': 'red, RD',
      'lamp.1': 'RD',
      'heater.1': 'RD',
    };
    const rest = { 'lamp.2': 'WH', 'heater.2': 'WH', N: 'WH, WH' };
    for (const [ref, text] of Object.entries({ ...colours, ...rest }))
      await page.fill(`ends-${ref.includes('.') ? ref : `control-supply.${ref}`}`, text);
    await page.press('trace-read');
    let read = 0;
    for (; read < 12 && (await page.either('trace-next', 'trace-clear')) === 'trace-next'; read++) {
      const [points, setup] = [await page.text('trace-next'), await page.text('trace-setup')];
      await page.press(`trace-${shownBetween(nets, points, setup)}`);
      await page.says('trace-standing', new RegExp(`^${read + 1} read`));
    }
    process.stdout.write(`three nets traced by ${read} readings\n`);
    await page.says('trace-clear', /clear/);
    await page.press('trace-take');
    await page.says('lines', /Lines, \d/);
    await page.press('pane-check');
    await page.find('nothing-wrong');
    expect(await yarrix.giveBack(page)).toEqual([]);
  },
);

/** What a meter shows between two points of the unit that is traced, as it stands. */
function shownBetween(nets: string[][], points: string, setup: string): 'closed' | 'load' | 'open' {
  const [one = '', two = ''] = points.split(' to ');
  // "1 to 2 of Lamp" names the part once.
  const from = one.includes(' of ') ? one : `${one} of ${two.split(' of ')[1] ?? ''}`;
  const joined = /pressed/.test(setup)
    ? [[...(nets[0] ?? []), ...(nets[1] ?? [])], nets[2] ?? []]
    : nets;
  const netOf = (point: string): number => joined.findIndex((net) => net.includes(point));
  const [a, b] = [netOf(from), netOf(two)];
  if (a === b) return 'closed';
  const loads = ['Lamp', 'Heater'].filter((each) => !setup.startsWith(each));
  const through = loads.some((each) =>
    [a, b].every((net) => [netOf(`1 of ${each}`), netOf(`2 of ${each}`)].includes(net)),
  );
  return through ? 'load' : 'open';
}

inTurn(4)(
  'takes a contact table out of a photo once its doubtful cells were looked at',
  async () => {
    const page = await yarrix.browser(PHONE);
    await page.driver.get(`${yarrix.address}/edit/new`);
    await page.fill('new-line', 'L1 > timer A-C > motor [4 ohm] > N');
    await page.press('new-line-take');
    await page.press('pane-parts');
    await page.press('part-timer');
    await page.press('photo-table');
    const send = async (name: string, table: DrawnTable): Promise<void> => {
      const file = join(folder, name);
      const set = { font: 'Archivo', size: 13, rule: 1, framed: true, text: true } as const;
      writeFileSync(file, await drawPage(table, set));
      await (await page.driver.findElement(TEST_ID('photo-of-table-field'))).sendKeys(file);
    };
    const cannotTake = async () =>
      (await page.driver.findElement(TEST_ID('photo-take'))).getAttribute('aria-disabled');
    await page.press('photo-pinned');
    await page.says('photo-none-pinned', /No sheet is pinned/);
    await send('one.png', { head: ['A'], rows: [] });
    await page.says('photo-no-table', /No table with ruled lines/);
    const off = { name: 'OFF', cells: ['blank', 'blank'] };
    const dry = { name: 'DRY', cells: ['ring', 'blank'] };
    const cool = { name: 'COOL DOWN', cells: ['ring', 'ring'] };
    await send('table.png', { head: ['CYCLE', 'A-C', 'B-O'], rows: [off, dry, cool] });
    // A letter or a nought: nobody can tell from print.
    await page.says('photo-left', /1 cell to look at first/);
    expect(await cannotTake()).toBe('true');
    await page.press('photo-cell-right');
    await page.says('photo-left', /Compare it with the picture/);
    expect(await cannotTake()).toBe('true');
    await page.press('legend-ring-closed');
    await page.press('photo-at-1-1');
    await page.press('photo-cell-either');
    await page.press('photo-take');
    await page.gone('from-photo');
    await page.press('store');
    await page.says('stored', /Stored as version 1/);
    const id = new URL(await page.driver.getCurrentUrl()).pathname.split('/').at(-1) ?? '';
    const { parts } = await yarrix.get<Diagram>(`/diagrams/${id}/1`);
    const timer = parts.find((part) => part.kind === 'switch');
    expect(timer?.contacts.map(({ between }) => between.join('-'))).toEqual(['A-C', 'B-O']);
    expect(timer?.table).toMatchObject({
      known: 'sheet',
      rows: [
        { position: 'off', closed: [], either: ['A-C'] },
        { closed: ['A-C'] },
        { closed: ['A-C', 'B-O'] },
      ],
    });
    expect(await yarrix.giveBack(page)).toEqual([]);
  },
);

inTurn(4)(
  'puts the parts of a line into another order by dragging, and positions by the keys',
  async () => {
    const page = await yarrix.browser(PHONE);
    await page.driver.get(`${yarrix.address}/edit/new`);
    await page.fill('new-line', 'L1 > fuse > timer A-C > motor [4 ohm] > N');
    await page.press('new-line-take');
    await page.press('line-0');
    const handle = async (id: string) =>
      page.driver.findElement(By.css(`[data-testid^="move-${id}"]`));
    await page.find('line-text');
    const middle = 'arguments[0].scrollIntoView({ block: "center" })';
    await page.driver.executeScript(middle, await handle('Timer'));
    // The fuse goes below the timer: the line is written so, and taken when it is kept.
    await page.driver
      .actions()
      .move({ origin: await handle('Fuse') })
      .press()
      .move({ origin: await handle('Fuse'), y: 20, duration: 100 })
      .move({ origin: await handle('Timer'), y: 8, duration: 200 })
      .pause(200)
      .release()
      .perform();
    const typed = async () =>
      (await page.driver.findElement(TEST_ID('line-text'))).getAttribute('value').then(String);
    await page.driver.wait(
      async () => /timer.*fuse.*motor/i.test(await typed()),
      8000,
      'nothing was dragged',
    );
    await page.press('line-text-take');
    await page.says('line-0', /Timer A-C > Fuse/i);
    await page.press('pane-parts');
    await page.press('part-timer');
    await page.press('control');
    await (await handle('off')).sendKeys(Key.ARROW_DOWN);
    await page.says('put-where', /Timer at OFF: place 2 of 2/);
    const first = () =>
      page.driver.executeScript(
        "return document.querySelector('[data-testid^=move-]').getAttribute('aria-label')",
      );
    await page.driver.wait(async () => /ON:/.test(String(await first())), 8000, 'no key moves it');
    expect(await yarrix.giveBack(page)).toEqual([]);
  },
);
