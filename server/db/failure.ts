/** The database cannot be asked now; the same again may be answered later. */
export class DatabaseAway extends Error {}

/**
 * Why a query failed, as far as it changes what is answered: the database is away or busy, its disk is
 * full, or it could not store what was sent. Undefined for everything else, which is a mistake of ours.
 */
export type DatabaseFailure = 'away' | 'full' | 'input';

/** SQLSTATE classes and codes (PostgreSQL manual, appendix A). */
const AWAY = /^(08|57P|53[023])|^(57014|25P03|55P03|40P01|40001)$/;
const FULL = /^(53100)$/;
/** Data exceptions and integrity violations: text or numbers that no column takes. */
const INPUT = /^(22|23)/;
/** What the driver says when no answer came, or no connection. */
const SAID =
  /timeout|terminated|Connection ended|not queryable|ECONNREFUSED|ECONNRESET|EPIPE|ENOENT/i;

export function failureOf(error: unknown): DatabaseFailure | undefined {
  if (error instanceof DatabaseAway) return 'away';
  // Not by its class: what the system and the driver throw may come from another realm.
  if (typeof error !== 'object' || error === null || !('message' in error)) return undefined;
  const code = 'code' in error && typeof error.code === 'string' ? error.code : '';
  if (FULL.test(code)) return 'full';
  if (AWAY.test(code) || /^E[A-Z]+$/.test(code)) return 'away';
  if (/^[0-9A-Z]{5}$/.test(code)) return INPUT.test(code) ? 'input' : undefined;
  return SAID.test(String(error.message)) ? 'away' : undefined;
}
