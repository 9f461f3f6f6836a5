import type { Change } from '../../contract/change';

/** This page, so that it is not told of what it wrote itself. */
export const PAGE = globalThis.crypto?.randomUUID?.() ?? '';

/** Where nothing can be listened to, it is looked again so often. */
const LOOK_EVERY_MS = 30_000;

const EVERYTHING: Change = { call: '' };

/**
 * Hears of what others change, while somebody looks: by server-sent events, or where these do not come through by looking
 * again every so often. A page in the background takes no line; it looks when it comes into sight.
 * @param who the id of who is signed in
 * @param begins hears when it is listened for the first time: what is in sight was asked for before, and may have changed since
 * @returns a function that ends it
 */
export function hearChanges(
  who: string,
  hear: (change: Change) => void,
  begins: () => void,
): () => void {
  let source: EventSource | undefined;
  let missed = false;
  let listened = false;
  const close = (): void => {
    source?.close();
    source = undefined;
  };
  const open = (): void => {
    if (source || document.visibilityState !== 'visible') return;
    const query = new URLSearchParams({ for: who, page: PAGE });
    const opened = new EventSource(`/api/changes?${query}`);
    source = opened;
    opened.onopen = () => {
      if (missed) hear(EVERYTHING);
      else if (!listened) begins();
      listened = true;
      missed = false;
    };
    opened.onmessage = ({ data }: MessageEvent<string>) => hear(JSON.parse(data) as Change);
    opened.onerror = () => {
      missed = true;
      // It does not come again by itself after an answer of "no".
      if (opened.readyState === EventSource.CLOSED && source === opened) close();
    };
  };
  const seen = (): void => {
    if (document.visibilityState !== 'visible') {
      close();
      return;
    }
    hear(EVERYTHING);
    open();
  };
  const look = setInterval(() => {
    if (document.visibilityState !== 'visible' || source?.readyState === EventSource.OPEN) return;
    hear(EVERYTHING);
    open();
  }, LOOK_EVERY_MS);
  document.addEventListener('visibilitychange', seen);
  open();
  return () => {
    close();
    clearInterval(look);
    document.removeEventListener('visibilitychange', seen);
  };
}
