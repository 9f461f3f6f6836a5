import { restoreOutbox, restoreShop, workIn } from '../sync/outbox';
import { loadCalls, restoreCalls } from './calls';
import { restoreSettings } from './settings';
import { makeStore, type AppStore } from './store';

/**
 * Run before the rest of the app starts (metro.config.js), so that what is asked of the server and of the device is under way
 * meanwhile.
 */
export const store = makeStore();

/** The list of calls is drawn before the device's database is open; any other screen waits for what was kept. */
export const LIST_FIRST = globalThis.location?.pathname === '/';
export const listed = LIST_FIRST ? store.dispatch(loadCalls('')) : undefined;
export const restored = restore(store);

// The script of the other screens comes as soon as the network has nothing else to do, while this one still draws.
void Promise.resolve(listed).then(() => {
  for (const link of globalThis.document?.querySelectorAll('link[rel=next-script]') ?? [])
    link.setAttribute('rel', 'preload');
});

/** What was kept on the device. */
async function restore({ dispatch, getState }: AppStore): Promise<void> {
  const { shop } = getState().outbox;
  const inShop = async (): Promise<void> => {
    await dispatch(restoreShop());
    const kept = getState().outbox.shop;
    // What was asked for went to the shop that was guessed.
    if (kept !== shop) await dispatch(workIn(kept));
    await dispatch(restoreCalls());
  };
  await Promise.all([inShop(), dispatch(restoreOutbox()), dispatch(restoreSettings())]);
}
