import type * as Readers from '../../contract/readers';

/** Brings the script that checks forms and tables: no screen needs it before something is handed in. */
export const bringReaders = (): Promise<typeof Readers> => import('../../contract/readers');
