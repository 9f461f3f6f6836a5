import type { Account } from '../../contract/account';

/** Who works with this device. What is kept on it is theirs, signed in or not. */
export interface AccountState {
  /** Nobody before the first sign-in, and after a sign-out. */
  account: Account | null;
  /** Whether the server has said so to this page; what the device kept may have changed since. */
  heard: boolean;
  /** Whether the server would not take anything from them just now: their session has ended, or is another's. */
  signedOut: boolean;
}

/** As much of the app's state as knows who works. */
export interface WithAccount {
  account: AccountState;
}
