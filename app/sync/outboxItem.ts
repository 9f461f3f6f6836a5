import type { NewCallDto } from '../../contract/call';
import type { NewEntry } from '../../contract/entry';
import type { Problem } from '../../contract/problem';
import type { NewTableDto } from '../../contract/table';

/** Every write of the app. Its id is made here, so that sending it twice stores it once. */
export type Write =
  | { to: 'calls'; id: string; body: NewCallDto }
  | { to: 'entries'; id: string; body: NewEntry }
  | { to: 'tables'; id: string; body: NewTableDto };

/** A write that waits on the device. */
export type OutboxItem = Write & {
  /** Place in the queue; the sender goes from the lowest. */
  order: number;
  /** Set when the server said no: it is kept for a person to look at. */
  refused?: Problem;
};

/** What waits, as the store has it. */
export interface OutboxState {
  /** False until the queue of the last time has been read back. */
  ready: boolean;
  items: OutboxItem[];
  /** Whether the last try reached the server. */
  away: boolean;
}

/** As much of the app's state as the outbox and the sender know. */
export interface WithOutbox {
  outbox: OutboxState;
}
