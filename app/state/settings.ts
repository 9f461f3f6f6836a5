import { createAsyncThunk, createSlice, type PayloadAction } from '@reduxjs/toolkit';
import { USUAL_TERMS, type ShopTerms } from '../../core/decide/expectedCost';
import { METERS } from '../../core/meter/meter';
import type { Depth } from '../../core/plan/proof';
import { BESIDE_THE_OWNER, type WayOfWorking } from '../../core/plan/wayOfWorking';
import { keepSetting, keptSetting } from '../sync/device';
import { guessed, guessNextTime } from '../sync/firstGuess';

/** Which colours; auto follows the device. */
export type ThemeChoice = 'auto' | 'light' | 'dark';

export interface Settings {
  theme: ThemeChoice;
  meter: string;
  depth: Depth;
  way: WayOfWorking;
  /** What a good unit shows is said after the reading, so that nobody reads what they expect. */
  blind: boolean;
  /** A unit like the one that is worked on, and works, can be read beside it. */
  knownGood: boolean;
  /** What the shop has found in such units counts for who is suspected. */
  shopPriors: boolean;
  /** What options are reckoned with, and the sign of the money. */
  terms: ShopTerms;
  currency: string;
  /** Parts on the truck, by `stockKey`; and the money for a day's parts. */
  aboard: Record<string, { name: string; count: number }>;
  truckBudget: number;
  /** Diagrams that are at hand first, by id. */
  favourites: string[];
}

const theme = guessed('theme');
const initialState: Settings = {
  theme: theme === 'light' || theme === 'dark' ? theme : 'auto',
  meter: METERS[0].id,
  depth: 'quick',
  way: BESIDE_THE_OWNER,
  blind: false,
  knownGood: true,
  shopPriors: true,
  terms: USUAL_TERMS,
  currency: '$',
  aboard: {},
  truckBudget: 200,
  favourites: [],
};

/** What a part on the truck is known by. */
export const stockKey = (diagramId: string, part: string): string => `${diagramId}/${part}`;

const KEY = 'settings';
export const restoreSettings = createAsyncThunk(
  'settings/restore',
  async () => (await keptSetting(KEY)) as Partial<Settings> | undefined,
);
export function keepSettings(settings: Settings): Promise<void> {
  guessNextTime('theme', settings.theme);
  return keepSetting(KEY, settings);
}

const slice = createSlice({
  name: 'settings',
  initialState,
  reducers: {
    change: (state, { payload }: PayloadAction<Partial<Settings>>) => ({ ...state, ...payload }),
    /** A new part was put in: one less is aboard. */
    used: (state, { payload: key }: PayloadAction<string>) => {
      const item = state.aboard[key];
      if (item && item.count > 0) item.count -= 1;
    },
  },
  extraReducers: (build) => {
    build.addCase(restoreSettings.fulfilled, (state, { payload }) => ({
      ...state,
      ...payload,
      // A setting that came later has its usual value in what was kept before.
      way: { ...state.way, ...payload?.way },
      terms: { ...state.terms, ...payload?.terms },
    }));
  },
});

export const { change, used } = slice.actions;
export const settings = slice.reducer;
