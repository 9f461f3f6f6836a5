/**
 * How a long list draws itself while it is scrolled: a few lines at a time and often, so that no frame waits for many, and no
 * more of them than a thumb reaches soon.
 */
export const LONG_LIST = {
  maxToRenderPerBatch: 2,
  updateCellsBatchingPeriod: 16,
  windowSize: 5,
} as const;
