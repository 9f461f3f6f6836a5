/** @jest-environment node */
import 'fake-indexeddb/auto';
import { Away, diagramOnDevice, fetchCalls, keepDiagrams, Refusal, write } from './api';
import { database } from './device';
import { answerWith, asked, begin, newStore, put, storing, until } from './madeUpServer';
import { restoreOutbox, sendNext, waitingCount } from './outbox';
import { startSender } from './sender';

beforeEach(begin);

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
    answerWith(() => 'away');
    await store.dispatch(put('a'));
    const stop = startSender(store, () => undefined);
    await until(() => store.getState().outbox.away !== null);
    const tries = asked.length;
    await new Promise((resolve) => setTimeout(resolve, 100));
    expect(asked.length).toBe(tries);
    answerWith(storing);
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
    answerWith(() => ({ status: 200, body: [{ id: 'c' }] }));
    expect(await fetchCalls('demo')).toEqual({ value: [{ id: 'c' }], stale: false });
    answerWith(() => 'away');
    expect(await fetchCalls('demo')).toEqual({ value: [{ id: 'c' }], stale: true });
    answerWith(() => ({ status: 500 }));
    expect((await fetchCalls('demo')).stale).toBe(true);
    answerWith(() => ({ status: 404, body: { title: 'there is no such call' } }));
    await expect(fetchCalls('demo')).rejects.toBeInstanceOf(Refusal);
    // A copy that cannot be kept makes no good answer bad.
    const puts = jest.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('no room', 'QuotaExceededError');
    });
    answerWith(() => ({ status: 200, body: { calls: [], next: null } }));
    expect((await fetchCalls('demo')).stale).toBe(false);
    puts.mockRestore();
    await (await database()).clear('answers');
    answerWith(() => 'away');
    await expect(fetchCalls('demo')).rejects.toBeInstanceOf(Away);
    await expect(write('demo', 'entries', 'a', {})).rejects.toBeInstanceOf(Away);
  });

  it('a diagram is asked for once: its versions never change', async () => {
    answerWith(() => ({ status: 200, body: { id: 'washer' } }));
    expect(await diagramOnDevice('demo', 'washer', 3)).toEqual({ id: 'washer' });
    answerWith(() => 'away');
    expect(await diagramOnDevice('demo', 'washer', 3)).toEqual({ id: 'washer' });
    expect(asked.map((each) => each.path)).toEqual(['/api/diagrams/washer/3']);
    await expect(diagramOnDevice('demo', 'washer', 4)).rejects.toBeInstanceOf(Away);
  });

  it('brings the bodies that a device lacks with few requests, however many there are', async () => {
    const list = Array.from({ length: 500 }, (_, i) => ({ id: `d${i}`, version: 1 })) as Parameters<
      typeof keepDiagrams
    >[1][number][];
    answerWith((_path, body) => {
      const { have } = body as { have: string[] };
      const lacks = list
        .filter(({ id, version }) => !have.includes(`${id}/${version}`))
        .slice(0, 200);
      return { status: 200, body: lacks.map(({ id, version }) => ({ id, version, body: { id } })) };
    });
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
    answerWith(() => ({ status: 200, body: [] }));
    await keepDiagrams('demo', [...list, { ...list[0], id: 'new' } as (typeof list)[number]]);
    expect(asked).toHaveLength(4);
  });
});
