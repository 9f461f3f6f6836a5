/** On every answer of the API, so that a page in between (a hotel's sign-in) is not taken for it. */
export const MARK_HEADER = 'x-yarrix';
export const API_MARK = 'api';
/** The server's clock when it answered, milliseconds since 1970. */
export const AT_HEADER = 'x-yarrix-at';
/** The id of what is stored now, on the answer to a write. */
export const STORED_HEADER = 'x-yarrix-stored';
