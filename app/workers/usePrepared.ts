import { useEffect } from 'react';
import type { Diagram } from '../../core/diagram/diagram';
import type { FoundCounts } from '../../core/inference/shopPriors';
import { askWorker } from './diagnosis';

/** Gets the worker ready for a unit as soon as it is known, so that the first advice needs no waiting. */
export function usePrepared(
  key: string | undefined,
  diagram: Diagram | undefined,
  found?: FoundCounts,
): void {
  useEffect(() => {
    if (key === undefined || !diagram) return;
    // What goes wrong here is told where the answer is needed.
    askWorker({ ask: 'prepare', key, diagram, found }).catch(() => undefined);
  }, [key, diagram, found]);
}
