import { useEffect, useState } from 'react';
import type { LinePath } from '../../core/behaviour/linePath';
import { isRepair, type Evidence } from '../../core/call/evidence';
import type { Diagram, TerminalRef } from '../../core/diagram/diagram';
import type { Showing } from '../../core/drawing/showing';
import type { Fault } from '../../core/fault/fault';
import type { ReadAt, Shown } from '../../core/inference/shownUnder';
import type { RepairStanding } from '../../core/plan/repair';
import { askWorker, type Asked, type WorkerAnswer } from './diagnosis';

/** A question is the same while its text is; the last answer stays until the next is there. */
function useAnswer<T>(
  question: Asked | undefined,
  text: string,
  read: (answer: WorkerAnswer) => T | undefined,
): T | undefined {
  const [answered, setAnswered] = useState<{ text: string; value: T | undefined }>();
  useEffect(() => {
    if (!question) return;
    let wanted = true;
    askWorker(question).then(
      (answer) => {
        if (wanted) setAnswered({ text, value: read(answer) });
      },
      () => {
        if (wanted) setAnswered({ text, value: undefined });
      },
    );
    return () => {
      wanted = false;
    };
    // The text says all that the question does.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [text]);
  return answered?.text === text ? answered.value : undefined;
}

/**
 * What a meter shows between two points of units with some faults, each of which has run with its own:
 * as the planner has it. The good unit is the one without. Undefined until the worker has answered.
 */
export function useShown(
  key: string,
  diagram: Diagram,
  at: ReadAt,
  points: readonly TerminalRef[],
  faults: Fault[][],
): Shown[] | undefined {
  const [from, to] = points;
  const question: Asked | undefined =
    from === undefined || to === undefined
      ? undefined
      : { ask: 'shown', key, diagram, at, from, to, faults };
  const text = question ? JSON.stringify([key, at, from, to, faults]) : '';
  return useAnswer(question, text, shownIn);
}

/** How a good unit stands while it is read, for its drawing. */
export function useStand(key: string, diagram: Diagram, at: ReadAt): Showing | undefined {
  return useAnswer({ ask: 'stand', key, diagram, at }, JSON.stringify([key, at]), showingIn);
}

/** The lines through the loads of a unit; undefined until the worker has answered. */
export const useLines = (key: string, diagram: Diagram): LinePath[] | undefined =>
  useAnswer({ ask: 'lines', key, diagram }, key, linesIn);

/** How the last repair of a unit stands; undefined without one, and until the worker has answered. */
export function useRepair(
  key: string,
  diagram: Diagram,
  entries: readonly Evidence[],
): RepairStanding | undefined {
  const question: Asked | undefined = entries.some(isRepair)
    ? { ask: 'repair', key, diagram, entries }
    : undefined;
  return useAnswer(
    question,
    question ? `${key} ${entries.map(({ id }) => id).join()}` : '',
    repairIn,
  );
}

const repairIn = (answer: WorkerAnswer) => (answer.kind === 'repair' ? answer.repair : undefined);
const linesIn = (answer: WorkerAnswer) => (answer.kind === 'lines' ? answer.lines : undefined);
const shownIn = (answer: WorkerAnswer) => (answer.kind === 'shown' ? answer.shown : undefined);
const showingIn = (answer: WorkerAnswer) => (answer.kind === 'stand' ? answer.showing : undefined);
