import { useCallback, useMemo, useState } from 'react';
import type { Diagram, TerminalRef } from '../../../core/diagram/diagram';
import { drawnSetup } from '../../../core/diagram/setup';
import type { ReadAt } from '../../../core/inference/shownUnder';
import type { MeterTest } from './useWork';

/** Points that were tapped on the line or the drawing, one or two of them. */
export interface Picked {
  points: readonly TerminalRef[];
  pick: (ref: TerminalRef) => void;
  forget: () => void;
  /** How the unit stands while they are looked at: as the test in hand has it, with every wire on. */
  at: ReadAt;
}

/** Two taps make a pair; a third begins anew, the same point again lets it go. */
export function usePicked(diagram: Diagram, test: MeterTest | undefined): Picked {
  const [points, setPoints] = useState<readonly TerminalRef[]>([]);
  const pick = useCallback(
    (ref: TerminalRef): void =>
      setPoints((before) => {
        const [first] = before;
        if (before.length !== 1 || first === undefined) return [ref];
        return first === ref ? [] : [first, ref];
      }),
    [],
  );
  const forget = useCallback(() => setPoints([]), []);
  const at = useMemo((): ReadAt => {
    if (test?.kind === 'volt') return { steps: test.steps };
    const setup = test?.setup ?? drawnSetup(diagram);
    return { setup: { ...setup, except: [], lifted: [], byHand: {} } };
  }, [diagram, test]);
  return { points, pick, forget, at };
}
