import { createAsyncThunk, createSlice } from '@reduxjs/toolkit';
import type { DiagramSummary } from '../../contract/diagram';
import type { Diagram } from '../../core/diagram/diagram';
import { diagramOnDevice, fetchDiagrams, keepDiagrams } from '../sync/api';
import { workIn } from '../sync/outbox';
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
  const { shop } = (getState() as WithOutbox).outbox;
  const { value } = await fetchDiagrams(shop);
  // A device that cannot keep them asks for each when it is opened.
  void keepDiagrams(shop, value).catch(() => undefined);
  return value;
});

/** One version, from the device where it has it. */
export const loadDiagram = createAsyncThunk(
  'diagrams/one',
  ({ id, version }: { id: string; version: number }, { getState }) =>
    diagramOnDevice((getState() as WithOutbox).outbox.shop, id, version),
);

const slice = createSlice({
  name: 'diagrams',
  initialState,
  reducers: {},
  extraReducers: (build) => {
    build
      // Another shop has diagrams of its own.
      .addCase(workIn.fulfilled, () => initialState)
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
