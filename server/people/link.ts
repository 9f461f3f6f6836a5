import { createHash, randomBytes } from 'node:crypto';
import { isShop } from '../db/database';

/**
 * What somebody can do who has it: 32 random bytes, of which the database keeps a hash alone. The shop stands
 * before it, so that it is looked for among the rows of that shop and nowhere else.
 */
export interface Link {
  shop: string;
  token: Buffer;
}

const hashOf = (secret: string): Buffer => createHash('sha256').update(secret).digest();

/** A new one: its text to give away, and what is kept of it. */
export function newLink(shop: string): Link & { text: string } {
  const secret = randomBytes(32).toString('base64url');
  return { shop, token: hashOf(secret), text: `${shop}.${secret}` };
}

/** What is kept of a link; undefined for a text that is none. */
export function readLink(text: string): Link | undefined {
  const [shop = '', secret = '', ...more] = text.split('.');
  if (!isShop(shop) || !/^[\w-]{43}$/.test(secret) || more.length) return undefined;
  return { shop, token: hashOf(secret) };
}

/** A text with the secrets of links taken out: it goes into a log. */
export const withoutSecrets = (text: string): string => text.replace(/\.[\w-]{43}(?![\w-])/g, '.…');
