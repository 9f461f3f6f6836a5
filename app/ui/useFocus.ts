import { useEffect, useRef, type RefObject } from 'react';
import type { View } from 'react-native';

/** Whether nothing that is still there has the focus: what had it is gone, or nobody has pressed anything yet. */
const isLost = (): boolean =>
  document.activeElement === null || document.activeElement === document.body;

/**
 * Focus follows the page: with each change of `of` it goes to the view, so that a keyboard and a screen reader go on where
 * eyes do. The view has `tabIndex={-1}`.
 * @param when always, or where the focus was lost with what was there before
 */
export function useFocus(
  of: string | number,
  when: 'lost' | 'always' = 'lost',
): RefObject<View | null> {
  const view = useRef<View>(null);
  useEffect(() => {
    // With the frame that draws it: before, the browser would have to lay out the page once more for it.
    const frame = requestAnimationFrame(() => {
      const element = view.current as unknown as HTMLElement | null;
      if (of !== '' && (when === 'always' || isLost()))
        element?.focus({ preventScroll: when === 'lost' });
    });
    return () => cancelAnimationFrame(frame);
  }, [of, when]);
  return view;
}
