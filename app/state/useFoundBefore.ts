import { useMemo } from 'react';
import type { CallDetail } from '../../contract/call';
import type { FoundCounts } from '../../core/inference/shopPriors';
import { useAppSelector } from './hooks';

/** What the shop has found in other units like that of a call, where it counts; the same thing while it says the same. */
export function useFoundBefore(call: CallDetail | undefined): FoundCounts | undefined {
  const counts = useAppSelector((state) => state.settings.shopPriors);
  const text = JSON.stringify(counts ? call?.foundBefore : undefined);
  return useMemo(
    () => (text === undefined ? undefined : (JSON.parse(text) as FoundCounts)),
    [text],
  );
}
