import { useEffect, useState } from 'react';
import type { Sayable } from '../../core/inference/tellable';
import { ComplaintSearch } from '../search/complaintSearch';
import type { Diagram } from '../../core/diagram/diagram';
import { askWorker } from './diagnosis';

/** What can be told of a unit: found by what is typed, or step by step. */
export interface Told {
  search: ComplaintSearch;
  sayable: readonly Sayable[];
}

/** What can be told of a unit; undefined until the worker has run its faults. */
export function useTold(key: string | undefined, diagram: Diagram | undefined): Told | undefined {
  const [found, setFound] = useState<{ of: string; told: Told }>();
  useEffect(() => {
    if (key === undefined || !diagram) return;
    let wanted = true;
    askWorker({ ask: 'tellable', key, diagram }).then(
      (answer) => {
        if (wanted && answer.kind === 'tellable')
          setFound({
            of: key,
            told: {
              search: new ComplaintSearch(diagram, answer.told),
              sayable: answer.sayable,
            },
          });
      },
      // Without it the complaint stays a note, and moment, what and how are asked as ever.
      () => undefined,
    );
    return () => {
      wanted = false;
    };
  }, [key, diagram]);
  return found?.of === key ? found?.told : undefined;
}
