import { readValue, type Below } from './statement';

export type Fields = Record<string, unknown>;
/** Takes what is wrong, by its line. */
export type Refuse = (line: number, message: string) => void;

/** Lines below that have no form of their own: a field each. */
export function fieldsOf(below: readonly Below[], refuse: Refuse): Fields {
  const fields: Fields = {};
  for (const { key, of, value, line } of below) {
    if (key === 'id' || key === 'name') refuse(line, `"${key}" stands in the line above`);
    else if (of.length) refuse(line, `"${key}" says nothing of "${of.join(' ')}"`);
    else if (Object.hasOwn(fields, key)) refuse(line, `"${key}" is said twice`);
    // A name that objects have of their own would be lost without a word.
    else if (key === '__proto__') refuse(line, '"__proto__" is not known here');
    else fields[key] = readValue(value);
  }
  return fields;
}

/** Lines with a form of their own, and the others as fields. */
export function apart(below: readonly Below[], own: readonly string[], refuse: Refuse) {
  const isOwn = ({ key }: Below): boolean => own.includes(key);
  return {
    own: below.filter(isOwn),
    fields: fieldsOf(
      below.filter((each) => !isOwn(each)),
      refuse,
    ),
  };
}

/** A number as it is written. */
export const NUMBER = String.raw`(-?[\d.]+(?:e[+-]?\d+)?)`;

/** A number with its unit. */
export function measureIn(text: string, unit: string): number | undefined {
  const found = new RegExp(`^${NUMBER}\\s*${unit}$`).exec(text);
  return found ? Number(found[1]) : undefined;
}

/** Ids with blanks between them. */
export const idsIn = (text: string): string[] => text.trim().split(/\s+/).filter(Boolean);
