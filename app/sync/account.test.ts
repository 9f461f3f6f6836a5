/** @jest-environment node */
import 'fake-indexeddb/auto';
import { become, refreshAccount, restoreAccount, turnedAway, whoIn } from './account';
import { database, keepAnswers, keepSetting, keptAnswers, keptSetting } from './device';
import { draftsKey } from './keptDrafts';
import { answerWith, asked, begin, KIM, LOU, newStore } from './madeUpServer';

/** The storage that a page reads at once; a private window may have none. */
const storage = new Map<string, string>();
beforeEach(async () => {
  await begin();
  await (await database()).clear('settings');
  storage.clear();
  Object.assign(globalThis, {
    localStorage: {
      getItem: (key: string) => storage.get(key) ?? null,
      setItem: (key: string, value: string) => void storage.set(key, value),
    },
  });
});
const isNobody = { account: null, heard: false, signedOut: false };

describe('who works with a device', () => {
  it('is who worked with it last, without asking; nobody after a sign-out, whatever cookie is still there', async () => {
    const page = newStore();
    await page.dispatch(become(LOU));
    const next = newStore(KIM);
    await next.dispatch(restoreAccount());
    expect(next.getState().account).toMatchObject({ account: LOU, heard: false });
    expect(whoIn(next.getState())).toBe('lou');
    await next.dispatch(become(null));
    answerWith(() => ({ status: 200, body: LOU }));
    const last = newStore(KIM);
    await last.dispatch(restoreAccount());
    expect(last.getState().account).toEqual(isNobody);
    expect(whoIn(last.getState())).toBe('');
    expect(asked).toEqual([]);
  });

  it('is who the browser’s session is of where the device does not know, and the last guess without a server', async () => {
    answerWith(() => ({ status: 200, body: KIM }));
    const page = newStore(LOU);
    await page.dispatch(restoreAccount());
    expect(page.getState().account).toMatchObject({ account: KIM, heard: true });
    expect(await keptSetting('account')).toEqual(KIM);
    // Its database is gone, what can be read at once is not, and the server is away.
    await (await database()).clear('settings');
    answerWith(() => 'away');
    const again = newStore(LOU);
    await again.dispatch(restoreAccount());
    expect(again.getState().account).toMatchObject({ account: KIM, heard: false });
    storage.set('yarrix-account', 'no JSON');
    await (await database()).clear('settings');
    await again.dispatch(restoreAccount());
    expect(again.getState().account).toEqual(isNobody);
  });

  it('keeps copies of nobody else’s answers, and takes over drafts from before there were people', async () => {
    await keepAnswers({ 'kim /calls': [], 'lou /calls': [], 'louise /calls': [] });
    await keepSetting(draftsKey('own'), { old: { name: 'old' }, both: { name: 'shop' } });
    await keepSetting(draftsKey('lou'), { both: { name: 'lou' } });
    await newStore().dispatch(become(LOU));
    expect(await keptAnswers()).toEqual(['lou /calls']);
    expect(await keptSetting(draftsKey('lou'))).toEqual({
      old: { name: 'old' },
      both: { name: 'lou' },
    });
    expect(await keptSetting(draftsKey('own'))).toBeUndefined();
    // Who signs out leaves what waits, and every copy.
    await newStore(LOU).dispatch(become(null));
    expect(await keptAnswers()).toEqual(['lou /calls']);
  });

  it('has the role that the server says by now, unless somebody else works here meanwhile', async () => {
    const page = newStore(KIM);
    await page.dispatch(become(KIM));
    const lead = { ...KIM, role: 'lead' as const };
    answerWith(() => ({ status: 200, body: lead }));
    await page.dispatch(refreshAccount());
    expect(page.getState().account).toMatchObject({ account: lead, heard: true });
    expect(await keptSetting('account')).toEqual(lead);
    expect(asked.at(-1)).toMatchObject({ path: '/api/session', who: 'kim' });
    // An answer that comes after a sign-out changes nothing, here and for the next start.
    const asking = page.dispatch(refreshAccount());
    await page.dispatch(become(null));
    await asking;
    expect(page.getState().account.account).toBeNull();
    expect(await keptSetting('account')).toBe('nobody');
    expect(storage.get('yarrix-account')).toBe('null');
  });

  it('is told once nothing is taken from them any more, and is somebody all the same', async () => {
    const page = newStore(KIM);
    page.dispatch(turnedAway());
    expect(page.getState().account).toMatchObject({ account: KIM, signedOut: true });
    await page.dispatch(become(KIM));
    expect(page.getState().account.signedOut).toBe(false);
    await page.dispatch(become(null));
    page.dispatch(turnedAway());
    expect(page.getState().account.signedOut).toBe(false);
  });
});
