import { loadCall, loadCalls } from '../features/calls/callsSlice';
import { sendFirst, waitingCount, type OutboxItem } from './outbox';
import type { AppStore } from '../state/store';

/** How long to wait after the server was not reached: soon at first, then every so often. */
const WAITS_MS = [1000, 2000, 4000, 8000];

/** Writes whose effect only the server can tell are read back. */
async function refresh(store: AppStore, sent: OutboxItem | undefined): Promise<void> {
  if (sent?.to === 'tables') await store.dispatch(loadCall(sent.body.callId));
  if (sent?.to === 'calls') await store.dispatch(loadCalls());
}

/**
 * Sends what waits, one write after the other, whenever something waits. One tab of the browser
 * sends at a time; the ids of the writes make a second one harmless.
 * @returns a function that ends it
 */
export function startSender(store: AppStore): () => void {
  let failures = 0;
  let busy = false;
  let timer: ReturnType<typeof setTimeout> | undefined;

  const pump = async (): Promise<void> => {
    if (busy) return;
    busy = true;
    clearTimeout(timer);
    while (waitingCount(store.getState()) > 0) {
      const sent = await store.dispatch(sendFirst());
      if (sendFirst.rejected.match(sent)) {
        const wait = WAITS_MS[Math.min(failures++, WAITS_MS.length - 1)];
        timer = setTimeout(() => void pump(), wait);
        break;
      }
      failures = 0;
      await refresh(store, sent.payload);
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
