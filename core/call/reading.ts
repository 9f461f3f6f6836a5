import type { TerminalRef } from '../diagram/diagram';
import type { Setup } from '../diagram/setup';
import type { Display } from '../meter/display';

/** Two points of one switch in one setup: what is asked for, before the probes touch. */
export interface ReadingPlace {
  part: string;
  from: TerminalRef;
  to: TerminalRef;
  setup: Setup;
  /** Wires, plug and lever are moved while the probes hold still. */
  wiggle: boolean;
  /** Taken after being asked to look at the setup again: no slip is believed of it any more. */
  lookedAgain: boolean;
}

/** A reading as it was taken. */
export interface Reading extends ReadingPlace {
  id: string;
  /** Range in use on a manual-range meter. */
  range?: string;
  display: Display;
}

export type ReadingClass =
  'closed' | 'resistive' | 'load' | 'leaking' | 'open' | 'short' | 'unsteady' | 'cannot-tell';
