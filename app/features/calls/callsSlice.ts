import { createAsyncThunk, createSlice } from '@reduxjs/toolkit';
import type { CallDetail, CallSummary, DiagramSummary, NewCallDto } from '../../../contract/call';
import type { Diagram } from '../../../core/diagram/diagram';
import { fetchCall, fetchCalls, fetchDiagram, fetchDiagrams } from '../../sync/api';
import { sendFirst } from '../../sync/outbox';

export type Loading = 'idle' | 'loading' | 'ready' | 'failed';

interface CallsState {
  list: CallSummary[];
  listState: Loading;
  /** Calls that were opened, by id. */
  open: Record<string, CallDetail>;
  openState: Record<string, Loading>;
  diagrams: DiagramSummary[];
  diagramsState: Loading;
  /** Bodies of diagrams, by `id/version`. */
  bodies: Record<string, Diagram>;
}

const initialState: CallsState = {
  list: [],
  listState: 'idle',
  open: {},
  openState: {},
  diagrams: [],
  diagramsState: 'idle',
  bodies: {},
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

export const diagramKey = (id: string, version: number): string => `${id}/${version}`;

export const loadCalls = createAsyncThunk('calls/list', fetchCalls);
export const loadCall = createAsyncThunk('calls/one', fetchCall);
/** All diagrams with their bodies, so that a call can be opened without a signal later. */
export const loadDiagrams = createAsyncThunk('calls/diagrams', async () => {
  const { value: list } = await fetchDiagrams();
  const bodies = await Promise.all(list.map(({ id, version }) => fetchDiagram(id, version)));
  return { list, bodies: bodies.map((each) => each.value) };
});

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
        const known = new Set(payload.value.entries.map((each) => each.id));
        const later = state.open[meta.arg]?.entries.filter((each) => !known.has(each.id)) ?? [];
        state.open[meta.arg] = { ...payload.value, entries: [...payload.value.entries, ...later] };
        state.openState[meta.arg] = 'ready';
      })
      .addCase(loadCall.rejected, (state, { meta }) => {
        if (!state.open[meta.arg]) state.openState[meta.arg] = 'failed';
      })
      .addCase(loadDiagrams.pending, (state) => {
        if (state.diagramsState !== 'ready') state.diagramsState = 'loading';
      })
      .addCase(loadDiagrams.rejected, (state) => {
        if (state.diagramsState !== 'ready') state.diagramsState = 'failed';
      })
      .addCase(loadDiagrams.fulfilled, (state, { payload }) => {
        state.diagrams = payload.list;
        state.diagramsState = 'ready';
        payload.list.forEach(({ id, version }, i) => {
          const body = payload.bodies[i];
          if (body) state.bodies[diagramKey(id, version)] = body;
        });
      })
      // What the server has confirmed leaves the outbox and joins the log it belongs to.
      .addCase(sendFirst.fulfilled, (state, { payload }) => {
        if (!payload || payload.refused) return;
        if (payload.to === 'calls') {
          const { id, body } = payload;
          const diagram = state.bodies[diagramKey(body.diagramId, body.diagramVersion)];
          if (diagram && !state.open[id]) {
            state.open[id] = { ...freshSummary(id, body, diagram.name), diagram, entries: [] };
            state.openState[id] = 'ready';
          }
        }
        if (payload.to !== 'entries') return;
        const call = state.open[payload.body.callId];
        if (call && !call.entries.some((each) => each.id === payload.id)) {
          call.entries.push({ ...payload.body, id: payload.id });
        }
      });
  },
});

export const calls = slice.reducer;
