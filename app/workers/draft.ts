import { useEffect, useState } from 'react';
import type { DraftFinding, Mend } from '../../core/draft/draftLint';
import type { Diagram } from '../../core/diagram/diagram';

export interface FoundInDraft {
  finding: DraftFinding;
  mend: Mend | undefined;
}

export interface DraftQuestion {
  number: number;
  draft: Diagram;
}

export interface DraftAnswer {
  number: number;
  findings: FoundInDraft[];
}

let worker: Worker | undefined;
let asked = 0;
const waiting = new Map<number, (findings: FoundInDraft[]) => void>();

function running(): Worker {
  if (worker) return worker;
  worker = new Worker('/workers/draft.js');
  worker.addEventListener('message', ({ data }: MessageEvent<DraftAnswer>) => {
    waiting.get(data.number)?.(data.findings);
    waiting.delete(data.number);
  });
  // Without its answer nothing is said of the draft, and the next change asks a new one.
  worker.addEventListener('error', () => {
    worker = undefined;
    waiting.clear();
  });
  return worker;
}

/** What may be wrong in a draft, as last found; undefined until the worker has answered once. */
export function useDraftLint(draft: Diagram): FoundInDraft[] | undefined {
  const [found, setFound] = useState<FoundInDraft[]>();
  useEffect(() => {
    const number = ++asked;
    waiting.set(number, setFound);
    running().postMessage({ number, draft } satisfies DraftQuestion);
    return () => {
      waiting.delete(number);
    };
  }, [draft]);
  return found;
}
