import { useEffect, useRef } from 'react';

/**
 * Keys of a keyboard that do what a control on the screen does. While a person writes into a field
 * the keys are theirs; with Ctrl, Alt or Meta they are the browser's.
 * @param active false while what they do is out of sight
 */
export function useKeys(keys: Record<string, (() => void) | undefined>, active = true): void {
  const latest = useRef(keys);
  useEffect(() => {
    latest.current = keys;
  });
  useEffect(() => {
    if (!active) return;
    const press = (event: KeyboardEvent): void => {
      if (event.ctrlKey || event.altKey || event.metaKey) return;
      const target = event.target as HTMLElement | null;
      if (target && ['INPUT', 'TEXTAREA'].includes(target.tagName)) return;
      // Enter on a focused control presses that control.
      if (
        event.key === 'Enter' &&
        target?.closest('[role=button],[role=link],[role=tab],[role=radio],a')
      )
        return;
      const run = latest.current[event.key.length === 1 ? event.key.toLowerCase() : event.key];
      if (!run) return;
      event.preventDefault();
      run();
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [active]);
}
