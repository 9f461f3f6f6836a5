import { AxeBuilder } from '@axe-core/webdriverjs';
import { readFileSync } from 'node:fs';
import { resolve } from 'node:path';
import { owners } from '../core/diagram/terminal';
import type { Diagram } from '../core/diagram/diagram';
import { LIBRARY } from '../library/library';
import { type Browser, PHONE, SERVER_AWAY, WIDE_WINDOW } from './browser';
import { ALL, TURN } from '../tools/inTurn';
import { goTo, SCREENS, type ScreenState } from './screens';
import { Yarrix } from './yarrix';

jest.setTimeout(300_000);

const THEMES = ['light', 'dark'] as const;
type Theme = (typeof THEMES)[number];

/** Both themes with `--all`, else one of them by turns. */
const TRIED: readonly Theme[] = THEMES.filter((_, i) => ALL || i === TURN % THEMES.length);

/** One of its own for each theme: both are gone through at once, and what one phone makes safe is safe on the other. */
const servers = new Map<Theme, Yarrix>();
beforeAll(() => Promise.all(TRIED.map(async (theme) => servers.set(theme, await Yarrix.fresh()))));
afterAll(() => Promise.all([...servers.values()].map((each) => each.end())));

/** What the model calls things, and no person does; names that are said as they are written are left out. */
function identifiers(diagrams: readonly Diagram[]): Set<string> {
  const said = new Set<string>();
  const ids = new Set<string>();
  for (const diagram of diagrams) {
    const names = [...owners(diagram), ...diagram.actuators].map(({ name }) => name);
    for (const word of names
      .join(' ')
      .toLowerCase()
      .split(/[^\w-]+/))
      said.add(word);
    for (const { id, terminals } of owners(diagram))
      for (const terminal of terminals) ids.add(`${id}.${terminal.id}`);
    for (const { id } of diagram.wires) ids.add(id);
    for (const { id } of [...owners(diagram), ...diagram.actuators, ...diagram.panels])
      if (id.includes('-')) ids.add(id);
  }
  return new Set([...ids].filter((id) => !said.has(id)));
}

const HALF_A_PHONE = { width: PHONE.width / 2, height: PHONE.height / 2 };

/** What a page shows that is not what was waited for. */
const SEEN = `return 'it shows: ' + document.body.innerText.replace(/\\s+/g, ' ').slice(0, 600);`;

/** Words that are read or read out on the page, with what is too small for a thumb or an eye. */
const LOOK = `
  // On half a phone everything is shown twice as large.
  const [thumb, eye] = innerWidth < 200 ? [21.5, 7] : [43.5, 14];
  const seen = (e) => e.checkVisibility() && e.getClientRects().length > 0;
  const texts = [document.body.innerText];
  for (const e of document.querySelectorAll('[aria-label],[title],[placeholder]'))
    if (seen(e)) texts.push(e.getAttribute('aria-label') ?? '', e.getAttribute('placeholder') ?? '');
  const small = [...document.querySelectorAll('button,a,input,[role=button],[role=link],[role=tab],[role=radio]')]
    .filter(seen)
    .filter((e) => { const { width, height } = e.getBoundingClientRect(); return Math.min(width, height) < thumb; })
    .map((e) => e.dataset.testid ?? e.outerHTML.slice(0, 120));
  const fine = [];
  const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
  for (let node = walk.nextNode(); node; node = walk.nextNode()) {
    const e = node.parentElement;
    if (node.textContent.trim() && seen(e) && !e.closest('svg,style,script') && parseFloat(getComputedStyle(e).fontSize) < eye)
      fine.push(node.textContent);
  }
  const inRow = (e) => e && (/auto|scroll/.test(getComputedStyle(e).overflowX) && e.scrollWidth > e.clientWidth + 1 || inRow(e.parentElement));
  const outside = [...document.querySelectorAll('button,a,input,[role=button],[role=link],[role=tab],[role=radio]')]
    .some((e) => seen(e) && e.getBoundingClientRect().right > innerWidth + 1 && !inRow(e.parentElement));
  const sideways = outside || document.documentElement.scrollWidth > innerWidth + 1;
  return { text: texts.join(' '), small, fine, sideways };`;

/** Every state with `--all`; else by turns half of the main ones and one in eight of the others. Sixteen turns bring each in both themes. */
function isTried({ wide }: ScreenState, i: number): boolean {
  const turn = Math.floor(TURN / THEMES.length);
  return ALL || (wide ? Math.floor(i / 2) % 2 === turn % 2 : i % 8 === turn % 8);
}

const NAMES = identifiers(LIBRARY);
const words = (text: string): string[] =>
  text.split(/[^\w.=,-]+/).map((word) => word.replace(/[.,]+$/, ''));

/** What axe says of a page. */
async function violationsOn(page: Browser): Promise<string[]> {
  const { violations } = await new AxeBuilder(page.driver)
    .options({ resultTypes: ['violations'] })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa', 'best-practice'])
    // Without a window of its own for each page: no frame here is anybody else's.
    .setLegacyMode(true)
    .analyze();
  return violations.map(
    ({ id, nodes }) => `${id}: ${nodes.map((node) => node.html.slice(0, 160)).join(' ')}`,
  );
}

/** What is wrong with a state as it stands on the page, in words. */
async function faults(page: Browser, size: typeof PHONE): Promise<string[]> {
  // Names, roles and colours of a page twice as large are those of the same page on a phone.
  const violations = size === HALF_A_PHONE && !ALL ? [] : await violationsOn(page);
  const look = await page.driver.executeScript<{
    text: string;
    small: string[];
    fine: string[];
    sideways: boolean;
  }>(LOOK);
  return [
    ...violations,
    ...look.small.map((each) => `too small for a thumb: ${each}`),
    ...look.fine.map((each) => `too small to read: ${each}`),
    ...words(look.text)
      .filter((word) => NAMES.has(word) || /^[a-z-]+=[\w-]+/.test(word))
      .map((word) => `a name of the model: ${word}`),
    ...(look.sideways ? ['it is wider than the window'] : []),
  ];
}

it.each([
  ['a phone', PHONE, SCREENS],
  ['a wide screen', WIDE_WINDOW, SCREENS.filter(({ wide }) => wide)],
  // Text at 200 % leaves half as much room on a phone (WCAG 1.4.4).
  ['a phone with text twice as large', HALF_A_PHONE, SCREENS.filter(({ wide }) => wide)],
] as [string, typeof PHONE, readonly ScreenState[]][])(
  'every state can be used by everybody and says nothing in the model’s names, on %s',
  async (_, size, states) => {
    const found: Record<string, string[]> = {};
    const goThrough = async ([theme, yarrix]: [Theme, Yarrix]): Promise<void> => {
      const page = await yarrix.browser(size, theme);
      for (const [i, state] of states.entries()) {
        if (!isTried(state, i)) continue;
        const wrong = await goTo(page, yarrix.address, state).then(
          () => faults(page, size),
          async ({ message }: Error) => [message, await page.driver.executeScript<string>(SEEN)],
        );
        if (wrong.length) found[`${state.name}, ${theme}`] = wrong;
      }
      await yarrix.giveBack(page, SERVER_AWAY);
    };
    await Promise.all([...servers].map(goThrough));
    expect(found).toEqual({});
  },
);

it('has all of its states in docs/screens.md', () => {
  const told = readFileSync(resolve(__dirname, '../docs/screens.md'), 'utf8');
  expect(
    SCREENS.filter(({ name }) => !told.includes(`| ${name} `)).map(({ name }) => name),
  ).toEqual([]);
});
