import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { sendFirst, waitingCount } from './outbox';
import type { OutboxItem, WithOutbox } from './outboxItem';

/** How long to wait after the server was not reached: soon at first, then every so often. */
const WAITS_MS = [1000, 2000, 4000, 8000];

/** As much of the store as the sender needs. */
export interface SenderStore {
  getState: () => WithOutbox;
  subscribe: (listener: () => void) => () => void;
  dispatch: ThunkDispatch<WithOutbox, undefined, UnknownAction>;
}

/**
 * Sends what waits, one write after the other, whenever something waits. One tab of the browser
 * sends at a time; the ids of the writes make a second one harmless.
 * @param sent hears of every write that the server has confirmed or refused
 * @returns a function that ends it
 */
export function startSender(
  store: SenderStore,
  sent: (item: OutboxItem) => void | Promise<void>,
): () => void {
  let failures = 0;
  let busy = false;
  let timer: ReturnType<typeof setTimeout> | undefined;

  const pump = async (): Promise<void> => {
    if (busy) return;
    busy = true;
    clearTimeout(timer);
    while (waitingCount(store.getState()) > 0) {
      const done = await store.dispatch(sendFirst());
      if (sendFirst.rejected.match(done)) {
        const wait = WAITS_MS[Math.min(failures++, WAITS_MS.length - 1)];
        timer = setTimeout(() => void pump(), wait);
        break;
      }
      failures = 0;
      if (done.payload) await sent(done.payload);
    }
    busy = false;
  };
  const soon = (): void => {
    failures = 0;
    void pump();
  };
  // A write that has just been queued does not wait for the pause after an earlier failure.
  let known = 0;
  const unsubscribe = store.subscribe(() => {
    const waiting = waitingCount(store.getState());
    if (waiting > known) void pump();
    known = waiting;
  });
  window.addEventListener('online', soon);
  void pump();
  return () => {
    unsubscribe();
    window.removeEventListener('online', soon);
    clearTimeout(timer);
  };
}
