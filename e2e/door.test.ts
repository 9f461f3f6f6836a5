import type { CallPage } from '../contract/call';
import { Browser, PHONE, SERVER_AWAY } from './browser';
import { inTurn } from '../tools/inTurn';
import { Yarrix } from './yarrix';

jest.setTimeout(240_000);

let yarrix: Yarrix;
const pages: Browser[] = [];
beforeAll(async () => {
  yarrix = await Yarrix.fresh();
});
afterAll(async () => {
  for (const page of pages)
    expect(await page.close(new RegExp(`${SERVER_AWAY.source}|Failed to load resource`))).toEqual(
      [],
    );
  await yarrix.end();
});

const PASSWORD = 'brass lantern under seven hedges';
const LEAD = 'lou@hill.example';
const TECHNICIAN = 'kim@hill.example';
const COLLEAGUE = 'pat@hill.example';

async function phone(): Promise<Browser> {
  const page = await Browser.open(PHONE);
  pages.push(page);
  return page;
}
async function fill(page: Browser, form: string, typed: Record<string, string>): Promise<void> {
  for (const [name, text] of Object.entries(typed)) await page.fill(`${form}-${name}`, text);
  await page.press(`${form}-send`);
}
const signIn = (page: Browser, email: string): Promise<void> =>
  fill(page, 'sign-in', { email, password: PASSWORD });
/** As a page of the browser, with its session. */
const ask = <T>(page: Browser, path: string): Promise<T> =>
  page.driver.executeAsyncScript(
    `const done = arguments[1];
     fetch('/api' + arguments[0]).then((answer) => answer.json()).then(done, () => done(null));`,
    path,
  );

async function openCall(page: Browser, complaint: string): Promise<void> {
  await page.press('new-call');
  await page.fill('field-complaint', complaint);
  await page.fill('field-make', 'Marrowby');
  await page.fill('field-model', 'W-44');
  await page.fill('field-place', 'Hill cellar');
  await page.fill('diagram-search', 'washer lid switch');
  await page.press('diagram-top-load-washer');
  await page.press('open-call');
  await page.find('switch-lid-switch');
}

it('founds a shop, lets people in by links, works a day without the server, and hands the phone to a colleague', async () => {
  const lead = await phone();
  await lead.driver.get(yarrix.address);
  // The first to come founds: what is wrong is said beside its field, and what was typed stays.
  await fill(lead, 'found', {
    shopName: 'Hill Street Appliance',
    name: 'Lou Hill',
    email: LEAD,
    password: 'short',
  });
  await lead.says('found-password-fault', /12 letters/);
  await fill(lead, 'found', { password: PASSWORD });
  await lead.says('shop-own', /Hill Street Appliance[^]*Lou Hill/);
  await lead.find('empty');

  const links: string[] = [];
  await lead.driver.get(`${yarrix.address}/people`);
  for (let i = 0; i < 3; i++) {
    await lead.press('invite-technician');
    links.push(await lead.text('new-link-url'));
    await lead.press('link-done');
  }
  const [mine = '', other = '', dead = ''] = links;
  // What ends first stands first: the last one was made last.
  const withdraw = await lead.driver.findElements({ css: '[data-testid^="withdraw-"]' });
  expect(withdraw).toHaveLength(3);
  await withdraw[2]?.click();

  // Two come in on one phone after each other; a link that was used lets nobody else in.
  const shared = await phone();
  await shared.driver.get(other);
  await fill(shared, 'join', { name: 'Pat Hill', email: COLLEAGUE, password: PASSWORD });
  await shared.find('empty');
  await shared.press('shop-own');
  await shared.press('sign-out');
  await shared.driver.get(other);
  await shared.says('link-dead', /does not work: it was used/);
  await shared.driver.get('about:blank');
  await shared.driver.get(dead);
  await shared.says('link-dead', /withdrawn/);
  await shared.driver.get('about:blank');
  await shared.driver.get(mine);
  await fill(shared, 'join', { name: 'Kim Hill', email: TECHNICIAN, password: PASSWORD });
  await shared.find('empty');
  await openCall(shared, 'Stands full of water');
  await shared.gone('waiting');

  // A day without the server: a call is opened, and what is entered stays on the phone.
  await shared.driver.get(yarrix.address);
  await shared.find('new-call');
  await yarrix.stop();
  await openCall(shared, 'Hums and does not turn');
  await shared.says('waiting', /kept on this device/);
  await shared.driver.navigate().refresh();
  await shared.find('switch-lid-switch');
  await shared.press('back');

  // Signing out says what waits, and keeps it for nobody else.
  await shared.press('shop-own');
  await shared.says('out-waiting', /of your entries wait on this device/);
  await shared.press('out-asked');
  await shared.press('sign-out');
  await shared.find('door-away');
  await yarrix.start();
  await shared.press('door-again');
  await signIn(shared, COLLEAGUE);
  await shared.says('shop-own', /Pat Hill/);
  const seen = async (page: Browser): Promise<string[]> =>
    (await ask<CallPage>(page, '/calls')).calls.map(({ complaint }) => complaint);
  expect(await seen(shared)).toEqual(['Stands full of water']);
  expect(await shared.has('waiting')).toBe(false);
  expect(await shared.driver.getPageSource()).not.toContain('Hums and does not turn');
  await shared.press('shop-own');
  await shared.press('sign-out');
  await signIn(shared, TECHNICIAN);
  await shared.says('shop-own', /Kim Hill/);
  await shared.driver.wait(async () => (await seen(lead)).length === 2, 15_000);
  expect(await seen(lead)).toContain('Hums and does not turn');

  // Both put the complaint right, and not to the same: each is shown what both wrote, and which counts.
  const { calls } = await ask<CallPage>(lead, '/calls?search=hums');
  for (const [page, complaint] of [
    [shared, 'Hums, drum stands still'],
    [lead, 'Hums, motor stalls'],
  ] as const) {
    await page.driver.get(`${yarrix.address}/call/${calls[0]?.id}`);
    await page.press('correct');
    await page.fill('correct-complaint', complaint);
    await page.press('correct-keep');
    await page.gone('waiting');
  }
  for (const page of [shared, lead]) {
    await page.says('worked-by', /Worked on by 2/);
    await page.says(
      'differing-complaint',
      /Kim Hill[^]*drum[^]*Lou Hill[^]*stalls \(this one counts\)/,
    );
  }

  // Taken out by a lead, the phone says so at once and refuses nothing: what is entered waits.
  await lead.driver.get(`${yarrix.address}/people`);
  await lead.press(`out-${TECHNICIAN}`);
  await lead.press(`out-sure-${TECHNICIAN}`);
  await lead.gone(`person-${TECHNICIAN}`);
  await lead.says('door-log', /took somebody out/);
  await shared.driver.navigate().refresh();
  await shared.find('signed-out');
});

inTurn(3)('gives a customer a link to the report, which ends when it is withdrawn', async () => {
  const page = await yarrix.browser(PHONE);
  pages.push(page);
  await page.driver.get(`${yarrix.address}/call/00000000-0000-4000-8000-000200000000/report`);
  await page.press('make-report-link');
  const url = await page.text('new-link-url');
  await page.press('link-done');
  const customer = async (): Promise<[number, string | null]> => {
    const answer = await fetch(url);
    return [answer.status, answer.headers.get('content-type')];
  };
  expect(await customer()).toEqual([200, 'application/pdf']);
  await page.driver.navigate().refresh();
  await page.says('report-links', /opened once/);
  await page.press('withdraw-link');
  await page.gone('withdraw-link');
  expect((await customer())[0]).toBe(404);
  // Out of a message, in a browser that has nothing of ours.
  const theirs = await phone();
  await theirs.driver.get(url);
  expect(await theirs.driver.getTitle()).toBe('This link has ended');
});

inTurn(3)(
  'shows what a colleague enters on the same call by itself, and what both entered',
  async () => {
    const two = [await yarrix.browser(PHONE), await yarrix.browser(PHONE)] as const;
    pages.push(...two);
    const [one, other] = two;
    // Nothing was opened on it: it can be finished and opened again by a tap.
    for (const page of two) {
      await page.driver.get(`${yarrix.address}/call/00000000-0000-4000-8000-000200000000`);
      await page.says('stage', /Open/);
      // It listens once all else has come.
      await page.driver.sleep(3000);
    }
    await one.press('finish');
    await one.says('stage', /Done/);
    await other.says('stage', /Done/);
    await other.press('reopen');
    await other.says('stage', /Open/);
    await one.says('stage', /Open/);
    // Both lists show the same, without being asked.
    const log = async (page: Browser): Promise<string[]> =>
      (
        await ask<{ entries: { id: string }[] }>(
          page,
          '/calls/00000000-0000-4000-8000-000200000000',
        )
      ).entries.map(({ id }) => id);
    expect(await log(one)).toEqual(await log(other));
  },
);
