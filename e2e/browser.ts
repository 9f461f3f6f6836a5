import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import {
  Builder,
  By,
  error,
  Key,
  type WebDriver,
  type WebElement,
  type WebElementCondition,
  until,
} from 'selenium-webdriver';
import { Driver, Options, ServiceBuilder } from 'selenium-webdriver/chrome';

/** Sizes that the interface is made for. */
export const PHONE = { width: 390, height: 844 };
export const WIDE_WINDOW = { width: 1280, height: 800 };

const FLAGS = [
  '--headless=new',
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
/** What a page reports while its server is away. */
export const SERVER_AWAY = /\/api\/|ERR_CONNECTION_REFUSED|sw\.js/;
const PATIENCE_MS = 30_000;
/** Between two looks whether something is there; the driver's own are 200 ms. */
const LOOK_MS = 30;

/** Debian's Chromium as a person uses it: by what is on the screen. */
export class Browser {
  private ended = false;

  private constructor(
    readonly driver: WebDriver,
    private readonly profile: string,
  ) {}

  /** @param sharp with a phone's density, for pictures; else each dot is one, which is less to draw */
  static async open(
    size: typeof PHONE,
    theme: 'light' | 'dark' = 'light',
    sharp = false,
  ): Promise<Browser> {
    const profile = mkdtempSync(join(tmpdir(), 'yarrix-chromium-'));
    const options = new Options();
    options.setChromeBinaryPath('/usr/bin/chromium');
    options.addArguments(...FLAGS, `--user-data-dir=${profile}`);
    const driver = await new Builder()
      .forBrowser('chrome')
      .setChromeOptions(options)
      .setChromeService(new ServiceBuilder('/usr/bin/chromedriver'))
      .build();
    const browser = new Browser(driver, profile);
    await browser.dress(size, theme, sharp);
    return browser;
  }

  /** Of another size and theme from now on. */
  async dress(size: typeof PHONE, theme: 'light' | 'dark', sharp = false): Promise<void> {
    const phone = size.width < 800;
    await this.command('Emulation.setDeviceMetricsOverride', {
      ...size,
      deviceScaleFactor: phone && sharp ? 2 : 1,
      mobile: phone,
    });
    const features = [{ name: 'prefers-color-scheme', value: theme }];
    await this.command('Emulation.setEmulatedMedia', { features });
  }

  /** Forgets what a page of an address has kept, but for the application itself: as somebody's who has been there long ago. */
  async forget(address: string): Promise<void> {
    const [first = '', ...others] = await this.driver.getAllWindowHandles();
    for (const each of others) {
      await this.driver.switchTo().window(each);
      await this.driver.close();
    }
    await this.driver.switchTo().window(first);
    await this.driver.get('about:blank');
    await this.command('Network.clearBrowserCookies', {});
    await this.command('Storage.clearDataForOrigin', {
      origin: address,
      storageTypes: 'indexeddb,local_storage',
    });
    await this.cutOff([]);
    await this.command('Browser.setDownloadBehavior', { behavior: 'default' });
  }

  /** What the page reported as severe since it was asked last, and was not meant to happen. */
  async reported(expected: RegExp = /(?!)/): Promise<string[]> {
    const log = await this.driver.manage().logs().get('browser');
    const severe = log.filter((each) => each.level.name === 'SEVERE').map((each) => each.message);
    return severe.filter((message) => !expected.test(message));
  }

  /** Ends it. @returns as `reported` */
  async close(expected?: RegExp): Promise<string[]> {
    const reported = await this.reported(expected);
    await this.quit();
    return reported;
  }

  async quit(): Promise<void> {
    if (this.ended) return;
    this.ended = true;
    await this.driver.quit();
    rmSync(this.profile, { recursive: true, force: true });
  }

  private async command(name: string, parameters: object): Promise<void> {
    if (!(this.driver instanceof Driver)) throw new Error('not Chromium');
    await this.driver.sendDevToolsCommand(name, parameters);
  }

  /** Loads of these addresses fail from now on, whatever the page keeps of them; none for as it was. */
  async cutOff(urls: string[]): Promise<void> {
    await this.command('Network.enable', {});
    await this.command('Network.setBypassServiceWorker', { bypass: urls.length > 0 });
    await this.command('Network.setBlockedURLs', { urls });
  }

  /** Takes a session's cookie as if a server had just set it. */
  async takeCookie(url: string, cookie: string): Promise<void> {
    const [name, value] = cookie.split('=');
    const how = { httpOnly: true, sameSite: 'Strict' };
    await this.command('Network.setCookie', { url, name, value, ...how });
  }

  /** Where files that the page saves go from now on. */
  async saveInto(folder: string): Promise<void> {
    await this.command('Browser.setDownloadBehavior', { behavior: 'allow', downloadPath: folder });
  }

  find(id: string): Promise<WebElement> {
    return this.wait(until.elementLocated(byId(id)), `nothing has the id ${id}`);
  }

  /** Waits for what comes by itself. */
  wait<T>(condition: WebElementCondition | (() => Promise<T>), otherwise: string): Promise<T> {
    return this.driver.wait<T>(condition as () => Promise<T>, PATIENCE_MS, otherwise, LOOK_MS);
  }

  async has(id: string): Promise<boolean> {
    return (await this.driver.findElements(byId(id))).length > 0;
  }

  /** Whichever of several comes first. */
  either(...ids: string[]): Promise<string> {
    return this.wait(
      async () => {
        for (const id of ids) if (await this.has(id)) return id;
        return undefined;
      },
      `none of ${ids.join(', ')} comes`,
    ) as Promise<string>;
  }

  async gone(id: string): Promise<void> {
    await this.wait(async () => !(await this.has(id)), `${id} does not go away`);
  }

  /** The text of an element, read again if the page replaces it meanwhile. */
  async text(id: string): Promise<string> {
    return this.wait(async () => {
      const [element] = await this.driver.findElements(byId(id));
      return element?.getText().catch(() => undefined);
    }, `${id} has no text`) as Promise<string>;
  }

  async says(id: string, wanted: RegExp): Promise<void> {
    let last = '';
    await this.wait(
      async () => wanted.test((last = await this.text(id))),
      `${id} does not say ${wanted}`,
    ).catch((error: Error) => {
      throw new Error(`${error.message}; it says "${last}"`);
    });
  }

  /** Presses a control once it takes it, found again if the page replaces it before the click has landed. */
  async press(id: string): Promise<void> {
    for (let left = 3; ; left--) {
      const element = await this.wait(
        () => this.driver.executeScript<WebElement | null>(INTO_SIGHT, id),
        `nothing that takes a press has the id ${id}`,
      );
      try {
        await element?.click();
        return;
      } catch (problem) {
        if (!(problem instanceof error.StaleElementReferenceError) || left === 0) throw problem;
      }
    }
  }

  async fill(id: string, text: string): Promise<void> {
    const element = await this.find(id);
    await element.sendKeys(Key.chord(Key.CONTROL, 'a'), text);
  }

  /** Types on the keyboard, to whatever has the focus. */
  async keys(...keys: string[]): Promise<void> {
    for (const key of keys) await this.driver.actions().sendKeys(key).perform();
  }

  /** Moves the focus with Tab, as one without a mouse does, until the element has it. */
  async tabTo(id: string): Promise<void> {
    for (let i = 0; i < 60; i++) {
      const here = await this.driver.executeScript('return document.activeElement.dataset.testid');
      if (here === id) return;
      await this.keys(Key.TAB);
    }
    throw new Error(`Tab does not reach ${id}`);
  }
}

/** The control that takes a press, brought to the middle of the window. */
const INTO_SIGHT = `
  const found = document.querySelector('[data-testid="' + arguments[0] + '"]:not([aria-busy=true] *)');
  found?.scrollIntoView({ block: 'center' });
  return found;`;

const byId = (id: string): By => By.css(`[data-testid="${id}"]`);
