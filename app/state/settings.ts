import { createAsyncThunk, createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { METERS } from '../../core/meter/meter';
import type { Depth } from '../../core/plan/proof';
import { database } from '../storage/database';
import type { ThemeChoice } from '../theme/theme';

export interface Settings {
  theme: ThemeChoice;
  meter: string;
  depth: Depth;
}

const initialState: Settings = { theme: 'auto', meter: METERS[0].id, depth: 'quick' };

const KEY = 'settings';
export const restoreSettings = createAsyncThunk(
  'settings/restore',
  async () => (await (await database()).get('settings', KEY)) as Partial<Settings> | undefined,
);
export const keepSettings = async (settings: Settings): Promise<void> => {
  await (await database()).put('settings', settings, KEY);
};

const slice = createSlice({
  name: 'settings',
  initialState,
  reducers: {
    change: (state, { payload }: PayloadAction<Partial<Settings>>) => ({ ...state, ...payload }),
  },
  extraReducers: (build) => {
    build.addCase(restoreSettings.fulfilled, (state, { payload }) => ({ ...state, ...payload }));
  },
});

export const { change } = slice.actions;
export const settings = slice.reducer;
