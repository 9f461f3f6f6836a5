import type { Diagram } from '../diagram/diagram';
import { drawnSetup, poweredSetup, type Setup } from '../diagram/setup';
import { switches } from '../diagram/terminal';
import { truePosition } from '../circuit/partEdges';
import type { Fault } from '../fault/fault';
import { Cycle, type CycleFound } from './cycle';
import {
  atRest,
  follow,
  moveActuator,
  openedFaults,
  Solver,
  standing,
  type Machine,
  type Solved,
} from './machine';
import type { Moment } from './moment';
import type { Step } from './step';
import { driftTo, nextEvent, type Clocks } from './time';

export interface StepResult {
  step: string;
  /** A moment for each change, the first right after the step. */
  moments: [Moment, ...Moment[]];
  /** How it ended: nothing changes any more, it goes round and round, or the time was over. */
  end: 'settled' | 'cycling' | 'over' | 'chatters';
  /** Going round: its period in seconds, and the share of it that each load runs. */
  cycle?: CycleFound;
  seconds: number;
}

const PLUGGED_IN: Step = { does: { kind: 'power', on: true }, text: 'power=on' };
/** Changes that may follow each other at once before it counts as chatter. */
const AT_ONCE = 60;
/** Events and seconds after which a step is left alone. */
const MOST_EVENTS = 400;
const LONGEST = 4 * 3600;

/**
 * What a unit does, step by step: after each step driven actuators follow their loads until nothing
 * changes, then time goes on from event to event. It begins as drawn and plugged in, which is step 0
 * of the result unless the first step is about power itself.
 */
export const run = (
  diagram: Diagram,
  steps: readonly Step[],
  faults: readonly Fault[] = [],
  from: Setup = drawnSetup(diagram),
): StepResult[] => runWhole(diagram, steps, faults, from).results;

/** The unit as it stands from some seconds after a step on. */
export interface Stand {
  at: number;
  machine: Machine;
  loads: Moment['loads'];
}

/** How the unit stands from change to change of one step, for a meter to be put on it. */
export interface Course {
  stands: Stand[];
  /** Whether it stays as it stood last; otherwise nothing is known beyond `seconds`. */
  settled: boolean;
  seconds: number;
}

/** The same with the courses of all steps. @param solver of the same unit, which may have solved much of it before */
export function runWhole(
  diagram: Diagram,
  steps: readonly Step[],
  faults: readonly Fault[],
  from: Setup = drawnSetup(diagram),
  solver = new Solver(diagram, faults),
): { results: StepResult[]; courses: Course[] } {
  const unit = new Unit(diagram, faults, from, solver);
  const plugged = steps[0]?.does.kind === 'power' ? [] : [PLUGGED_IN];
  const done = [...plugged, ...steps].map((step) => unit.do(step));
  return { results: done.map((each) => each.result), courses: done.map((each) => each.course) };
}

/**
 * The unit as it stands once some steps are done; undefined without a step.
 * @param second of the last step, where not its end is meant
 */
export const standAfter = (
  diagram: Diagram,
  steps: readonly Step[],
  faults: readonly Fault[] = [],
  second = Infinity,
  from: Setup = drawnSetup(diagram),
): Stand | undefined =>
  runWhole(diagram, steps, faults, from)
    .courses.at(-1)
    ?.stands.findLast((each) => each.at <= second);

/** A unit that things are done with, one step after the other; it remembers how it stands. */
export class Unit {
  private readonly machine: Machine;

  constructor(
    private readonly diagram: Diagram,
    private readonly faults: readonly Fault[] = [],
    from: Setup = drawnSetup(diagram),
    private readonly solver = new Solver(diagram, faults),
  ) {
    this.machine = atRest(poweredSetup(from), faults);
  }

  do(step: Step): { result: StepResult; course: Course } {
    const { diagram, machine, faults, solver } = this;
    const stands: Stand[] = [];
    const result = runStep(diagram, machine, faults, solver, step, stands);
    const loads = result.moments.at(-1)?.loads ?? {};
    stands.push({ at: result.seconds, machine: standing(machine), loads });
    return {
      result,
      course: { stands, settled: result.end === 'settled', seconds: result.seconds },
    };
  }
}

function runStep(
  diagram: Diagram,
  machine: Machine,
  faults: readonly Fault[],
  solver: Solver,
  step: Step,
  stands: Stand[],
): StepResult {
  perform(machine, step);
  const clocks: Clocks = { held: new Map(), now: 0 };
  const cycle = new Cycle(diagram);
  const moments: Moment[] = [];
  const longest = step.lasts ?? LONGEST;
  let end: StepResult['end'] = 'over';
  let found: CycleFound | undefined;
  for (let events = 0; events < MOST_EVENTS; events++) {
    const solved = settle(diagram, machine, faults, solver, clocks);
    if (!solved) {
      end = 'chatters';
      break;
    }
    const moment = momentOf(diagram, machine, faults, solved, clocks.now);
    const last = moments.at(-1);
    const changed = !last || differs(last, moment);
    if (changed) moments.push(moment);
    // A quantity that has come to a set point stands there, though its switch may be stuck.
    if (changed || passed(stands.at(-1)?.machine, machine))
      stands.push({ at: clocks.now, machine: standing(machine), loads: moment.loads });
    found = cycle.see(moment);
    // A step that was given its time is watched for all of it, going round or not.
    if (found && step.lasts === undefined) {
      end = 'cycling';
      break;
    }
    const next = nextEvent(diagram, machine, solved, clocks, faults);
    if (next === undefined) {
      end = found ? 'cycling' : 'settled';
      clocks.now = step.lasts ?? clocks.now;
      break;
    }
    const until = Math.min(next.at, longest);
    driftTo(diagram, machine, solved, until - clocks.now);
    clocks.now = until;
    if (next.at > longest) break;
    next.happen();
  }
  const [start, ...rest] = moments;
  const nothing = { at: 0, loads: {}, switches: {}, quantities: {}, opened: [], boards: {} };
  return {
    step: step.text,
    moments: [start ?? nothing, ...rest],
    end,
    ...(found && end !== 'chatters' && { cycle: found }),
    seconds: clocks.now,
  };
}

function perform(machine: Machine, { does }: Step): void {
  switch (does.kind) {
    case 'move':
      return moveActuator(machine, does.actuator, does.position);
    case 'set':
      return moveActuator(machine, does.actuator, { value: does.value });
    case 'power':
      machine.setup = { ...machine.setup, power: does.on ? 'on' : 'off', except: [] };
      return;
    case 'reset':
      machine.positions.set(does.part, 'below');
  }
}

/**
 * Lets everything happen that happens at once.
 * @returns the circuit then; undefined when it never comes to rest (a relay that chatters)
 */
function settle(
  diagram: Diagram,
  machine: Machine,
  faults: readonly Fault[],
  solver: Solver,
  clocks: Clocks,
): Solved | undefined {
  for (let round = 0; round < AT_ONCE; round++) {
    const solved = solver.solve(machine);
    if (follow(diagram, machine, solved, faults)) continue;
    const next = nextEvent(diagram, machine, solved, clocks, faults);
    if (next && next.at <= clocks.now) {
      next.happen();
      continue;
    }
    return solved;
  }
  return undefined;
}

function momentOf(
  diagram: Diagram,
  machine: Machine,
  faults: readonly Fault[],
  solved: Solved,
  at: number,
): Moment {
  const all = [...faults, ...openedFaults(diagram, machine.opened)];
  const quantities: Record<string, number> = {};
  for (const actuator of diagram.actuators) {
    const state = machine.setup.actuators[actuator.id];
    if (typeof state === 'object') quantities[actuator.id] = state.value;
  }
  return {
    at,
    loads: Object.fromEntries(solved.doing),
    switches: Object.fromEntries(
      switches(diagram).map((part) => [
        part.id,
        truePosition(diagram, part, machine.setup, all, machine.positions) ?? 'between',
      ]),
    ),
    quantities,
    opened: [...machine.opened].sort(),
    boards: Object.fromEntries(machine.boards),
  };
}

const passed = (before: Machine | undefined, now: Machine): boolean =>
  [...now.positions].some(([id, at]) => before?.positions.get(id) !== at);

const differs = (one: Moment, two: Moment): boolean =>
  JSON.stringify({ ...one, at: 0, quantities: 0 }) !==
  JSON.stringify({ ...two, at: 0, quantities: 0 });
