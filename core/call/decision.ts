import type { Mode } from '../fault/fault';

/** Who says what was found: the work screen, the proof of a switch, or the technician. */
export const FOUND_BY = ['unit', 'switch', 'person'] as const;

/** What was found to be wrong, taken over from a verdict or said by the technician. */
export interface Found {
  /** Part, supply, wire or quantity; none where nothing is wrong in this unit. */
  part?: string;
  /** What it is called, for lists that have no diagram at hand. */
  name?: string;
  mode?: Mode;
  /** As it was said: "stuck open (COM-NO)". */
  says: string;
  /** How probable it was, 0 to 1. */
  chance: number;
  by: (typeof FOUND_BY)[number];
}

/** What can be done about what was found. */
export const OPTIONS = [
  'reset',
  'clean',
  'adjust',
  'reconnect',
  'replace',
  'companions',
  'assembly',
  'exchange',
  'salvaged',
  'hand-over',
  'not-worth',
  'nothing',
] as const;
export type OptionKind = (typeof OPTIONS)[number];

/** What was decided, with the figures that it was decided by. */
export interface Decision {
  /** What was found; none where nothing is wrong in this unit. */
  part?: string;
  option: OptionKind;
  /** Parts that are changed along with it. */
  along: string[];
  /** In the shop's own money. */
  partPrice?: number;
  minutes?: number;
  leadDays?: number;
  /** Chance that it comes back within the horizon of the shop, 0 to 1. */
  comesBack?: number;
  expected?: { customer: number; shop: number };
  /** What the customer chose, in the customer's words. */
  choice?: string;
  /** What was offered and declined, in words. */
  declined: string[];
}
