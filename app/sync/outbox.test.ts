/** @jest-environment node */
import 'fake-indexeddb/auto';
import type { NewEntry } from '../../contract/entry';
import { MARK_HEADER, STORED_HEADER } from '../../contract/headers';
import { become, refreshAccount, restoreAccount, turnedAway } from './account';
import { heedTurnedAway } from './api';
import { allWaiting, database, keepAnswers, keepSetting, keptAnswers } from './device';
import { draftsKey, keptDrafts } from './keptDrafts';
import {
  answerWith,
  asked,
  begin,
  call,
  entry,
  ids,
  KIM,
  LOU,
  newStore,
  put,
  storing,
  type Answer,
} from './madeUpServer';
import {
  discard,
  enqueue,
  refusedItems,
  restoreOutbox,
  sendNext,
  tryAgain,
  waitingCount,
} from './outbox';

beforeEach(begin);

describe('the outbox', () => {
  it('keeps a write on the device before it is shown, and reads it back in order', async () => {
    const store = newStore();
    // Two in the same millisecond, and a clock that is set back in between: none is lost.
    const now = jest.spyOn(Date, 'now');
    for (const [id, at] of [
      ['a', 5000],
      ['b', 5000],
      ['c', 10],
    ] as const) {
      now.mockReturnValue(at);
      await store.dispatch(put(id));
    }
    now.mockRestore();
    await Promise.all([store.dispatch(put('d')), store.dispatch(put('e'))]);
    expect(ids(await allWaiting())).toEqual(['a', 'b', 'c', 'd', 'e']);
    expect(ids(store.getState().outbox.items)).toEqual(['a', 'b', 'c', 'd', 'e']);
    // The page is opened anew: what waits is there again, once.
    const again = newStore();
    expect(again.getState().outbox.ready).toBe(false);
    await again.dispatch(restoreOutbox());
    await again.dispatch(restoreOutbox());
    expect(ids(again.getState().outbox.items)).toEqual(['a', 'b', 'c', 'd', 'e']);
    expect(again.getState().outbox.ready).toBe(true);
  });

  it('lets a write go only when the server says that it has stored just this', async () => {
    const store = newStore();
    await store.dispatch(put('a'));
    const page = '<title>Harbour Hotel</title>';
    const notYet: Answer[] = [
      'away',
      { status: 503 },
      { status: 401 },
      { status: 429 },
      // A page to sign in, in good form and in bad; an answer for another write, and for none.
      { status: 200, body: page, headers: { [MARK_HEADER]: '' } },
      { status: 403, body: page, headers: { [MARK_HEADER]: '' } },
      { status: 404, body: page, headers: { [MARK_HEADER]: '' } },
      { status: 204, headers: { [STORED_HEADER]: 'b' } },
      { status: 204 },
    ];
    for (const each of notYet) {
      answerWith(() => each);
      await store.dispatch(sendNext());
      expect(store.getState().outbox).toMatchObject({
        away: expect.any(String),
        items: [{ id: 'a' }],
      });
      expect(refusedItems(store.getState())).toEqual([]);
      expect(ids(await allWaiting())).toEqual(['a']);
    }
    answerWith(storing);
    await store.dispatch(sendNext());
    expect(store.getState().outbox).toMatchObject({ away: null, items: [] });
    expect(await allWaiting()).toEqual([]);
    const tries = asked.length;
    expect(asked.map(({ method, path, body }) => [method, path, (body as NewEntry).kind])).toEqual(
      Array(tries).fill(['PUT', '/api/entries/a', 'doubt']),
    );
    // With nothing that waits nothing is sent.
    await store.dispatch(sendNext());
    expect(asked).toHaveLength(tries);
  });

  it('sends entries in a row together, and everything else in its turn', async () => {
    const store = newStore();
    await store.dispatch(put('a'));
    await store.dispatch(enqueue({ to: 'calls', id: 'call', body: call }));
    for (let i = 0; i < 60; i++) await store.dispatch(put(`e${i}`));
    while (waitingCount(store.getState())) await store.dispatch(sendNext());
    expect(asked.map(({ method, path }) => `${method} ${path}`)).toEqual([
      'PUT /api/entries/a',
      'PUT /api/calls/call',
      'POST /api/entries',
      'POST /api/entries',
    ]);
    const sizes = asked.slice(2).map(({ body }) => (body as { entries: unknown[] }).entries.length);
    expect(sizes).toEqual([50, 10]);
    // Refused as a whole, they go one by one; an answer that lacks one is no answer.
    for (const id of ['x', 'y']) await store.dispatch(put(id));
    answerWith((path, body) => (path === '/api/entries' ? { status: 413 } : storing(path, body)));
    await store.dispatch(sendNext());
    expect(ids(store.getState().outbox.items)).toEqual(['y']);
    await store.dispatch(put('z'));
    answerWith(() => ({ status: 200, body: { results: [{ id: 'y', status: 204 }] } }));
    await store.dispatch(sendNext());
    expect(ids(await allWaiting())).toEqual(['y', 'z']);
  });

  it('keeps what was refused for a person to look at, and goes on with the rest', async () => {
    const store = newStore();
    for (const id of ['bad', 'good']) await store.dispatch(put(id));
    const problem = { type: 'about:blank', title: 'no', status: 422, faults: [] };
    answerWith(() => ({
      status: 200,
      body: {
        results: [
          { id: 'bad', status: 422, problem },
          { id: 'good', status: 204 },
        ],
      },
    }));
    await store.dispatch(sendNext());
    const [refused] = refusedItems(store.getState());
    expect(refused).toMatchObject({ id: 'bad', refused: { title: 'no' } });
    expect(waitingCount(store.getState())).toBe(0);
    // After a reload it is still there; it can be tried again, and let go.
    const again = newStore();
    await again.dispatch(restoreOutbox());
    expect(refusedItems(again.getState())).toHaveLength(1);
    await again.dispatch(tryAgain(refused?.order ?? 0));
    expect(waitingCount(again.getState())).toBe(1);
    expect((await allWaiting())[0]?.refused).toBeUndefined();
    await again.dispatch(discard(refused?.order ?? 0));
    expect(again.getState().outbox.items).toEqual([]);
    expect(await allWaiting()).toEqual([]);
  });

  it('holds the entries of a call that was refused, and lets them go with it', async () => {
    const store = newStore();
    await store.dispatch(enqueue({ to: 'calls', id: 'c', body: call }));
    for (const id of ['a', 'b']) await store.dispatch(put(id));
    answerWith((path) => ({ status: path.includes('calls') ? 422 : 404, body: { title: 'no' } }));
    for (let i = 0; i < 4; i++) await store.dispatch(sendNext());
    // One thing is refused, not three.
    expect(asked.map((each) => each.path)).toEqual(['/api/calls/c']);
    expect(ids(refusedItems(store.getState()))).toEqual(['c']);
    expect(waitingCount(store.getState())).toBe(2);
    const [first] = refusedItems(store.getState());
    await store.dispatch(tryAgain(first?.order ?? 0));
    answerWith(storing);
    while (waitingCount(store.getState())) await store.dispatch(sendNext());
    expect(asked.at(-1)?.path).toBe('/api/entries');
    // And the other way: with the call goes what was entered for it.
    await store.dispatch(enqueue({ to: 'calls', id: 'c', body: call }));
    await store.dispatch(put('d'));
    answerWith(() => ({ status: 422, body: { title: 'no' } }));
    await store.dispatch(sendNext());
    await store.dispatch(discard(refusedItems(store.getState())[0]?.order ?? 0));
    expect(await allWaiting()).toEqual([]);
  });

  it('is one for each person of a phone: what one left waiting nobody else sees or sends', async () => {
    const store = newStore();
    await store.dispatch(put('a'));
    await store.dispatch(become(LOU));
    await store.dispatch(restoreOutbox());
    expect(store.getState().outbox.items).toEqual([]);
    await store.dispatch(put('b'));
    while (waitingCount(store.getState())) await store.dispatch(sendNext());
    expect(asked.map(({ who, path }) => [who, path])).toEqual([['lou', '/api/entries/b']]);
    expect(ids(await allWaiting())).toEqual(['a']);
    // Nobody has an outbox, and can put nothing into one.
    await store.dispatch(become(null));
    await store.dispatch(restoreOutbox());
    expect(enqueue.rejected.match(await store.dispatch(put('c')))).toBe(true);
    // Back again, it goes on where it was.
    await store.dispatch(become(KIM));
    await store.dispatch(restoreOutbox());
    while (waitingCount(store.getState())) await store.dispatch(sendNext());
    expect(asked.at(-1)).toMatchObject({ who: 'kim', path: '/api/entries/a' });
    expect(await allWaiting()).toEqual([]);
  });

  it('a session that has ended refuses no write: it waits until somebody is signed in again', async () => {
    const store = newStore();
    heedTurnedAway(() => void store.dispatch(turnedAway()));
    await store.dispatch(put('a'));
    answerWith(() => ({ status: 401, body: { title: 'sign in first' } }));
    await store.dispatch(sendNext());
    expect(store.getState().account.signedOut).toBe(true);
    expect(refusedItems(store.getState())).toEqual([]);
    expect(ids(await allWaiting())).toEqual(['a']);
    answerWith(storing);
    await store.dispatch(become(KIM));
    await store.dispatch(restoreOutbox());
    expect(store.getState().account.signedOut).toBe(false);
    while (waitingCount(store.getState())) await store.dispatch(sendNext());
    expect(await allWaiting()).toEqual([]);
  });

  it('does not sign in again who has signed out while the server was asked of them', async () => {
    const store = newStore();
    answerWith(() => ({ status: 200, body: KIM }));
    const asks = store.dispatch(refreshAccount());
    await store.dispatch(become(null));
    await asks;
    expect(store.getState().account.account).toBeNull();
    expect((await store.dispatch(restoreAccount()).unwrap()).account).toBeNull();
  });

  it('gives drafts of before there were people to the first of the shop, and lets go of what others were answered', async () => {
    await keepSetting(draftsKey('own'), { old: { diagram: 'old' } });
    await keepAnswers({ 'kim /calls': 1, 'lou /calls': 2, 'own /calls': 3 });
    const store = newStore();
    await store.dispatch(become(LOU));
    expect(await keptDrafts('lou')).toEqual({ old: { diagram: 'old' } });
    expect(await keptDrafts('own')).toEqual({});
    expect(await keptAnswers()).toEqual(['lou /calls']);
  });

  it('keeps a write in the page where the device has no room, and says so', async () => {
    const store = newStore();
    await store.dispatch(put('a'));
    const full = new DOMException('no room', 'QuotaExceededError');
    const add = jest.spyOn(IDBObjectStore.prototype, 'add').mockImplementation(() => {
      throw full;
    });
    await store.dispatch(put('b'));
    await store.dispatch(put('c'));
    add.mockRestore();
    const { items } = store.getState().outbox;
    expect(items.map(({ id, unkept }) => [id, unkept ?? false])).toEqual([
      ['a', false],
      ['b', true],
      ['c', true],
    ]);
    // Copies of answers make room first, where that is enough.
    await (await database()).put('answers', 'copy', 'demo /calls');
    const once = jest.spyOn(IDBObjectStore.prototype, 'add').mockImplementationOnce(() => {
      throw full;
    });
    await store.dispatch(put('d'));
    once.mockRestore();
    expect(await (await database()).count('answers')).toBe(0);
    expect(ids(await allWaiting())).toEqual(['a', 'd']);
    while (waitingCount(store.getState())) await store.dispatch(sendNext());
    expect(
      asked.flatMap(({ body }) => (body as { entries: { id: string }[] }).entries),
    ).toHaveLength(4);
  });

  it('takes over what waits in the database of the first version', async () => {
    (await database()).close();
    await new Promise<void>((done) => {
      indexedDB.deleteDatabase('yarrix').onsuccess = () => done();
    });
    await new Promise<void>((done) => {
      const asks = indexedDB.open('yarrix', 1);
      asks.onupgradeneeded = () => {
        const old = asks.result.createObjectStore('outbox', { keyPath: 'order' });
        asks.result.createObjectStore('answers');
        asks.result.createObjectStore('settings');
        for (const order of [70, 30])
          old.put({ to: 'entries', id: `old ${order}`, body: entry('old'), order });
      };
      asks.onsuccess = () => {
        asks.result.close();
        done();
      };
    });
    const store = newStore();
    await store.dispatch(restoreOutbox());
    expect(ids(store.getState().outbox.items)).toEqual(['old 30', 'old 70']);
    expect(store.getState().outbox.items[0]?.shop).toBe('demo');
  });
});
