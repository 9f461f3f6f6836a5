/** A call of the shop has changed on the server: somebody else may be looking at it. */
export interface Change {
  /** Empty where it is not known which ones: look again at all that is open. */
  call: string;
}

/** Names the page that writes, so that it is not told of what it wrote itself. */
export const PAGE_HEADER = 'x-yarrix-page';
