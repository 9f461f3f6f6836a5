import type { Doing } from './machine';

/** What can be seen of a unit at a moment. */
export interface Moment {
  /** Seconds since the step began. */
  at: number;
  loads: Record<string, Doing>;
  /** Position that each switch is really in. */
  switches: Record<string, string>;
  quantities: Record<string, number>;
  /** Fuses, cut-offs, overloads and breakers that are open. */
  opened: string[];
  /** State of each board that is fed. */
  boards: Record<string, string>;
}
