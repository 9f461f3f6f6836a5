import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { PHONE, WIDE_WINDOW } from '../e2e/browser';
import { Yarrix } from '../e2e/yarrix';
import { needDebian } from './debian';
import { EXIT, out } from './commands/command';
import { ROOT } from './folders';

/** One picture: a view of the demo data, and what is pressed to come to it, after the views before. */
interface View {
  name: string;
  size: typeof PHONE;
  theme: 'light' | 'dark';
  path: string;
  /** What is typed into which field, before anything is pressed. */
  type?: Record<string, string>;
  press?: string[];
  /** What has to be on the screen before the picture is taken. */
  shows: string;
}

const call = (number: number): string => `/call/00000000-0000-4000-8000-00020000000${number}`;

/** A view by its name, its size and colours, where it is, and what is on it once it is there. */
const view = (
  name: string,
  size: View['size'],
  theme: View['theme'],
  path: string,
  shows: string,
  more: Partial<View> = {},
): View => ({ name, size, theme, path, shows, ...more });

const VIEWS: View[] = [
  view('calls', PHONE, 'light', '/', 'new-call'),
  view('new-call', PHONE, 'light', '/new?diagram=coil-burner/1', 'fit-lamp-runs', {
    type: { 'field-complaint': 'the burner wont get hot but its light comes on' },
    press: ['fit-coil-off'],
  }),
  view('call', PHONE, 'light', call(4), 'switch-monitor'),
  view('decide', PHONE, 'light', `${call(4)}/decide`, 'sum-replace', {
    press: ['open-sum-replace'],
  }),
  view('report', PHONE, 'light', `${call(4)}/report`, 'report-readings'),
  view('make-safe', PHONE, 'dark', `${call(0)}/primary`, 'make-safe'),
  view('next-reading', PHONE, 'light', `${call(1)}/lid-switch`, 'last-reading', {
    press: ['made-safe'],
  }),
  view('ledger', PHONE, 'dark', `${call(1)}/ledger`, 'ledger'),
  view('verdict', PHONE, 'dark', `${call(4)}/monitor`, 'verdict-fault', {
    press: ['made-safe', 'meter-proved', 'gate-done'],
  }),
  view('work-complaint', PHONE, 'light', `${call(6)}/work`, 'fit-element-off', {
    type: { 'complaint-words': 'the drum turns but the clothes stay cold' },
  }),
  view('work-next-test', PHONE, 'light', `${call(6)}/work`, 'keypad', {
    press: [
      'source-seen',
      'moment-timer=heat,start=pressed',
      'subject-element',
      'outcome-off',
      'another',
      'made-safe',
      'meter-proved',
    ],
  }),
  view('work-own-reading', PHONE, 'light', `${call(6)}/work`, 'own-suspect', {
    press: [
      'add-reading',
      'own-part-cut-off',
      'own-at-cut-off.1',
      'own-part-cut-off',
      'own-at-cut-off.2',
    ],
  }),
  view('work-repair', PHONE, 'dark', `${call(8)}/work`, 'before-use', {
    press: [
      ...['source-seen', 'moment-thermostat=heat,wait=120', 'subject-valve', 'outcome-off'],
      ...['add-act', 'act-part-electrode', 'act-clean', 'tell-more', 'source-seen'],
      ...['moment-thermostat=heat,wait=120', 'subject-valve', 'outcome-runs'],
    ],
  }),
  view('work-line', PHONE, 'light', `${call(6)}/work?pane=diagram`, 'picked-good', {
    press: ['joint-high-limit.1', 'joint-high-limit.2'],
  }),
  view('work-wide', WIDE_WINDOW, 'dark', `${call(1)}/work`, 'suspects'),
  view('diagram', PHONE, 'dark', '/diagram/trailer-furnace', 'between-good', {
    press: ['bench-power', 'move-thermostat-heat', 'point-sail.COM', 'point-sail.NO'],
  }),
  view('diagram-wide', WIDE_WINDOW, 'light', '/diagram/electric-dryer', 'running', {
    press: ['bench-power', 'move-timer-heat', 'move-start-pressed', 'move-start-released'],
  }),
  view('editor', PHONE, 'light', '/edit/electric-dryer', 'line-form', {
    type: { 'new-line': 'L1 > timer A-B > wibble > N' },
    press: ['line-0', 'new-line-take'],
  }),
  view('editor-wide', WIDE_WINDOW, 'dark', '/edit/electric-dryer?pane=parts&part=timer', 'ladder'),
];

/** `./yarrix pictures [--only NAME]`: the current pictures in docs/screenshots, from the demo data. */
export async function pictures(only: string | undefined): Promise<number> {
  await needDebian(['postgresql', 'chromium', 'chromium-driver']);
  const folder = join(ROOT, 'docs', 'screenshots');
  mkdirSync(folder, { recursive: true });
  const yarrix = await Yarrix.fresh();
  try {
    for (const view of VIEWS.filter((each) => !only || each.name === only)) {
      writeFileSync(join(folder, `${view.name}.png`), await picture(yarrix, view));
      out(`docs/screenshots/${view.name}.png`);
    }
  } finally {
    await yarrix.end();
  }
  return EXIT.done;
}

async function picture(
  yarrix: Yarrix,
  { size, theme, path, type = {}, press = [], shows }: View,
): Promise<Buffer> {
  const page = await yarrix.newBrowser(size, theme, true);
  try {
    await page.driver.get(`${yarrix.address}${path}`);
    for (const [id, text] of Object.entries(type)) await page.fill(id, text);
    for (const id of press) {
      await page.press(id);
      await page.driver.sleep(300);
    }
    await page.find(shows);
    await page.driver.sleep(400);
    await page.driver.executeScript('return document.fonts.ready.then(() => true)');
    return Buffer.from(await page.driver.takeScreenshot(), 'base64');
  } finally {
    await page.close();
  }
}
