import type { BoardInput, BoardPart, Diagram, LoadPart } from '../diagram/diagram';
import { switches, terminalRef } from '../diagram/terminal';
import type { Setup } from '../diagram/setup';
import { effectOf, isHeld, ownerOf, type Fault } from '../fault/fault';
import { effectiveResistance } from '../circuit/effectiveResistance';
import { ratedVolts } from '../circuit/ohms';
import { buildNetwork, type Network } from '../circuit/network';
import { nodeOf } from '../circuit/nodes';
import type { Edge } from '../circuit/ownEdges';
import { NodalAnalysis } from '../circuit/nodalAnalysis';

/** What a load does at a moment. A motor that is fed and does not turn hums. */
export type Doing = 'runs' | 'weak' | 'hums' | 'off';

/** Everything of a unit that a moment leaves to the next. */
export interface Machine {
  setup: Setup;
  /** Motors that turn, and coils that have pulled in. */
  turning: Set<string>;
  /** Motors that are fed and do not turn, and so take far more. */
  stalled: Set<string>;
  /** Fuses, cut-offs, overloads and breakers that have opened. */
  opened: Set<string>;
  /** Fuses and breakers that open after all others. */
  slow: ReadonlySet<string>;
  /** Position of each switch that a quantity moves: inside its dead band it stays where it was. */
  positions: Map<string, string>;
  /** State of each board; none while it is not fed. */
  boards: Map<string, string>;
  /** Switches whose cycling contacts stand open. */
  paused: Set<string>;
}

/** The circuit as it is at a moment, solved. */
export interface Solved {
  doing: Map<string, Doing>;
  /** Share of its rated power that each load takes. */
  power: Map<string, number>;
  /** Ampere through each protector and out of each supply. */
  amps: Map<string, number>;
  /** Inputs of boards, written `board.input`: fed or dead, closed or open. */
  inputs: Map<string, string>;
}

/**
 * A load works from this share of its volts on, and does so weakly from the lower one; a coil that has pulled
 * in holds down to its own. From memory.
 */
const RUNS_FROM = 0.75;
const WEAK_FROM = 0.3;
const HOLDS_FROM = 0.5;
/** A start winding turns the rotor from this share of its volts on: from memory. */
const STARTS_FROM = 0.5;
/** A board that senses a contact takes less than this for closed: from memory. */
const SENSES_UP_TO = 1_000;
const FED_FROM_VOLTS = 5;

/** Faults that what has opened amounts to. */
export function openedFaults(diagram: Diagram, opened: ReadonlySet<string>): Fault[] {
  return [...opened].map((id): Fault =>
    diagram.supplies.some((each) => each.id === id)
      ? { mode: 'dead', supply: id }
      : { mode: 'blown', part: id },
  );
}

/**
 * Solves the circuits of one unit with its faults, each state of it once: a unit that cycles comes
 * back to the same few.
 */
export class Solver {
  private readonly known = new Map<string, Solved>();

  constructor(
    private readonly diagram: Diagram,
    private readonly faults: readonly Fault[],
  ) {}

  solve(machine: Machine): Solved {
    const { setup, turning, stalled, opened, positions, paused } = machine;
    // A quantity acts through the positions of its switches alone.
    const moved = Object.values(setup.actuators).filter((state) => typeof state === 'string');
    const key = [setup.power, ...moved, '|', ...turning, '|', ...stalled, '|', ...opened, '|']
      .concat(
        [...positions].map(([id, at]) => `${id}${at}`),
        '|',
        ...paused,
      )
      .join(' ');
    const solved = this.known.get(key) ?? solve(this.diagram, machine, this.faults);
    this.known.set(key, solved);
    return solved;
  }
}

/** A unit that stands in a setup and has done nothing yet. */
export const atRest = (setup: Setup, faults: readonly Fault[] = []): Machine => ({
  setup,
  slow: new Set(faults.filter((each) => effectOf(each, 'slow')).map(ownerOf)),
  turning: new Set(),
  stalled: new Set(),
  opened: new Set(),
  positions: new Map(),
  boards: new Map(),
  paused: new Set(),
});

/** A machine as it stands, which goes on without it. */
export const standing = (machine: Machine): Machine => ({
  setup: machine.setup,
  turning: new Set(machine.turning),
  stalled: new Set(machine.stalled),
  opened: new Set(machine.opened),
  slow: machine.slow,
  positions: new Map(machine.positions),
  boards: new Map(machine.boards),
  paused: new Set(machine.paused),
});

/** The network of a unit that works, with what has opened in it. */
export function circuitOf(diagram: Diagram, machine: Machine, faults: readonly Fault[]): Network {
  const all = [...faults, ...openedFaults(diagram, machine.opened)];
  const { stalled, positions, paused } = machine;
  const working = { warm: true, stalled, positions, paused };
  return buildNetwork(diagram, machine.setup, all, working);
}

/** Solves the circuit of a machine: which loads run, what flows, what the boards see. */
function solve(diagram: Diagram, machine: Machine, faults: readonly Fault[]): Solved {
  const network = circuitOf(diagram, machine, faults);
  // A contact that may be either is followed closed: that it cycles is said of its loads elsewhere.
  const ohms = (edge: Edge): number | null =>
    edge.nominal ?? (edge.kind === 'contact' ? edge.low : null);
  const potentials = new NodalAnalysis(network, ohms);
  const volts = (part: string, a: string, b: string): number => {
    const [x, y] = [
      nodeOf(network.nodes, terminalRef(part, a)),
      nodeOf(network.nodes, terminalRef(part, b)),
    ];
    if (potentials.islandOf[x] !== potentials.islandOf[y]) return 0;
    const { ac, dc } = potentials;
    const over = (values: Float64Array): number => (values[x] ?? 0) - (values[y] ?? 0);
    return Math.hypot(over(ac.re), over(ac.im), over(dc.re));
  };
  const solved: Solved = { doing: new Map(), power: new Map(), amps: new Map(), inputs: new Map() };
  for (const part of diagram.parts) {
    if (part.kind === 'load') loadAt(diagram, part, machine, faults, network, volts, solved);
    if (part.kind === 'board') inputsAt(part, network, volts, ohms, solved);
  }
  withoutTheirOther(diagram, machine, solved);
  network.edges.forEach((edge, i) => {
    if (edge.kind !== 'protector' && edge.kind !== 'source') return;
    const amps = (['ac', 'dc'] as const).reduce((sum, kind) => {
      const { re, im } = potentials.current(i, kind);
      return sum + Math.hypot(re, im);
    }, 0);
    solved.amps.set(edge.owner, Math.max(amps, solved.amps.get(edge.owner) ?? 0));
  });
  return solved;
}

function loadAt(
  diagram: Diagram,
  part: LoadPart,
  machine: Machine,
  faults: readonly Fault[],
  network: Network,
  volts: (part: string, a: string, b: string) => number,
  solved: Solved,
): void {
  let most = 0;
  let start = 0;
  for (const element of part.elements) {
    const rated = ratedVolts(element);
    const whole = network.edges.some((edge) => edge.owner === part.id && edge.key === element.id);
    if (!rated || !whole || element.id === part.windings?.secondary) continue;
    const share = volts(part.id, ...element.between) / rated;
    if (element.id === part.startsWith) start = share;
    else most = Math.max(most, share);
  }
  const turns = machine.turning.has(part.id);
  const { startsFrom = RUNS_FROM } = part;
  const { holdsFrom = Math.min(HOLDS_FROM, startsFrom) } = part;
  const runsFrom = part.load !== 'coil' ? RUNS_FROM : turns ? holdsFrom : startsFrom;
  const fed: Doing = most >= runsFrom ? 'runs' : most >= WEAK_FROM ? 'weak' : 'off';
  const motor = part.load === 'motor';
  const seized = faults.some((each) => isHeld(diagram, each, part.id));
  const starts =
    most >= startsFrom &&
    (part.startsWith === undefined || start >= STARTS_FROM) &&
    !machine.stalled.has(part.id);
  const stands = motor && fed !== 'off' && (seized || (!turns && !starts));
  // A coil that holds what another winding of it pulls in does nothing by itself.
  const holdsNothing =
    part.load === 'coil' && part.startsWith !== undefined && !turns && start < STARTS_FROM;
  solved.doing.set(part.id, stands ? 'hums' : holdsNothing ? 'off' : fed);
  solved.power.set(part.id, stands ? 0 : most * most);
}

/** What a board makes of the ohms between two of its terminals. */
function sensed({ range }: BoardInput, ohms: number): string {
  if (!range) return ohms <= SENSES_UP_TO ? 'closed' : 'open';
  return ohms < range.low ? 'low' : ohms > range.high ? 'high' : 'good';
}

/** Loads that work only beside something else do nothing without it, whatever they are fed. */
function withoutTheirOther(diagram: Diagram, machine: Machine, solved: Solved): void {
  for (const part of diagram.parts) {
    if (part.kind !== 'load' || !part.onlyWith) continue;
    const so = Object.entries(part.onlyWith).every(
      ([id, wanted]) => (solved.doing.get(id) ?? machine.setup.actuators[id]) === wanted,
    );
    if (so) continue;
    solved.doing.set(part.id, 'off');
    solved.power.set(part.id, 0);
  }
}

function inputsAt(
  part: BoardPart,
  network: Network,
  volts: (part: string, a: string, b: string) => number,
  ohms: (edge: Edge) => number | null,
  solved: Solved,
): void {
  for (const input of part.inputs) {
    const key = `${part.id}.${input.id}`;
    if (input.senses) {
      const outside = network.edges.flatMap((edge) => {
        const value = ohms(edge);
        const own = edge.owner === part.id && edge.key === input.id;
        return own || value === null ? [] : [{ a: edge.a, b: edge.b, ohms: value }];
      });
      const [a, b] = input.between.map((each) => nodeOf(network.nodes, terminalRef(part.id, each)));
      const seen = effectiveResistance(outside, a ?? 0, b ?? 0);
      solved.inputs.set(key, sensed(input, seen));
    } else {
      const fed = volts(part.id, ...input.between) >= (input.fedFrom ?? FED_FROM_VOLTS);
      solved.inputs.set(key, fed ? 'fed' : 'dead');
    }
  }
}

/**
 * What follows at once from the circuit: motors start or stop, coils pull in, driven actuators move, and so do
 * switches whose quantity stands beyond a set point.
 * @returns whether anything changed
 */
export function follow(
  diagram: Diagram,
  machine: Machine,
  solved: Solved,
  faults: readonly Fault[],
): boolean {
  let changed = false;
  for (const part of diagram.parts) {
    if (part.kind !== 'load') continue;
    const doing = solved.doing.get(part.id);
    if (part.load === 'coil') changed = put(machine.turning, part.id, doing === 'runs') || changed;
    if (part.load !== 'motor') continue;
    changed = put(machine.turning, part.id, doing === 'runs' || doing === 'weak') || changed;
    changed = put(machine.stalled, part.id, doing === 'hums') || changed;
  }
  for (const actuator of diagram.actuators) {
    if (actuator.kind !== 'driven') continue;
    const to = isDriven(diagram, machine, solved, faults, actuator.id, actuator.by)
      ? actuator.running
      : actuator.rest;
    if (machine.setup.actuators[actuator.id] === to) continue;
    moveActuator(machine, actuator.id, to);
    changed = true;
  }
  for (const part of switches(diagram)) {
    const state = machine.setup.actuators[part.actuator];
    if (typeof state !== 'object' || !part.setPoints) continue;
    const now = machine.positions.get(part.id) ?? 'below';
    const { rising, falling } = part.setPoints;
    const to =
      state.value >= rising.at ? 'above' : state.value <= falling.at && !part.reset ? 'below' : now;
    if (to === now) continue;
    machine.positions.set(part.id, to);
    changed = true;
  }
  return changed;
}

const hasNoDrive = (faults: readonly Fault[], part: string): boolean =>
  faults.some((each) => 'part' in each && each.part === part && effectOf(each, 'no-drive'));

/** Puts something into a set or takes it out; says whether that changed it. */
function put(set: Set<string>, id: string, inside: boolean): boolean {
  if (set.has(id) === inside) return false;
  if (inside) set.add(id);
  else set.delete(id);
  return true;
}

function isDriven(
  diagram: Diagram,
  machine: Machine,
  solved: Solved,
  faults: readonly Fault[],
  actuator: string,
  by: string,
): boolean {
  const board = diagram.parts.find((each) => each.id === by);
  if (board?.kind !== 'board') {
    return board?.kind === 'load' && board.load === 'motor'
      ? machine.turning.has(by)
      : solved.doing.get(by) === 'runs';
  }
  if (hasNoDrive(faults, by)) return false;
  const state = board.logic?.states.find((each) => each.id === machine.boards.get(by));
  return state?.drives.includes(actuator) ?? false;
}

export function moveActuator(machine: Machine, id: string, to: Setup['actuators'][string]): void {
  machine.setup = {
    ...machine.setup,
    actuators: { ...machine.setup.actuators, [id]: to },
  };
}
