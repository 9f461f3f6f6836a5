import { cellStateOf, terminalsNamed } from '../diagram/cellWords';
import type { CellState, Diagram, SwitchPart } from '../diagram/diagram';
import { positionsOf } from '../diagram/setup';

/** What stands in a cell of a photographed table: one of the marks that sheets use, or a word. */
export type CellMark = 'blank' | 'cross' | 'filled' | 'ring' | 'dash' | 'word';

/** A cell as it was read. */
export interface PhotoCell {
  mark: CellMark;
  /** The word, where it is one. */
  text: string;
  /** It may be something else: a person has to look at it. */
  doubtful: boolean;
}

/** What each mark of a table means; undefined as long as nobody has said it. */
export type Legend = Partial<Record<Exclude<CellMark, 'word'>, CellState | undefined>>;

/** The cells below the head and right of the names. */
const bodyOf = (cells: readonly PhotoCell[][]): PhotoCell[] =>
  cells.slice(1).flatMap((row) => row.slice(1));

/**
 * What the marks of a table likely mean (common practice): a cross or a dot is closed, a dash or nothing open. A ring is open beside a
 * cross or a dot, and means either without them: that has to be said.
 */
export function likelyLegend(cells: readonly PhotoCell[][]): Legend {
  const there = new Set(bodyOf(cells).map(({ mark }) => mark));
  const made = bodyOf(cells).some(({ mark, text }) => mark === 'word' && text !== '');
  const legend: Legend = {};
  if (there.has('cross')) legend.cross = 'closed';
  if (there.has('filled')) legend.filled = 'closed';
  if (there.has('blank')) legend.blank = 'open';
  if (there.has('dash')) legend.dash = 'open';
  if (there.has('ring'))
    legend.ring = there.has('cross') || there.has('filled') || made ? 'open' : undefined;
  return legend;
}

/** Whether a name is two terminals with what sheets put between them. */
export function isPairOfTerminals(name: string): boolean {
  const ends = terminalsNamed(name);
  return ends.length === 2 && ends.every((each) => /^[\w+]+$/.test(each));
}

/** Whether contacts run down and positions across: the names at the side are pairs of terminals, those at the top are not. */
export function runsDown(cells: readonly PhotoCell[][]): boolean {
  const pairs = (names: readonly (PhotoCell | undefined)[]) =>
    names.filter((cell) => cell && isPairOfTerminals(cell.text)).length / Math.max(1, names.length);
  return pairs(cells.slice(1).map(([name]) => name)) > pairs(cells[0]?.slice(1) ?? []);
}

/** Columns for rows. */
export const transposed = <T>(cells: readonly T[][]): T[][] =>
  (cells[0] ?? []).map((_, c) => cells.map((row) => row[c] as T));

/** Signs that print alike, and what may be lost or put between letters, as one. */
const folded = (name: string): string =>
  name
    .toUpperCase()
    .replace(/[^A-Z0-9]/g, '')
    .replace(/O/g, '0')
    .replace(/[IL]/g, '1')
    .replace(/S/g, '5')
    .replace(/B/g, '8')
    .replace(/Z/g, '2');

/**
 * Names that the switch has already, where what was read can be just one of them: "$3" beside a contact S3 is S3, and no longer in
 * doubt. Rows are positions.
 */
export function withKnownNames<C extends PhotoCell>(
  cells: readonly C[][],
  diagram: Diagram,
  part: SwitchPart,
): C[][] {
  const pairs = part.contacts.map(({ between }) => [between.join('-')]);
  const actuator = diagram.actuators.find(({ id }) => id === part.actuator);
  const positions =
    actuator && actuator.kind !== 'quantity'
      ? actuator.positions.map(({ id, name }) => [name, id])
      : positionsOf(diagram, part).map((each) => [each]);
  const known = (cell: C, names: readonly string[][]): C => {
    const own = folded(cell.text);
    const fit = (name: string) => own !== '' && folded(name) === own;
    const [only, ...others] = names.filter((each) => each.some(fit));
    const text = only?.find(fit);
    if (text === undefined || others.length > 0) return cell;
    // "OFF" finds the position off, and stays as it stands on the sheet.
    const asRead = names !== pairs && text.toUpperCase() === cell.text.toUpperCase();
    return { ...cell, text: asRead ? cell.text : text, doubtful: false };
  };
  return cells.map((row, r) =>
    row.map((cell, c) =>
      r === 0 && c > 0 ? known(cell, pairs) : c === 0 && r > 0 ? known(cell, positions) : cell,
    ),
  );
}

/** Whether a cell has to be looked at before the table is taken: doubtful, or a name that is none. The corner says nothing. */
export function isOpenQuestion(
  cells: readonly PhotoCell[][],
  row: number,
  column: number,
): boolean {
  const cell = cells[row]?.[column];
  if (!cell || (row === 0 && column === 0)) return false;
  const isName = row === 0 || column === 0;
  return cell.doubtful || (isName && (cell.mark !== 'word' || cell.text === ''));
}

/** The cells that have to be looked at, row by row. */
export const inDoubt = (cells: readonly PhotoCell[][]): { row: number; column: number }[] =>
  cells.flatMap((line, row) =>
    line.flatMap((_, column) => (isOpenQuestion(cells, row, column) ? [{ row, column }] : [])),
  );

/** Whether a contact is closed there, by its word or by what its mark means; undefined where that was not said. */
export const stateOfPhotoCell = (
  { mark, text }: PhotoCell,
  legend: Legend,
): CellState | undefined => (mark === 'word' ? cellStateOf(text) : legend[mark]);

/** The lines of the table in words, as a spreadsheet would have them; undefined where a mark's meaning was not said. */
export function rowsOfPhoto(cells: readonly PhotoCell[][], legend: Legend): string[][] | undefined {
  const rows = cells.map((line, row) =>
    line.map((cell, column): string | undefined => {
      if (row === 0 && column === 0) return 'position';
      const { mark, text } = cell;
      return mark === 'word' || row === 0 || column === 0 ? text : legend[mark];
    }),
  );
  return rows.every((line): line is string[] => line.every((each) => each !== undefined))
    ? rows
    : undefined;
}
