import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import PdfDocument from 'pdfkit';
import sharp from 'sharp';
import { chanceFrom } from '../../core/chance';
import { openCv, whileKept } from './openCv';

/** One of the marks, or the word that is written there. */
export type DrawnMark = string;
const MARKS = ['cross', 'filled', 'ring', 'dash', 'blank'];

/** A contact table as it stands on a sheet. */
export interface DrawnTable {
  /** The corner and the names of the columns. */
  head: string[];
  rows: { name: string; cells: DrawnMark[] }[];
}

/** How a photo of it comes out. */
export interface PhotoWay {
  /** Turned, in degrees. */
  turn: number;
  /** How far corners of the page are moved, as a share of its size. */
  tilt: number;
  /** Blurred, in pixels (standard deviation). */
  blur: number;
  /** How bright the darkest corner is beside the brightest. */
  darkest: number;
  /** Noise of a pixel, of 255. */
  noise: number;
  /** JPEG quality. */
  quality: number;
  seed: number;
}

export interface Typeset {
  font: 'Archivo' | 'Mono';
  /** Size of the letters, and width of the rules, in points. */
  size: number;
  rule: number;
  /** Whether the outer rules are drawn. */
  framed: boolean;
  /** A title over the table, within its frame or above it. */
  title?: { text: string; within: boolean };
  /** Lines of text around it. */
  text: boolean;
}

const FONTS = {
  Archivo: '@expo-google-fonts/archivo/500Medium/Archivo_500Medium.ttf',
  Mono: '@expo-google-fonts/jetbrains-mono/500Medium/JetBrainsMono_500Medium.ttf',
} as const;
const A_PAGE = [560, 420] as const;
const DPI = 200;

/** What is written in a cell; marks are drawn. */
const wordOf = (mark: DrawnMark = 'blank'): string => (MARKS.includes(mark) ? '' : mark);

/** The table on a page, as a grey picture. Drawn by pdfkit and poppler, so that what is read was not drawn by the reader. */
export async function drawPage(table: DrawnTable, set: Typeset): Promise<Buffer> {
  const pdf = new PdfDocument({ size: [...A_PAGE], margin: 0 });
  const parts: Buffer[] = [];
  const whole = new Promise<Buffer>((done) => {
    pdf.on('data', (part: Buffer) => parts.push(part));
    pdf.on('end', () => done(Buffer.concat(parts)));
  });
  pdf.font(join(process.cwd(), 'node_modules', FONTS[set.font])).fontSize(set.size);
  const pad = set.size * 0.5;
  const columns = table.head.length;
  const widths = table.head.map((name, i) => {
    const below = table.rows.map((row) => (i === 0 ? row.name : wordOf(row.cells[i - 1])));
    const names = [name, ...below];
    const widest = Math.max(...names.map((each) => pdf.widthOfString(each)));
    return Math.max(widest, set.size * 2) + 2 * pad;
  });
  const height = set.size * 1.9;
  const left = 40;
  let top = 60;
  const width = widths.reduce((sum, each) => sum + each, 0);
  if (set.text) {
    const words = 'Resistance of the windings 2.1 ohms; disconnect the supply before any test.';
    pdf.text(words, left, 18, { lineBreak: false });
    pdf.text('See note 4 on the other side. Wire gauge 18 unless shown.', left, 385, {
      lineBreak: false,
    });
  }
  pdf.lineWidth(set.rule);
  const rule = (x1: number, y1: number, x2: number, y2: number) =>
    pdf.moveTo(x1, y1).lineTo(x2, y2).stroke();
  if (set.title && !set.title.within)
    pdf.text(set.title.text, left + 10, top - set.size * 1.4, { lineBreak: false });
  if (set.title?.within) {
    pdf.text(set.title.text, left + width / 2 - 30, top + set.size * 0.4, { lineBreak: false });
    rule(left, top, left + width, top);
    rule(left, top, left, top + height);
    rule(left + width, top, left + width, top + height);
    top += height;
  }
  const lines = [table.head, ...table.rows.map((row) => [row.name, ...row.cells])];
  for (let i = 0; i <= lines.length; i++) {
    const outer = i === 0 || i === lines.length;
    if (!outer || set.framed) rule(left, top + i * height, left + width, top + i * height);
  }
  let x = left;
  for (let i = 0; i <= columns; i++) {
    const outer = i === 0 || i === columns;
    if (!outer || set.framed) rule(x, top, x, top + lines.length * height);
    x += widths[i] ?? 0;
  }
  lines.forEach((cells, r) => {
    let at = left;
    cells.forEach((cell, c) => {
      const wide = widths[c] ?? 0;
      const middle = { x: at + wide / 2, y: top + (r + 0.5) * height };
      if (r === 0 || c === 0) write(cell, c === 0 ? at + pad : undefined);
      else mark(cell);
      at += wide;

      function write(text: string, from?: number): void {
        const start = from ?? middle.x - pdf.widthOfString(text) / 2;
        pdf.text(text, start, middle.y - set.size * 0.55, { lineBreak: false });
      }
      function mark(kind: string): void {
        const half = set.size * 0.36;
        const { x: mx, y: my } = middle;
        pdf.lineWidth(Math.max(1, set.size * 0.11));
        if (kind === 'cross') {
          rule(mx - half, my - half, mx + half, my + half);
          rule(mx - half, my + half, mx + half, my - half);
        } else if (kind === 'filled') pdf.circle(mx, my, half).fill('black');
        else if (kind === 'ring') pdf.circle(mx, my, half).stroke();
        else if (kind === 'dash') rule(mx - half, my, mx + half, my);
        else if (kind !== 'blank') write(kind);
        pdf.lineWidth(set.rule).fillColor('black');
      }
    });
  });
  pdf.end();
  const png = execFileSync('pdftoppm', ['-png', '-gray', '-r', String(DPI), '-'], {
    input: await whole,
    maxBuffer: 50e6,
  });
  return sharp(png)
    .toColourspace('b-w')
    .raw()
    .toBuffer({ resolveWithObject: true })
    .then(({ data, info }) =>
      sharp(data, { raw: { width: info.width, height: info.height, channels: 1 } })
        .png()
        .toBuffer(),
    );
}

/** A photo of the page: turned, held askew, blurred, unevenly lit, grainy, as a JPEG. */
export async function photograph(page: Buffer, way: PhotoWay): Promise<Buffer> {
  const { cv } = await openCv();
  const chance = chanceFrom(way.seed);
  const { data, info } = await sharp(page)
    .toColourspace('b-w')
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width, height } = info;
  const out = { width: Math.round(width * 1.12), height: Math.round(height * 1.2) };
  const a = (way.turn * Math.PI) / 180;
  const corners = [
    [0, 0],
    [width, 0],
    [width, height],
    [0, height],
  ].flatMap(([x = 0, y = 0]) => {
    const dx = x - width / 2 + (chance() * 2 - 1) * way.tilt * width;
    const dy = y - height / 2 + (chance() * 2 - 1) * way.tilt * height;
    return [
      out.width / 2 + dx * Math.cos(a) - dy * Math.sin(a),
      out.height / 2 + dx * Math.sin(a) + dy * Math.cos(a),
    ];
  });
  const seen = whileKept((keep) => {
    const flat = keep(cv.matFromArray(height, width, cv.CV_8UC1, data));
    const from = keep(
      cv.matFromArray(4, 1, cv.CV_32FC2, [0, 0, width, 0, width, height, 0, height]),
    );
    const to = keep(cv.matFromArray(4, 1, cv.CV_32FC2, corners));
    const askew = keep(new cv.Mat());
    cv.warpPerspective(
      flat,
      askew,
      keep(cv.getPerspectiveTransform(from, to)),
      new cv.Size(out.width, out.height),
      cv.INTER_LINEAR,
      cv.BORDER_CONSTANT,
      new cv.Scalar(70),
    );
    if (way.blur > 0) cv.GaussianBlur(askew, askew, new cv.Size(0, 0), way.blur);
    return Buffer.from(askew.data);
  });
  // From one corner to the other it grows darker; paper is not white, ink is not black. No function is called for a pixel.
  const [dx, dy] = [chance() < 0.5 ? 1 : 0, chance() < 0.5 ? 1 : 0];
  const grain = Float32Array.from({ length: 65_537 }, () => {
    return (chance() + chance() + chance() - 1.5) * 2 * way.noise;
  });
  const lit = new Uint8ClampedArray(seen.length);
  for (let y = 0, i = 0; y < out.height; y++)
    for (let x = 0; x < out.width; x++, i++) {
      const u = x / out.width;
      const v = y / out.height;
      const far = ((dx ? u : 1 - u) + (dy ? v : 1 - v)) / 2;
      const light = way.darkest + (1 - way.darkest) * far;
      lit[i] = (30 + ((seen[i] ?? 0) / 255) * 200) * light + (grain[i % 65_537] ?? 0);
    }
  return sharp(lit, { raw: { ...out, channels: 1 } })
    .jpeg({ quality: way.quality })
    .toBuffer();
}
