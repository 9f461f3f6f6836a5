import {
  createAsyncThunk,
  createSlice,
  type ThunkAction,
  type UnknownAction,
} from '@reduxjs/toolkit';
import type { CallDetail, CallSummary, NewCallDto } from '../../contract/call';
import { diagramOnDevice, fetchCall, fetchCalls, keptCalls } from '../sync/api';
import { become, whoIn } from '../sync/account';
import { sendNext, sentElsewhere } from '../sync/outbox';
import { lineOf, type Sent, type WithOutbox } from '../sync/outboxItem';
import type { Loading } from './loading';

interface CallsState {
  list: CallSummary[];
  listState: Loading;
  /** What the list was searched for, and what the server is being asked for now. */
  search: string;
  asked: string | undefined;
  /** When the server last said what is in the list, by the phone's clock in milliseconds. */
  answeredAt: number;
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
  asked: undefined,
  answeredAt: 0,
  next: null,
  open: {},
  openState: {},
};

const callsIn = (state: unknown): CallsState => (state as { calls: CallsState }).calls;

/** A call as it looks before the server has seen it. */
export const freshSummary = (id: string, body: NewCallDto, diagramName: string): CallSummary => ({
  id,
  appliance: body.appliance,
  complaint: body.complaint,
  diagramId: body.diagramId,
  diagramVersion: body.diagramVersion,
  diagramName,
  stage: 'open',
  found: null,
  readings: 0,
  phoneAt: body.phoneAt,
  lastAt: body.phoneAt,
});

/** The first page of the calls, or of those that a search finds. */
export const loadCalls = createAsyncThunk('calls/list', async (search: string, { getState }) => {
  const who = whoIn(getState() as WithOutbox);
  const answer = await fetchCalls(who, { search });
  // Meanwhile the person may have gone over to another shop.
  return who === whoIn(getState() as WithOutbox) ? answer : undefined;
});

/** An answer is as good as a new one for so long. */
const FRESH_MS = 2000;

/** The same for a list that comes into sight, unless the answer is on its way or has come just now. */
export const freshenCalls =
  (
    search: string,
  ): ThunkAction<void, WithOutbox & { calls: CallsState }, undefined, UnknownAction> =>
  (dispatch, getState) => {
    const { search: was, asked, answeredAt } = callsIn(getState());
    const fresh = search === was && Date.now() - answeredAt <= FRESH_MS;
    if (asked !== search && !fresh) void dispatch(loadCalls(search));
  };

/** What the server last said of the calls: shown until it says more. */
export const restoreCalls = createAsyncThunk('calls/restore', (_: void, { getState }) =>
  keptCalls(whoIn(getState() as WithOutbox)),
);

/** The page after the last one. */
export const loadMoreCalls = createAsyncThunk(
  'calls/more',
  (_: void, { getState }) => {
    const { search, next } = callsIn(getState());
    return fetchCalls(whoIn(getState() as WithOutbox), { search, after: next ?? '' });
  },
  {
    condition: (_, { getState }) => {
      const { next, listState } = callsIn(getState());
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
    if (waiting?.to !== 'calls')
      return (await fetchCall(whoIn(getState() as WithOutbox), id)).value;
    const { diagramId, diagramVersion } = waiting.body;
    const diagram = await diagramOnDevice(
      whoIn(getState() as WithOutbox),
      diagramId,
      diagramVersion,
    );
    return { ...freshSummary(id, waiting.body, diagram.name), diagram, entries: [] };
  },
);

const slice = createSlice({
  name: 'calls',
  initialState,
  reducers: {},
  extraReducers: (build) => {
    build
      .addCase(loadCalls.pending, (state, { meta }) => {
        state.asked = meta.arg;
        if (state.listState !== 'ready') state.listState = 'loading';
      })
      .addCase(restoreCalls.fulfilled, (state, { payload }) => {
        if (!payload || state.listState === 'ready') return;
        state.list = payload.calls;
        state.next = payload.next;
        state.listState = 'ready';
      })
      // Another shop has calls of its own.
      .addCase(become.fulfilled, () => initialState)
      .addCase(loadCalls.fulfilled, (state, { payload, meta }) => {
        if (!payload) return;
        if (state.asked === meta.arg) state.asked = undefined;
        if (!payload.stale) state.answeredAt = Date.now();
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
      .addCase(loadCalls.rejected, (state, { meta }) => {
        if (state.asked === meta.arg) state.asked = undefined;
        if (state.listState !== 'ready') state.listState = 'failed';
      })
      .addCase(loadCall.pending, (state, { meta }) => {
        if (!state.open[meta.arg]) state.openState[meta.arg] = 'loading';
      })
      .addCase(loadCall.fulfilled, (state, { payload, meta }) => {
        // An entry that was confirmed while this answer was on its way is not in it yet.
        const known = new Set(payload.entries.map((each) => each.id));
        const later = state.open[meta.arg]?.entries.filter((each) => !known.has(each.id)) ?? [];
        const call = { ...payload, entries: [...payload.entries, ...later] };
        // Nothing new is nothing to think about anew.
        const before = state.open[meta.arg];
        if (!before || JSON.stringify(before) !== JSON.stringify(call)) state.open[meta.arg] = call;
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
    if (call && !call.entries.some((each) => each.id === item.id)) call.entries.push(lineOf(item));
  }
}

export const calls = slice.reducer;
