import type { OhmAnswer } from '../../core/circuit/ohmReading';
import type { Evidence } from '../../core/diagnose/evidence';
import type { Diagram } from '../../core/diagram/diagram';
import type { Advice } from '../../core/plan/nextTest';
import type { Fault } from '../../core/fault/modes';

/** What the worker is asked: a unit, and what is known of it. */
export interface Question {
  /** Counts the questions, so that an answer that comes too late is told from the last one. */
  number: number;
  /** Diagrams with the same key are the same. */
  key: string;
  diagram: Diagram;
  entries: Evidence[];
}

export interface ShownSuspect {
  id: string | undefined;
  probability: number;
  fault: Fault | undefined;
}

/** What the worker answers: everything that the work screen shows. */
export interface Answer {
  number: number;
  suspects: ShownSuspect[];
  verdict:
    | { kind: 'named'; suspect: ShownSuspect }
    | { kind: 'group'; suspects: ShownSuspect[] }
    | { kind: 'nothing-found' }
    | { kind: 'open'; needs: 'test' | 'own-terminals' };
  tests: (Advice & {
    /** What a good unit reads there; for ohm tests. */
    good?: OhmAnswer;
  })[];
  /** Suspects that the last entry moved most, with the factor. */
  moved: { id: string; factor: number }[];
  milliseconds: number;
}

let worker: Worker | undefined;
let asked = 0;

/** Asks the worker; a newer question makes an older one moot, whose promise then never settles. */
export function diagnose(question: Omit<Question, 'number'>): Promise<Answer> {
  worker ??= new Worker('/workers/diagnosis.js');
  const number = ++asked;
  const answer = new Promise<Answer>((resolve, reject) => {
    const hear = ({ data }: MessageEvent<Answer>): void => {
      if (data.number < number) return;
      worker?.removeEventListener('message', hear);
      if (data.number === number) resolve(data);
    };
    worker?.addEventListener('message', hear);
    worker?.addEventListener('error', (event) => reject(new Error(event.message)), { once: true });
  });
  worker.postMessage({ ...question, number } satisfies Question);
  return answer;
}
