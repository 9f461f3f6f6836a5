import type { Diagram } from '../diagram/diagram';
import type { Effect, EffectKind, OhmsRange } from './effect';
import type { FaultMode, SizedMode } from './mode';
import { CONDITION_MODES } from './modes/condition';
import { CONNECTION_MODES } from './modes/connection';
import { CONTACT_MODES } from './modes/contact';
import { LOAD_MODES } from './modes/load';
import { LOOP_MODES } from './modes/loop';
import { MOVEMENT_MODES } from './modes/movement';
import { RACE_MODES } from './modes/race';
import { SUPPLY_MODES } from './modes/supply';
import { WIRE_MODES } from './modes/wire';
import { loopSuspect, type Place, type Places } from './place';

/** Every fault mode; each is said once, in the file of what it sits on. */
export const MODES = {
  ...CONTACT_MODES,
  ...MOVEMENT_MODES,
  ...LOAD_MODES,
  ...SUPPLY_MODES,
  ...WIRE_MODES,
  ...CONNECTION_MODES,
  ...CONDITION_MODES,
  ...RACE_MODES,
  ...LOOP_MODES,
} as const;

type Modes = typeof MODES;
export type Mode = keyof Modes;
export const ALL_MODES = Object.keys(MODES) as Mode[];

type OnOf<M extends Mode> = Modes[M] extends FaultMode<infer P> ? P : never;
type OhmsOf<M extends Mode> =
  Modes[M] extends SizedMode<OnOf<M>> ? { ohms: OhmsRange } : { ohms?: undefined };

/** Something wrong with a unit: a mode, and where it sits. */
export type Fault = { [M in Mode]: { mode: M } & Places[OnOf<M>] & OhmsOf<M> }[Mode];

/** The entry of a mode, for who asks of any mode. */
export const modeOf = (id: Mode): FaultMode<Place> & Partial<SizedMode<Place>> =>
  // Each entry takes the places of its own mode: a fault brings the right ones.
  MODES[id] as FaultMode<Place>;

/** The mode that a text names, by its id or by the one it had before. */
export function findMode(text: string): Mode | undefined {
  return ALL_MODES.find((id) => id === text || modeOf(id).formerly === text);
}

/** What a fault does, of one kind; none where it does nothing of that kind. */
export function effectOf<K extends EffectKind>(
  fault: Fault,
  kind: K,
): Extract<Effect, { kind: K }> | undefined {
  for (const effect of modeOf(fault.mode).effects)
    if (effect.kind === kind) return effect as Extract<Effect, { kind: K }>;
  return undefined;
}

/** What comes and goes, as it is in a bad moment; undefined for what is there all the time. */
export function inBadMoment(fault: Fault): Fault | undefined {
  const id = modeOf(fault.mode).inBadMoment;
  const mode = id === undefined ? undefined : findMode(id);
  return mode && ({ ...fault, mode } as Fault);
}

/** Id of the part, wire, supply or quantity that would be replaced or put right. */
export const ownerOf = (fault: Fault): string =>
  'part' in fault
    ? fault.part
    : 'wire' in fault
      ? fault.wire
      : 'actuator' in fault
        ? fault.actuator
        : 'loop' in fault
          ? loopSuspect(fault.loop)
          : fault.supply;

/** Two faults with the same key are the same, whatever their ohms. */
export const kindOfFault = (fault: Fault): string => JSON.stringify({ ...fault, ohms: 0 });

/** Whether a fault keeps a motor from turning: its own, or of what it cannot start without. */
export const isHeld = (diagram: Diagram, fault: Fault, motor: string): boolean =>
  'part' in fault &&
  effectOf(fault, 'held') !== undefined &&
  (fault.part === motor ||
    diagram.parts.some(
      (each) => each.id === fault.part && each.kind === 'hardware' && each.serves.includes(motor),
    ));
