// Before anything asks for a script.
import '../sync/ownScripts';
import { Slot, usePathname } from 'expo-router';
import { useEffect, useLayoutEffect, useState } from 'react';
import { Provider } from 'react-redux';
import { refusedItems } from '../sync/outbox';
import { callOf, type Sent } from '../sync/outboxItem';
import { whoIn } from '../sync/account';
import { startSender } from '../sync/sender';
import { keepSettings } from '../state/settings';
import type { AppStore } from '../state/store';
import { LIST_FIRST, listed, restored, store } from '../state/begin';
import { loadCall, loadCalls } from '../state/calls';
import { loadDiagrams } from '../state/diagrams';
// Before the router listens, so that a choice on a screen is gone back from without a new screen.
import '../ui/useAddress';
import { screen } from '../features/laterScreen';
import { useAppSelector, useWho } from '../state/hooks';
import { PaletteInUse, usePalette } from '../theme/theme';
import { AboveScreen } from '../ui/AboveScreen';
import { arrive } from '../features/arrival';
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

const RefusedCards = screen('RefusedCards', <></>);

/** What the server would not store stands above every screen; the script of its cards comes when there is some. */
function Refused() {
  const some = useAppSelector((state) => refusedItems(state).length > 0);
  return some && <RefusedCards />;
}
const REFUSED = <Refused />;

/** Keeps the settings on the device whenever one changes. @returns a function that ends it */
function keepChanged({ getState, subscribe }: AppStore): () => void {
  let kept = getState().settings;
  return subscribe(() => {
    const { settings } = getState();
    if (settings !== kept) void keepSettings((kept = settings));
  });
}

const DoorScreen = screen('DoorScreen');
/** Where somebody comes in who has no account here yet. */
const JOIN = '/join';

/** Every screen, in the colours in use; for nobody there is the door alone. */
function Coloured() {
  const somebody = useWho() !== '';
  const joins = usePathname() === JOIN;
  return (
    <PaletteInUse value={usePalette()}>
      {somebody || joins ? <Slot /> : <DoorScreen />}
    </PaletteInUse>
  );
}

/** Around every route: the store, and what was kept on the device. */
export default function Layout() {
  const [ready, setReady] = useState(LIST_FIRST);
  useEffect(() => {
    let ends: (() => void)[] = [];
    let gone = false;
    void restored.then(() => {
      if (gone) return;
      setReady(true);
      ends = [startSender(store, (sent) => readBack(store, sent)), keepChanged(store)];
    });
    return () => {
      gone = true;
      ends.forEach((end) => end());
    };
  }, []);
  // Before the browser draws: with the frame that stands in its place still there the screen would not be seen.
  useLayoutEffect(() => {
    if (ready)
      void arrive(store, listed, async () => {
        if (whoIn(store.getState())) await store.dispatch(loadDiagrams());
      });
  }, [ready]);

  return (
    <Provider store={store}>
      <AboveScreen value={REFUSED}>{ready ? <Coloured /> : null}</AboveScreen>
    </Provider>
  );
}
