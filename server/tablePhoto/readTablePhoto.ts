import sharp from 'sharp';
import type { PhotoTable } from '../../contract/tablePhoto';
import { isPairOfTerminals, type CellMark, type PhotoCell } from '../../core/draft/photoTable';
import { cellStateOf } from '../../core/diagram/cellWords';
import { sayAlike } from './alike';
import { lookAt, type Look } from './marks';
import { openCv, whileKept } from './openCv';
import { decodePhoto, type Photo } from './photo';
import { median } from './rules';
import { flatTables, ROW, type FlatTable } from './straighten';
import { readWords, type Cutting, type Word } from './words';

/** Below this tesseract is not believed; from memory what separates its slips from its hits on printed capitals. */
const SURE = 75;
/** Words that are read this badly, in the mean, stand on their side or on their head. */
const UPRIGHT = 55;
/** How much better words are read on a photo that is turned the right way, at least. */
const BETTER = 12;
/** Share of names in capitals from which a sheet is one in capitals. */
const CAPITALS = 0.7;
/** Marks whose size is this far from the others of their kind are looked at. */
const UNLIKE = 1.6;
/** Ink that is no wider is a letter alone. */
const LETTER = 0.45 * ROW;
/** Letters that a mark may be taken for. */
const DRAWN_AS: Readonly<Record<string, CellMark>> = {
  X: 'cross',
  O: 'ring',
  '0': 'ring',
  '-': 'dash',
  '•': 'filled',
};
/** How much of a cell's height its rules and their blur take on each side. */
const RULE = Math.round(ROW * 0.07);

/** The contact tables in a photo, largest first, each cell with whether it is doubtful. Throws where the bytes are no picture. */
export async function readTablePhoto(bytes: Uint8Array): Promise<PhotoTable[]> {
  const photo = await decodePhoto(bytes);
  let best: { tables: PhotoTable[]; upright: number } = { tables: [], upright: -1 };
  // Looking straight down, a phone does not know how it is held.
  for (const quarters of [0, 1, 3, 2]) {
    const read = await readUpright(await turned(photo, quarters));
    if (read.upright > best.upright + (quarters === 0 ? 0 : BETTER)) best = read;
    if (read.upright >= UPRIGHT || (quarters === 0 && read.tables.length === 0)) break;
  }
  return best.tables;
}

async function turned(photo: Photo, quarters: number): Promise<Photo> {
  if (quarters === 0) return photo;
  const { width, height, grey } = photo;
  const { data, info } = await sharp(grey, { raw: { width, height, channels: 1 } })
    .rotate(90 * quarters)
    .toColourspace('b-w')
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, grey: data };
}

/** Reads a photo as it is held, with how sure of its words one is in the mean. */
async function readUpright(photo: Photo): Promise<{ tables: PhotoTable[]; upright: number }> {
  const tables: PhotoTable[] = [];
  const sure: number[] = [];
  for (const flat of await flatTables(photo)) {
    const read = await readFlat(await tableItself(flat));
    tables.push(read.table);
    sure.push(...read.sure);
  }
  const upright = sure.length ? sure.reduce((sum, each) => sum + each, 0) / sure.length : 0;
  return { tables, upright };
}

/** Some rows and columns of a flat table, those from `first` to before `end`. */
function part(flat: FlatTable, rows: [number, number], columns: [number, number]): FlatTable {
  const [top, bottom] = [flat.rows[rows[0]] ?? 0, flat.rows[rows[1]] ?? 0];
  const [left, right] = [flat.columns[columns[0]] ?? 0, flat.columns[columns[1]] ?? 0];
  const width = right - left;
  const grey = new Uint8Array(width * (bottom - top));
  for (let y = top; y < bottom; y++)
    grey.set(flat.grey.subarray(y * flat.width + left, y * flat.width + right), (y - top) * width);
  return {
    width,
    height: bottom - top,
    grey,
    rows: flat.rows.slice(rows[0], rows[1] + 1).map((each) => each - top),
    columns: flat.columns.slice(columns[0], columns[1] + 1).map((each) => each - left),
    ruled: flat.ruled.slice(...rows).map((row) => row.slice(...columns)),
  };
}

/** Without what surrounds it: outer rows and columns with no ink at all (the edge of the paper is a rule, too), then rows at the top whose cells run into each other (its title, or names of groups). */
async function tableItself(flat: FlatTable): Promise<FlatTable> {
  const { looks } = await looksOf(flat);
  const inked = (cells: readonly (Look | undefined)[]) =>
    cells.some((look) => look?.mark !== 'blank');
  const byRow = looks.map(inked);
  const byColumn = (looks[0] ?? []).map((_, c) => inked(looks.map((row) => row[c])));
  const columns: [number, number] = [byColumn.indexOf(true), byColumn.lastIndexOf(true) + 1];
  const end = byRow.lastIndexOf(true) + 1;
  const isWhole = (row: readonly boolean[]) => row.slice(columns[0], columns[1] - 1).every(Boolean);
  const first = flat.ruled.findIndex((row, i) => byRow[i] && isWhole(row));
  const isEmpty = columns[0] < 0 || first < 0 || first >= end;
  return isEmpty ? flat : part(flat, [first, end], columns);
}

async function readFlat(flat: FlatTable): Promise<{ table: PhotoTable; sure: number[] }> {
  const { looks, clean } = await looksOf(flat);
  const wanted = looks.flatMap((cells, row) =>
    cells.flatMap((look, column) => {
      const isName = row === 0 || column === 0;
      if (look.mark === 'blank' || (!isName && look.mark !== 'word')) return [];
      return [{ row, column, isName, look, cutting: cut(clean, flat, row, column) }];
    }),
  );
  const read = await readTwice(wanted);
  const inside = read.filter(({ isName }) => !isName);
  const said = sayAlike(inside);
  const words = new Map<string, PhotoCell>();
  inside.forEach(({ row, column, words: [first] }, i) => {
    const text = said[i] ?? first?.text.toUpperCase() ?? '';
    const mark = DRAWN_AS[text] ?? 'word';
    const doubtful = said[i] === undefined || (mark === 'word' && cellStateOf(text) === undefined);
    words.set(`${row} ${column}`, { mark, text: mark === 'word' ? text : '', doubtful });
  });
  for (const { row, column, isName, look, words: pair } of read)
    if (isName) words.set(`${row} ${column}`, nameOf(look, pair));
  // One side has pairs of terminals: a name there without its hyphen lost it.
  const isPair = (cell: PhotoCell | undefined) =>
    cell !== undefined && isPairOfTerminals(cell.text);
  const heads = flat.columns.slice(2).map((_, i) => words.get(`0 ${i + 1}`));
  const lines = flat.rows.slice(2).map((_, i) => words.get(`${i + 1} 0`));
  const side = share(heads, isPair) >= share(lines, isPair) ? heads : lines;
  for (const cell of side) if (cell && !isPair(cell)) cell.doubtful = true;
  // On a sheet in capitals a small letter is one that was not read well.
  const names = [...heads, ...lines].flatMap((cell) => cell ?? []);
  const isCapital = ({ text }: PhotoCell) => text === text.toUpperCase();
  if (share(names, isCapital) > CAPITALS)
    for (const cell of names) if (!isCapital(cell)) cell.doubtful = true;
  const cells = looks.map((line, row) =>
    line.map((look, column): PhotoCell => {
      const before = flat.ruled[row]?.[column - 1];
      const isWhole = flat.ruled[row]?.[column] !== false && before !== false;
      const cell = words.get(`${row} ${column}`) ?? {
        mark: look.mark,
        text: '',
        doubtful: isUnlike(look, looks),
      };
      return { ...cell, doubtful: cell.doubtful || !isWhole };
    }),
  );
  const { width, height, grey, columns, rows } = flat;
  const jpeg = await sharp(grey, { raw: { width, height, channels: 1 } })
    .jpeg({ quality: 70 })
    .toBuffer();
  const table = { picture: jpeg.toString('base64'), columns, rows, cells };
  return {
    table,
    sure: read.filter(({ isName }) => isName).map(({ words }) => uprightness(words)),
  };
}

/** Reads at two sizes: what is read alike both times is seldom wrong. */
async function readTwice<T extends { look: Look; cutting: Cutting }>(
  wanted: readonly T[],
): Promise<(T & { words: Word[] })[]> {
  const isLetter = ({ look }: T) => look.width < LETTER;
  const read = async (some: readonly T[], as: 'line' | 'letter') => {
    const cuttings = some.map(({ cutting }) => cutting);
    const [small, large] = [
      await readWords(cuttings, 0.8, as),
      await readWords(cuttings, 1.15, as),
    ];
    return some.map((each, i) => ({
      ...each,
      words: [small[i], large[i]].flatMap((w) => w ?? []),
    }));
  };
  return [
    ...(await read(
      wanted.filter((each) => !isLetter(each)),
      'line',
    )),
    ...(await read(wanted.filter(isLetter), 'letter')),
  ];
}

/** How sure one is that a name is upright: an x or an o is one on its head as well, and letters on their head are read now so, now so. */
const uprightness = ([one = NONE, other = NONE]: readonly Word[]): number =>
  one.text.toUpperCase() === other.text.toUpperCase() && /\w\W?\w/.test(one.text)
    ? Math.min(one.sure, other.sure)
    : 0;

const share = <T>(all: readonly T[], test: (each: T) => boolean): number =>
  all.filter(test).length / Math.max(1, all.length);

/** How the ink of every cell looks, and the table without what is no mark. */
async function looksOf(flat: FlatTable): Promise<{ looks: Look[][]; clean: Uint8Array }> {
  const { cv } = await openCv();
  return whileKept((keep) => {
    const grey = keep(cv.matFromArray(flat.height, flat.width, cv.CV_8UC1, flat.grey));
    const ink = keep(new cv.Mat());
    cv.GaussianBlur(grey, ink, new cv.Size(0, 0), 1);
    cv.threshold(ink, ink, 0, 255, cv.THRESH_BINARY_INV + cv.THRESH_OTSU);
    const marks = keep(cv.Mat.zeros(flat.height, flat.width, cv.CV_8UC1));
    const looks = flat.rows.slice(1).map((bottom, row) =>
      flat.columns.slice(1).map((right, column) => {
        const [x, y] = [flat.columns[column] ?? 0, flat.rows[row] ?? 0];
        const box = new cv.Rect(
          x + RULE,
          y + RULE,
          Math.max(1, right - x - 2 * RULE),
          Math.max(1, bottom - y - 2 * RULE),
        );
        // `clone` of this package is another handle on the same pixels.
        const cell = keep(new cv.Mat());
        keep(ink.roi(box)).copyTo(cell);
        const look = lookAt(cv, cell);
        cell.copyTo(keep(marks.roi(box)));
        return look;
      }),
    );
    // The soft edge of a stroke belongs to it.
    cv.dilate(marks, marks, keep(cv.getStructuringElement(cv.MORPH_RECT, new cv.Size(7, 7))));
    const kept = marks.data;
    const clean = flat.grey.map((value, i) => (kept[i] ? value : 255));
    return { looks, clean };
  });
}

/** A mark near the border to another kind, or much larger or smaller than the others of its kind. */
function isUnlike(look: Look, all: Look[][]): boolean {
  if (look.margin < 0.35) return true;
  if (look.mark === 'blank') return false;
  const areas = all.flat().flatMap((each) => (each.mark === look.mark ? [each.area] : []));
  const usual = median(areas);
  return look.area > usual * UNLIKE || look.area < usual / UNLIKE;
}

/** A cell without its rules. */
function cut(clean: Uint8Array, flat: FlatTable, row: number, column: number): Cutting {
  const [x, y] = [(flat.columns[column] ?? 0) + RULE, (flat.rows[row] ?? 0) + RULE];
  const width = Math.max(1, (flat.columns[column + 1] ?? 0) - RULE - x);
  const height = Math.max(1, (flat.rows[row + 1] ?? 0) - RULE - y);
  const grey = new Uint8Array(width * height);
  for (let line = 0; line < height; line++)
    grey.set(
      clean.subarray((y + line) * flat.width + x, (y + line) * flat.width + x + width),
      line * width,
    );
  return { width, height, grey };
}

/** Letters and digits that look alike in print: alone between separators nobody can tell. */
const LOOKS_LIKE: readonly [RegExp, string][] = [
  [/(?<![A-Za-z])[Il|!](?![A-Za-z])/g, '1'],
  [/\$/g, 'S'],
  [/[—–_]/g, '-'],
  [/[‘’'`´"“”]/g, ''],
];

/** A letter or a nought? */
const LONE_O = /(?<![A-Za-z0-9])[0O](?![A-Za-z0-9])/;

/** A name of two readings; doubtful where they differ, where tesseract is unsure, or where what was read can be no name. */
function nameOf(look: Look, [one = NONE, other = NONE]: readonly Word[]): PhotoCell {
  const better = one.sure >= other.sure ? one : other;
  const text = LOOKS_LIKE.reduce((all, [from, to]) => all.replace(from, to), better.text).trim();
  const doubtful =
    one.text !== other.text ||
    text !== better.text ||
    Math.min(one.sure, other.sure) < SURE ||
    // A hyphen between two letters is easily lost.
    text.split('-').length - 1 !== look.hyphens ||
    LONE_O.test(text) ||
    !/^[\w ./+&()-]+$/.test(text);
  return { mark: 'word', text, doubtful };
}

const NONE: Word = { text: '', sure: 0 };
