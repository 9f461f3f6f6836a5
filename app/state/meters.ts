import { createAsyncThunk, createSlice } from '@reduxjs/toolkit';
import type { ShopMeter } from '../../contract/meter';
import { deleteMeter, fetchMeters, putMeter } from '../sync/api';
import { become, whoIn } from '../sync/account';
import type { WithOutbox } from '../sync/outboxItem';

interface MetersState {
  /** The shop's own, by name. */
  list: ShopMeter[];
}

const whoOf = (state: unknown): string => whoIn(state as WithOutbox);

/** The shop's own meters, from the device while the server is away. */
export const loadMeters = createAsyncThunk(
  'meters/list',
  async (_: void, { getState }) => (await fetchMeters(whoOf(getState()))).value,
);

/** Keeps a meter; rejected while the server is away or says no. */
export const keepMeter = createAsyncThunk('meters/keep', async (meter: ShopMeter, { getState }) => {
  await putMeter(whoOf(getState()), meter);
  return meter;
});

export const dropMeter = createAsyncThunk('meters/drop', async (id: string, { getState }) => {
  await deleteMeter(whoOf(getState()), id);
  return id;
});

const initialState: MetersState = { list: [] };

const slice = createSlice({
  name: 'meters',
  initialState,
  reducers: {},
  extraReducers: (build) => {
    build
      .addCase(become.fulfilled, () => initialState)
      .addCase(loadMeters.fulfilled, (state, { payload }) => {
        state.list = payload;
      })
      .addCase(keepMeter.fulfilled, (state, { payload }) => {
        state.list = [...state.list.filter(({ id }) => id !== payload.id), payload].sort((a, b) =>
          a.name.localeCompare(b.name),
        );
      })
      .addCase(dropMeter.fulfilled, (state, { payload }) => {
        state.list = state.list.filter(({ id }) => id !== payload);
      });
  },
});

export const meters = slice.reducer;
