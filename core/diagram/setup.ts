import type { Diagram, Supply, SupplyKind, SwitchPart, TerminalRef, WireEnd } from './diagram';
import { findTerminal, FREE, unknownName, wiresAt, type UnknownName } from './terminal';
import { fail, ok, type Result } from '../result';

/** A quantity with its side of the dead band, which decides between the two set points. */
export interface QuantityState {
  value: number;
  cameFrom?: 'below' | 'above';
}

/** Everything that must be true while a reading is taken. */
export interface Setup {
  power: 'off' | 'on' | 'unknown';
  /**
   * Supplies that are not as `power` says: with power off one that feeds all the same (a lit pilot,
   * 24 V from elsewhere), with power on one that does not.
   */
  except: string[];
  /** Position of every actuator; a quantity has its value. */
  actuators: Record<string, string | QuantityState>;
  /** Switches moved by a finger, off their actuator, with the position they are held in. */
  byHand: Record<string, string>;
  /** Terminals whose wires are pulled off. */
  lifted: TerminalRef[];
  /** Parts on the bench: no wires at all. */
  partsOut: string[];
  /** Bridges that somebody has clipped on. */
  jumpers: [TerminalRef, TerminalRef][];
}

/** Supplies that pulling the plug does not make dead: their pilot burns on. */
const BURNS_ON: readonly SupplyKind[] = ['thermopile', 'thermocouple'];

/** Whether a supply feeds the unit in a setup. Power that is not known counts as on. */
export const feeds = (setup: Setup, supply: Supply): boolean =>
  (setup.power !== 'off') !== setup.except.includes(supply.id);

/** The setup that the sheet is drawn for: plug pulled, all wires on, a pilot still burning. */
export function drawnSetup(diagram: Diagram): Setup {
  const actuators: Setup['actuators'] = {};
  for (const actuator of diagram.actuators) {
    const drawn = diagram.drawnFor[actuator.id];
    if (typeof drawn === 'number') actuators[actuator.id] = { value: drawn };
    else if (drawn !== undefined) actuators[actuator.id] = drawn;
  }
  const except = diagram.supplies
    .filter((supply) => BURNS_ON.includes(supply.kind))
    .map((supply) => supply.id);
  return { power: 'off', except, actuators, byHand: {}, lifted: [], partsOut: [], jumpers: [] };
}

/** Controls that a setup has elsewhere than another, with where it has them. */
export function movedFrom(from: Setup, to: Setup): Record<string, string> {
  const moved = Object.entries(to.actuators).filter(([id, at]) => from.actuators[id] !== at);
  return Object.fromEntries(
    moved.flatMap(([id, at]) => (typeof at === 'string' ? [[id, at]] : [])),
  );
}

/** Ids of the positions that a switch can be in, in the order its actuator passes them. */
export function positionsOf(diagram: Diagram, part: SwitchPart): string[] {
  const actuator = diagram.actuators.find((each) => each.id === part.actuator);
  if (!actuator || actuator.kind === 'quantity') return ['below', 'above'];
  return actuator.positions.map((position) => position.id);
}

/**
 * The position of a switch in a setup; undefined inside the dead band of a quantity switch when
 * nobody says from which side it came.
 */
export function switchPosition(setup: Setup, part: SwitchPart): string | undefined {
  const held = setup.byHand[part.id];
  if (held !== undefined) return held;
  const state = setup.actuators[part.actuator];
  if (typeof state !== 'object') return state;
  if (!part.setPoints) return state.cameFrom;
  if (state.value >= part.setPoints.rising.at) return 'above';
  if (state.value <= part.setPoints.falling.at) return 'below';
  return state.cameFrom;
}

/**
 * Moves one actuator, written `position`, or for a quantity `145`, `145:falling`, `145:rising`
 * (falling means that it came from above).
 */
export function setActuator(
  diagram: Diagram,
  setup: Setup,
  id: string,
  text: string,
): Result<Setup, UnknownName> {
  const actuator = diagram.actuators.find((each) => each.id === id);
  if (!actuator) {
    return fail(
      unknownName(
        'actuator',
        id,
        diagram.actuators.map((each) => each.id),
      ),
    );
  }
  if (actuator.kind === 'quantity') {
    const match = /^(-?\d+(?:\.\d+)?)(?::(rising|falling))?$/.exec(text.trim());
    if (!match) {
      return fail(unknownName('position', text, ['a number', 'number:rising', 'number:falling']));
    }
    const state: QuantityState = { value: Number(match[1]) };
    if (match[2]) state.cameFrom = match[2] === 'rising' ? 'below' : 'above';
    return ok({ ...setup, actuators: { ...setup.actuators, [id]: state } });
  }
  const known = actuator.positions.map((each) => each.id);
  if (!known.includes(text)) return fail(unknownName('position', `${id}=${text}`, known));
  return ok({ ...setup, actuators: { ...setup.actuators, [id]: text } });
}

/** The same setup plugged in, with every supply feeding. */
export const poweredSetup = (setup: Setup): Setup => ({ ...setup, power: 'on', except: [] });

/** The actuator state that puts a switch into a position: for a quantity, beyond the set point. */
export function actuatorStateFor(part: SwitchPart, position: string): string | QuantityState {
  if (!part.setPoints) return position;
  const { rising, falling } = part.setPoints;
  return position === 'above'
    ? { value: rising.at + rising.tolerance }
    : { value: falling.at - falling.tolerance };
}

/** Whether what is at a terminal is off it. */
export const isLifted = ({ lifted, partsOut }: Setup, ref: TerminalRef): boolean =>
  lifted.includes(ref) || partsOut.some((part) => ref.startsWith(`${part}.`));

/** Finds a point to read at: a terminal, or the free end of what a setup has pulled off one. */
export function findPoint(
  diagram: Diagram,
  setup: Setup,
  text: string,
): Result<TerminalRef, UnknownName> {
  if (!text.endsWith(FREE)) return findTerminal(diagram, text);
  const found = findTerminal(diagram, text.slice(0, -FREE.length));
  if (!found.ok) return found;
  const free = (message: string): Result<TerminalRef, UnknownName> =>
    fail({ kind: 'unknown-name', what: 'wire', name: text, message });
  if (wiresAt(diagram, found.value).length === 0) return free(`no wire is at ${found.value}`);
  if (!isLifted(setup, found.value))
    return free(`the wire at ${found.value} is on: lift it there, or read ${found.value} itself`);
  return ok(text as WireEnd);
}
