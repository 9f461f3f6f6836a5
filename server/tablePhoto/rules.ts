import type { OpenCv, Picture } from './openCv';
import { whileKept } from './openCv';

/** A rule of a table: across = offset + slope·along + bend·along², `along` and `across` in pixels from the middle of the picture. */
export interface Rule {
  offset: number;
  slope: number;
  bend: number;
  /** Where it begins and ends. */
  from: number;
  to: number;
}

/** Rules that cross each other: those from side to side, top first, and those from top to bottom, left first. */
export interface Rules {
  across: Rule[];
  down: Rule[];
}

export const at = (rule: Rule, along: number): number =>
  rule.offset + rule.slope * along + rule.bend * along * along;

/** A rule is at least this share of the table's side: a title's cell has none of its own. */
const LEAST_SHARE = 0.35;
/** Tables are taken from the largest on, as long as they have this share of the largest one's area. */
const LEAST_TABLE = 0.08;
/** Networks of strokes that are looked at for a table, the largest first. */
const MOST_BOXES = 8;
/** Two rules nearer than this are a double one, in pixels. */
const DOUBLE = 9;

/**
 * By how much a picture is turned, in degrees from -45 to 45: the angle that most length of straight lines has. Undefined where
 * there are none. Probabilistic Hough transform, as OpenCV has it.
 */
export function turnOf(cv: OpenCv, ink: Picture): number | undefined {
  return whileKept((keep) => {
    const lines = keep(new cv.Mat());
    const shortest = Math.max(ink.cols, ink.rows) / 14;
    cv.HoughLinesP(ink, lines, 1, Math.PI / 360, 60, shortest, 4);
    const step = 0.5;
    const lengths = new Float64Array(90 / step);
    const ends = lines.data32S;
    for (let i = 0; i < lines.rows; i++) {
      const [x1 = 0, y1 = 0, x2 = 0, y2 = 0] = ends.subarray(4 * i, 4 * i + 4);
      const angle = (Math.atan2(y2 - y1, x2 - x1) * 180) / Math.PI;
      const within = (((angle + 45) % 90) + 90) % 90;
      const bin = Math.floor(within / step) % lengths.length;
      lengths[bin] = (lengths[bin] ?? 0) + Math.hypot(x2 - x1, y2 - y1);
    }
    // Rules of a page that is held askew spread over a few degrees.
    let best = -1;
    let most = 0;
    for (let i = 0; i < lengths.length; i++) {
      let sum = 0;
      for (let d = -5; d <= 5; d++)
        sum += (lengths[(i + d + lengths.length) % lengths.length] ?? 0) * (6 - Math.abs(d));
      if (sum > most) [best, most] = [i, sum];
    }
    return best < 0 ? undefined : (best + 0.5) * step - 45;
  });
}

/** The ruled tables of an upright picture of ink (255) on paper (0), largest first. */
export function findTables(cv: OpenCv, ink: Picture): Rules[] {
  return whileKept((keep) => {
    const long = Math.round(Math.max(ink.cols, ink.rows) / 55);
    const bold = keep(new cv.Mat());
    cv.dilate(ink, bold, keep(cv.getStructuringElement(cv.MORPH_RECT, new cv.Size(3, 3))));
    const strokes = (width: number, height: number): Picture => {
      const found = keep(new cv.Mat());
      const kernel = keep(cv.getStructuringElement(cv.MORPH_RECT, new cv.Size(width, height)));
      cv.morphologyEx(bold, found, cv.MORPH_OPEN, kernel);
      return found;
    };
    const across = strokes(long, 1);
    const down = strokes(1, long);
    const both = keep(new cv.Mat());
    cv.bitwise_or(across, down, both);
    // A rule that is broken by a fold is one all the same.
    const joined = keep(new cv.Mat());
    cv.morphologyEx(
      both,
      joined,
      cv.MORPH_CLOSE,
      keep(cv.getStructuringElement(cv.MORPH_RECT, new cv.Size(7, 7))),
    );
    const labels = keep(new cv.Mat());
    const stats = keep(new cv.Mat());
    const count = cv.connectedComponentsWithStats(
      joined,
      labels,
      stats,
      keep(new cv.Mat()),
      8,
      cv.CV_32S,
    );
    const boxes = Array.from({ length: count - 1 }, (_, i) => {
      const [, , width = 0, height = 0] = stats.data32S.subarray(5 * (i + 1), 5 * (i + 1) + 4);
      return { label: i + 1, width, height, area: width * height };
    }).filter(({ width, height }) => Math.min(width, height) > 3 * long);
    boxes.sort((a, b) => b.area - a.area);
    const found = boxes.slice(0, MOST_BOXES).flatMap(({ label, width, height, area }) => {
      const mine = (mask: Picture): Uint8Array => {
        // Asked for once: each asking makes a view anew, and one from before other pictures were made may be empty.
        const of = mask.data;
        const labelled = labels.data32S;
        const found = new Uint8Array(of.length);
        for (let i = 0; i < of.length; i++) if (of[i] && labelled[i] === label) found[i] = 255;
        return found;
      };
      const size = { width: ink.cols, height: ink.rows };
      const rules = {
        across: fitRules(cv, mine(across), size, width * LEAST_SHARE, true),
        down: fitRules(cv, mine(down), size, height * LEAST_SHARE, false),
      };
      const whole = withOuter(rules);
      return whole.across.length >= 3 && whole.down.length >= 3 ? [{ whole, area }] : [];
    });
    // The edge of the paper is no table, however large it is.
    return found
      .filter(({ area }) => area > (found[0]?.area ?? 0) * LEAST_TABLE)
      .map(({ whole }) => whole);
  });
}

/** Sums of a piece of a rule, from which its curve is fitted; pieces of one rule are added up. */
interface Piece {
  n: number;
  /** Of along^0..4, and of across·along^0..2. */
  sums: Float64Array;
  from: number;
  to: number;
}

function fitRules(
  cv: OpenCv,
  mask: Uint8Array,
  { width, height }: { width: number; height: number },
  shortest: number,
  isAcross: boolean,
): Rule[] {
  return whileKept((keep) => {
    const picture = keep(cv.matFromArray(height, width, cv.CV_8UC1, mask));
    const labels = keep(new cv.Mat());
    const count = cv.connectedComponents(picture, labels, 8, cv.CV_32S);
    const pieces = Array.from({ length: count }, (): Piece => {
      return { n: 0, sums: new Float64Array(8), from: Infinity, to: -Infinity };
    });
    const scale = Math.max(width, height) / 2;
    const labelled = labels.data32S;
    for (let y = 0; y < height; y++)
      for (let x = 0; x < width; x++) {
        const label = labelled[y * width + x] ?? 0;
        const piece = label ? pieces[label] : undefined;
        if (!piece) continue;
        const [px, py] = [x - width / 2, y - height / 2];
        const [along, across] = isAcross ? [px, py] : [py, px];
        addTo(piece, along / scale, across);
        piece.from = Math.min(piece.from, along);
        piece.to = Math.max(piece.to, along);
      }
    const whole = joinPieces(
      pieces.slice(1).filter(({ from, to }) => to - from > shortest / 8),
      scale,
    ).filter(({ from, to }) => to - from > shortest);
    const rules = whole.map((piece) => curveOf(piece, scale));
    const middle = (rule: Rule) => at(rule, (rule.from + rule.to) / 2);
    rules.sort((a, b) => middle(a) - middle(b));
    return rules.filter((rule, i) => {
      const before = rules[i - 1];
      return !before || Math.abs(middle(rule) - at(before, (rule.from + rule.to) / 2)) > DOUBLE;
    });
  });
}

function addTo({ sums }: Piece, along: number, across: number): void {
  let power = 1;
  for (let i = 0; i < 5; i++) {
    sums[i] = (sums[i] ?? 0) + power;
    if (i < 3) sums[5 + i] = (sums[5 + i] ?? 0) + across * power;
    power *= along;
  }
}

/** Pieces that lie on one curve are one rule, longest first. */
function joinPieces(pieces: Piece[], scale: number): Piece[] {
  const left = [...pieces].sort((a, b) => b.to - b.from - (a.to - a.from));
  const whole: Piece[] = [];
  for (const piece of left) {
    const own = curveOf(piece, scale);
    const middle = (piece.from + piece.to) / 2;
    const line = whole.find((each) => {
      const reach = each.to - each.from;
      const curve = curveOf(each, scale, reach < 0.5 * scale);
      const gap = Math.max(each.from - piece.to, piece.from - each.to, 0);
      return Math.abs(at(curve, middle) - at(own, middle)) < 5 + 0.03 * gap && gap < reach;
    });
    if (!line) whole.push({ ...piece, sums: piece.sums.slice() });
    else {
      for (let i = 0; i < line.sums.length; i++)
        line.sums[i] = (line.sums[i] ?? 0) + (piece.sums[i] ?? 0);
      line.from = Math.min(line.from, piece.from);
      line.to = Math.max(line.to, piece.to);
    }
  }
  return whole;
}

/** Least squares: a parabola where the rule is long enough to show its bend, else a straight line. */
function curveOf(
  { sums, from, to }: Piece,
  scale: number,
  straight = to - from < 0.5 * scale,
): Rule {
  const [n = 1, s1 = 0, s2 = 0, s3 = 0, s4 = 0, t0 = 0, t1 = 0, t2 = 0] = sums;
  const line = (): [number, number, number] => {
    const det = n * s2 - s1 * s1;
    if (Math.abs(det) < 1e-9) return [t0 / n, 0, 0];
    return [(t0 * s2 - t1 * s1) / det, (n * t1 - s1 * t0) / det, 0];
  };
  const det3 = (m: number[]): number => {
    const [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0, g = 0, h = 0, i = 0] = m;
    return a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g);
  };
  const whole = det3([n, s1, s2, s1, s2, s3, s2, s3, s4]);
  const [offset, slope, bend] =
    straight || Math.abs(whole) < 1e-9
      ? line()
      : [
          det3([t0, s1, s2, t1, s2, s3, t2, s3, s4]) / whole,
          det3([n, t0, s2, s1, t1, s3, s2, t2, s4]) / whole,
          det3([n, s1, t0, s1, s2, t1, s2, s3, t2]) / whole,
        ];
  return { offset, slope: slope / scale, bend: bend / (scale * scale), from, to };
}

/** With the outer rules that a table without a frame leaves out: where its own ones end. */
function withOuter(rules: Rules): Rules {
  const ends = (of: Rule[], crossed: Rule[]): Rule[] => {
    const first = crossed[0];
    const last = crossed.at(-1);
    if (!first || !last || crossed.length < 2) return crossed;
    const pitch = (middleOf(last) - middleOf(first)) / (crossed.length - 1);
    const before = median(of.map((rule) => beyond(first, rule, rule.from)));
    const after = median(of.map((rule) => beyond(last, rule, rule.to)));
    const least = 0.3 * pitch;
    return [
      ...(before < -least ? [{ ...first, offset: first.offset + before }] : []),
      ...crossed,
      ...(after > least ? [{ ...last, offset: last.offset + after }] : []),
    ];
  };
  const down = ends(rules.across, rules.down);
  return { down, across: ends(rules.down, rules.across) };
}

/** How far a place on a rule lies from a rule that it crosses. */
function beyond(crossed: Rule, rule: Rule, along: number): number {
  return along - at(crossed, at(rule, along));
}

const middleOf = (rule: Rule): number => at(rule, (rule.from + rule.to) / 2);

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? 0;
}

/** Where two rules cross: along the one from side to side, and along the one from top to bottom. */
export function crossing(across: Rule, down: Rule): [number, number] {
  let x = down.offset;
  let y = 0;
  for (let i = 0; i < 12; i++) {
    y = at(across, x);
    x = at(down, y);
  }
  return [x, y];
}
