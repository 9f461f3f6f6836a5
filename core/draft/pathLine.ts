import { fail, ok, type Result } from '../result';
import { moved } from './moved';

/**
 * A branch as it is typed: places one after the other, joined by wires, with ways beside each other in
 * brackets. `L1 -BK> timer A-C > (high limit 1-2 | bypass 1-2) > N`. The grammar is in docs/format.md.
 */
export interface PathLine {
  first: PathItem;
  rest: { link: Link; item: PathItem }[];
}

/** A wire: its colour, and its id where it is to keep one. */
export interface Link {
  colour?: string;
  wire?: string;
}

export type PathItem = Place | { beside: PathLine[] };

/** A terminal of something, or a way through it, as it was typed: "timer A-C", with what is said of it in square brackets. */
export interface Place {
  text: string;
  facts?: string;
  /** Where it stands in the line, from 0. */
  at: number;
}

/** What is wrong in a text, by its line and column, from 1. */
export interface TextFault {
  line: number;
  column: number;
  message: string;
}

export const isPlace = (item: PathItem): item is Place => 'text' in item;

/** Insulation colours by what they are called. */
const COLOUR_CODES: Readonly<Record<string, string>> = {
  black: 'BK',
  white: 'WH',
  red: 'RD',
  blue: 'BU',
  yellow: 'YE',
  orange: 'OR',
  green: 'GN',
  brown: 'BN',
  violet: 'VT',
  purple: 'VT',
  grey: 'GY',
  gray: 'GY',
  pink: 'PK',
  tan: 'TN',
  bare: 'NA',
};

const LINK =
  /(?:>|→|->|\s-([A-Za-z]{2,}(?:[-/][A-Za-z]{2,})?)(?:\s+([A-Za-z0-9_+-]{1,40}))?\s*-?>)/y;
const FACTS = /\[([^\]]*)\]/y;
/** Brackets within brackets, at most: deeper is a slip, or an attack. */
const MOST_DEPTH = 20;

/** Whether a line is one of wires. */
export const isPathLine = (line: string): boolean => /[>→]/.test(line);

/** The colour that was typed, as its code; undefined for a word that is no colour. */
export function colourCode(typed: string): string | undefined {
  const codes = typed.split(/[-/]/).map((each) => {
    const word = each.toLowerCase();
    return COLOUR_CODES[word] ?? (/^[a-z]{2}$/.test(word) ? word.toUpperCase() : undefined);
  });
  return codes.every((each) => each !== undefined) ? codes.join('-') : undefined;
}

/** Reads one line; `line` is its number, for what is wrong in it. */
export function readPathLine(text: string, line = 1): Result<PathLine, TextFault> {
  const reader = new Reader(text, line);
  try {
    const path = reader.path(0);
    reader.end();
    return ok(path);
  } catch (error) {
    if (error instanceof Refused) return fail(error.fault);
    throw error;
  }
}

class Refused extends Error {
  constructor(readonly fault: TextFault) {
    super(fault.message);
  }
}

class Reader {
  private at = 0;

  constructor(
    private readonly text: string,
    private readonly line: number,
  ) {}

  path(depth: number): PathLine {
    if (depth > MOST_DEPTH) this.refuse('brackets within brackets within brackets: split the line');
    const first = this.item(depth);
    const rest: PathLine['rest'] = [];
    for (let link = this.link(); link; link = this.link())
      rest.push({ link, item: this.item(depth) });
    return { first, rest };
  }

  end(): void {
    this.blanks();
    if (this.at < this.text.length)
      this.refuse(`"${this.text.slice(this.at, this.at + 10)}" is not expected here`);
  }

  private item(depth: number): PathItem {
    this.blanks();
    if (this.text[this.at] !== '(') return this.place();
    this.at++;
    const beside = [this.path(depth + 1)];
    for (this.blanks(); this.text[this.at] === '|'; this.blanks()) {
      this.at++;
      beside.push(this.path(depth + 1));
    }
    if (this.text[this.at] !== ')') this.refuse('a bracket is not closed: ")" is missing');
    this.at++;
    return { beside };
  }

  private place(): Place {
    const at = this.at;
    let facts: string | undefined;
    while (this.at < this.text.length && !'>→()|'.includes(this.text[this.at] ?? '')) {
      if (this.peek(LINK)) break;
      const told = this.text[this.at] === '[' ? this.take(FACTS) : undefined;
      if (told) facts = told[1]?.trim();
      else if (this.text[this.at] === '[') this.refuse('a bracket is not closed: "]" is missing');
      else this.at++;
    }
    const words = this.text
      .slice(at, this.at)
      .replace(/\[[^\]]*\]/g, ' ')
      .trim()
      .replace(/\s+/g, ' ');
    if (!words) {
      this.at = at;
      this.refuse(
        'a part is missing here: write its name, and its terminals where it has more than two',
      );
    }
    return { text: words, ...(facts && { facts }), at };
  }

  private link(): Link | undefined {
    const before = this.at;
    // A colour stands after a blank, which belongs to the link.
    while (/\s/.test(this.text[this.at] ?? '') && !this.peek(LINK)) this.at++;
    const found = this.take(LINK);
    if (!found) {
      this.at = before;
      return undefined;
    }
    const [, typed, wire] = found;
    const colour = typed === undefined ? undefined : colourCode(typed);
    if (typed !== undefined && !colour) {
      this.at = before;
      this.refuse(`"${typed}" is no colour: write black, BK, or WH-RD for white with a red stripe`);
    }
    return { ...(colour && { colour }), ...(wire && { wire }) };
  }

  private peek(pattern: RegExp): boolean {
    pattern.lastIndex = this.at;
    return pattern.test(this.text);
  }

  private take(pattern: RegExp): RegExpExecArray | undefined {
    pattern.lastIndex = this.at;
    const found = pattern.exec(this.text) ?? undefined;
    if (found) this.at = pattern.lastIndex;
    return found;
  }

  private blanks(): void {
    while (/\s/.test(this.text[this.at] ?? '')) this.at++;
  }

  private refuse(message: string): never {
    throw new Refused({ line: this.line, column: this.at + 1, message });
  }
}

/** What a line goes through, in its order. */
export const itemsOf = ({ first, rest }: PathLine): PathItem[] => [
  first,
  ...rest.map(({ item }) => item),
];

/** The line with one thing put where another stands; what is between moves up. Colours stay where they are, wires become others. */
export function moveItem(line: PathLine, from: number, to: number): PathLine {
  const [first = line.first, ...others] = moved(itemsOf(line), from, to);
  return {
    first,
    rest: line.rest.map(({ link: { colour } }, i) => ({
      link: { ...(colour && { colour }) },
      item: others[i] ?? first,
    })),
  };
}

/** A line as it is written. @param ids whether its arrows name their wires, so that they are the same when it is read again */
export const writePathLine = ({ first, rest }: PathLine, ids: boolean): string =>
  rest.reduce(
    (line, { link, item }) => `${line} ${writeLink(link, ids)} ${writeItem(item, ids)}`,
    writeItem(first, ids),
  );

/** A bare wire without an id is an arrow alone. */
function writeLink({ colour = 'NA', wire }: Link, ids: boolean): string {
  const named = ids && wire ? ` ${wire}` : '';
  return named || colour !== 'NA' ? `-${colour}${named}>` : '>';
}

export const writeItem = (item: PathItem, ids: boolean): string =>
  isPlace(item)
    ? `${item.text}${item.facts ? ` [${item.facts}]` : ''}`
    : `(${item.beside.map((each) => writePathLine(each, ids)).join(' | ')})`;
