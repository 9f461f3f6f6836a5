import type { TextFault } from './pathLine';

/**
 * One statement of the line notation: `switch timer "Timer": by timer, free off`, with lines below that are set in and
 * say one thing each.
 */
export interface Statement {
  word: string;
  id: string;
  name: string;
  /** What stands behind the colon. */
  said: string;
  below: Below[];
  line: number;
}

/** One line below: `contact A-B: control, 6 A` has the key `contact`, of `A-B`. */
export interface Below {
  key: string;
  of: string[];
  value: string;
  line: number;
}

const HEAD = /^([a-z][a-z-]*)\s+([A-Za-z0-9_+-]{1,40})(?:\s+("(?:[^"\\]|\\.)*"))?\s*(?::\s*(.*))?$/;
const BELOW = /^\s+([A-Za-z][A-Za-z]*)((?:\s+[^\s:]+)*)\s*:(?:\s(.*))?$/;

/** What is said inside quotes is no arrow. */
const QUOTED = /"(?:[^"\\]|\\.)*"/g;

export interface Text {
  statements: Statement[];
  /** Lines of wires, with their numbers. */
  paths: { text: string; line: number }[];
  faults: TextFault[];
}

/** Takes a text apart. Empty lines and those that begin with # say nothing. */
export function takeApart(text: string, isPath: (line: string) => boolean): Text {
  const taken: Text = { statements: [], paths: [], faults: [] };
  text.split(/\r?\n/).forEach((raw, i) => {
    const line = i + 1;
    const trimmed = raw.trimEnd();
    if (!trimmed || trimmed.trimStart().startsWith('#')) return;
    const refuse = (message: string) => taken.faults.push({ line, column: 1, message });
    if (/^\s/.test(trimmed)) {
      const found = BELOW.exec(trimmed);
      const above = taken.statements.at(-1);
      if (!found) refuse('a line that is set in says one thing: "panel: rear"');
      else if (!above) refuse('this line is set in, and nothing stands above it');
      else {
        const [, key = '', of = '', value = ''] = found;
        above.below.push({ key, of: of.trim().split(/\s+/).filter(Boolean), value, line });
      }
      return;
    }
    if (isPath(trimmed.replace(QUOTED, ''))) {
      taken.paths.push({ text: trimmed, line });
      return;
    }
    const found = HEAD.exec(trimmed);
    if (!found) {
      refuse(
        'neither a line of wires, as "L1 > timer A-C > N", nor a statement, as \'switch timer "Timer": by knob, free off\'',
      );
      return;
    }
    const [, word = '', id = '', quoted, said = ''] = found;
    const name = quoted === undefined ? inWords(id) : unquoted(quoted);
    taken.statements.push({ word, id, name, said: said.trim(), below: [], line });
  });
  return taken;
}

/** An id as words, for what has no name of its own. */
export const inWords = (id: string): string => {
  const words = id.replace(/-/g, ' ').trim() || id;
  return words.charAt(0).toUpperCase() + words.slice(1);
};

function unquoted(text: string): string {
  try {
    return JSON.parse(text) as string;
  } catch {
    return text.slice(1, -1);
  }
}

/** A statement as it is written. */
export function writeStatement({
  word,
  id,
  name,
  said,
  below,
}: Pick<Statement, 'word' | 'id' | 'name' | 'said'> & {
  below: readonly (readonly [key: string, value: string])[];
}): string {
  const named = name === inWords(id) ? '' : ` ${JSON.stringify(name)}`;
  return [
    `${word} ${id}${named}${said ? `: ${said}` : ''}`,
    ...below.map(([key, value]) => `  ${key}:${value ? ` ${value}` : ''}`),
  ].join('\n');
}

/** A value behind a colon: JSON where it is some, a text otherwise. */
export function readValue(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return text;
  }
}

/** The same the other way: a text as it is, unless it would be read as something else. */
export function writeValue(value: unknown): string {
  if (typeof value !== 'string') return JSON.stringify(value);
  const plain = value !== '' && value === value.trim() && !/[\r\n]/.test(value);
  return plain && readValue(value) === value ? value : JSON.stringify(value);
}
