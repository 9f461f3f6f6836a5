import { randomBytes } from 'node:crypto';
import { Algorithm, hash, verify } from '@node-rs/argon2';
import { unusable, type RefusedRequest } from '../problems';

/** argon2id with the memory, passes and lanes of OWASP's Password Storage Cheat Sheet. */
const COST = { algorithm: Algorithm.Argon2id, memoryCost: 19_456, timeCost: 2, parallelism: 1 };

export const hashPassword = (password: string): Promise<string> => hash(password, COST);

/** Of nobody's password: who tries an address that is not there waits as long as for one that is. */
const nobodys = hashPassword(randomBytes(24).toString('hex'));

/** Whether a password is the one that was hashed; never for an account without one. */
export async function isPassword(
  hashed: string | null | undefined,
  tried: string,
): Promise<boolean> {
  const right = await verify(hashed ?? (await nobodys), tried);
  return Boolean(hashed) && right;
}

/** Below it a password is guessed within a hundred million tries, by zxcvbn (Wheeler 2016). */
const GOOD_ENOUGH = 3;

/**
 * The refusal of a password that would be guessed soon.
 * @param about what somebody who guesses knows as well: names, address
 */
export async function tooEasy(
  password: string,
  about: readonly string[],
  path = '/password',
): Promise<RefusedRequest | undefined> {
  // Its dictionaries are read by who sets a password, and not by every start.
  const { default: zxcvbn } = await import('zxcvbn');
  const { score, feedback } = zxcvbn(
    password,
    about.flatMap((each) => [each, ...each.split(/\W+/)]),
  );
  if (score >= GOOD_ENOUGH) return undefined;
  const why = feedback.warning ? `: ${feedback.warning.toLowerCase()}` : '';
  return unusable([
    { path, message: `is easily guessed${why}; four words that nobody says together are better` },
  ]);
}
