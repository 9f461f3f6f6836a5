import { useEffect, useState } from 'react';

/** Some browsers do not say when they have nothing to do. */
const idleSoon = (run: () => void): void => {
  if ('requestIdleCallback' in window) requestIdleCallback(run, { timeout: 2000 });
  else setTimeout(run, 200);
};

/**
 * Runs something once what is on its way is drawn and there is nothing else to do.
 * @returns what gives it up
 */
export const whenIdle = (run: () => void): (() => void) => {
  let wanted = true;
  requestAnimationFrame(() =>
    setTimeout(() =>
      idleSoon(() => {
        if (wanted) run();
      }),
    ),
  );
  return () => {
    wanted = false;
  };
};

/** Work of one go, in milliseconds: short enough for a press to come between. */
const ONE_GO = 8;

/**
 * Does a work in steps whenever there is nothing else to do.
 * @returns what gives it up
 */
export function byAndBy(steps: Iterator<void>): () => void {
  let giveUp = whenIdle(function go() {
    const until = performance.now() + ONE_GO;
    while (performance.now() < until) if (steps.next().done) return;
    giveUp = whenIdle(go);
  });
  return () => giveUp();
}

/** False while a screen comes, true from the first moment on in which there is nothing else to do. */
export function useIdle(): boolean {
  const [idle, setIdle] = useState(false);
  useEffect(() => whenIdle(() => setIdle(true)), []);
  return idle;
}
