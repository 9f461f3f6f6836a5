import { useFonts } from 'expo-font';
import { Slot } from 'expo-router';
import { useEffect, useState } from 'react';
import { Provider } from 'react-redux';
import { restoreOutbox, restoreShop } from '../sync/outbox';
import { callOf, type Sent } from '../sync/outboxItem';
import { startSender } from '../sync/sender';
import { keepSettings, restoreSettings } from '../state/settings';
import { makeStore, type AppStore } from '../state/store';
import { loadCall, loadCalls } from '../state/calls';
// Before the router listens, so that a choice on a screen is gone back from without a new screen.
import '../ui/useAddress';
import { FONTS } from '../theme/fonts';
import Feather from '@expo/vector-icons/Feather';
import { ScreenFailed } from '../ui/ScreenFailed';

/** Whether a call goes on with another diagram, whose check the server makes. */
const changesDiagram = (item: Sent['stored'][number]): boolean =>
  item.to === 'entries' &&
  item.body.kind === 'correction' &&
  item.body.body.diagramId !== undefined;

/** Writes whose effect only the server can tell are read back. */
async function readBack(store: AppStore, { stored }: Sent): Promise<void> {
  for (const item of stored)
    if (item.to === 'tables' || changesDiagram(item)) await store.dispatch(loadCall(callOf(item)));
  if (stored.some((item) => item.to === 'calls'))
    await store.dispatch(loadCalls(store.getState().calls.search));
}

/** Each screen stands alone: where one cannot be shown, the store and what it sends go on. */
export const unstable_settings = { screenErrorBoundary: ScreenFailed };

/** Around every route: the store, what was kept on the device, the fonts, the service worker. */
export default function Layout() {
  const [store] = useState(makeStore);
  const [restored, setRestored] = useState(false);
  const [fonts] = useFonts({ ...FONTS, ...Feather.font });

  useEffect(() => {
    let stop: (() => void) | undefined;
    void Promise.all([
      store.dispatch(restoreShop()),
      store.dispatch(restoreOutbox()),
      store.dispatch(restoreSettings()),
    ]).then(() => {
      setRestored(true);
      const endSender = startSender(store, (sent) => readBack(store, sent));
      let kept = store.getState().settings;
      const endKeeping = store.subscribe(() => {
        const { settings } = store.getState();
        if (settings !== kept) void keepSettings((kept = settings));
      });
      stop = () => {
        endSender();
        endKeeping();
      };
    });
    return () => stop?.();
  }, [store]);
  useEffect(() => {
    if ('serviceWorker' in navigator) void navigator.serviceWorker.register('/sw.js');
  }, []);

  return <Provider store={store}>{restored && fonts ? <Slot /> : null}</Provider>;
}
