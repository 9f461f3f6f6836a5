import type * as Readers from '../../contract/readers';

/** Brings the script that checks forms and tables: no screen needs it before something is handed in. */
export const bringReaders = (): Promise<typeof Readers> => import('../../contract/readers');

/** In place of what a form lacks, where that script has never come to this device. */
export const NOT_WHOLE =
  'This cannot be checked: a part of the app has not come to this device yet. Try again when the server is back.';
