import { useEffect, useState } from 'react';
import { ComplaintSearch } from '../search/complaintSearch';
import type { Diagram } from '../../core/diagram/diagram';
import { askWorker } from './diagnosis';

/** What can be told of a unit, to be found by what is typed; undefined until the worker has run its faults. */
export function useComplaintSearch(
  key: string | undefined,
  diagram: Diagram | undefined,
): ComplaintSearch | undefined {
  const [found, setFound] = useState<{ of: string; search: ComplaintSearch }>();
  useEffect(() => {
    if (key === undefined || !diagram) return;
    let wanted = true;
    askWorker({ ask: 'tellable', key, diagram }).then(
      (answer) => {
        if (wanted && answer.kind === 'tellable')
          setFound({ of: key, search: new ComplaintSearch(diagram, answer.told) });
      },
      // Without it the complaint stays a note, and moment, what and how are asked as ever.
      () => undefined,
    );
    return () => {
      wanted = false;
    };
  }, [key, diagram]);
  return found?.of === key ? found?.search : undefined;
}
