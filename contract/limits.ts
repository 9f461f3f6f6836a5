/** Entries in one request. */
export const MOST_ENTRIES = 50;

/** Meters of a shop. */
export const MOST_METERS = 100;

/** Leads with more than this are bad, in ohm: from memory. */
export const MOST_LEAD_OHMS = 5;

/** A clock is held to what a unit does for a day at most. */
export const MOST_SECONDS = 86_400;

/** Bytes of a photo; the app scales them well below. */
export const MOST_PHOTO_BYTES = 600_000;
/** Pixels of any photo that is sent: more than any phone takes. */
export const MOST_PHOTO_PIXELS = 60e6;

/** Photos of a call. */
export const MOST_PHOTOS = 60;

/** Bytes of a photo out of which a table is read. */
export const MOST_TABLE_PHOTO_BYTES = 3_000_000;

/** Days that a report link may last. */
export const LINK_DAYS = { least: 1, usual: 14, most: 90 };

/** Links of one call that work at one time. */
export const MOST_LINKS = 20;
