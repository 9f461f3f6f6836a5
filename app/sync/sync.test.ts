/** @jest-environment node */
import 'fake-indexeddb/auto';
import { configureStore } from '@reduxjs/toolkit';
import type { NewEntry } from '../../contract/entry';
import { Away, diagramOnDevice, fetchCalls, keepDiagrams, Refusal, write } from './api';
import { database } from './database';
import {
  discard,
  enqueue,
  outbox,
  refusedItems,
  restoreOutbox,
  sendFirst,
  waitingCount,
} from './outbox';
import { startSender } from './sender';
import type { OutboxItem } from './outboxItem';

/** What the server was asked, and what it answers: a status and a body, or no answer at all. */
const asked: { method: string; path: string; body: unknown }[] = [];
let answer: (path: string, body: unknown) => { status: number; body?: unknown } | 'away';

beforeEach(async () => {
  asked.length = 0;
  answer = () => ({ status: 204 });
  globalThis.fetch = (async (input: RequestInfo | URL, init: RequestInit = {}) => {
    const path = String(input);
    const body = typeof init.body === 'string' ? JSON.parse(init.body) : undefined;
    asked.push({ method: init.method ?? 'GET', path, body });
    const said = answer(path, body);
    if (said === 'away') throw new TypeError('fetch failed');
    const text = said.body === undefined ? null : JSON.stringify(said.body);
    return new Response(said.status === 204 ? null : text, { status: said.status });
  }) as typeof fetch;
  const db = await database();
  await Promise.all([db.clear('outbox'), db.clear('answers')]);
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

describe('the outbox', () => {
  it('keeps a write on the device before it is shown, and reads it back in order', async () => {
    const store = newStore();
    for (const id of ['a', 'b', 'c']) await store.dispatch(put(id));
    expect(ids(await (await database()).getAll('outbox'))).toEqual(['a', 'b', 'c']);
    // The page is opened anew: what waits is there again, once.
    const again = newStore();
    expect(again.getState().outbox.ready).toBe(false);
    await again.dispatch(restoreOutbox());
    await again.dispatch(restoreOutbox());
    expect(ids(again.getState().outbox.items)).toEqual(['a', 'b', 'c']);
    expect(again.getState().outbox.ready).toBe(true);
    await again.dispatch(put('d'));
    const orders = again.getState().outbox.items.map((each) => each.order);
    expect(orders).toEqual([...orders].sort((a, b) => a - b));
    expect(new Set(orders).size).toBe(4);
  });

  it('lets a write go only when the server has it', async () => {
    const store = newStore();
    await store.dispatch(put('a'));
    answer = () => 'away';
    await store.dispatch(sendFirst());
    expect(store.getState().outbox).toMatchObject({ away: true, items: [{ id: 'a' }] });
    answer = () => ({ status: 503 });
    await store.dispatch(sendFirst());
    expect(ids(await (await database()).getAll('outbox'))).toEqual(['a']);
    answer = () => ({ status: 204 });
    await store.dispatch(sendFirst());
    expect(store.getState().outbox).toMatchObject({ away: false, items: [] });
    expect(await (await database()).getAll('outbox')).toEqual([]);
    expect(asked.map(({ method, path, body }) => [method, path, (body as NewEntry).kind])).toEqual(
      Array(3).fill(['PUT', '/api/entries/a', 'doubt']),
    );
    // With nothing that waits nothing is sent.
    await store.dispatch(sendFirst());
    expect(asked).toHaveLength(3);
  });

  it('keeps what was refused for a person to look at, and goes on with the rest', async () => {
    const store = newStore();
    for (const id of ['bad', 'good']) await store.dispatch(put(id));
    const problem = { type: 'about:blank', title: 'no', status: 422, faults: [] };
    answer = (path) => (path.endsWith('bad') ? { status: 422, body: problem } : { status: 204 });
    await store.dispatch(sendFirst());
    await store.dispatch(sendFirst());
    const [refused] = refusedItems(store.getState());
    expect(refused).toMatchObject({ id: 'bad', refused: { title: 'no' } });
    expect(waitingCount(store.getState())).toBe(0);
    // After a reload it is still there, and gone when somebody has let it go.
    const again = newStore();
    await again.dispatch(restoreOutbox());
    expect(refusedItems(again.getState())).toHaveLength(1);
    await again.dispatch(discard(refused?.order ?? 0));
    expect(again.getState().outbox.items).toEqual([]);
    expect(await (await database()).getAll('outbox')).toEqual([]);
  });
});

describe('the sender', () => {
  const page = new EventTarget();
  beforeAll(() => void Object.assign(globalThis, { window: page }));

  it('sends what waits one after the other, and tells of each', async () => {
    const store = newStore();
    const told: string[] = [];
    for (const id of ['a', 'b']) await store.dispatch(put(id));
    const stop = startSender(store, ({ id }) => void told.push(id));
    await until(() => told.length === 2);
    // What is entered later goes at once.
    await store.dispatch(put('c'));
    await until(() => told.length === 3);
    stop();
    expect(told).toEqual(['a', 'b', 'c']);
    expect(asked.map((each) => each.path)).toEqual(
      ['a', 'b', 'c'].map((id) => `/api/entries/${id}`),
    );
    await store.dispatch(put('d'));
    await new Promise((resolve) => setTimeout(resolve, 50));
    expect(asked).toHaveLength(3);
  });

  it('waits while the server is away, and goes on as soon as there is a network again', async () => {
    const store = newStore();
    answer = () => 'away';
    await store.dispatch(put('a'));
    const stop = startSender(store, () => undefined);
    await until(() => store.getState().outbox.away);
    const tries = asked.length;
    await new Promise((resolve) => setTimeout(resolve, 100));
    expect(asked.length).toBe(tries);
    answer = () => ({ status: 204 });
    page.dispatchEvent(new Event('online'));
    await until(() => waitingCount(store.getState()) === 0);
    stop();
  });
});

describe('what is read from the server', () => {
  it('is the last answer, marked, while the server is away; a refusal is no answer', async () => {
    answer = () => ({ status: 200, body: [{ id: 'c' }] });
    expect(await fetchCalls()).toEqual({ value: [{ id: 'c' }], stale: false });
    answer = () => 'away';
    expect(await fetchCalls()).toEqual({ value: [{ id: 'c' }], stale: true });
    answer = () => ({ status: 500 });
    expect((await fetchCalls()).stale).toBe(true);
    answer = () => ({ status: 404, body: { title: 'there is no such call' } });
    await expect(fetchCalls()).rejects.toBeInstanceOf(Refusal);
    await (await database()).clear('answers');
    answer = () => 'away';
    await expect(fetchCalls()).rejects.toBeInstanceOf(Away);
    await expect(write('/entries/a', {})).rejects.toBeInstanceOf(Away);
  });

  it('a diagram is asked for once: its versions never change', async () => {
    answer = () => ({ status: 200, body: { id: 'washer' } });
    expect(await diagramOnDevice('washer', 3)).toEqual({ id: 'washer' });
    answer = () => 'away';
    expect(await diagramOnDevice('washer', 3)).toEqual({ id: 'washer' });
    expect(asked.map((each) => each.path)).toEqual(['/api/diagrams/washer/3']);
    await expect(diagramOnDevice('washer', 4)).rejects.toBeInstanceOf(Away);
  });

  it('brings the bodies that a device lacks with few requests, however many there are', async () => {
    const list = Array.from({ length: 500 }, (_, i) => ({ id: `d${i}`, version: 1 })) as Parameters<
      typeof keepDiagrams
    >[0][number][];
    answer = (_path, body) => {
      const { have } = body as { have: string[] };
      const lacks = list
        .filter(({ id, version }) => !have.includes(`${id}/${version}`))
        .slice(0, 200);
      return { status: 200, body: lacks.map(({ id, version }) => ({ id, version, body: { id } })) };
    };
    await keepDiagrams(list);
    expect(asked.map(({ method, path }) => [method, path])).toEqual(
      Array(3).fill(['POST', '/api/diagrams/bodies']),
    );
    expect(await (await database()).count('answers')).toBe(500);
    // Nothing is lacking any more: nothing is asked.
    await keepDiagrams(list);
    expect(asked).toHaveLength(3);
    expect(await diagramOnDevice('d7', 1)).toEqual({ id: 'd7' });
    // A server that has nothing to give is not asked again and again.
    answer = () => ({ status: 200, body: [] });
    await keepDiagrams([...list, { ...list[0], id: 'new' } as (typeof list)[number]]);
    expect(asked).toHaveLength(4);
  });
});
