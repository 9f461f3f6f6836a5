/** For whom a report is: the customer reads what was done and why, the trade also where the probes were. */
export const READERS = ['customer', 'trade'] as const;

/** How a report is printed. */
export interface PdfOptions {
  reader: (typeof READERS)[number];
  /** An IANA time zone, for dates as the customer writes them. */
  zone: string;
  currency: string;
  shop: string;
  photos: readonly { shows: string; jpeg: Uint8Array }[];
}
