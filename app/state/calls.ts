import { createAsyncThunk, createSlice } from '@reduxjs/toolkit';
import type { CallDetail, CallSummary, NewCallDto } from '../../contract/call';
import type { ShopId } from '../../contract/shop';
import { diagramOnDevice, fetchCall, fetchCalls } from '../sync/api';
import { sendNext, sentElsewhere, workIn } from '../sync/outbox';
import type { Sent, WithOutbox } from '../sync/outboxItem';
import type { Loading } from './loading';

interface CallsState {
  list: CallSummary[];
  listState: Loading;
  /** What the list was searched for. */
  search: string;
  /** Brings the next page; null where the list is whole. */
  next: string | null;
  /** Calls that were opened, by id. */
  open: Record<string, CallDetail>;
  openState: Record<string, Loading>;
}

const initialState: CallsState = {
  list: [],
  listState: 'idle',
  search: '',
  next: null,
  open: {},
  openState: {},
};

const shopIn = (state: unknown): ShopId => (state as WithOutbox).outbox.shop;

/** A call as it looks before the server has seen it. */
export const freshSummary = (id: string, body: NewCallDto, diagramName: string): CallSummary => ({
  id,
  appliance: body.appliance,
  complaint: body.complaint,
  diagramId: body.diagramId,
  diagramVersion: body.diagramVersion,
  diagramName,
  stage: 'open',
  readings: 0,
  phoneAt: body.phoneAt,
  lastAt: body.phoneAt,
});

/** The first page of the calls, or of those that a search finds. */
export const loadCalls = createAsyncThunk('calls/list', (search: string, { getState }) =>
  fetchCalls(shopIn(getState()), { search }),
);

/** The page after the last one. */
export const loadMoreCalls = createAsyncThunk(
  'calls/more',
  (_: void, { getState }) => {
    const { search, next } = (getState() as { calls: CallsState }).calls;
    return fetchCalls(shopIn(getState()), { search, after: next ?? '' });
  },
  {
    condition: (_, { getState }) => {
      const { next, listState } = (getState() as { calls: CallsState }).calls;
      return next !== null && listState === 'ready';
    },
  },
);

/** A call as the server has it; one that still waits to be sent is made of what was entered. */
export const loadCall = createAsyncThunk(
  'calls/one',
  async (id: string, { getState }): Promise<CallDetail> => {
    const { items } = (getState() as WithOutbox).outbox;
    const waiting = items.find((each) => each.to === 'calls' && each.id === id);
    if (waiting?.to !== 'calls') return (await fetchCall(shopIn(getState()), id)).value;
    const { diagramId, diagramVersion } = waiting.body;
    const diagram = await diagramOnDevice(waiting.shop, diagramId, diagramVersion);
    return { ...freshSummary(id, waiting.body, diagram.name), diagram, entries: [] };
  },
);

const slice = createSlice({
  name: 'calls',
  initialState,
  reducers: {},
  extraReducers: (build) => {
    build
      .addCase(loadCalls.pending, (state) => {
        if (state.listState !== 'ready') state.listState = 'loading';
      })
      // Another shop has calls of its own.
      .addCase(workIn.fulfilled, () => initialState)
      .addCase(loadCalls.fulfilled, (state, { payload, meta }) => {
        state.list = payload.value.calls;
        state.next = payload.value.next;
        state.search = meta.arg;
        state.listState = 'ready';
      })
      .addCase(loadMoreCalls.fulfilled, (state, { payload }) => {
        const known = new Set(state.list.map((each) => each.id));
        state.list.push(...payload.value.calls.filter((each) => !known.has(each.id)));
        state.next = payload.value.next;
      })
      .addCase(loadCalls.rejected, (state) => {
        if (state.listState !== 'ready') state.listState = 'failed';
      })
      .addCase(loadCall.pending, (state, { meta }) => {
        if (!state.open[meta.arg]) state.openState[meta.arg] = 'loading';
      })
      .addCase(loadCall.fulfilled, (state, { payload, meta }) => {
        // An entry that was confirmed while this answer was on its way is not in it yet.
        const known = new Set(payload.entries.map((each) => each.id));
        const later = state.open[meta.arg]?.entries.filter((each) => !known.has(each.id)) ?? [];
        state.open[meta.arg] = { ...payload, entries: [...payload.entries, ...later] };
        state.openState[meta.arg] = 'ready';
      })
      .addCase(loadCall.rejected, (state, { meta }) => {
        if (!state.open[meta.arg]) state.openState[meta.arg] = 'failed';
      })
      // What the server has confirmed leaves the outbox and joins the log it belongs to.
      .addCase(sendNext.fulfilled, (state, { payload }) => join(state, payload))
      .addCase(sentElsewhere, (state, { payload }) => join(state, payload));
  },
});

function join(state: CallsState, { stored }: Sent): void {
  for (const item of stored) {
    if (item.to !== 'entries') continue;
    const call = state.open[item.body.callId];
    if (call && !call.entries.some((each) => each.id === item.id))
      call.entries.push({ ...item.body, id: item.id });
  }
}

export const calls = slice.reducer;
