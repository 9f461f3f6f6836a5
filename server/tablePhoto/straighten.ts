import { openCv, whileKept, type OpenCv, type Picture } from './openCv';
import { evenLight, type Photo } from './photo';
import { crossing, findTables, median, turnOf, type Rules } from './rules';

/** A table as if it lay flat under even light; its rules are drawn nowhere, they lie between the cells. */
export interface FlatTable {
  width: number;
  height: number;
  /** One byte a pixel, 255 for paper. */
  grey: Uint8Array;
  /** Where columns and rows begin, and where the last one ends, in pixels. */
  columns: number[];
  rows: number[];
  /** Of each row, whether each cell has a rule to its right; the last has. */
  ruled: boolean[][];
}

/** How high the median row of a flat table is, in pixels: letters come to some 25, which tesseract reads well. */
export const ROW = 60;
/** Tables that a photo has; what is beyond is no contact table that one wants to read. */
const MOST_TABLES = 4;
/** Cells of a table: more than the largest timer has. */
const MOST_CELLS = 900;

/** The ruled tables of a photo, largest first, turned by at most 45 degrees from upright. */
export async function flatTables(photo: Photo): Promise<FlatTable[]> {
  const { cv } = await openCv();
  return whileKept((keep) => {
    const grey = keep(cv.matFromArray(photo.height, photo.width, cv.CV_8UC1, photo.grey));
    const even = keep(new cv.Mat());
    evenLight(cv, grey, even, 41);
    const half = keep(new cv.Mat());
    cv.resize(even, half, new cv.Size(0, 0), 0.5, 0.5, cv.INTER_AREA);
    const turn = turnOf(cv, inkOf(cv, keep(new cv.Mat()), half));
    if (turn === undefined) return [];
    const upright = keep(new cv.Mat());
    const middle = new cv.Point(photo.width / 2, photo.height / 2);
    const way = keep(cv.getRotationMatrix2D(middle, turn, 1));
    const [c = 1, s = 0] = way.data64F;
    const width = Math.ceil(photo.width * Math.abs(c) + photo.height * Math.abs(s));
    const height = Math.ceil(photo.width * Math.abs(s) + photo.height * Math.abs(c));
    const shift = way.data64F;
    shift[2] = (shift[2] ?? 0) + width / 2 - middle.x;
    shift[5] = (shift[5] ?? 0) + height / 2 - middle.y;
    cv.warpAffine(
      even,
      upright,
      way,
      new cv.Size(width, height),
      cv.INTER_CUBIC,
      cv.BORDER_CONSTANT,
      new cv.Scalar(255),
    );
    const ink = inkOf(cv, keep(new cv.Mat()), upright);
    return findTables(cv, ink)
      .filter(({ across, down }) => (across.length - 1) * (down.length - 1) <= MOST_CELLS)
      .slice(0, MOST_TABLES)
      .map((rules) => flatten(cv, upright, ink, rules));
  });
}

/** Ink as 255, paper as 0: what is darker than what is around it (mean of a neighbourhood, Bradley and Roth 2007). */
function inkOf(cv: OpenCv, ink: Picture, even: Picture): Picture {
  cv.adaptiveThreshold(even, ink, 255, cv.ADAPTIVE_THRESH_MEAN_C, cv.THRESH_BINARY_INV, 35, 22);
  return ink;
}

/** Each cell is brought to a rectangle by its own four corners, so that a page that is held askew or bent comes out flat. */
function flatten(cv: OpenCv, upright: Picture, ink: Picture, rules: Rules): FlatTable {
  const corners = rules.across.map((across) =>
    rules.down.map((down) => {
      const [x, y] = crossing(across, down);
      return [x + upright.cols / 2, y + upright.rows / 2] as const;
    }),
  );
  const corner = (row: number, column: number) => corners[row]?.[column] ?? [0, 0];
  const between = ([ax, ay]: readonly [number, number], [bx, by]: readonly [number, number]) =>
    Math.hypot(bx - ax, by - ay);
  const heights = rules.across
    .slice(1)
    .map((_, row) =>
      median(rules.down.map((__, c) => between(corner(row, c), corner(row + 1, c)))),
    );
  const widths = rules.down
    .slice(1)
    .map((_, c) =>
      median(rules.across.map((__, row) => between(corner(row, c), corner(row, c + 1)))),
    );
  const scale = ROW / median(heights);
  const edges = (sizes: number[]): number[] =>
    sizes.reduce<number[]>(
      (all, size) => [...all, (all.at(-1) ?? 0) + Math.max(12, Math.round(size * scale))],
      [0],
    );
  const columns = edges(widths);
  const rows = edges(heights);
  const width = columns.at(-1) ?? 0;
  const height = rows.at(-1) ?? 0;
  return whileKept((keep) => {
    const flat = keep(new cv.Mat(height, width, cv.CV_8UC1, new cv.Scalar(255)));
    for (let row = 0; row + 1 < rows.length; row++)
      for (let c = 0; c + 1 < columns.length; c++) {
        const [x, y] = [columns[c] ?? 0, rows[row] ?? 0];
        const size = { width: (columns[c + 1] ?? 0) - x, height: (rows[row + 1] ?? 0) - y };
        const quad = [
          corner(row, c),
          corner(row, c + 1),
          corner(row + 1, c + 1),
          corner(row + 1, c),
        ];
        const from = keep(cv.matFromArray(4, 1, cv.CV_32FC2, quad.flat()));
        const to = keep(
          cv.matFromArray(4, 1, cv.CV_32FC2, [
            ...[0, 0, size.width, 0],
            ...[size.width, size.height, 0, size.height],
          ]),
        );
        const cell = keep(new cv.Mat());
        cv.warpPerspective(
          upright,
          cell,
          keep(cv.getPerspectiveTransform(from, to)),
          new cv.Size(size.width, size.height),
          cv.INTER_CUBIC,
          cv.BORDER_REPLICATE,
        );
        cell.copyTo(keep(flat.roi(new cv.Rect(x, y, size.width, size.height))));
      }
    const ruled = rules.across.slice(1).map((_, row) =>
      rules.down.slice(1).map((__, c) => {
        const isLast = c + 2 === rules.down.length;
        return isLast || isRuled(ink, corner(row, c + 1), corner(row + 1, c + 1));
      }),
    );
    return { width, height, grey: Uint8Array.from(flat.data), columns, rows, ruled };
  });
}

/** Whether most of the way between two corners has ink on it or right beside it. */
function isRuled(
  ink: Picture,
  [ax, ay]: readonly [number, number],
  [bx, by]: readonly [number, number],
): boolean {
  const steps = 24;
  const { data, cols } = ink;
  let inked = 0;
  for (let i = 0; i < steps; i++) {
    const share = 0.15 + (0.7 * i) / (steps - 1);
    const x = Math.round(ax + (bx - ax) * share);
    const y = Math.round(ay + (by - ay) * share);
    let any = 0;
    for (let dx = -4; dx <= 4; dx++)
      any |= data[y * cols + Math.min(cols - 1, Math.max(0, x + dx))] ?? 0;
    if (any) inked++;
  }
  return inked > steps / 2;
}
