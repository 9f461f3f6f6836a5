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
const PATIENCE_MS = 15_000;

/** Debian's Chromium as a person uses it: by what is on the screen. */
export class Browser {
  private constructor(
    readonly driver: WebDriver,
    private readonly profile: string,
  ) {}

  static async open(size: typeof PHONE, theme: 'light' | 'dark' = 'light'): Promise<Browser> {
    const profile = mkdtempSync(join(tmpdir(), 'yarrix-chromium-'));
    const options = new Options();
    options.setChromeBinaryPath('/usr/bin/chromium');
    options.addArguments(...FLAGS, `--user-data-dir=${profile}`);
    const driver = await new Builder()
      .forBrowser('chrome')
      .setChromeOptions(options)
      .setChromeService(new ServiceBuilder('/usr/bin/chromedriver'))
      .build();
    if (driver instanceof Driver) {
      const phone = size.width < 800;
      await driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', {
        ...size,
        deviceScaleFactor: phone ? 2 : 1,
        mobile: phone,
      });
      const features = [{ name: 'prefers-color-scheme', value: theme }];
      await driver.sendDevToolsCommand('Emulation.setEmulatedMedia', { features });
    }
    return new Browser(driver, profile);
  }

  /** Ends it, and gives back what the page reported as severe and was not meant to happen. */
  async close(expected: RegExp = /(?!)/): Promise<string[]> {
    const log = await this.driver.manage().logs().get('browser');
    await this.driver.quit();
    rmSync(this.profile, { recursive: true, force: true });
    const severe = log.filter((each) => each.level.name === 'SEVERE').map((each) => each.message);
    return severe.filter((message) => !expected.test(message));
  }

  /** Loads of these addresses fail from now on, whatever the page keeps of them; none for as it was. */
  async cutOff(urls: string[]): Promise<void> {
    if (!(this.driver instanceof Driver)) throw new Error('not Chromium');
    await this.driver.sendDevToolsCommand('Network.enable', {});
    await this.driver.sendDevToolsCommand('Network.setBypassServiceWorker', {
      bypass: urls.length > 0,
    });
    await this.driver.sendDevToolsCommand('Network.setBlockedURLs', { urls });
  }

  /** Takes a session's cookie as if a server had just set it. */
  async takeCookie(url: string, cookie: string): Promise<void> {
    if (!(this.driver instanceof Driver)) throw new Error('not Chromium');
    const [name, value] = cookie.split('=');
    const how = { httpOnly: true, sameSite: 'Strict' };
    await this.driver.sendDevToolsCommand('Network.setCookie', { url, name, value, ...how });
  }

  /** Where files that the page saves go from now on. */
  async saveInto(folder: string): Promise<void> {
    if (!(this.driver instanceof Driver)) throw new Error('not Chromium');
    await this.driver.sendDevToolsCommand('Browser.setDownloadBehavior', {
      behavior: 'allow',
      downloadPath: folder,
    });
  }

  find(id: string): Promise<WebElement> {
    return this.driver.wait(
      until.elementLocated(byId(id)),
      PATIENCE_MS,
      `nothing has the id ${id}`,
    );
  }

  async has(id: string): Promise<boolean> {
    return (await this.driver.findElements(byId(id))).length > 0;
  }

  /** Whichever of several comes first. */
  either(...ids: string[]): Promise<string> {
    return this.driver.wait(
      async () => {
        for (const id of ids) if (await this.has(id)) return id;
        return undefined;
      },
      PATIENCE_MS,
      `none of ${ids.join(', ')} comes`,
    ) as Promise<string>;
  }

  async gone(id: string): Promise<void> {
    await this.driver.wait(
      async () => !(await this.has(id)),
      PATIENCE_MS,
      `${id} does not go away`,
    );
  }

  /** The text of an element, read again if the page replaces it meanwhile. */
  async text(id: string): Promise<string> {
    return this.driver.wait(
      async () => {
        const [element] = await this.driver.findElements(byId(id));
        return element?.getText().catch(() => undefined);
      },
      PATIENCE_MS,
      `${id} has no text`,
    ) as Promise<string>;
  }

  async says(id: string, wanted: RegExp): Promise<void> {
    let last = '';
    await this.driver
      .wait(
        async () => wanted.test((last = await this.text(id))),
        PATIENCE_MS,
        `${id} does not say ${wanted}`,
      )
      .catch((error: Error) => {
        throw new Error(`${error.message}; it says "${last}"`);
      });
  }

  /** Presses a control once it takes it, found again if the page replaces it before the click has landed. */
  async press(id: string): Promise<void> {
    for (let left = 3; ; left--) {
      const element = await this.driver.wait(
        until.elementLocated(By.css(`[data-testid="${id}"]:not([aria-busy=true] *)`)),
        PATIENCE_MS,
        `nothing that takes a press has the id ${id}`,
      );
      try {
        await this.driver.executeScript(
          'arguments[0].scrollIntoView({ block: "center" })',
          element,
        );
        await element.click();
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

const byId = (id: string): By => By.css(`[data-testid="${id}"]`);
