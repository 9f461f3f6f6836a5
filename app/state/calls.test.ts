/** @jest-environment node */
import 'fake-indexeddb/auto';
import { answerWith, asked, begin, call as body, KIM, LOU } from '../sync/madeUpServer';
import { become } from '../sync/account';
import { enqueue, restoreOutbox, waitingCount } from '../sync/outbox';
import { freshenCalls, freshSummary, loadCalls } from './calls';
import { makeStore } from './store';

beforeEach(begin);

/** A page in which somebody works. */
async function newStore() {
  const store = makeStore();
  await store.dispatch(become(KIM));
  return store;
}

const page = (...ids: string[]) => ({
  status: 200,
  body: { calls: ids.map((id) => freshSummary(id, body, 'Washer')), next: null },
});

it('asks anew after a write, though an answer of before it is on its way; a list that comes into sight does not', async () => {
  const store = await newStore();
  answerWith(() => page('old'));
  const before = store.dispatch(loadCalls(''));
  store.dispatch(freshenCalls(''));
  expect(asked).toHaveLength(1);
  answerWith(() => page('old', 'new'));
  await Promise.all([before, store.dispatch(loadCalls(''))]);
  expect(store.getState().calls.list.map(({ id }) => id)).toEqual(['old', 'new']);
  store.dispatch(freshenCalls(''));
  expect(asked).toHaveLength(2);
  store.dispatch(freshenCalls('pump'));
  expect(asked).toHaveLength(3);
});

it('shows nothing of a shop that was left while it answered', async () => {
  const store = await newStore();
  answerWith(() => page('of-the-demo'));
  const before = store.dispatch(loadCalls(''));
  await store.dispatch(become(LOU));
  await before;
  expect(store.getState().calls.list).toEqual([]);
});

it('keeps in sight what is entered before the device says what waits', async () => {
  const store = await newStore();
  await store.dispatch(enqueue({ to: 'calls', id: 'new', body }));
  // Read before that was written.
  store.dispatch(restoreOutbox.fulfilled([], 'first'));
  expect(waitingCount(store.getState())).toBe(1);
  // From then on what the device has is what waits: another tab may have sent it.
  store.dispatch(restoreOutbox.fulfilled([], 'second'));
  expect(waitingCount(store.getState())).toBe(0);
});
