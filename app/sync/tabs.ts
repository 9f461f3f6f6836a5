import type { Sent } from './outboxItem';

/** What tabs of one browser tell each other of the queue that they share. */
export type TabNews = { changed: true } | { sent: Sent };

let opened: BroadcastChannel | undefined;

function channel(): BroadcastChannel | undefined {
  if (typeof BroadcastChannel === 'undefined') return undefined;
  if (!opened) {
    opened = new BroadcastChannel('yarrix');
    // In Node, where tests run, an open channel would keep the process from ending.
    if ('unref' in opened && typeof opened.unref === 'function') opened.unref();
  }
  return opened;
}

export const tellTabs = (news: TabNews): void => channel()?.postMessage(news);

/** @returns a function that ends it */
export function hearTabs(hear: (news: TabNews) => void): () => void {
  const listen = ({ data }: MessageEvent<TabNews>): void => hear(data);
  channel()?.addEventListener('message', listen);
  return () => channel()?.removeEventListener('message', listen);
}

/** Runs something while no other tab does, where the browser can tell. */
export const oneTabAtATime = async <T>(run: () => Promise<T>): Promise<T> =>
  typeof navigator !== 'undefined' && navigator.locks
    ? ((await navigator.locks.request('yarrix-send', run)) as T)
    : run();
