import { createAsyncThunk, createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { MOST_ENTRIES } from '../../contract/limits';
import { become, whoIn } from './account';
import { clockSkewMs, Refusal, write, writeEntries } from './api';
import { allWaiting, changeWaiting, dropWaiting, keepWaiting, stillWaits } from './device';
import {
  callOf,
  isOf,
  type OutboxItem,
  type OutboxState,
  type Sent,
  type WithOutbox,
  type Write,
} from './outboxItem';
import { tellTabs } from './tabs';

const initialState: OutboxState = { ready: false, items: [], away: null, skewMs: 0 };

/** Reads back what waits on the device of who works here: from the last time, or from another tab. */
export const restoreOutbox = createAsyncThunk(
  'outbox/restore',
  async (_: void, { getState }): Promise<OutboxItem[]> => {
    const waiting = await allWaiting();
    const { account } = (getState() as WithOutbox).account;
    return waiting.filter((each) => isOf(each, account));
  },
);

/** Puts a write into the queue: kept on the device first, then shown, then sent. */
export const enqueue = createAsyncThunk(
  'outbox/enqueue',
  async (made: Write, { getState }): Promise<OutboxItem> => {
    const { outbox, account } = getState() as WithOutbox;
    const { items } = outbox;
    if (!account.account) throw new Error('nobody works here whose write it could be');
    const { shop, person, name: by } = account.account;
    // The browser is asked once not to throw it away when it tidies up; it may say no.
    void globalThis.navigator?.storage?.persist?.().catch(() => false);
    const item = { ...made, shop, person, by, since: Date.now() };
    try {
      const kept: OutboxItem = { ...item, order: await keepWaiting(item) };
      tellTabs({ changed: true });
      return kept;
    } catch {
      // No database, or no room in it: it waits in this page, and the person is told.
      return { ...item, order: (items.at(-1)?.order ?? 0) + 0.001, unkept: true };
    }
  },
);

/** Takes refused writes out of the queue, because a person has read why; with a call goes what is of it. */
export const discard = createAsyncThunk(
  'outbox/discard',
  async (order: number, { getState }): Promise<number[]> => {
    const { items } = (getState() as WithOutbox).outbox;
    const item = items.find((each) => each.order === order);
    const gone = items.filter(
      (each) => each === item || (item?.to === 'calls' && callOf(each) === item.id),
    );
    const orders = gone.map((each) => each.order);
    await dropWaiting(orders).catch(() => undefined);
    tellTabs({ changed: true });
    return orders;
  },
);

/** Sends a refused write once more, because what was in its way may have gone. */
export const tryAgain = createAsyncThunk(
  'outbox/again',
  async (order: number, { getState }): Promise<OutboxItem | undefined> => {
    const { items } = (getState() as WithOutbox).outbox;
    const item = items.find((each) => each.order === order);
    if (!item) return undefined;
    const { refused: _, ...again } = item;
    if (!again.unkept) await changeWaiting(again as OutboxItem).catch(() => undefined);
    tellTabs({ changed: true });
    return again as OutboxItem;
  },
);

/** Writes that wait for the server: not those that it refused, nor what belongs to a call it refused. */
export function sendable(items: readonly OutboxItem[]): OutboxItem[] {
  const held = new Set(
    items.flatMap((each) => (each.refused && each.to === 'calls' ? [each.id] : [])),
  );
  return items.filter((each) => !each.refused && !held.has(callOf(each)));
}

/** Sends the first writes that wait: entries in a row together, photos between them after, all else one by one. */
export const sendNext = createAsyncThunk(
  'outbox/send',
  async (_: void, { getState }): Promise<Sent> => {
    const state = getState() as WithOutbox;
    const who = whoIn(state);
    const [first, ...rest] = sendable(state.outbox.items);
    if (!first) return { stored: [], refused: [] };
    // No entry waits for a photo; for a call or a table it does.
    const end = rest.findIndex(({ to }) => to !== 'entries' && to !== 'photos');
    const near = first.to === 'entries' ? rest.slice(0, end < 0 ? undefined : end) : [];
    const row = near.filter(({ to }) => to === 'entries');
    const wanted = [first, ...row].slice(0, MOST_ENTRIES);
    // Another tab may have sent them while this one waited for its turn.
    const waiting = await Promise.all(
      wanted.map((each) => each.unkept ?? stillWaits(each.order).catch(() => true)),
    );
    const batch = wanted.filter((_each, i) => waiting[i]);
    const elsewhere = wanted.filter((_each, i) => !waiting[i]);
    const sent = batch.length ? await send(who, batch) : { stored: [], refused: [] };
    await dropWaiting(sent.stored.map((each) => each.order)).catch(() => undefined);
    for (const each of sent.refused)
      if (!each.unkept) await changeWaiting(each).catch(() => undefined);
    if (batch.length) tellTabs({ sent });
    return { ...sent, stored: [...sent.stored, ...elsewhere] };
  },
);

async function send(who: string, batch: readonly OutboxItem[]): Promise<Sent> {
  const [first] = batch;
  if (!first) return { stored: [], refused: [] };
  if (batch.length > 1) {
    try {
      const entries = batch.map(({ id, body }) => ({ id, entry: body }));
      const results = await writeEntries(who, entries);
      const sent: Sent = { stored: [], refused: [] };
      batch.forEach((item, i) => {
        const problem = results[i]?.problem;
        if (problem) sent.refused.push({ ...item, refused: problem });
        else sent.stored.push(item);
      });
      return sent;
    } catch (error) {
      // Refused as a whole (too large, one that is no JSON): one by one the server says which.
      if (!(error instanceof Refusal)) throw error;
    }
  }
  try {
    await write(who, first.to, first.id, first.body);
    return { stored: [first], refused: [] };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { stored: [], refused: [{ ...first, refused: error.problem }] };
  }
}

const slice = createSlice({
  name: 'outbox',
  initialState,
  reducers: {
    /** Another tab has sent some of what waits. */
    sentElsewhere: (state, { payload }: PayloadAction<Sent>) => {
      state.away = null;
      settle(state, payload);
    },
  },
  extraReducers: (build) => {
    build.addCase(become.fulfilled, (state) => ({ ...initialState, ready: state.ready }));
    build.addCase(restoreOutbox.fulfilled, (state, { payload }) => {
      // What was entered while the device was asked the first time is not in its answer yet.
      const known = new Set(payload.map((each) => each.order));
      const here = state.items.filter((each) => each.unkept || !state.ready);
      state.items = [...payload, ...here.filter((each) => !known.has(each.order))].sort(
        (a, b) => a.order - b.order,
      );
      state.ready = true;
    });
    build.addCase(restoreOutbox.rejected, (state) => {
      state.ready = true;
    });
    build.addCase(enqueue.fulfilled, (state, { payload }) => {
      if (state.items.some((each) => each.id === payload.id)) return;
      state.items.push(payload);
      state.items.sort((a, b) => a.order - b.order);
    });
    build.addCase(discard.fulfilled, (state, { payload }) => {
      state.items = state.items.filter((each) => !payload.includes(each.order));
    });
    build.addCase(tryAgain.fulfilled, (state, { payload }) => {
      state.items = state.items.map((each) => (each.order === payload?.order ? payload : each));
    });
    build.addCase(sendNext.fulfilled, (state, { payload }) => {
      state.away = null;
      state.skewMs = clockSkewMs();
      settle(state, payload);
    });
    build.addCase(sendNext.rejected, (state, { error }) => {
      state.away = error.message ?? 'no answer';
    });
  },
});

function settle(state: OutboxState, { stored, refused }: Sent): void {
  const gone = new Set(stored.map((each) => each.order));
  const no = new Map(refused.map((each) => [each.order, each]));
  state.items = state.items.flatMap((each) =>
    gone.has(each.order) ? [] : [no.get(each.order) ?? each],
  );
}

export const { sentElsewhere } = slice.actions;
export const outbox = slice.reducer;

export const waitingItems = (state: Pick<WithOutbox, 'outbox'>): OutboxItem[] =>
  state.outbox.items.filter((each) => !each.refused);
export const waitingCount = (state: Pick<WithOutbox, 'outbox'>): number =>
  state.outbox.items.reduce((sum, each) => sum + Number(!each.refused), 0);
export const refusedItems = (state: Pick<WithOutbox, 'outbox'>): OutboxItem[] =>
  state.outbox.items.filter((each) => each.refused);
