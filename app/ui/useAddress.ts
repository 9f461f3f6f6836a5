import { usePathname } from 'expo-router';
import { useEffect, useSyncExternalStore } from 'react';

/**
 * What is chosen on a screen, with an address: `?pane=log`. Going back takes back the last choice on the same screen, which
 * keeps all that was typed on it.
 */
export type Address = Record<string, string | undefined>;

const listeners = new Set<() => void>();
/** The path of the screen that has choices of its own now. */
let screen: string | undefined;

const search = (): string => (typeof window === 'undefined' ? '' : window.location.search);

// The router would make the screen anew for an entry that is only another choice on it.
if (typeof window !== 'undefined' && typeof window.addEventListener === 'function')
  window.addEventListener(
    'popstate',
    (event) => {
      if (screen === undefined || window.location.pathname !== screen) return;
      event.stopImmediatePropagation();
      tell();
    },
    true,
  );

function tell(): void {
  for (const each of listeners) each();
}

function listen(hear: () => void): () => void {
  listeners.add(hear);
  return () => listeners.delete(hear);
}

export interface Addressed {
  at: URLSearchParams;
  /** Goes to other choices; what is undefined is no longer chosen. */
  go: (to: Address) => void;
  /** Leaves the choices named: back, where they alone were made last, so that they are not gone back to; else away. */
  leave: (...names: string[]) => void;
}

/** The choices of the screen that is shown. */
export function useAddress(): Addressed {
  const path = usePathname();
  const text = useSyncExternalStore(listen, search, () => '');
  useEffect(() => {
    screen = path;
    return () => {
      screen = undefined;
    };
  }, [path]);
  return { at: new URLSearchParams(text), go, leave };
}

function go(to: Address): void {
  const url = changed(to);
  if (url === undefined) return;
  const from = window.location.pathname + window.location.search;
  window.history.pushState({ ...window.history.state, from }, '', url);
  tell();
}

function leave(...names: string[]): void {
  const url = changed(Object.fromEntries(names.map((name) => [name, undefined])));
  if (url === undefined) return;
  if ((window.history.state as { from?: string } | null)?.from === url)
    return window.history.back();
  window.history.replaceState(window.history.state, '', url);
  tell();
}

/** The address with other choices; undefined where it stays as it is. */
function changed(to: Address): string | undefined {
  const at = new URLSearchParams(window.location.search);
  for (const [name, value] of Object.entries(to))
    if (value === undefined) at.delete(name);
    else at.set(name, value);
  const text = at.toString();
  if (`?${text}` === (window.location.search || '?')) return undefined;
  return `${window.location.pathname}${text && `?${text}`}`;
}
