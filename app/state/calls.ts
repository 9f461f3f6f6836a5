import { createAsyncThunk, createSlice } from '@reduxjs/toolkit';
import type { CallDetail, CallSummary, NewCallDto } from '../../contract/call';
import { diagramOnDevice, fetchCall, fetchCalls } from '../sync/api';
import { sendFirst } from '../sync/outbox';
import type { WithOutbox } from '../sync/outboxItem';
import type { Loading } from './loading';

interface CallsState {
  list: CallSummary[];
  listState: Loading;
  /** Calls that were opened, by id. */
  open: Record<string, CallDetail>;
  openState: Record<string, Loading>;
}

const initialState: CallsState = {
  list: [],
  listState: 'idle',
  open: {},
  openState: {},
};

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

export const loadCalls = createAsyncThunk('calls/list', fetchCalls);

/** A call as the server has it; one that still waits to be sent is made of what was entered. */
export const loadCall = createAsyncThunk(
  'calls/one',
  async (id: string, { getState }): Promise<CallDetail> => {
    const { items } = (getState() as WithOutbox).outbox;
    const waiting = items.find((each) => each.to === 'calls' && each.id === id);
    if (waiting?.to !== 'calls') return (await fetchCall(id)).value;
    const { diagramId, diagramVersion } = waiting.body;
    const diagram = await diagramOnDevice(diagramId, diagramVersion);
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
      .addCase(loadCalls.fulfilled, (state, { payload }) => {
        state.list = payload.value;
        state.listState = 'ready';
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
      .addCase(sendFirst.fulfilled, (state, { payload }) => {
        if (!payload || payload.refused) return;
        if (payload.to !== 'entries') return;
        const call = state.open[payload.body.callId];
        if (call && !call.entries.some((each) => each.id === payload.id)) {
          call.entries.push({ ...payload.body, id: payload.id });
        }
      });
  },
});

export const calls = slice.reducer;
