import { createAsyncThunk, createSlice } from '@reduxjs/toolkit';
import type { Account } from '../../contract/account';
import { fetchAccount } from './api';
import { changeSetting, dropAnswersBut, keepSetting, keptSetting } from './device';
import { guessed, guessNextTime } from './firstGuess';
import type { AccountState, WithAccount } from './accountState';
import { draftsKey } from './keptDrafts';

const KEY = 'account';
/** Somebody signed out here: the cookie that may still be there is not asked. */
const NOBODY = 'nobody';

const initialState: AccountState = { account: guessedAccount(), heard: false, signedOut: false };

function guessedAccount(): Account | null {
  try {
    return JSON.parse(guessed(KEY) ?? 'null') as Account | null;
  } catch {
    return null;
  }
}

/** Who worked here the last time; where the device does not know, who the browser's session is of. */
export const restoreAccount = createAsyncThunk(
  'account/restore',
  async (): Promise<Pick<AccountState, 'account' | 'heard'>> => {
    const kept = await keptSetting(KEY);
    if (kept === NOBODY) return { account: null, heard: false };
    if (kept) return { account: kept as Account, heard: false };
    const told = await fetchAccount().catch(() => undefined);
    // A browser without a database may still have what the first screen is drawn with.
    const account = told ?? guessedAccount();
    if (account) await keepAccount(account);
    return { account, heard: told !== undefined };
  },
);

/**
 * Somebody works here from now on, or nobody. What waits stays on the device for who made it; copies of the server's
 * answers to others go.
 */
export const become = createAsyncThunk(
  'account/become',
  async (account: Account | null): Promise<Account | null> => {
    await keepAccount(account);
    if (!account) return account;
    await dropAnswersBut(`${account.person} `);
    // Drafts from before there were people are those of the first who signs in to their shop.
    const before = await keptSetting(draftsKey(account.shop));
    if (before) {
      await changeSetting(draftsKey(account.person), (own) => ({ ...before, ...(own ?? {}) }));
      await keepSetting(draftsKey(account.shop), undefined);
    }
    return account;
  },
);

/** What the server says of who works here by now: a role or a name may have changed. */
export const refreshAccount = createAsyncThunk(
  'account/refresh',
  async (_: void, { getState }): Promise<Account> => {
    const account = await fetchAccount(whoIn(getState() as WithAccount));
    // Who has signed out meanwhile is not kept again: it goes by what the device has when it is written.
    const isStill = (kept: unknown): boolean => (kept as Account | null)?.person === account.person;
    if (isStill(guessedAccount())) guessNextTime(KEY, JSON.stringify(account));
    await changeSetting(KEY, (kept) => (isStill(kept) ? account : kept));
    return account;
  },
);

async function keepAccount(account: Account | null): Promise<void> {
  guessNextTime(KEY, JSON.stringify(account));
  await keepSetting(KEY, account ?? NOBODY);
}

const slice = createSlice({
  name: 'account',
  initialState,
  reducers: {
    /** The server has said that nobody, or somebody else, is signed in. */
    turnedAway: (state) => {
      state.signedOut = state.account !== null;
    },
  },
  extraReducers: (build) => {
    build.addCase(refreshAccount.fulfilled, (state, { payload }) => {
      // Meanwhile somebody else may work here.
      if (state.account?.person !== payload.person) return;
      state.account = payload;
      state.heard = true;
    });
    build.addCase(restoreAccount.fulfilled, (_, { payload }) => ({ ...payload, signedOut: false }));
    build.addCase(become.fulfilled, (_, { payload }) => ({
      account: payload,
      heard: true,
      signedOut: false,
    }));
  },
});

export const { turnedAway } = slice.actions;
export const account = slice.reducer;

/** The id of who works here; empty for nobody. It goes with every request, and keys what the device keeps. */
export const whoIn = (state: WithAccount): string => state.account.account?.person ?? '';
