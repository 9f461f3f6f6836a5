import { useEffect, useRef } from 'react';
import type { ScrollViewProps } from 'react-native';

/**
 * Goes back to the top whenever something else is shown, so that nobody reads half a state. What stands there already is left
 * alone: to be asked for it, it would have the whole page laid out at once.
 * @returns what the scrolled view needs for it
 */
export function useBackToTop(
  shown: string,
  toTop: () => void,
): Pick<ScrollViewProps, 'onScroll' | 'scrollEventThrottle'> {
  const offset = useRef(0);
  const go = useRef(toTop);
  useEffect(() => {
    go.current = toTop;
  });
  useEffect(() => {
    if (offset.current > 0) go.current();
  }, [shown]);
  return {
    onScroll: ({ nativeEvent }) => {
      offset.current = nativeEvent.contentOffset.y;
    },
    scrollEventThrottle: 16,
  };
}
