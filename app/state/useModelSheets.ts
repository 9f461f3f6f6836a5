import { useCallback, useEffect, useState } from 'react';
import type { ModelSheet } from '../../core/diagram/modelPattern';
import { fetchModelSheets } from '../sync/api';

/** Which sheets the models of a shop use, as last heard of the server; none until then. */
export function useModelSheets(who: string): { sheets: ModelSheet[]; again: () => void } {
  const [sheets, setSheets] = useState<ModelSheet[]>([]);
  const [round, setRound] = useState(0);
  useEffect(() => {
    let wanted = true;
    // Without them a diagram is looked for by hand, as ever.
    fetchModelSheets(who).then(
      ({ value }) => wanted && setSheets(value),
      () => undefined,
    );
    return () => {
      wanted = false;
    };
  }, [who, round]);
  return { sheets, again: useCallback(() => setRound((before) => before + 1), []) };
}
