import type { ThunkDispatch, UnknownAction } from '@reduxjs/toolkit';
import { restoreOutbox, sendable, sendNext, sentElsewhere } from './outbox';
import type { Sent, WithOutbox } from './outboxItem';
import { hearTabs, oneTabAtATime } from './tabs';

/** How long to wait after the server was not reached: soon at first, then every so often. */
const WAITS_MS = [1000, 2000, 4000, 8000, 15_000];

/** As much of the store as the sender needs. */
export interface SenderStore {
  getState: () => WithOutbox;
  subscribe: (listener: () => void) => () => void;
  dispatch: ThunkDispatch<WithOutbox, undefined, UnknownAction>;
}

/**
 * Sends what waits, in order, whenever something waits. One tab of the browser sends at a time; the
 * ids of the writes make a second one harmless.
 * @param sent hears of all writes that the server has confirmed or refused, in any tab
 * @returns a function that ends it
 */
export function startSender(
  store: SenderStore,
  sent: (what: Sent) => void | Promise<void>,
): () => void {
  let failures = 0;
  let busy = false;
  let ended = false;
  let timer: ReturnType<typeof setTimeout> | undefined;
  const waiting = (): number => sendable(store.getState().outbox.items).length;
  const tell = async (what: Sent): Promise<void> => {
    if (what.stored.length + what.refused.length === 0) return;
    // Who listens may fail at reading something back: what was sent is sent all the same.
    try {
      await sent(what);
    } catch {
      // its screen says that it could not be read
    }
  };

  const pump = async (): Promise<void> => {
    if (busy || ended) return;
    busy = true;
    clearTimeout(timer);
    try {
      while (!ended && waiting() > 0) {
        const done = await oneTabAtATime(() => store.dispatch(sendNext()));
        if (sendNext.rejected.match(done)) {
          const wait = WAITS_MS[Math.min(failures++, WAITS_MS.length - 1)] ?? 0;
          // Not all phones at once: the server may just have come back.
          timer = setTimeout(() => void pump(), wait * (0.5 + Math.random() / 2));
          break;
        }
        failures = 0;
        await tell(done.payload as Sent);
      }
    } finally {
      busy = false;
    }
  };
  const soon = (): void => {
    failures = 0;
    void pump();
  };
  // A write that has just been queued does not wait for the pause after an earlier failure.
  let known = 0;
  const unsubscribe = store.subscribe(() => {
    const now = waiting();
    if (now > known) void pump();
    known = now;
  });
  const deaf = hearTabs((news) => {
    if ('sent' in news) {
      store.dispatch(sentElsewhere(news.sent));
      void tell(news.sent);
    } else void store.dispatch(restoreOutbox());
  });
  window.addEventListener('online', soon);
  void pump();
  return () => {
    ended = true;
    unsubscribe();
    deaf();
    window.removeEventListener('online', soon);
    clearTimeout(timer);
  };
}
