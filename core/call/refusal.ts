/** Why a test is not done on this visit. */
export const REASONS = [
  'cannot-reach',
  'no-tool',
  'no-helper',
  'no-clips',
  'not-live',
  'no-time',
  'no-terminal',
  'already-known',
  'nobody-knows',
] as const;
export type Reason = (typeof REASONS)[number];

/** Tests that are not done on this visit, and are not planned for as long as that stands. */
export interface Refusal {
  why: Reason;
  /**
   * What cannot be had: panels that nobody gets behind or has no tool for, a tool that is not in the bag, a terminal
   * that is not there, or the keys of tests alone. Empty where the reason says it all: no helper, no clips, not live.
   */
  of: string[];
}
