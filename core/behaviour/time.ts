import { cycling } from '../diagram/contactTable';
import type { BoardPart, Diagram, QuantityActuator, SwitchPart } from '../diagram/diagram';
import { switches } from '../diagram/terminal';
import { contactMakes, truePosition } from '../circuit/partEdges';
import type { Fault } from '../fault/fault';
import { moveActuator, type Machine, type Solved } from './machine';

export interface Clocks {
  /** Seconds since the step began. */
  now: number;
  /** Since when a condition has held, by its name. */
  held: Map<string, number>;
}

export interface Event {
  at: number;
  happen: () => void;
}

/** At this many times its rating a fuse or breaker opens at once, above the lower one in a while. */
const AT_ONCE = 5;
const IN_A_WHILE = 1.25;
/** Seconds, from memory: a slow fuse or breaker; an overload to open and to cool. */
const SLOW_SECONDS = 30;
const OVERLOAD_SECONDS = 5;
const COOLING_SECONDS = 60;

/** The next thing that happens by itself: a board moves on, a protector opens, a quantity arrives. */
export function nextEvent(
  diagram: Diagram,
  machine: Machine,
  solved: Solved,
  clocks: Clocks,
  faults: readonly Fault[],
): Event | undefined {
  const events: Event[] = [];
  const holding = new Set<string>();
  /** Something that happens once a condition has held for a time. */
  const after = (name: string, seconds: number, happen: () => void): void => {
    holding.add(name);
    const since = clocks.held.get(name) ?? clocks.now;
    clocks.held.set(name, since);
    events.push({ at: since + seconds, happen });
  };
  // On a short the fuse is faster than a board that is starved by it.
  protectorEvents(diagram, machine, solved, after);
  for (const part of diagram.parts) {
    if (part.kind === 'board') boardEvents(part, machine, solved, after);
  }
  for (const part of switches(diagram)) cyclerEvents(diagram, part, machine, faults, after);
  for (const actuator of diagram.actuators) {
    if (actuator.kind !== 'quantity') continue;
    const seconds = arrival(diagram, machine, solved, actuator);
    if (seconds !== undefined) {
      const { at, value } = seconds;
      events.push({
        at: clocks.now + at,
        happen: () => moveActuator(machine, actuator.id, { value }),
      });
    }
    cutOffs(diagram, machine, actuator, (id) =>
      events.push({ at: clocks.now, happen: () => machine.opened.add(id) }),
    );
  }
  for (const name of [...clocks.held.keys()]) if (!holding.has(name)) clocks.held.delete(name);
  return events.reduce<Event | undefined>(
    (first, each) => (first && first.at <= each.at ? first : each),
    undefined,
  );
}

type After = (name: string, seconds: number, happen: () => void) => void;

function boardEvents(part: BoardPart, machine: Machine, solved: Solved, after: After): void {
  const { logic } = part;
  if (!logic) return;
  const fed = solved.inputs.get(`${part.id}.${logic.power}`) === 'fed';
  const id = machine.boards.get(part.id);
  if (!fed) {
    if (id !== undefined) after(`${part.id} dies`, 0, () => machine.boards.delete(part.id));
    return;
  }
  if (id === undefined) {
    after(`${part.id} wakes`, 0, () => machine.boards.set(part.id, logic.states[0].id));
    return;
  }
  const state = logic.states.find((each) => each.id === id);
  state?.next.forEach((way, i) => {
    const holds = Object.entries(way.when).every(([name, wanted]) => {
      const input = solved.inputs.get(`${part.id}.${name}`);
      return (input ?? machine.setup.actuators[name]) === wanted;
    });
    if (holds)
      after(`${part.id} ${id} ${i}`, way.after ?? 0, () => machine.boards.set(part.id, way.to));
  });
}

/** Contacts that cycle begin closed when they are switched on. */
function cyclerEvents(
  diagram: Diagram,
  part: SwitchPart,
  machine: Machine,
  faults: readonly Fault[],
  after: After,
): void {
  const at = truePosition(diagram, part, machine.setup, faults, machine.positions);
  const cycles = cycling(part, at);
  if (!cycles) return;
  const paused = machine.paused.has(part.id);
  const now =
    machine.setup.power === 'on' &&
    part.contacts.some(
      (each) => contactMakes(diagram, part, each, at, faults, true).makes === 'either',
    );
  if (!now) {
    machine.paused.delete(part.id);
    return;
  }
  after(`${part.id} ${at} ${paused}`, paused ? cycles.open : cycles.closed, () => {
    if (paused) machine.paused.delete(part.id);
    else machine.paused.add(part.id);
  });
}

/**
 * Of all that carry too much only the most loaded opens, one that is slow after all others; then the rest is
 * looked at again.
 */
function protectorEvents(diagram: Diagram, machine: Machine, solved: Solved, after: After): void {
  let worst: { id: string; times: number; slow: boolean } | undefined;
  const look = (id: string, rating: number | undefined, overload: boolean): void => {
    if (rating === undefined || machine.opened.has(id)) return;
    const times = (solved.amps.get(id) ?? 0) / rating;
    if (overload) {
      if (times > 1) after(`${id} heats`, OVERLOAD_SECONDS, () => machine.opened.add(id));
    } else if (times > AT_ONCE) {
      const slow = machine.slow.has(id);
      if (!worst || (slow === worst.slow ? times > worst.times : worst.slow))
        worst = { id, times, slow };
    } else if (times > IN_A_WHILE) {
      after(`${id} heats`, SLOW_SECONDS, () => machine.opened.add(id));
    }
  };
  for (const part of diagram.parts) {
    if (part.kind !== 'protector') continue;
    const overload = part.protector === 'overload';
    look(part.id, part.amps, overload);
    if (overload && machine.opened.has(part.id))
      after(`${part.id} cools`, COOLING_SECONDS, () => machine.opened.delete(part.id));
  }
  for (const supply of diagram.supplies) look(supply.id, supply.amps, false);
  if (worst) {
    const { id } = worst;
    after(`${id} opens`, 0, () => machine.opened.add(id));
  }
}

function cutOffs(
  diagram: Diagram,
  machine: Machine,
  actuator: QuantityActuator,
  open: (id: string) => void,
): void {
  const state = machine.setup.actuators[actuator.id];
  if (typeof state !== 'object') return;
  for (const part of diagram.parts) {
    if (part.kind !== 'protector' || part.opensAt?.actuator !== actuator.id) continue;
    if (state.value >= part.opensAt.at && !machine.opened.has(part.id)) open(part.id);
  }
}

/** What was lit burns on by itself from this share of the way on: from memory. */
const STILL_BURNS = 0.25;
/** A load on too many volts drives no further than this much of its rated power would. */
const MOST_POWER = 1.2;

/** Where a quantity is going, and how fast: first order, as heat and draft roughly are. */
function goal(
  machine: Machine,
  solved: Solved,
  actuator: QuantityActuator,
  rest: number,
): { value: number; seconds: number } | undefined {
  const { driven } = actuator;
  if (!driven) return undefined;
  const state = machine.setup.actuators[actuator.id];
  const value = typeof state === 'object' ? state.value : rest;
  const { litBy } = driven;
  const lit =
    litBy === undefined ||
    share(solved, litBy, machine) > 0 ||
    (value - rest) / (driven.to - rest) >= STILL_BURNS;
  const power = lit ? share(solved, driven.by, machine) : 0;
  const held = driven.held && share(solved, driven.held.by, machine) > 0;
  const to = held && driven.held ? driven.held.to : driven.to;
  const own = (to - rest) * Math.min(MOST_POWER, power);
  const { alone } = driven;
  const other = alone
    ? ((held ? to : alone.to) - rest) * Math.min(MOST_POWER, share(solved, alone.by, machine))
    : 0;
  const further = Math.abs(other) > Math.abs(own) ? other : own;
  const { emptiedBy, stays } = driven;
  const emptied = emptiedBy !== undefined && share(solved, emptiedBy, machine) > 0;
  if ((emptiedBy !== undefined || stays) && further === 0 && !emptied) return undefined;
  return { value: rest + further, seconds: driven.seconds };
}

/** How far a load drives what it drives: by its power, a motor fully unless its volts are low, and then by these. */
function share(solved: Solved, load: string, machine: Machine): number {
  const power = solved.power.get(load) ?? 0;
  const doing = solved.doing.get(load);
  if (machine.turning.has(load)) return doing === 'weak' ? Math.sqrt(power) : 1;
  return doing === 'runs' || doing === 'weak' ? power : 0;
}

const restOf = (diagram: Diagram, id: string): number => {
  const drawn = diagram.drawnFor[id];
  return typeof drawn === 'number' ? drawn : 0;
};

/** The next set point that a quantity comes to, in seconds from now. */
function arrival(
  diagram: Diagram,
  machine: Machine,
  solved: Solved,
  actuator: QuantityActuator,
): { at: number; value: number } | undefined {
  const state = machine.setup.actuators[actuator.id];
  const aim = goal(machine, solved, actuator, restOf(diagram, actuator.id));
  if (typeof state !== 'object' || !aim) return undefined;
  const points = diagram.parts.flatMap((part) => {
    if (part.kind === 'switch' && part.actuator === actuator.id && part.setPoints) {
      // Only the set point that would move it from where it is.
      const above = machine.positions.get(part.id) === 'above';
      return above ? [part.setPoints.falling.at] : [part.setPoints.rising.at];
    }
    return part.kind === 'protector' && part.opensAt?.actuator === actuator.id
      ? machine.opened.has(part.id)
        ? []
        : [part.opensAt.at]
      : [];
  });
  const rising = aim.value > state.value;
  const ahead = points.filter((point) =>
    rising ? point > state.value && point < aim.value : point < state.value && point > aim.value,
  );
  if (!ahead.length) return undefined;
  const value = rising ? Math.min(...ahead) : Math.max(...ahead);
  // v(t) = aim + (v0 - aim) exp(-t / tau)
  const at = aim.seconds * Math.log((state.value - aim.value) / (value - aim.value));
  return { at, value };
}

/** Lets all driven quantities drift for some seconds. */
export function driftTo(diagram: Diagram, machine: Machine, solved: Solved, seconds: number): void {
  for (const actuator of diagram.actuators) {
    if (actuator.kind !== 'quantity') continue;
    const state = machine.setup.actuators[actuator.id];
    const aim = goal(machine, solved, actuator, restOf(diagram, actuator.id));
    if (typeof state !== 'object' || !aim) continue;
    const value = aim.value + (state.value - aim.value) * Math.exp(-seconds / aim.seconds);
    moveActuator(machine, actuator.id, { value });
  }
}
