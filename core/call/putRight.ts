/** What it was in the end: what was found, something else, nothing at all, or nobody knows yet. */
export const PUT_RIGHT_BY = ['found', 'other', 'nothing', 'not-known'] as const;

/** Said when a call is finished, or when one hears of it again: it counts for what the shop knows of such units. */
export interface PutRight {
  by: (typeof PUT_RIGHT_BY)[number];
  /** What it was, where it was something else. */
  part?: string;
  name?: string;
}
