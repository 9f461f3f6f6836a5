import { createAsyncThunk, createSlice } from '@reduxjs/toolkit';
import type { DiagramSummary } from '../../contract/diagram';
import type { Diagram } from '../../core/diagram/diagram';
import { diagramOnDevice, fetchDiagrams, keepDiagrams } from '../sync/api';
import { become, whoIn } from '../sync/account';
import type { WithOutbox } from '../sync/outboxItem';
import type { Loading } from './loading';

interface DiagramsState {
  list: DiagramSummary[];
  listState: Loading;
  /** Bodies that a screen has asked for, by `id/version`. */
  bodies: Record<string, Diagram>;
  bodyState: Record<string, Loading>;
}

const initialState: DiagramsState = { list: [], listState: 'idle', bodies: {}, bodyState: {} };

/** What a version of a diagram is known by, here and in the worker. */
export const diagramKey = (id: string, version: number): string => `${id}/${version}`;

/** The same the other way round; undefined for a text that is none. */
export function ofDiagramKey(key: string): { id: string; version: number } | undefined {
  const [id, version] = key.split('/');
  return id && version ? { id, version: Number(version) } : undefined;
}

/** The list; the bodies that this device lacks follow behind, so that a call can be opened offline. */
export const loadDiagrams = createAsyncThunk('diagrams/list', async (_: void, { getState }) => {
  const who = whoIn(getState() as WithOutbox);
  const { value } = await fetchDiagrams(who);
  // A device that cannot keep them asks for each when it is opened.
  void keepDiagrams(who, value).catch(() => undefined);
  return value;
});

/** One version, from the device where it has it. */
export const loadDiagram = createAsyncThunk(
  'diagrams/one',
  ({ id, version }: { id: string; version: number }, { getState }) =>
    diagramOnDevice(whoIn(getState() as WithOutbox), id, version),
);

const slice = createSlice({
  name: 'diagrams',
  initialState,
  reducers: {},
  extraReducers: (build) => {
    build
      // Another shop has diagrams of its own.
      .addCase(become.fulfilled, () => initialState)
      .addCase(loadDiagrams.pending, (state) => {
        if (state.listState !== 'ready') state.listState = 'loading';
      })
      .addCase(loadDiagrams.fulfilled, (state, { payload }) => {
        state.list = payload;
        state.listState = 'ready';
      })
      .addCase(loadDiagrams.rejected, (state) => {
        if (state.listState !== 'ready') state.listState = 'failed';
      })
      .addCase(loadDiagram.pending, (state, { meta: { arg } }) => {
        const key = diagramKey(arg.id, arg.version);
        if (!state.bodies[key]) state.bodyState[key] = 'loading';
      })
      .addCase(loadDiagram.fulfilled, (state, { payload, meta: { arg } }) => {
        const key = diagramKey(arg.id, arg.version);
        state.bodies[key] = payload;
        state.bodyState[key] = 'ready';
      })
      .addCase(loadDiagram.rejected, (state, { meta: { arg } }) => {
        const key = diagramKey(arg.id, arg.version);
        if (!state.bodies[key]) state.bodyState[key] = 'failed';
      });
  },
});

export const diagrams = slice.reducer;
