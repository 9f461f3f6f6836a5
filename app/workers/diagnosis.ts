import type { LinePath } from '../../core/behaviour/linePath';
import type { Outcome } from '../../core/behaviour/statement';
import type { Evidence, StatementEvidence } from '../../core/call/evidence';
import type { Contradiction } from '../../core/inference/contradictions';
import type { RepairStanding } from '../../core/plan/repair';
import type { Moved, Says } from '../../core/inference/entryMeaning';
import type { FoundCounts } from '../../core/inference/shopPriors';
import type { Sayable, Tellable } from '../../core/inference/tellable';
import type { SecondLook } from '../../core/inference/secondLook';
import type { ReadAt, Shown } from '../../core/inference/shownUnder';
import type { Diagram, TerminalRef } from '../../core/diagram/diagram';
import type { Showing } from '../../core/drawing/showing';
import type { Fault } from '../../core/fault/fault';
import type { LookNow } from '../../core/plan/looksNow';
import type { Advice } from '../../core/plan/unitPlanner';
import type { Depth } from '../../core/plan/proof';
import type { ProofStep } from '../../core/call/reading';
import type { WayOfWorking } from '../../core/plan/wayOfWorking';
import type { Policy } from '../../core/plan/policies';
import type { Findable } from '../../core/simulate/findable';
import type { ShownOutcome } from '../../core/plan/shownOutcome';
import type { VoltTest } from '../../core/plan/unitTests';

/** A unit; diagrams with the same key are the same. */
interface AskedUnit {
  key: string;
  diagram: Diagram;
}

/**
 * What the worker is asked: to get ready for a unit, what its faults are noticed by, what can be told of it, the lines through
 * its loads, how well its faults are found, what is known of it, what schools take, or the readings that prove a switch.
 */
export type WorkerQuestion = { number: number } & AskedUnit &
  (
    | { ask: 'complaints' | 'tellable' | 'lines' | 'findable' }
    /** With what the shop has found in such units, where that counts. */
    | { ask: 'prepare'; found: FoundCounts | undefined }
    | { ask: 'proof'; part: string; depth: Depth }
    /** What units with these faults show between two points, each run with its own. */
    | { ask: 'shown'; at: ReadAt; from: TerminalRef; to: TerminalRef; faults: Fault[][] }
    /** How a good unit stands while it is read. */
    | { ask: 'stand'; at: ReadAt }
    /** How the last repair stands. */
    | { ask: 'repair'; entries: readonly Evidence[] }
    | {
        ask: 'findings';
        entries: readonly Evidence[];
        way: WayOfWorking;
        found: FoundCounts | undefined;
      }
    /** Weighed as what was found last. */
    | { ask: 'schools'; entries: readonly Evidence[]; way: WayOfWorking }
  );

export interface ShownSuspect {
  id: string | undefined;
  probability: number;
  /** One fault, or two together. */
  faults: Fault[];
}

/** What is noticed at which moment, and of which faults. */
export interface ShownComplaint {
  statement: StatementEvidence;
  faults: Fault[];
}

/** What a good unit shows between two points. */
export type GoodShown = Exclude<Shown, { kind: 'none' }>;

export interface ShownTest extends Omit<Advice, 'meanings'> {
  /** Undefined for what is not read with a meter, and where nothing can be foretold. */
  good: GoodShown | undefined;
  /** The live reading between the same points that answers the same. */
  live: { test: VoltTest; good: GoodShown | undefined } | undefined;
  /** Of a question: what may be answered, what a good unit does first. */
  answers: Outcome[];
  meanings: {
    share: number;
    shown: ShownOutcome | undefined;
    suspects: { id: string | undefined; probability: number }[];
    named: boolean;
  }[];
}

export type ShownVerdict =
  | {
      kind: 'named';
      suspect: ShownSuspect;
      /** Entries that speak for it and against it. */
      because: string[];
      against: string[];
    }
  | { kind: 'group'; suspects: ShownSuspect[]; settles: ShownTest[] }
  | { kind: 'nothing-found' | 'repaired' }
  | { kind: 'open'; needs: 'test' | 'own-terminals' | 'another-way' | 'set-points' | 'quantity' }
  /** `wouldTake`: what would have to be wrong for the entry that fits least. */
  | { kind: 'surprise'; entry: string; stands: boolean; wouldTake: ShownSuspect | undefined }
  | { kind: 'open'; needs: 'second-look'; secondLook: SecondLook; good: GoodShown | undefined };

/** What the entries mean: known before what comes next. */
export interface ShownMeaning {
  /** By entry: suspects whose probability it changed most. */
  moved: Record<string, Moved[]>;
  /** What the last entry says before anybody asks who is suspected; undefined of what is done. */
  lastSays: Says | undefined;
  /** What a good unit shows where the last entry was read. */
  lastGood: GoodShown | undefined;
  oddTwins: string[];
}

/** Everything that the work screen shows. */
export interface ShownFindings extends ShownMeaning {
  suspects: ShownSuspect[];
  verdict: ShownVerdict;
  tests: ShownTest[];
  /** Probability of the leading suspects before any entry and after each. */
  course: { id: string; probabilities: number[] }[];
  /** How probable it is that what feeds the unit is at fault, where a look there pays. */
  supply: number | undefined;
  /** Quick looks, the best to be had now first. */
  looks: LookNow[];
  contradictions: Contradiction[];
  /** Whether two faults together explain what no single one does. */
  pairs: boolean;
  /** How the last repair stands; undefined where nothing was repaired. */
  repair: RepairStanding | undefined;
}

/** What comes before the answer: how far a unit is prepared that is new to the worker, and what the entries mean. */
export type SaidMeanwhile =
  { kind: 'progress'; share: number } | { kind: 'meaning'; meaning: ShownMeaning };

export type WorkerAnswer = { number: number } & (
  | SaidMeanwhile
  | { kind: 'prepared' }
  | { kind: 'findings'; findings: ShownFindings }
  | { kind: 'repair'; repair: RepairStanding | undefined }
  | { kind: 'proof'; steps: ProofStep[] }
  | { kind: 'shown'; shown: Shown[] }
  | { kind: 'stand'; showing: Showing }
  | { kind: 'lines'; lines: LinePath[] }
  | { kind: 'findable'; findable: Findable }
  | { kind: 'tellable'; told: Tellable[]; sayable: Sayable[] }
  | { kind: 'complaints'; complaints: ShownComplaint[]; hidden: Fault[] }
  | { kind: 'schools'; schools: { school: Policy; minutes: number }[] }
);

/** As it is sent: a diagram that the worker has goes by its key, for it takes longer to copy than the rest together. */
export type SentQuestion = WorkerQuestion extends infer Q
  ? Q extends WorkerQuestion
    ? Omit<Q, 'diagram'> & { diagram: Diagram | undefined }
    : never
  : never;

let worker: Worker | undefined;
let asked = 0;
/** Keys of the diagrams that the worker has. */
const sent = new Set<string>();
/** Whoever waits for an answer, by the number of the question. */
const waiting = new Map<
  number,
  { hear: (answer: WorkerAnswer) => void; fail: (error: Error) => void }
>();

function running(): Worker {
  if (worker) return worker;
  worker = new Worker('/workers/diagnosis.js');
  worker.addEventListener('message', ({ data }: MessageEvent<WorkerAnswer>) =>
    waiting.get(data.number)?.hear(data),
  );
  worker.addEventListener('error', (event) => endAll(new Error(event.message)));
  return worker;
}

/** Starts it before anybody asks, so that the first question finds it there. */
export const startDiagnosis = (): void => void running();

function endAll(error: Error): void {
  worker?.terminate();
  worker = undefined;
  sent.clear();
  for (const { fail } of waiting.values()) fail(error);
  waiting.clear();
}

/** Ends whatever the worker is at; it starts anew with the next question. */
export const stopDiagnosis = (): void => endAll(new Stopped());

/** The technician has stopped the work. */
export class Stopped extends Error {}

export type Asked = WorkerQuestion extends infer Q
  ? Q extends WorkerQuestion
    ? Omit<Q, 'number'>
    : never
  : never;

/** Asks the worker. @param meanwhile hears what it says before it answers */
export function askWorker(
  question: Asked,
  meanwhile: (said: SaidMeanwhile) => void = () => undefined,
): Promise<WorkerAnswer> {
  const number = ++asked;
  return new Promise((resolve, reject) => {
    waiting.set(number, {
      hear: (answer) => {
        if (answer.kind === 'progress' || answer.kind === 'meaning') return meanwhile(answer);
        waiting.delete(number);
        resolve(answer);
      },
      fail: reject,
    });
    const { key, diagram } = question;
    running().postMessage({
      ...question,
      number,
      diagram: sent.has(key) ? undefined : diagram,
    } satisfies SentQuestion);
    sent.add(key);
  });
}
