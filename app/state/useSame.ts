import { useState } from 'react';

/**
 * The list of the last time while it says the same: what depends on it is not worked out anew because
 * a list with the same things in it was made.
 * @param key what two lists have in common that say the same
 */
export function useSame<T>(list: readonly T[], key: string): readonly T[] {
  const [same, setSame] = useState({ list, key });
  if (same.key === key) return same.list;
  setSame({ list, key });
  return list;
}
