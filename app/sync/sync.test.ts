/** @jest-environment node */
import 'fake-indexeddb/auto';
import { configureStore } from '@reduxjs/toolkit';
import type { NewCallDto } from '../../contract/call';
import type { NewEntry } from '../../contract/entry';
import { API_MARK, AT_HEADER, MARK_HEADER, STORED_HEADER } from '../../contract/headers';
import { Away, diagramOnDevice, fetchCalls, keepDiagrams, Refusal, write } from './api';
import { allWaiting, database } from './device';
import {
  discard,
  enqueue,
  outbox,
  refusedItems,
  restoreOutbox,
  sendNext,
  tryAgain,
  waitingCount,
  workIn,
} from './outbox';
import { startSender } from './sender';
import type { OutboxItem } from './outboxItem';

/** What the server was asked, and what it answers: a status and a body, or no answer at all. */
const asked: { method: string; path: string; body: unknown; shop: string }[] = [];
type Answer = { status: number; body?: unknown; headers?: Record<string, string> } | 'away';
let answer: (path: string, body: unknown) => Answer;

/** A server that stores what it is sent. */
const storing = (path: string, body: unknown): Answer =>
  path === '/api/entries'
    ? {
        status: 200,
        body: {
          results: (body as { entries: { id: string }[] }).entries.map(({ id }) => ({
            id,
            status: 204,
          })),
        },
      }
    : { status: 204, headers: { [STORED_HEADER]: path.split('/').at(-1) ?? '' } };

beforeEach(async () => {
  asked.length = 0;
  answer = storing;
  globalThis.fetch = (async (input: RequestInfo | URL, init: RequestInit = {}) => {
    const path = String(input);
    const body = typeof init.body === 'string' ? JSON.parse(init.body) : undefined;
    const shop = new Headers(init.headers).get('x-yarrix-shop') ?? '';
    asked.push({ method: init.method ?? 'GET', path, body, shop });
    const said = answer(path, body);
    if (said === 'away') throw new TypeError('fetch failed');
    const text = typeof said.body === 'string' ? said.body : JSON.stringify(said.body ?? null);
    const marked = { [MARK_HEADER]: API_MARK, [AT_HEADER]: String(Date.now()), ...said.headers };
    const headers = Object.fromEntries(Object.entries(marked).filter(([, value]) => value));
    return new Response(said.status === 204 ? null : text, {
      status: said.status,
      headers,
    });
  }) as typeof fetch;
  const db = await database();
  await Promise.all([db.clear('waiting'), db.clear('answers')]);
});

const newStore = () => configureStore({ reducer: { outbox } });
const entry = (reason: string): NewEntry => ({
  callId: 'c',
  kind: 'doubt',
  phoneAt: '2026-11-26T08:00:00.000Z',
  body: { names: 'x', reason },
});
const put = (id: string) => enqueue({ to: 'entries', id, body: entry(id) });
const ids = (items: readonly OutboxItem[]): string[] => items.map((each) => each.id);
const until = async (holds: () => boolean): Promise<void> => {
  for (let i = 0; i < 200 && !holds(); i++) await new Promise((resolve) => setTimeout(resolve, 10));
  expect(holds()).toBe(true);
};

const call: NewCallDto = {
  appliance: { id: 'm', make: 'Marrowby', model: 'W-44', place: 'Cellar' },
  diagramId: 'top-load-washer',
  diagramVersion: 1,
  complaint: 'does not spin',
  phoneAt: '2026-11-26T08:00:00.000Z',
};

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
      answer = () => each;
      await store.dispatch(sendNext());
      expect(store.getState().outbox).toMatchObject({
        away: expect.any(String),
        items: [{ id: 'a' }],
      });
      expect(refusedItems(store.getState())).toEqual([]);
      expect(ids(await allWaiting())).toEqual(['a']);
    }
    answer = storing;
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
    answer = (path, body) => (path === '/api/entries' ? { status: 413 } : storing(path, body));
    await store.dispatch(sendNext());
    expect(ids(store.getState().outbox.items)).toEqual(['y']);
    await store.dispatch(put('z'));
    answer = () => ({ status: 200, body: { results: [{ id: 'y', status: 204 }] } });
    await store.dispatch(sendNext());
    expect(ids(await allWaiting())).toEqual(['y', 'z']);
  });

  it('keeps what was refused for a person to look at, and goes on with the rest', async () => {
    const store = newStore();
    for (const id of ['bad', 'good']) await store.dispatch(put(id));
    const problem = { type: 'about:blank', title: 'no', status: 422, faults: [] };
    answer = () => ({
      status: 200,
      body: {
        results: [
          { id: 'bad', status: 422, problem },
          { id: 'good', status: 204 },
        ],
      },
    });
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
    answer = (path) => ({ status: path.includes('calls') ? 422 : 404, body: { title: 'no' } });
    for (let i = 0; i < 4; i++) await store.dispatch(sendNext());
    // One thing is refused, not three.
    expect(asked.map((each) => each.path)).toEqual(['/api/calls/c']);
    expect(ids(refusedItems(store.getState()))).toEqual(['c']);
    expect(waitingCount(store.getState())).toBe(2);
    const [first] = refusedItems(store.getState());
    await store.dispatch(tryAgain(first?.order ?? 0));
    answer = storing;
    while (waitingCount(store.getState())) await store.dispatch(sendNext());
    expect(asked.at(-1)?.path).toBe('/api/entries');
    // And the other way: with the call goes what was entered for it.
    await store.dispatch(enqueue({ to: 'calls', id: 'c', body: call }));
    await store.dispatch(put('d'));
    answer = () => ({ status: 422, body: { title: 'no' } });
    await store.dispatch(sendNext());
    await store.dispatch(discard(refusedItems(store.getState())[0]?.order ?? 0));
    expect(await allWaiting()).toEqual([]);
  });

  it('sends each write to the shop that it was made in', async () => {
    const store = newStore();
    await store.dispatch(put('a'));
    await store.dispatch(workIn('own'));
    await store.dispatch(put('b'));
    while (waitingCount(store.getState())) await store.dispatch(sendNext());
    expect(asked.map(({ shop, path }) => [shop, path])).toEqual([
      ['demo', '/api/entries/a'],
      ['own', '/api/entries/b'],
    ]);
    await store.dispatch(workIn('demo'));
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

describe('the sender', () => {
  const page = new EventTarget();
  beforeAll(() => void Object.assign(globalThis, { window: page }));

  it('sends what waits in order, and tells of each; who hears it may fail', async () => {
    const store = newStore();
    const told: string[] = [];
    for (const id of ['a', 'b']) await store.dispatch(put(id));
    const stop = startSender(store, ({ stored }) => {
      told.push(...stored.map(({ id }) => id));
      throw new Error('cannot be read back');
    });
    await until(() => told.length === 2);
    // What is entered later goes at once.
    await store.dispatch(put('c'));
    await until(() => told.length === 3);
    stop();
    expect(told).toEqual(['a', 'b', 'c']);
    expect(asked.map((each) => each.path)).toEqual(['/api/entries', '/api/entries/c']);
    await store.dispatch(put('d'));
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(asked).toHaveLength(2);
  });

  it('waits while the server is away, and goes on as soon as there is a network again', async () => {
    const store = newStore();
    answer = () => 'away';
    await store.dispatch(put('a'));
    const stop = startSender(store, () => undefined);
    await until(() => store.getState().outbox.away !== null);
    const tries = asked.length;
    await new Promise((resolve) => setTimeout(resolve, 100));
    expect(asked.length).toBe(tries);
    answer = storing;
    page.dispatchEvent(new Event('online'));
    await until(() => waitingCount(store.getState()) === 0);
    stop();
  });

  it('of two tabs sends a write once, and both know', async () => {
    const [one, two] = [newStore(), newStore()];
    const stops = [one, two].map((store) => startSender(store, () => undefined));
    await one.dispatch(put('a'));
    await until(() => [one, two].every((store) => store.getState().outbox.items.length === 0));
    // A tab that has not heard of it looks on the device before it sends.
    const late = newStore();
    await late.dispatch(put('b'));
    const other = newStore();
    await other.dispatch(restoreOutbox());
    await late.dispatch(sendNext());
    await other.dispatch(sendNext());
    expect(other.getState().outbox.items).toEqual([]);
    for (const stop of stops) stop();
    expect(asked.filter(({ path }) => path.endsWith('/b')).length).toBeLessThanOrEqual(1);
  });
});

describe('what is read from the server', () => {
  it('is the last answer, marked, while the server is away; a refusal is no answer', async () => {
    answer = () => ({ status: 200, body: [{ id: 'c' }] });
    expect(await fetchCalls('demo')).toEqual({ value: [{ id: 'c' }], stale: false });
    answer = () => 'away';
    expect(await fetchCalls('demo')).toEqual({ value: [{ id: 'c' }], stale: true });
    answer = () => ({ status: 500 });
    expect((await fetchCalls('demo')).stale).toBe(true);
    answer = () => ({ status: 404, body: { title: 'there is no such call' } });
    await expect(fetchCalls('demo')).rejects.toBeInstanceOf(Refusal);
    // A copy that cannot be kept makes no good answer bad.
    const puts = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('no room', 'QuotaExceededError');
    });
    answer = () => ({ status: 200, body: { calls: [], next: null } });
    expect((await fetchCalls('demo')).stale).toBe(false);
    puts.mockRestore();
    await (await database()).clear('answers');
    answer = () => 'away';
    await expect(fetchCalls('demo')).rejects.toBeInstanceOf(Away);
    await expect(write('demo', 'entries', 'a', {})).rejects.toBeInstanceOf(Away);
  });

  it('a diagram is asked for once: its versions never change', async () => {
    answer = () => ({ status: 200, body: { id: 'washer' } });
    expect(await diagramOnDevice('demo', 'washer', 3)).toEqual({ id: 'washer' });
    answer = () => 'away';
    expect(await diagramOnDevice('demo', 'washer', 3)).toEqual({ id: 'washer' });
    expect(asked.map((each) => each.path)).toEqual(['/api/diagrams/washer/3']);
    await expect(diagramOnDevice('demo', 'washer', 4)).rejects.toBeInstanceOf(Away);
  });

  it('brings the bodies that a device lacks with few requests, however many there are', async () => {
    const list = Array.from({ length: 500 }, (_, i) => ({ id: `d${i}`, version: 1 })) as Parameters<
      typeof keepDiagrams
    >[1][number][];
    answer = (_path, body) => {
      const { have } = body as { have: string[] };
      const lacks = list
        .filter(({ id, version }) => !have.includes(`${id}/${version}`))
        .slice(0, 200);
      return { status: 200, body: lacks.map(({ id, version }) => ({ id, version, body: { id } })) };
    };
    await keepDiagrams('demo', list);
    expect(asked.map(({ method, path }) => [method, path])).toEqual(
      Array(3).fill(['POST', '/api/diagrams/bodies']),
    );
    expect(await (await database()).count('answers')).toBe(500);
    // Nothing is lacking any more: nothing is asked.
    await keepDiagrams('demo', list);
    expect(asked).toHaveLength(3);
    expect(await diagramOnDevice('demo', 'd7', 1)).toEqual({ id: 'd7' });
    // A server that has nothing to give is not asked again and again.
    answer = () => ({ status: 200, body: [] });
    await keepDiagrams('demo', [...list, { ...list[0], id: 'new' } as (typeof list)[number]]);
    expect(asked).toHaveLength(4);
  });
});
