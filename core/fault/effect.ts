import type { CellState, Diagram, SwitchPart, TerminalRef } from '../diagram/diagram';
import type { Place, Places } from './place';

/** Ohms of a fault: what it typically has, and between which values. */
export interface OhmsRange {
  nominal: number;
  low: number;
  high: number;
}

/** How a contact makes: as sound metal, not at all, rightly either, or with some ohms. */
export type Makes = CellState | 'own-ohms' | { unsure: OhmsRange; because: string };

/**
 * What a mode does to its unit. The circuit and the behaviour know these few kinds of effect and none
 * of the modes: a new mode is said in terms of them.
 */
export type Effect<P extends Place = Place> =
  /** A contact makes otherwise than its cell says. */
  | { kind: 'contact'; makes: (cell: CellState, warm: boolean) => Makes }
  /** An element is open, a piece of metal, or has this share of its ohms. */
  | { kind: 'element'; leaves: 'open' | 'short' | OhmsRange }
  /** A protector is open. */
  | { kind: 'opens' }
  /** A switch stands in a position whatever its actuator does; undefined for one it does not concern. */
  | {
      kind: 'stands';
      position: (at: Places[P], part: SwitchPart, diagram: Diagram) => string | undefined;
    }
  /** It opens after all others that carry too much: a race that the other one wins. */
  | { kind: 'slow' }
  /** A motor, or one that the part serves, does not turn. */
  | { kind: 'held' }
  /** A board drives none of its outputs. */
  | { kind: 'no-drive' }
  /** A supply gives this share of its volts over so many times its inner ohms; none when dead. */
  | { kind: 'source'; volts: number; ohms: number }
  /** A wire does not conduct. */
  | { kind: 'wire-open' }
  /** The wires of a terminal are off it. */
  | { kind: 'wires-off' }
  /** The wires of a terminal are on it through the ohms of the fault. */
  | { kind: 'in-series' }
  /** A way with the ohms of the fault between two terminals that nothing else joins. */
  | {
      kind: 'bridge';
      between: (at: Places[P], diagram: Diagram) => [TerminalRef, TerminalRef] | undefined;
    };

export type EffectKind = Effect['kind'];
