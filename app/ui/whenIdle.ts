import { useEffect, useState } from 'react';

/** Some browsers do not say when they have nothing to do. */
const idleSoon = (run: () => void): void => {
  if ('requestIdleCallback' in window) requestIdleCallback(run, { timeout: 2000 });
  else setTimeout(run, 200);
};

/** Runs something once what is on its way is drawn and there is nothing else to do. */
export const whenIdle = (run: () => void): void => {
  requestAnimationFrame(() => setTimeout(() => idleSoon(run)));
};

/** False while a screen comes, true from the first moment on in which there is nothing else to do. */
export function useIdle(): boolean {
  const [idle, setIdle] = useState(false);
  useEffect(() => {
    let here = true;
    whenIdle(() => {
      if (here) setIdle(true);
    });
    return () => {
      here = false;
    };
  }, []);
  return idle;
}
