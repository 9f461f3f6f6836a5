import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { Browser, PHONE, WIDE_WINDOW } from '../e2e/browser';
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
  press?: string[];
  /** What has to be on the screen before the picture is taken. */
  shows: string;
}

const call = (number: number): string => `/call/00000000-0000-4000-8000-00020000000${number}`;

const VIEWS: View[] = [
  { name: 'calls', size: PHONE, theme: 'light', path: '/', shows: 'new-call' },
  { name: 'new-call', size: PHONE, theme: 'light', path: '/new', shows: 'diagram-wall-oven' },
  { name: 'call', size: PHONE, theme: 'light', path: call(4), shows: 'switch-monitor' },
  {
    name: 'make-safe',
    size: PHONE,
    theme: 'dark',
    path: `${call(0)}/primary`,
    shows: 'gate-made-safe',
  },
  {
    name: 'wires-off',
    size: PHONE,
    theme: 'light',
    path: `${call(0)}/primary`,
    press: ['gate-done', 'gate-done'],
    shows: 'gate-wires-off',
  },
  {
    name: 'next-reading',
    size: PHONE,
    theme: 'light',
    path: `${call(1)}/lid-switch`,
    shows: 'last-reading',
  },
  {
    name: 'next-reading-dark',
    size: PHONE,
    theme: 'dark',
    path: `${call(2)}/infinite`,
    shows: 'last-reading',
  },
  {
    name: 'by-hand',
    size: PHONE,
    theme: 'light',
    path: `${call(0)}/monitor`,
    press: ['gate-done', 'key-beep'],
    shows: 'next-by-hand',
  },
  {
    name: 'look-again',
    size: PHONE,
    theme: 'light',
    path: `${call(0)}/monitor`,
    press: ['key-over', 'key-over'],
    shows: 'verdict-check-again',
  },
  {
    name: 'verdict',
    size: PHONE,
    theme: 'dark',
    path: `${call(1)}/lid-switch`,
    press: ['key-over', 'key-over', 'key-over'],
    shows: 'verdict-fault',
  },
  {
    name: 'work-complaint',
    size: PHONE,
    theme: 'light',
    path: `${call(6)}/work`,
    press: ['source-told', 'moment-timer=heat,start=pressed', 'subject-element'],
    shows: 'outcome-off',
  },
  {
    name: 'work-next-test',
    size: PHONE,
    theme: 'light',
    path: `${call(6)}/work`,
    press: [
      'source-seen',
      'moment-timer=heat,start=pressed',
      'subject-element',
      'outcome-off',
      'made-safe',
    ],
    shows: 'keypad',
  },
  {
    name: 'work-why',
    size: PHONE,
    theme: 'dark',
    path: `${call(7)}/work`,
    press: [
      'source-told',
      'moment-thermostat=heat,wait=300',
      'subject-valve',
      'outcome-off',
      'made-safe',
      'why',
    ],
    shows: 'meaning-0',
  },
  {
    name: 'work-wide',
    size: WIDE_WINDOW,
    theme: 'dark',
    path: `${call(1)}/work`,
    shows: 'suspects',
  },
  {
    name: 'diagrams',
    size: PHONE,
    theme: 'light',
    path: '/diagrams',
    press: ['star-gas-furnace'],
    shows: 'diagram-wall-oven',
  },
  {
    name: 'diagram',
    size: PHONE,
    theme: 'dark',
    path: '/diagram/trailer-furnace',
    press: ['bench-power', 'move-thermostat-heat', 'point-sail.COM', 'point-sail.NO'],
    shows: 'between-good',
  },
  {
    name: 'diagram-wide',
    size: WIDE_WINDOW,
    theme: 'light',
    path: '/diagram/electric-dryer',
    press: ['bench-power', 'move-timer-heat', 'move-start-pressed', 'move-start-released'],
    shows: 'running',
  },
  {
    name: 'wide',
    size: WIDE_WINDOW,
    theme: 'light',
    path: `${call(2)}/infinite`,
    shows: 'last-reading',
  },
  {
    name: 'wide-dark',
    size: WIDE_WINDOW,
    theme: 'dark',
    path: `${call(3)}/selector`,
    press: ['depth'],
    shows: 'next-reading',
  },
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
  { size, theme, path, press = [], shows }: View,
): Promise<Buffer> {
  const page = await Browser.open(size, theme);
  try {
    await page.driver.get(`${yarrix.address}${path}`);
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
