import { ratedVolts } from '../circuit/ohms';
import type { Diagram, LoadPart } from '../diagram/diagram';
import type { StepResult } from './run';

/**
 * What is noticed of one load, protector, breaker or board in one step: `stops` ran before the step
 * and does not after it, `quits` ran in the step and stopped by itself.
 */
export type Outcome =
  | 'runs'
  | 'weak'
  | 'hums'
  | 'off'
  | 'stops'
  | 'quits'
  | 'cycles'
  | 'never-pauses'
  | 'chatters'
  | 'opens'
  | 'open'
  | 'whole'
  | `says ${string}`;

const OF_LOADS: readonly Outcome[] = [
  'runs',
  'weak',
  'hums',
  'off',
  'stops',
  'quits',
  'cycles',
  'never-pauses',
  'chatters',
];
const OF_PROTECTORS: readonly Outcome[] = ['opens', 'open', 'whole'];

/** What can be noticed of a part or supply; undefined for what the diagram does not have. */
export function outcomesOf(diagram: Diagram, subject: string): readonly Outcome[] | undefined {
  if (diagram.supplies.some((each) => each.id === subject)) return OF_PROTECTORS;
  const part = diagram.parts.find((each) => each.id === subject);
  switch (part?.kind) {
    case undefined:
      return undefined;
    case 'load':
      return OF_LOADS;
    case 'protector':
      return OF_PROTECTORS;
    case 'board':
      return part.logic
        ? ['off', ...part.logic.states.map((state): Outcome => `says ${state.says}`)]
        : [];
    default:
      return [];
  }
}

/** A complaint in the unit's own terms: in this step, this does that. */
export interface Statement {
  /** Place of the step, from 0. */
  step: number;
  subject: string;
  outcome: Outcome;
}

/** A load cycles when it runs for more and less than these shares of a round. */
const CYCLES = { from: 0.01, to: 0.99 };

/** Everything that is noticed in every step of a run. */
export function statementsOf(diagram: Diagram, results: readonly StepResult[]): Statement[] {
  return results.flatMap((result, step) => {
    const before = results[step - 1]?.moments.at(-1);
    const [start] = result.moments;
    const last = result.moments.at(-1) ?? start;
    const list: Statement[] = [];
    const say = (subject: string, outcome: Outcome): void => {
      list.push({ step, subject, outcome });
    };
    for (const part of diagram.parts) {
      if (part.kind === 'load' && isNoticed(part))
        say(part.id, loadOutcome(part.id, result, before?.loads[part.id]));
      if (part.kind === 'board') {
        const id = last.boards[part.id];
        const state = part.logic?.states.find((each) => each.id === id);
        if (part.logic) say(part.id, state ? `says ${state.says}` : 'off');
      }
    }
    const protectors = diagram.parts.filter((part) => part.kind === 'protector');
    for (const { id } of [...protectors, ...diagram.supplies]) {
      const wasOpen = before?.opened.includes(id);
      const opens = result.moments.some((moment) => moment.opened.includes(id));
      say(id, opens ? (wasOpen ? 'open' : 'opens') : 'whole');
    }
    return list;
  });
}

function loadOutcome(id: string, result: StepResult, before: string | undefined): Outcome {
  if (result.end === 'chatters') return 'chatters';
  const share = result.cycle?.runs[id];
  if (share !== undefined && share > CYCLES.from && share < CYCLES.to) return 'cycles';
  const last = result.moments.at(-1)?.loads[id] ?? 'off';
  if (last !== 'off') return last;
  // What ran for a moment only while everything else found its place did not run.
  const lasted = (doing: string): boolean =>
    result.moments.some((moment, i) => {
      const until = result.moments[i + 1]?.at ?? result.seconds;
      return moment.loads[id] === doing && until > moment.at;
    });
  if (lasted('runs')) return 'quits';
  // It hums until its overload or the breaker opens, and that it hums is what is told.
  if (lasted('hums')) return 'hums';
  return before === 'runs' || before === 'weak' ? 'stops' : 'off';
}

export const sameStatement = (one: Statement, two: Statement): boolean =>
  one.step === two.step && one.subject === two.subject && one.outcome === two.outcome;

/** What is noticed of a faulty unit that a healthy one would not show. */
export function noticed(
  diagram: Diagram,
  healthy: readonly StepResult[],
  faulty: readonly StepResult[],
): Statement[] {
  const usual = statementsOf(diagram, healthy);
  return statementsOf(diagram, faulty).filter(
    (each) => !usual.some((other) => sameStatement(each, other)),
  );
}

/** Whether anything is seen, heard or felt of a load; a sensor is only read. */
export const isNoticed = ({ elements }: LoadPart): boolean => elements.some(ratedVolts);

/**
 * People do not tell "stops" from "quits" from "off" apart, nor "runs" from "cycles"; that it never pauses
 * (too hot, only HIGH) is said of what runs and should cycle.
 */
export const alike = (one: Outcome, two: Outcome): boolean => {
  if (one === two) return true;
  if (one === 'never-pauses' || two === 'never-pauses') return one === 'runs' || two === 'runs';
  return family(one) === family(two) && family(one) !== undefined;
};

/**
 * What a run shows, as it is said beside what a good unit does: what should cycle and only runs never pauses, and a
 * heater that should run and cycles only gets warm.
 */
export function saidBeside(
  diagram: Diagram,
  subject: string,
  outcome: Outcome,
  good: Outcome | undefined,
): Outcome {
  if (outcome === 'runs' && good === 'cycles') return 'never-pauses';
  const part = diagram.parts.find(({ id }) => id === subject);
  const heats = part?.kind === 'load' && part.load === 'heater';
  return heats && outcome === 'cycles' && good === 'runs' ? 'weak' : outcome;
}

function family(outcome: Outcome): string | undefined {
  switch (outcome) {
    case 'off':
    case 'stops':
      return 'off';
    case 'runs':
    case 'cycles':
      return 'runs';
    case 'opens':
    case 'open':
      return 'open';
    default:
      return undefined;
  }
}
