/**
 * What the first screen is drawn with before the browser's database is open: a copy of what that has, in the storage that can
 * be read at once. The database has the last word.
 */
type Guess = 'account' | 'theme';

export function guessed(what: Guess): string | undefined {
  try {
    return globalThis.localStorage?.getItem(`yarrix-${what}`) ?? undefined;
  } catch {
    // Not allowed here: the usual stands until the database is open.
    return undefined;
  }
}

export function guessNextTime(what: Guess, value: string): void {
  try {
    globalThis.localStorage?.setItem(`yarrix-${what}`, value);
  } catch {
    // The next start waits for the database.
  }
}
