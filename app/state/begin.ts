import { become, restoreAccount, turnedAway, whoIn } from '../sync/account';
import { heedTurnedAway } from '../sync/api';
import { restoreOutbox } from '../sync/outbox';
import { loadCalls, restoreCalls } from './calls';
import { restoreSettings } from './settings';
import { makeStore, type AppStore } from './store';

/**
 * Run before the rest of the app starts (metro.config.js), so that what is asked of the server and of the device is under way
 * meanwhile.
 */
export const store = makeStore();

/** The list of calls is drawn before the device's database is open; any other screen waits for what was kept. */
export const LIST_FIRST = globalThis.location?.pathname === '/' && whoIn(store.getState()) !== '';
export const listed = LIST_FIRST ? store.dispatch(loadCalls('')) : undefined;
export const restored = restore(store);

// The script of the other screens comes as soon as the network has nothing else to do, while this one still draws.
void Promise.resolve(listed).then(() => {
  for (const link of globalThis.document?.querySelectorAll('link[rel=next-script]') ?? [])
    link.setAttribute('rel', 'preload');
});

heedTurnedAway(() => void store.dispatch(turnedAway()));

/** What was kept on the device, of who works with it. */
async function restore({ dispatch, getState }: AppStore): Promise<void> {
  const guessed = whoIn(getState());
  const theirs = async (): Promise<void> => {
    const { account: kept } = await dispatch(restoreAccount()).unwrap();
    // What was asked for was asked for who was guessed.
    if (guessed && kept?.person !== guessed) await dispatch(become(kept));
    await Promise.all([dispatch(restoreOutbox()), dispatch(restoreCalls())]);
  };
  await Promise.all([theirs(), dispatch(restoreSettings())]);
}
