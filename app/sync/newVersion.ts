import type { Workbox } from 'workbox-window';

/** A newer version of the app that is on the device and waits to be taken; each tab takes it when its person says so. */
let waiting: Workbox | undefined;
/** How often an open page asks whether there is one. */
const LOOK_EVERY_MS = 3_600_000;
const listeners = new Set<() => void>();

export const hasNewVersion = (): boolean => waiting !== undefined;

/** @returns a function that ends the listening */
export function hearNewVersion(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** Keeps the app on the device, and hears of what is newer. */
export async function heedNewVersions(): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  const { Workbox } = await import('workbox-window');
  const kept = new Workbox('/sw.js');
  kept.addEventListener('waiting', () => {
    waiting = kept;
    listeners.forEach((tell) => tell());
  });
  await kept.register();
  // A page that is left open all day hears of it as well.
  setInterval(() => void kept.update().catch(() => undefined), LOOK_EVERY_MS);
}

/** Goes over to it: the page is read anew. */
export function takeNewVersion(): void {
  waiting?.addEventListener('controlling', () => window.location.reload());
  waiting?.messageSkipWaiting();
}
