import { randomUUID } from 'node:crypto';
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { By } from 'selenium-webdriver';
import type { LibraryFile } from '../contract/libraryFile';
import type { Diagram } from '../core/diagram/diagram';
import { type Browser, PHONE, SERVER_AWAY, WIDE_WINDOW } from './browser';
import { faultyUnit, thumb, type FaultyUnit } from './faultyUnit';
import { ALL, inTurn } from '../tools/inTurn';
import { Yarrix } from './yarrix';

jest.setTimeout(240_000);

let yarrix: Yarrix;
const folder = mkdtempSync(join(tmpdir(), 'yarrix-own-'));
beforeAll(async () => {
  yarrix = await Yarrix.fresh();
});
afterAll(async () => {
  rmSync(folder, { recursive: true });
  await yarrix.end();
});

/** Presses and texts typed are counted, as a person makes them. */
function counted(page: Browser) {
  let count = 0;
  return {
    press: (id: string) => (count++, page.press(id)),
    fill: (id: string, text: string) => (count++, page.fill(id, text)),
    get count() {
      return count;
    },
  };
}

const TEST_ID = (id: string) => By.css(`[data-testid="${id}"]`);

it('types a unit from nothing, works a call on it, exports it, takes it out, and comes to the same with the file', async () => {
  const page = await yarrix.browser(PHONE);
  await page.saveInto(folder);
  await page.driver.get(yarrix.address);
  const hand = counted(page);
  await hand.press('diagrams-link');
  await hand.press('new-diagram');
  await page.find('new-line');
  const line = async (text: string): Promise<void> => {
    await hand.fill('new-line', text);
    await hand.press('new-line-take');
  };
  await line('L1 -BK> timer A-B > start switch 1-2 -YE> motor [4 ohm] > door switch 1-2 -WH> N');
  await line(
    'L1 > timer A-C > heat selector 1-2 -RD> thermostat [L155-25] > heater [1400 W 120 V] > N',
  );
  await line('heat selector 1-3 -OR> low heater [700 W 120 V] > N');
  // What is not understood is told by its place, and nothing is lost.
  await page.fill('new-line', 'L1 > wibble > N');
  await page.press('new-line-take');
  await page.says('new-line-fault', /At letter 6: what is "wibble"/);
  await hand.press('pane-parts');
  await hand.press('part-timer');
  await hand.press('set-A-C-on');
  await hand.press('set-A-C-on');
  await hand.press('add-position');
  await hand.fill('position-name', 'Timer at HEAT');
  await hand.press('position-name-add');
  await hand.press('position-name-close');
  await hand.press('set-A-B-timer-at-heat');
  await hand.press('set-A-C-timer-at-heat');
  await hand.press('part-close');
  await hand.press('part-heat-selector');
  await hand.press('paste-table');
  await hand.fill('paste-text', 'position,1-2,1-3');
  await page.press('paste-take');
  await page.find('paste-fault');
  await hand.fill('paste-text', 'position,1-2,1-3\nlow,open,closed\nhigh,closed,open\noff,,');
  await hand.press('paste-take');
  await page.gone('paste-text');
  await hand.press('all-on-sheet');
  await hand.press('pane-unit');
  await hand.fill('unit-name', 'Marrowby tumble dryer');
  await hand.fill('unit-kind', 'dryer');
  await hand.press('pane-check');
  await page.find('nothing-wrong');
  await hand.press('store');
  await page.says('stored', /Stored as version 1/);
  process.stdout.write(`a unit typed with ${hand.count} taps and texts\n`);
  expect(hand.count).toBeLessThan(90);

  const id = new URL(await page.driver.getCurrentUrl()).pathname.split('/').at(-1) ?? '';
  const stored = await yarrix.get<Diagram>(`/diagrams/${id}/1`);
  expect(stored.parts.map(({ name }) => name)).toContain('Low heater');
  const work = async (unit: FaultyUnit, place: string): Promise<void> => {
    await page.press('start-call');
    await unit.fillIn(page, thumb(page), place);
    await unit.work(page, thumb(page));
  };
  await work(faultyUnit(stored, 'thermostat.1-2:stuck-open'), 'Mill Row 7');

  await page.driver.get(`${yarrix.address}/edit/${id}?pane=unit`);
  await page.press('save-text');
  const file = join(folder, `${id}.txt`);
  await page.driver.wait(() => existsSync(file), 15_000, 'no file comes');
  for (const [button, ending, begins] of [
    ['save-svg', 'svg', '<svg'],
    ['save-netlist', 'cir', 'Marrowby'],
    ['save-page', 'pdf', '%PDF-'],
  ] as const) {
    await page.press(button);
    const made = join(folder, `${id}.${ending}`);
    await page.driver.wait(() => existsSync(made), 20_000, `no ${ending} comes`);
    expect(readFileSync(made, 'latin1').startsWith(begins)).toBe(true);
  }
  await page.press('withdraw');
  await page.press('withdraw-yes');
  await page.fill('search', 'Marrowby tumble dryer');
  await page.find('none-match');
  // A bad file is refused by its line, a good one brings the diagram back.
  const bad = join(folder, 'bad.txt');
  writeFileSync(bad, readFileSync(file, 'utf8').replace('A-B: control', 'A-Q control'));
  await (await page.driver.findElement(TEST_ID('diagram-file-field'))).sendKeys(bad);
  await page.says('file-fault', /line \d+/);
  await (await page.driver.findElement(TEST_ID('diagram-file-field'))).sendKeys(file);
  await page.find('start-call');
  const again = await yarrix.get<Diagram>(`/diagrams/${id}/2`);
  // The same but for the order of its wires: so is every answer. The long run works the call once more.
  const inOrder = ({ wires, ...rest }: Diagram) => ({
    ...rest,
    wires: wires.map(({ from, to, ...wire }) => ({ ...wire, ends: [from, to].sort() })),
  });
  const byId = (unit: ReturnType<typeof inOrder>) => ({
    ...unit,
    looks: unit.looks ?? [],
    wires: unit.wires.sort((a, b) => a.id.localeCompare(b.id)),
  });
  expect(byId(inOrder(again))).toEqual(byId(inOrder(stored)));
  if (ALL) await work(faultyUnit(again, 'thermostat.1-2:stuck-open'), 'Mill Row 8');
  expect(await yarrix.giveBack(page, /the server responded with a status of 422/)).toEqual([]);
});

inTurn(3)(
  'makes one that differs: undo, what was changed, kept through a killed page, stored when the server is back',
  async () => {
    const page = await yarrix.browser(WIDE_WINDOW, 'dark');
    await page.driver.get(`${yarrix.address}/diagram/coil-burner`);
    await page.press('differs');
    await page.find('new-line');
    await page.fill('new-line', 'L1 -BU> extra lamp [40 W 120 V] 1-2 > N');
    await page.press('new-line-take');
    await page.find('line-0');
    await page.press('pane-parts');
    await page.says('part-extra-lamp', /new/);
    await page.press('part-infinite');
    await page.press('set-L1-H1-off');
    await page.press('known-guessed');
    await page.press('part-close');
    await page.says('part-infinite', /changed/);
    await page.press('undo');
    await page.press('undo');
    await page.press('undo');
    await page.gone('part-extra-lamp');
    await page.press('redo');
    await page.find('part-extra-lamp');
    const address = await page.driver.getCurrentUrl();
    // The page is gone at once; the draft is on the device.
    await page.driver.get('about:blank');
    await yarrix.stop();
    try {
      await page.driver.get(address);
      await page.find('part-extra-lamp');
      await page.press('store');
      await page.says('stored', /server is away/);
    } finally {
      await yarrix.start();
    }
    await page.press('store');
    await page.says('stored', /Stored as version 1/);
    await page.press('pane-unit');
    await page.says('derived-from', /version 1/);
    // Another phone stores a version meanwhile: both are kept, and the other one is gone on with.
    const id = new URL(await page.driver.getCurrentUrl()).pathname.split('/').at(-1) ?? '';
    const mine = await yarrix.get<Diagram>(`/diagrams/${id}/1`);
    await yarrix.put(`/diagrams/${randomUUID()}`, { ...mine, name: 'From the other phone' });
    await page.fill('unit-name', 'From this one');
    await page.press('unit-kind');
    await page.press('store');
    await page.says(
      'meanwhile',
      /Version 2 came from another phone[^]*“From this one” instead of “From the other phone”/,
    );
    await page.press('take-theirs');
    await page.press('store');
    await page.says('stored', /Stored as version 4/);
    expect((await yarrix.get<Diagram>(`/diagrams/${id}/4`)).name).toBe('From the other phone');
    // What is changed and thrown away is as it was stored.
    await page.fill('unit-name', 'A slip of the thumb');
    await page.press('unit-kind');
    await page.press('discard');
    await page.press('discard-yes');
    await page.find('show-all');
    await page.driver.get(`${yarrix.address}/edit/${id}?pane=check`);
    await page.press('findable-ask');
    await page.says('findable-found', /\d+ of \d+ faults lead to their part alone/);
    expect(await yarrix.giveBack(page, SERVER_AWAY)).toEqual([]);
  },
);

inTurn(3)(
  'knows which sheet a model uses, and takes a library in only once it was said what is new in it',
  async () => {
    const page = await yarrix.browser(PHONE);
    await page.saveInto(folder);
    await page.driver.get(`${yarrix.address}/edit/coil-burner?pane=unit`);
    await page.fill('model-make', 'Marrowby');
    await page.fill('model-pattern', '*');
    await page.press('model-add');
    await page.says('model-pattern-fault', /a letter or a figure/);
    await page.fill('model-pattern', 'CB2?0*');
    await page.press('model-add');
    await page.find('model-out-CB2?0*');
    await page.driver.get(`${yarrix.address}/new`);
    await page.fill('field-make', 'marrowby');
    await page.fill('field-model', 'cb 240-x');
    await page.press('model-uses-coil-burner');
    await page.says('model-fits', /CB2\?0\* uses this diagram/);
    await page.driver.get(`${yarrix.address}/diagrams`);
    await page.fill('search', 'CB210');
    await page.find('diagram-coil-burner');

    await page.press('library-save');
    const file = join(folder, 'library.json');
    await page.driver.wait(() => existsSync(file), 15_000, 'no library comes');
    const library = JSON.parse(readFileSync(file, 'utf8')) as LibraryFile;
    const [first, ...rest] = library.diagrams;
    if (!first) throw new Error('an empty library');
    const changed = join(folder, 'changed.json');
    const diagrams = [{ ...first, name: 'Another name' }, ...rest, { ...first, id: 'own-copy' }];
    writeFileSync(changed, JSON.stringify({ ...library, diagrams }));
    await (await page.driver.findElement(TEST_ID('diagram-file-field'))).sendKeys(changed);
    await page.says(
      'library-file',
      new RegExp(`1 new, 1 different, ${rest.length} the same[^]*called “Another name”`),
    );
    expect(await yarrix.get<unknown[]>('/diagrams')).toHaveLength(library.diagrams.length);
    await page.press('library-store');
    await page.gone('library-file');
    expect(await yarrix.get<unknown[]>('/diagrams')).toHaveLength(diagrams.length);
    expect(await yarrix.giveBack(page, /the server responded with a status of 422/)).toEqual([]);
  },
);
