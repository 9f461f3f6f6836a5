import type { Account } from '../../contract/account';
import type { NewCallDto } from '../../contract/call';
import type { Entry, NewEntry } from '../../contract/entry';
import type { NewPhotoDto } from '../../contract/photo';
import type { Problem } from '../../contract/problem';
import type { WithAccount } from './accountState';
import type { NewTableDto } from '../../contract/table';

/** Every write of the app. Its id is made here, so that sending it twice stores it once. */
export type Write =
  | { to: 'calls'; id: string; body: NewCallDto }
  | { to: 'entries'; id: string; body: NewEntry }
  | { to: 'tables'; id: string; body: NewTableDto }
  | { to: 'photos'; id: string; body: NewPhotoDto };

/** A write that waits on the device. */
export type OutboxItem = Write & {
  /** Place in the queue; the sender goes from the lowest. */
  order: number;
  /** The shop that it was made in. */
  shop: string;
  /** Who made it; absent for what is from before there were people, which whoever signs in to the shop sends. */
  person?: string;
  /** Their name, as the server will give it with the entry. */
  by?: string;
  /** When it was made, by the phone's clock in milliseconds. */
  since: number;
  /** Set where the device could not keep it: it is in this page alone, and goes with it. */
  unkept?: true;
  /** Set when the server said no: it is kept for a person to look at. */
  refused?: Problem;
};

/** What waits, as the store has it. */
export interface OutboxState {
  /** False until the queue of the last time has been read back. */
  ready: boolean;
  items: OutboxItem[];
  /** Why the last try did not reach the server; null after one that did. */
  away: string | null;
  /** Milliseconds that the phone's clock lacks to the server's, as last heard. */
  skewMs: number;
}

/** What one sending came to. */
export interface Sent {
  stored: OutboxItem[];
  refused: OutboxItem[];
}

/** As much of the app's state as the outbox and the sender know. */
export interface WithOutbox extends WithAccount {
  outbox: OutboxState;
}

/** An entry that waits, or was just sent, as a line of its log. */
export const lineOf = ({ id, body, by }: OutboxItem & { to: 'entries' }): Entry => ({
  ...body,
  id,
  ...(by !== undefined && { by }),
});

/** The call that a write is about. */
export const callOf = (item: Write): string => (item.to === 'calls' ? item.id : item.body.callId);

/** Whether a write is somebody's to send: nobody else sees it. */
export const isOf = (
  { shop, person }: Pick<OutboxItem, 'shop' | 'person'>,
  account: Account | null,
): boolean =>
  account !== null && (person === undefined ? shop === account.shop : person === account.person);
