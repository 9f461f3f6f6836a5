import { ohmReading } from '../circuit/ohmReading';
import { chanceFrom } from '../chance';
import { ampsOf } from '../circuit/currents';
import { NodalAnalysis } from '../circuit/nodalAnalysis';
import { circuitOf } from '../behaviour/machine';
import { run, standAfter } from '../behaviour/run';
import { alike, saidBeside, statementsOf } from '../behaviour/statement';
import { parseSteps } from '../behaviour/step';
import { voltsBetween } from '../circuit/voltReading';
import { drawnSetup, poweredSetup, type Setup } from '../diagram/setup';
import { pairKey, setupKey } from '../diagram/setupKey';
import type { Diagram } from '../diagram/diagram';
import { inBadMoment, type Fault } from '../fault/fault';
import { clampedLoad } from '../diagram/clampedLoad';
import { beyondUnder } from '../inference/quantity';
import { showOhms } from '../meter/meter';
import { testOf } from '../plan/minutes';
import type { WayOfWorking } from '../plan/wayOfWorking';
import type { UnitDiagnosis } from '../plan/unitDiagnosis';
import type { UnitTest } from '../plan/unitTests';
import { evidenceKey, type Evidence, type StatementEvidence } from '../call/evidence';
import type { UnitHypothesis } from '../inference/unitHypotheses';
import type { UnitPredictor } from '../inference/unitPredictor';
import type { UnitVerdict } from '../inference/beliefState';
import { HEALTHY, pointsTo } from '../inference/entryLikelihood';

/** How a simulated call went. */
export interface SimulatedCall {
  entries: Evidence[];
  verdict: UnitVerdict;
  minutes: number;
}

/** Tests after which a simulated technician gives up. */
const PATIENCE = 30;

/** How a simulated technician works. */
export interface TechnicianHabits {
  /** Even in [0, 1), seeded by the caller. */
  chance: () => number;
  /**
   * How often a reading is nothing of the kind; taken again in the same place it is so as often as
   * not, for the same wire may have been pulled again.
   */
  slips?: number;
  /** The unit as it really is, where the diagram that is worked by is not quite its own. */
  world?: Diagram;
  way?: WayOfWorking;
}

/** Follows the advice on a unit with a hidden truth until there is a verdict. */
export function workCall(
  diagnosis: UnitDiagnosis,
  truth: UnitHypothesis,
  complaint: StatementEvidence,
  working: TechnicianHabits,
): SimulatedCall {
  const { predictor } = diagnosis;
  let entries: Evidence[] = [complaint];
  const technician = new Technician(working.chance);
  let minutes = 0;
  for (let taken = 0; ; taken++) {
    const { verdict, tests, planner, secondLook } = diagnosis.of(entries, working.way);
    const costs = planner.minutes;
    const again = entries.find((each) => each.id === secondLook?.entry);
    const test = (again && testOf(again)) ?? tests[0]?.test;
    const over = !again && verdict.kind !== 'open';
    if (over || !test || taken >= PATIENCE) return { entries, verdict, minutes };
    minutes += costs.from(costs.afterAll(entries), costs.of(test));
    const entry = take(predictor, test, truth, `t${taken}`, working, technician);
    // What shows something else at the second look takes the place of the first.
    if (again && evidenceKey(entry) !== evidenceKey(again))
      entries = entries.filter((each) => each !== again);
    entries.push(entry);
  }
}

/** How often what was wrong with a reading is so again when it is repeated: from memory. */
const STICKS = 0.5;

/** What does not depend on when it is done: what a look finds, and where a hand goes wrong. */
export class Technician {
  private readonly salt: number;
  private readonly slipped = new Map<string, boolean>();
  constructor(chance: () => number) {
    this.salt = Math.floor(chance() * 2 ** 31);
  }
  /** Whether a reading in a place is nothing of the kind. */
  slips(place: string, often: number, chance: () => number): boolean {
    const before = this.slipped.get(place);
    const now = chance() < (before ? STICKS : often);
    this.slipped.set(place, now);
    return now;
  }

  /** A number in [0, 1) for each look, the same whenever it is looked. */
  finds(look: string): number {
    // In whole 32-bit steps: beyond what a double holds a long name would lose the salt, and always find the same.
    const seed = [...look].reduce(
      (sum, each) => (Math.imul(sum, 31) + each.charCodeAt(0)) | 0,
      this.salt,
    );
    return chanceFrom(seed)();
  }
}

/** What somebody finds by a test on a unit with something wrong in it. */
export function take(
  predictor: UnitPredictor,
  test: UnitTest,
  { causes, faults }: UnitHypothesis,
  id: string,
  { chance, slips = 0, world }: TechnicianHabits,
  technician: Technician,
): Evidence {
  const { diagram: model, meter } = predictor;
  const diagram = world ?? model;
  // What the diagram does not know stands as it is drawn.
  const really = (setup: Setup): Setup => ({
    ...setup,
    actuators: { ...drawnSetup(diagram).actuators, ...setup.actuators },
  });
  switch (test.kind) {
    case 'look': {
      const look = diagram.looks?.find((each) => each.id === test.look);
      const points = look && faults.some((fault) => pointsTo(look, fault));
      const share = look ? (points ? look.found.with : look.found.without) : 0;
      return { kind: 'look', id, look: test.look, found: technician.finds(test.look) < share };
    }
    case 'ask': {
      const { steps, subject } = test;
      // Of what comes and goes the customer tells the bad moments.
      const bad = causes.map((cause) => inBadMoment(cause) ?? cause);
      const parsed = parseSteps(diagram, steps);
      const results = parsed.ok ? run(diagram, parsed.value, bad, drawnSetup(diagram)) : [];
      const seen = statementsOf(diagram, results).findLast(
        (each) => each.subject === subject && each.step === results.length - 1,
      );
      const good = predictor.outcome(HEALTHY, steps, subject) ?? 'off';
      const does = saidBeside(diagram, subject, seen?.outcome ?? 'off', good);
      // A slip of memory: what did not work is told to have worked, and the other way round.
      const other = alike(does, good) ? 'off' : good;
      const outcome = chance() < slips ? other : does;
      return { kind: 'statement', id, source: 'told', steps, subject, outcome };
    }
    case 'try': {
      const { steps, subject, jumper } = test;
      const parsed = parseSteps(diagram, steps);
      const from = { ...drawnSetup(diagram), jumpers: jumper ? [jumper] : [] };
      const results = parsed.ok ? run(diagram, parsed.value, causes, from) : [];
      const seen = statementsOf(diagram, results).findLast(
        (each) => each.subject === subject && each.step === results.length - 1,
      );
      const good = predictor.outcome(HEALTHY, steps, subject, jumper);
      const outcome = saidBeside(diagram, subject, seen?.outcome ?? 'off', good);
      return {
        kind: 'statement',
        id,
        source: 'seen',
        steps,
        subject,
        outcome,
        ...(jumper && { jumper }),
      };
    }
    case 'measure': {
      const { actuator, steps } = test;
      const value = valueUnder(diagram, actuator, steps, causes, faults);
      const when = steps === undefined ? {} : { steps };
      return { kind: 'measurement', id, actuator, value, how: 'measured', ...when };
    }
    case 'volt': {
      const { from, to, steps } = test;
      const parsed = parseSteps(diagram, steps);
      const stand = parsed.ok ? standAfter(diagram, parsed.value, causes) : undefined;
      if (!stand) throw new Error(`${diagram.id}: "${steps}" cannot be read`);
      const answer = voltsBetween(circuitOf(diagram, stand.machine, faults), from, to);
      const volts = answer.kind === 'volts' ? answer.nominal : GHOST;
      const shows = { kind: 'volts', volts: chance() < slips ? GHOST : volts } as const;
      const setup = poweredSetup(drawnSetup(model));
      const taken = { meter };
      return {
        kind: 'reading',
        id,
        from,
        to,
        setup,
        steps,
        shows,
        taken,
        of: 'unit',
        wiggle: false,
      };
    }
    case 'ohm': {
      const { from, to, setup, wiggle } = test;
      const taken = { meter };
      const reading = { kind: 'reading', id, from, to, setup, taken, of: 'unit', wiggle } as const;
      const ohmsOf = (all: readonly Fault[]): number => {
        const answer = ohmReading(diagram, really(setup), from, to, all);
        if (answer.kind === 'unsure') return answer.low;
        return answer.kind === 'ohms' ? answer.nominal : Infinity;
      };
      const ohms = ohmsOf(faults);
      // Moved, an intermittent contact jumps where its opening would show.
      const open = faults.map((fault) => inBadMoment(fault) ?? fault);
      if (wiggle && ohmsOf(open) !== ohms) return { ...reading, shows: { kind: 'unsteady' } };
      const slipped = technician.slips(`${pairKey(from, to)} ${setupKey(setup)}`, slips, chance);
      const shown = slipped ? (ohms === Infinity ? 0.05 : Infinity) : ohms;
      return { ...reading, shows: showOhms(meter, shown) };
    }
  }
}

/** How far beyond its set point a quantity that is out of place lies, in tolerances: from memory. */
const BEYOND = 2;

/** What an instrument finds of a quantity, or a clamp of a load, in a unit with faults. */
export function valueUnder(
  diagram: Diagram,
  actuator: string,
  steps: string | undefined,
  causes: readonly Fault[],
  faults: readonly Fault[],
): number {
  if (clampedLoad(diagram, actuator)) return ampsUnder(diagram, actuator, steps, causes, faults);
  const beyond = beyondUnder(diagram, actuator, faults);
  if (beyond) {
    const { rising, falling } = beyond.points;
    return beyond.side === 'above'
      ? rising.at + BEYOND * rising.tolerance
      : falling.at - BEYOND * falling.tolerance;
  }
  const parsed = parseSteps(diagram, steps ?? '');
  const stand =
    parsed.ok && steps !== undefined ? standAfter(diagram, parsed.value, causes) : undefined;
  const state = (stand?.machine.setup ?? drawnSetup(diagram)).actuators[actuator];
  return typeof state === 'object' ? state.value : NaN;
}

/** What a clamp around a wire of a load shows in a unit with faults, in ampere. */
function ampsUnder(
  diagram: Diagram,
  load: string,
  steps: string | undefined,
  causes: readonly Fault[],
  faults: readonly Fault[],
): number {
  const parsed = parseSteps(diagram, steps ?? '');
  const stand = parsed.ok ? standAfter(diagram, parsed.value, causes) : undefined;
  if (!stand) throw new Error(`${diagram.id}: "${steps ?? ''}" cannot be read`);
  const network = circuitOf(diagram, stand.machine, faults);
  return ampsOf(network, new NodalAnalysis(network, (edge) => edge.nominal), load);
}

/** Volts that a meter may show of a point that floats. */
const GHOST = 7;
