import { useEffect, useRef, useState } from 'react';
import type { DraftFinding, Mend } from '../../core/draft/draftLint';
import type { TraceReading, Traced } from '../../core/draft/fieldTrace';
import type { EndSeen } from '../../core/draft/wireMatching';
import type { Diagram, Use } from '../../core/diagram/diagram';

export interface FoundInDraft {
  finding: DraftFinding;
  mend: Mend | undefined;
}

export type DraftQuestion = { number: number; draft: Diagram } & Asked;
type Asked =
  | { ask: 'lint' | 'uses' }
  | {
      ask: 'trace';
      ends: readonly EndSeen[];
      readings: readonly TraceReading[];
      before: Traced['structures'];
    };

export type DraftAnswer = { number: number } & (
  | { ask: 'lint'; findings: FoundInDraft[] }
  | { ask: 'uses'; uses: Use[] }
  | { ask: 'trace'; traced: Traced }
);

let worker: Worker | undefined;
let asked = 0;
const waiting = new Map<number, (answer: DraftAnswer | undefined) => void>();

function running(): Worker {
  if (worker) return worker;
  worker = new Worker('/workers/draft.js');
  worker.addEventListener('message', ({ data }: MessageEvent<DraftAnswer>) => {
    waiting.get(data.number)?.(data);
    waiting.delete(data.number);
  });
  // Who waits goes on without an answer, and the next question starts a new one.
  worker.addEventListener('error', () => {
    worker = undefined;
    for (const hear of waiting.values()) hear(undefined);
    waiting.clear();
  });
  return worker;
}

/** @returns a function that ends the waiting */
function askDraft(
  asking: Asked,
  draft: Diagram,
  hear: (answer: DraftAnswer | undefined) => void,
): () => void {
  const number = ++asked;
  waiting.set(number, hear);
  running().postMessage({ number, draft, ...asking } satisfies DraftQuestion);
  return () => {
    waiting.delete(number);
  };
}

/** What may be wrong in a draft, as last found; undefined until the worker has answered once. */
export function useDraftLint(draft: Diagram): FoundInDraft[] | undefined {
  const [found, setFound] = useState<FoundInDraft[]>();
  useEffect(
    () =>
      askDraft({ ask: 'lint' }, draft, (answer) => {
        if (answer?.ask === 'lint') setFound(answer.findings);
      }),
    [draft],
  );
  return found;
}

/** A draft with uses: its own, or those that it is likely to have; as it is where none can be guessed. */
export const withUses = (draft: Diagram): Promise<Diagram> =>
  draft.uses?.length
    ? Promise.resolve(draft)
    : new Promise((done) => {
        askDraft({ ask: 'uses' }, draft, (answer) =>
          done(
            answer?.ask === 'uses' && answer.uses.length ? { ...draft, uses: answer.uses } : draft,
          ),
        );
      });

/** What the wires may be by what was read, and what to read next; undefined while that is worked out. */
export function useTraced(
  draft: Diagram,
  ends: readonly EndSeen[],
  readings: readonly TraceReading[],
): Traced | undefined {
  const [answered, setAnswered] = useState<{ readings: readonly TraceReading[]; traced: Traced }>();
  /** What fitted before: where to begin to look for what fits now. */
  const before = useRef<Traced['structures']>([]);
  useEffect(
    () =>
      askDraft({ ask: 'trace', ends, readings, before: before.current }, draft, (answer) => {
        if (answer?.ask !== 'trace') return;
        before.current = answer.traced.structures;
        setAnswered({ readings, traced: answer.traced });
      }),
    [draft, ends, readings],
  );
  return answered?.readings === readings ? answered.traced : undefined;
}
