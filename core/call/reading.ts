import type { TerminalRef } from '../diagram/diagram';
import type { Setup } from '../diagram/setup';
import type { Display } from '../meter/display';
import type { MeterUse } from '../meter/meter';

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

/** A reading of one switch as it was taken. */
export interface Reading extends ReadingPlace {
  id: string;
  display: Display;
  /** What it was taken with: it is judged with that and no other. */
  taken: MeterUse;
}

/** One reading of the proof of a switch, with what it has to show. */
export interface ProofStep extends ReadingPlace {
  /** Position of the switch while it is read. */
  position: string;
  shows: { kind: 'cell'; contact: string; state: 'closed' | 'open' } | { kind: 'never' };
}
