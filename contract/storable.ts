import type { InputFault } from './problem';

/** Objects and lists inside each other, at most: what is sent here never has more than eight. */
const DEEPEST = 32;

/** Names that every object has already: who reads them from what was sent reads something else. */
const OF_THE_LANGUAGE = new Set(Object.getOwnPropertyNames(Object.prototype));

/**
 * What no database, file or page could keep of a value that came as JSON: characters that are none
 * (NUL, half of a pair), a name that means something to the language, nesting without end. The first
 * that is found, with its place; undefined for a value that can be stored.
 */
export function unstorable(value: unknown, path = '', depth = 0): InputFault | undefined {
  if (typeof value === 'string') return wrongText(value, path);
  if (typeof value !== 'object' || value === null) return undefined;
  if (depth >= DEEPEST) return { path, message: `is nested more than ${DEEPEST} deep` };
  for (const [key, inner] of Object.entries(value)) {
    const place = `${path}/${key.replace(/~/g, '~0').replace(/\//g, '~1')}`;
    if (OF_THE_LANGUAGE.has(key)) return { path: place, message: 'is not known here' };
    const fault = wrongText(key, path) ?? unstorable(inner, place, depth + 1);
    if (fault) return fault;
  }
  return undefined;
}

function wrongText(text: string, path: string): InputFault | undefined {
  if (text.includes('\u0000')) return { path, message: 'has a NUL character, which is no text' };
  if (/\p{Surrogate}/u.test(text))
    return { path, message: 'has half of a character (a lone surrogate), which is no text' };
  return undefined;
}
