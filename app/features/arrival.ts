import type { AppStore } from '../state/store';
import { sayTime } from '../ui/sayTime';
import { whenIdle } from '../ui/whenIdle';
import { heedNewVersions } from '../sync/newVersion';
import { bringScreens } from './laterScreen';
import { bringReaders } from '../sync/readers';

/**
 * The first screen is there: what stood in its place goes, and what comes next is brought while nobody waits for it.
 * @param shown when all of it is there, where that takes longer
 * @param diagrams brings those of the shop onto the device
 */
export async function arrive(
  store: AppStore,
  shown: PromiseLike<unknown> | undefined,
  diagrams: () => Promise<unknown>,
): Promise<void> {
  document.getElementById('shell')?.remove();
  await shown;
  // The first time costs as much as a whole screen: not with somebody's first reading.
  whenIdle(() => void sayTime(new Date()));
  whenIdle(() => {
    // What does not come now is asked for again by the screen that needs it.
    void bringScreens()
      .then(({ heedChanges, startDiagnosis }) => {
        heedChanges(store);
        return startDiagnosis();
      })
      .then(bringReaders)
      .then(diagrams)
      .catch(() => undefined)
      .then(() => whenIdle(() => void heedNewVersions()));
  });
}
