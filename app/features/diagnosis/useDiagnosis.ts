import { useCallback, useLayoutEffect, useState } from 'react';
import type { Evidence } from '../../../core/call/evidence';
import type { Diagram } from '../../../core/diagram/diagram';
import type { FoundCounts } from '../../../core/inference/shopPriors';
import type { WayOfWorking } from '../../../core/plan/wayOfWorking';
import {
  askWorker,
  stopDiagnosis,
  Stopped,
  type ShownFindings,
  type ShownMeaning,
} from '../../workers/diagnosis';

export interface Diagnosis {
  /** Undefined until the worker has answered for the first time. */
  findings: ShownFindings | undefined;
  /** What the entries mean, as they are now; undefined until that is known. */
  meaning: ShownMeaning | undefined;
  /** Whether the findings are of evidence that has grown since. */
  thinking: boolean;
  /** Share of the preparing that is done, while a unit that is new to the worker is prepared. */
  progress: number | undefined;
  stopped: boolean;
  failed: string | undefined;
  stop: () => void;
  /** Starts again after a stop or a failure. */
  again: () => void;
}

/** What the worker makes of the evidence; asked anew with every change. */
export function useDiagnosis(
  unit: { key: string; diagram: Diagram } | undefined,
  evidence: readonly Evidence[],
  way: WayOfWorking,
  found: FoundCounts | undefined,
): Diagnosis {
  const [findings, setFindings] = useState<ShownFindings>();
  const [ahead, setAhead] = useState<{ of: readonly Evidence[]; meaning: ShownMeaning }>();
  const [answered, setAnswered] = useState<{
    evidence: readonly Evidence[];
    way: WayOfWorking;
    found: FoundCounts | undefined;
  }>();
  const [progress, setProgress] = useState<number>();
  const [ended, setEnded] = useState<Error>();
  const [tries, setTries] = useState(0);
  const key = unit?.key;
  const diagram = unit?.diagram;
  // Asked before the page is drawn: the worker thinks meanwhile.
  useLayoutEffect(() => {
    if (!diagram || !key) return;
    let wanted = true;
    askWorker({ ask: 'findings', key, diagram, entries: evidence, way, found }, (said) => {
      if (!wanted) return;
      if (said.kind === 'progress') setProgress(said.share);
      else setAhead({ of: evidence, meaning: said.meaning });
    }).then(
      (answer) => {
        if (!wanted || answer.kind !== 'findings') return;
        setProgress(undefined);
        setFindings(answer.findings);
        setAnswered({ evidence, way, found });
        setEnded(undefined);
      },
      (error: Error) => {
        if (!wanted) return;
        setProgress(undefined);
        setEnded(error);
      },
    );
    return () => {
      wanted = false;
    };
  }, [diagram, key, evidence, way, found, tries]);
  const again = useCallback(() => {
    setEnded(undefined);
    setTries((before) => before + 1);
  }, []);
  return {
    findings,
    meaning:
      answered?.evidence === evidence
        ? findings
        : ahead?.of === evidence
          ? ahead.meaning
          : undefined,
    thinking: answered?.evidence !== evidence || answered.way !== way || answered.found !== found,
    progress,
    stopped: ended instanceof Stopped,
    failed: ended && !(ended instanceof Stopped) ? ended.message : undefined,
    stop: stopDiagnosis,
    again,
  };
}
