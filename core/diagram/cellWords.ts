import type { CellState } from './diagram';

/** The words and signs that sheets and spreadsheets put into the cells of a contact table (common practice). */
const WORDS: Record<CellState, string[]> = {
  closed: ['closed', 'close', 'c', 'x', '1', 'yes', 'y', 'on', 'made', '●', '•', '✓'],
  open: ['open', 'o', '0', 'no', 'n', 'off', '', '-', '–', '.', '○', 'ol'],
  either: ['either', 'e', 'cycles', 'cycling', '~', '*'],
};

/** What a cell may be. */
export const CELL_STATES = Object.keys(WORDS) as readonly CellState[];

const MEANING = new Map(
  CELL_STATES.flatMap((state) => WORDS[state].map((word): [string, CellState] => [word, state])),
);

/** What a word or a sign in a cell of a table means; undefined where it means nothing. */
export const cellStateOf = (word: string): CellState | undefined =>
  MEANING.get(word.trim().toLowerCase());

/** What people put between the two terminals of a contact. */
const BETWEEN = /\s*(?:-|–|:|\/|\bto\b)\s*/i;

/** The terminals that the name of a column says: two for a contact. */
export const terminalsNamed = (name: string): string[] => name.trim().split(BETWEEN);
