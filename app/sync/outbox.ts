import { createAsyncThunk, createSlice } from '@reduxjs/toolkit';
import { Refusal, write } from './api';
import { database } from './database';
import type { OutboxItem, OutboxState, WithOutbox, Write } from './outboxItem';

const initialState: OutboxState = { ready: false, items: [], away: false };

/** Reads back what was waiting when the page was last closed. */
export const restoreOutbox = createAsyncThunk('outbox/restore', async () =>
  (await database()).getAll('outbox'),
);

/** Puts a write into the queue: kept on the device first, then shown, then sent. */
export const enqueue = createAsyncThunk('outbox/enqueue', async (item: Write, { getState }) => {
  const { items } = (getState() as WithOutbox).outbox;
  const last = items.at(-1)?.order ?? 0;
  const kept: OutboxItem = { ...item, order: Math.max(last + 1, Date.now()) };
  await (await database()).put('outbox', kept);
  return kept;
});

/** Takes a refused write out of the queue, because a person has read why. */
export const discard = createAsyncThunk('outbox/discard', async (order: number) => {
  await (await database()).delete('outbox', order);
  return order;
});

/** Sends the first write that waits. The sender calls it again until nothing waits. */
export const sendFirst = createAsyncThunk('outbox/send', async (_: void, { getState }) => {
  const item = (getState() as WithOutbox).outbox.items.find((each) => !each.refused);
  if (!item) return undefined;
  const db = await database();
  try {
    await write(`/${item.to}/${item.id}`, item.body);
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    const refused = { ...item, refused: error.problem };
    await db.put('outbox', refused);
    return refused;
  }
  await db.delete('outbox', item.order);
  return item;
});

const slice = createSlice({
  name: 'outbox',
  initialState,
  reducers: {},
  extraReducers: (build) => {
    build.addCase(restoreOutbox.fulfilled, (state, { payload }) => {
      const known = new Set(state.items.map((each) => each.order));
      state.items = [...payload.filter((each) => !known.has(each.order)), ...state.items];
      state.ready = true;
    });
    build.addCase(enqueue.fulfilled, (state, { payload }) => {
      state.items.push(payload);
    });
    build.addCase(discard.fulfilled, (state, { payload }) => {
      state.items = state.items.filter((each) => each.order !== payload);
    });
    build.addCase(sendFirst.fulfilled, (state, { payload }) => {
      state.away = false;
      if (!payload) return;
      state.items = payload.refused
        ? state.items.map((each) => (each.order === payload.order ? payload : each))
        : state.items.filter((each) => each.order !== payload.order);
    });
    build.addCase(sendFirst.rejected, (state) => {
      state.away = true;
    });
  },
});

export const outbox = slice.reducer;

export const waitingCount = (state: WithOutbox): number =>
  state.outbox.items.filter((each) => !each.refused).length;
export const refusedItems = (state: WithOutbox): OutboxItem[] =>
  state.outbox.items.filter((each) => each.refused);
