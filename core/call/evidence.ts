import type { Outcome } from '../behaviour/statement';
import type { TerminalRef } from '../diagram/diagram';
import type { Setup } from '../diagram/setup';
import type { Display } from '../meter/display';

/** What the customer told, or the technician saw: in this step of a use, this does that. */
export interface StatementEvidence {
  kind: 'statement';
  id: string;
  source: 'told' | 'seen';
  /** Steps as they are written, the last being the one that is spoken of. */
  steps: string;
  subject: string;
  outcome: Outcome;
  /** A bridge that was clipped on for this try alone. */
  jumper?: [TerminalRef, TerminalRef];
}

/** An ohm or a volt reading, of this unit or of a good twin. */
export interface ReadingEvidence {
  kind: 'reading';
  id: string;
  from: TerminalRef;
  to: TerminalRef;
  setup: Setup;
  /** Of a live reading: what the unit had been brought to do, as steps. */
  steps?: string;
  /** Ohms with the power off; volts with it on. */
  shows: Display | { kind: 'volts'; volts: number };
  of: 'unit' | 'twin';
  wiggle: boolean;
}

/** A quick check without a meter; "looked, nothing" is evidence too. */
export interface LookEvidence {
  kind: 'look';
  id: string;
  look: string;
  found: boolean;
}

/** What may be done to a part that it is not replaced by. */
export const ACTS = ['tap', 'reset', 'clean', 'reseat', 'pull'] as const;

/** Something that may have changed the unit: what is read after it does not clear the part. */
export interface ActEvidence {
  kind: 'act';
  id: string;
  part: string;
  act: (typeof ACTS)[number];
}

/** One entry of what is known of a unit, in the order in which it came. */
export type Evidence = StatementEvidence | ReadingEvidence | LookEvidence | ActEvidence;
