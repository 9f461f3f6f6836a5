import type { NewCallDto } from '../contract/call';
import type { Decision, Found } from '../core/call/decision';
import type { Depth } from '../core/plan/proof';

/** A call of the demo shop, and how far it has come. */
export interface DemoCall {
  appliance: Omit<NewCallDto['appliance'], 'id'>;
  diagramId: string;
  complaint: string;
  hoursAgo: number;
  /** What the words of the complaint are in the unit's own: seen with what is really wrong, and not without. */
  told?: { steps: string; subject: string; outcome: string };
  /** What is really wrong, written as for `--fault`; empty for nothing. */
  truth: string[];
  /** Switches read so far, in order, each for so many readings at most. */
  work: { part: string; depth: Depth; readings: number }[];
  /** What was taken over from the verdict, and decided with the customer. */
  found?: Found;
  decision?: Decision;
  done: boolean;
}
