import type { CircuitClass, Diagram } from '../diagram/diagram';
import type { Effect, OhmsRange } from './effect';
import type { Place, Placed } from './place';

/** Ohms that a mode of unknown size is met with. */
export interface Sizes {
  /** Sizes that a circuit takes differently; a suspect is weighed with each. */
  typical: readonly OhmsRange[];
  /** Single values for going through all of them. */
  every: readonly number[];
  /** Where somebody writes the mode and not its ohms. */
  unsaid: OhmsRange;
}

/** What is done about it; "not a part" where a wire, an actuator or the house is to be put right. */
export interface Remedy {
  kind: 'replace' | 'reset-and-watch' | 'adjust' | 'clean' | 'reconnect' | 'outside';
  says: string;
}

/** Everything there is to say of a fault mode: adding a mode is adding one of these. */
export interface FaultMode<P extends Place> {
  on: P;
  says: string;
  /** Another id that it had in files and logs. */
  formerly?: string;
  where: (diagram: Diagram) => Placed<P>[];
  effects: readonly Effect<P>[];
  /** Of what comes and goes: the mode that it is in a bad moment, at the same place. */
  inBadMoment?: string;
  remedy: Remedy;
}

/** A mode that has ohms, by the class of the circuit that it sits in. */
export interface SizedMode<P extends Place> extends FaultMode<P> {
  sizes: (circuit: CircuitClass | undefined) => Sizes;
}

/** Checks an entry against its place, and keeps its exact type. */
export const mode = <P extends Place>(entry: FaultMode<P>): FaultMode<P> => entry;
export const sizedMode = <P extends Place>(entry: SizedMode<P>): SizedMode<P> => entry;

export const exactly = (ohms: number): OhmsRange => ({ nominal: ohms, low: ohms, high: ohms });

export const REPLACE: Remedy = {
  kind: 'replace',
  says: 'Replace it by a part of the same kind and rating.',
};
