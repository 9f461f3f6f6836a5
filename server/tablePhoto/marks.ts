import type { CellMark } from '../../core/draft/photoTable';
import { whileKept, type OpenCv, type Picture } from './openCv';
import { ROW } from './straighten';

/** What a cell's ink looks like. Lengths and areas are in pixels of a flat table. */
export interface Look {
  /** Ink in the cell, without what is left of the rules. */
  area: number;
  /** The box around it. */
  width: number;
  height: number;
  /** Hyphens among it: short strokes halfway up. */
  hyphens: number;
  /** Pieces of ink that hang together. */
  pieces: number;
  /** Its holes as a share of what its outline holds: an O has one, a C has none. */
  hollow: number;
  mark: CellMark;
  /** The shape in its box, brought to `PATCH` by `PATCH`, 0 to 255: what is drawn alike has it alike. */
  patch: Uint8Array;
  /** How far it is from being taken for something else: 0 at the border between two, 1 where there is none. */
  margin: number;
}

/** Side of the patch to which a shape is brought, in pixels. */
export const PATCH = 20;

/** Ink below this is a speck, above the other a mark; what lies between is doubtful. */
const SPECK = 0.0035 * ROW * ROW;
const LEAST_MARK = 0.009 * ROW * ROW;

/** Looks at a cell's ink (255) on paper (0) and wipes out what is no mark: specks, and what is left of the rules. */
export function lookAt(cv: OpenCv, cell: Picture): Look {
  return whileKept((keep) => {
    const labels = keep(new cv.Mat());
    const stats = keep(new cv.Mat());
    const count = cv.connectedComponentsWithStats(
      cell,
      labels,
      stats,
      keep(new cv.Mat()),
      8,
      cv.CV_32S,
    );
    const boxes = stats.data32S;
    const edge = Math.round(ROW * 0.09);
    const kept = new Set<number>();
    let hyphens = 0;
    let [area, left, top, right, bottom] = [0, cell.cols, cell.rows, 0, 0];
    for (let i = 1; i < count; i++) {
      const [x = 0, y = 0, w = 0, h = 0, a = 0] = boxes.subarray(5 * i, 5 * i + 5);
      const beside =
        x + w <= edge || y + h <= edge || x >= cell.cols - edge || y >= cell.rows - edge;
      const touches = x === 0 || y === 0 || x + w === cell.cols || y + h === cell.rows;
      const isRule = touches && Math.min(w, h) < 1.6 * edge && Math.max(w, h) > 6 * edge;
      // A speck, or what is left of a rule: painted over, so that it is not read as a letter.
      if (beside || isRule || a < SPECK / 3) continue;
      kept.add(i);
      const middle = y + h / 2;
      const isLow = h < 0.14 * ROW && w > 1.4 * h && w < 0.4 * ROW && a > 0.6 * w * h;
      if (isLow && Math.abs(middle - cell.rows / 2) < 0.14 * ROW) hyphens++;
      area += a;
      left = Math.min(left, x);
      top = Math.min(top, y);
      right = Math.max(right, x + w);
      bottom = Math.max(bottom, y + h);
    }
    const width = Math.max(0, right - left);
    const height = Math.max(0, bottom - top);
    if (area < LEAST_MARK) {
      const margin = Math.max(0, 1 - area / SPECK);
      return {
        area,
        width,
        height,
        hyphens,
        pieces: kept.size,
        hollow: 0,
        mark: 'blank',
        margin,
        patch: new Uint8Array(PATCH * PATCH),
      };
    }
    const shape = keep(cv.Mat.zeros(height, width, cv.CV_8UC1));
    const patch = keep(new cv.Mat());
    // Views are taken after the last picture was made: one that needs more memory leaves older views empty.
    const of = labels.data32S;
    const whole = cell.data;
    const drawn = shape.data;
    for (let i = 0; i < whole.length; i++) if (!kept.has(of[i] ?? 0)) whole[i] = 0;
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++)
        if (kept.has(of[(y + top) * cell.cols + x + left] ?? 0)) drawn[y * width + x] = 255;
    cv.resize(shape, patch, new cv.Size(PATCH, PATCH), 0, 0, cv.INTER_AREA);
    return {
      ...{ area, width, height, hyphens, pieces: kept.size, patch: Uint8Array.from(patch.data) },
      ...nameShape(cv, shape, kept.size),
    };
  });
}

/** Which mark a shape is, by its holes, how it fills its box and its hull, and where its ink lies. */
function nameShape(
  cv: OpenCv,
  shape: Picture,
  pieces: number,
): Pick<Look, 'mark' | 'margin' | 'hollow'> {
  return whileKept((keep) => {
    const width = shape.cols;
    const height = shape.rows;
    const aspect = width / height;
    const contours = keep(new cv.MatVector());
    const levels = keep(new cv.Mat());
    cv.findContours(shape, contours, levels, cv.RETR_CCOMP, cv.CHAIN_APPROX_NONE);
    let outer = 0;
    let hull = 1;
    let holes = 0;
    for (let i = 0; i < contours.size(); i++) {
      const contour = keep(contours.get(i));
      const size = cv.contourArea(contour);
      if ((levels.data32S[4 * i + 3] ?? -1) >= 0) holes += size;
      else if (size > outer) {
        outer = size;
        const around = keep(new cv.Mat());
        cv.convexHull(contour, around);
        hull = Math.max(1, cv.contourArea(around));
      }
    }
    const hollow = holes / Math.max(1, outer);
    const word = { mark: 'word' as const, margin: 1, hollow };
    const solidity = outer / hull;
    const ellipse = outer / ((Math.PI / 4) * width * height);
    const fill = cv.countNonZero(shape) / (width * height);
    const squarish = (most: number) => aspect < most && aspect > 1 / most;
    if (pieces > 1 && aspect > 1.6) return word;
    if (aspect > 2 && height < 0.3 * ROW && fill > 0.6 && hollow < 0.02)
      return { mark: 'dash', margin: Math.min(1, (aspect - 1.7) / 0.8), hollow };
    if (hollow > 0.16 && squarish(1.9) && ellipse > 0.88 && ellipse < 1.12 && solidity > 0.93)
      return { mark: 'ring', margin: Math.min(1, (hollow - 0.12) / 0.1), hollow };
    if (hollow < 0.03 && squarish(1.45) && fill > 0.6 && solidity > 0.88)
      return { mark: 'filled', margin: Math.min(1, (solidity - 0.86) / 0.06), hollow };
    if (hollow < 0.05 && squarish(1.7)) {
      const arms = crossness(shape);
      if (arms > 0.5) return { mark: 'cross', margin: Math.min(1, (arms - 0.5) / 0.2), hollow };
    }
    return word;
  });
}

/** How much a shape is two strokes from corner to corner: share of its ink near the diagonals, and of the diagonals that is inked, whichever is less. */
function crossness(shape: Picture): number {
  const { cols, rows, data } = shape;
  const near = 0.17;
  let ink = 0;
  let inkNear = 0;
  const arms = [0, 0, 0, 0];
  const inked = [0, 0, 0, 0];
  for (let y = 0; y < rows; y++)
    for (let x = 0; x < cols; x++) {
      const u = (x + 0.5) / cols;
      const v = (y + 0.5) / rows;
      const off = Math.min(Math.abs(u - v), Math.abs(1 - u - v));
      const isInk = data[y * cols + x] ? 1 : 0;
      ink += isInk;
      if (off < near) inkNear += isInk;
      if (off < 0.06 && Math.hypot(u - 0.5, v - 0.5) < 0.6) {
        const arm = (u > 0.5 ? 1 : 0) + (v > 0.5 ? 2 : 0);
        arms[arm] = (arms[arm] ?? 0) + 1;
        inked[arm] = (inked[arm] ?? 0) + isInk;
      }
    }
  // A letter K or Y, or a 1 with its foot, has ink at the middle of an edge; two crossing strokes have none.
  if (midEdges(shape) > 0.4) return 0;
  const least = Math.min(...arms.map((all, i) => (all ? (inked[i] ?? 0) / all : 0)));
  return Math.min(inkNear / Math.max(1, ink), least);
}

/** How much of the middle of an edge is inked, of the edge that has most. */
function midEdges({ cols, rows, data }: Picture): number {
  const share = (x1: number, x2: number, y1: number, y2: number): number => {
    let ink = 0;
    let all = 0;
    for (let y = Math.floor(y1 * rows); y < Math.ceil(y2 * rows); y++)
      for (let x = Math.floor(x1 * cols); x < Math.ceil(x2 * cols); x++) {
        all++;
        if (data[y * cols + x]) ink++;
      }
    return all ? ink / all : 0;
  };
  return Math.max(
    ...[share(0.4, 0.6, 0, 0.15), share(0.4, 0.6, 0.85, 1)],
    ...[share(0, 0.15, 0.4, 0.6), share(0.85, 1, 0.4, 0.6)],
  );
}
