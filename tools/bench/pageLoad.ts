import { Driver } from 'selenium-webdriver/chrome';
import type { Browser } from '../../e2e/browser';
import { scriptsOf } from '../firstPage';

/** How a page is loaded: the network and the processor of a cheap phone, or this machine as it is. */
export const PHONES = {
  cheap: { latency: 150, bitsPerSecond: 1.6e6, slower: 4 },
  'as it is': undefined,
} as const;
export type Phone = keyof typeof PHONES;

/** No load takes longer. */
const PATIENCE_MS = 60_000;

/** What came of one load, times in milliseconds from its beginning. */
export interface PageLoad {
  firstPaint: number;
  /** When what was waited for was in sight. */
  inSight: number;
  /** Longest task of the page's thread until then, and the longest after it. */
  longestBefore: number;
  longestAfter: number;
  /** Begun until it was in sight. */
  requests: number;
  /** Bytes on the wire of the scripts that the page begins with. */
  script: number;
  /** All bytes until the page was left alone. */
  allBytes: number;
}

/** What is written down in the page from its first line on. */
export interface Written {
  paints: Record<string, number>;
  seen: Record<string, number>;
  tasks: [start: number, lasted: number][];
}

/** Runs in the page before its own scripts do. */
function writeDown(): void {
  const written: Written = { paints: {}, seen: {}, tasks: [] };
  Object.assign(window, { written });
  new PerformanceObserver((list) => {
    for (const each of list.getEntries()) written.paints[each.name] = each.startTime;
  }).observe({ type: 'paint', buffered: true });
  new PerformanceObserver((list) => {
    for (const each of list.getEntries()) written.tasks.push([each.startTime, each.duration]);
  }).observe({ type: 'longtask', buffered: true });
}

/** Waits in the page until something is in sight, and gives back when that was painted. */
function whenInSight(
  css: string,
  press: string[],
  done: (at: [from: number, at: number]) => void,
): void {
  let from = 0;
  const left = [...press];
  const look = (): void => {
    const wanted = document.querySelector<HTMLElement>(left[0] ?? css);
    if (!wanted) return;
    const next = left.shift();
    if (next === undefined) {
      watch.disconnect();
      requestAnimationFrame(() => setTimeout(() => done([from, performance.now()])));
    } else {
      from ||= performance.now();
      wanted.click();
      look();
    }
  };
  const watch = new MutationObserver(look);
  watch.observe(document, { childList: true, subtree: true, attributes: true });
  look();
}

/** A function as text for the page; what wraps the names of functions here means nothing there. */
export const inPage = (of: (...args: never[]) => void): string =>
  `globalThis.__name ??= (each) => each; (${String(of)})(...arguments)`;

/** The page of a browser, measured. */
export class Measured {
  private constructor(
    readonly page: Browser,
    private readonly send: (command: string, params: object) => Promise<unknown>,
  ) {}

  /** A browser that was just opened, on a phone of some kind. */
  static async on(page: Browser, phone: Phone): Promise<Measured> {
    const { driver } = page;
    if (!(driver instanceof Driver)) throw new Error('not Chromium');
    await driver.manage().setTimeouts({ script: PATIENCE_MS });
    const send = (command: string, params: object): Promise<unknown> =>
      driver.sendAndGetDevToolsCommand(command, params);
    await send('Page.enable', {});
    await send('Network.enable', {});
    const source = `(function () { ${inPage(writeDown)} })()`;
    await send('Page.addScriptToEvaluateOnNewDocument', { source });
    const measured = new Measured(page, send);
    await measured.become(phone);
    return measured;
  }

  async become(phone: Phone): Promise<void> {
    const kind = PHONES[phone];
    const throughput = kind ? kind.bitsPerSecond / 8 : -1;
    await this.send('Network.emulateNetworkConditions', {
      offline: false,
      latency: kind?.latency ?? 0,
      downloadThroughput: throughput,
      uploadThroughput: throughput,
    });
    await this.send('Emulation.setCPUThrottlingRate', { rate: kind?.slower ?? 1 });
  }

  /** Loads an address until something is in sight, and goes on listening for a while. */
  async load(address: string, css: string, listenMs = 1500): Promise<PageLoad> {
    const { driver } = this.page;
    await driver.get('about:blank');
    // Gone to by the page itself: the driver would wait for the load event.
    await driver.executeScript(`setTimeout(() => { location.href = ${JSON.stringify(address)} })`);
    await driver.wait(async () => (await driver.getCurrentUrl()).startsWith(address), PATIENCE_MS);
    const [, inSight] = await this.press([], css);
    await driver.sleep(listenMs);
    const { written, entries } = await driver.executeScript<{
      written: Written;
      entries: { name: string; transferSize: number; startTime: number }[];
    }>(
      `return { written, entries: [...performance.getEntriesByType('navigation'), ...performance.getEntriesByType('resource')]
        .map(({ name, transferSize, startTime }) => ({ name, transferSize, startTime })) }`,
    );
    const longest = (tasks: Written['tasks']): number => Math.max(0, ...tasks.map(([, ms]) => ms));
    const scripts = scriptsOf(await (await fetch(address)).text());
    const total = (of: typeof entries): number =>
      of.reduce((sum, each) => sum + each.transferSize, 0);
    return {
      firstPaint: written.paints['first-contentful-paint'] ?? NaN,
      inSight,
      longestBefore: longest(written.tasks.filter(([start]) => start < inSight)),
      longestAfter: longest(written.tasks.filter(([start]) => start >= inSight)),
      requests: entries.filter(({ startTime }) => startTime < inSight).length,
      script: total(entries.filter(({ name }) => scripts.some((each) => name.endsWith(each)))),
      allBytes: total(entries),
    };
  }

  /**
   * Presses one thing after the other as soon as it is there, until something is in sight.
   * @returns when the first was pressed and when that was painted
   */
  press(css: string[], until: string): Promise<[from: number, at: number]> {
    return this.page.driver.executeAsyncScript(inPage(whenInSight), until, css);
  }

  /** Waits until a worker of the service keeps the page for the next time. */
  async kept(): Promise<void> {
    await this.page.driver.executeAsyncScript(
      'navigator.serviceWorker.ready.then(() => arguments[arguments.length - 1]())',
    );
    await this.page.driver.sleep(1000);
  }
}
