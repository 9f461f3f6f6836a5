import { sayPosition } from '../../core/describe/position';
import { marked, sayPoint } from '../../core/describe/point';
import { cellState } from '../../core/diagram/contactTable';
import type { CellState, Diagram, Part, SwitchPart } from '../../core/diagram/diagram';
import { positionsOf } from '../../core/diagram/setup';
import { switches, terminalRef } from '../../core/diagram/terminal';
import { drawLadder, type Drawing } from '../../core/drawing/place';
import type { DrawnShape } from '../../core/drawing/shape';
import { shapesOf } from '../../core/drawing/shapes';
import { drawnShowing } from '../../core/drawing/showing';
import { inkOf, PAPER } from '../../core/drawing/svg';
import { layout } from './layout';
import { footPages, INK, LINE, openPaper, PAGE, SOFT, type Doc } from './paper';

/** Below every page. */
const FOOT = 'The maker’s sheet, local codes and licensed practice go before this diagram.';
/** Room that a heading takes with what it stands over, in points. */
const HEADED = 70;

/** A diagram on paper, for the truck: its drawing on one page, then contact tables, wires part by part, and cautions. */
export async function diagramPdf(
  diagram: Diagram,
  { version, shop }: { version: number; shop: string },
): Promise<Buffer> {
  const drawing = await drawLadder(diagram, layout);
  const { doc, whole } = openPaper(
    { Title: diagram.name, Author: shop, Subject: diagram.kind },
    drawing.width > drawing.height ? 'landscape' : 'portrait',
  );
  head(doc, diagram, `${shop} · version ${version}`);
  draw(doc, diagram, drawing);
  nextPage(doc);
  line(doc, 'In tables a dot is closed, a ring open, half a dot may be either.');
  for (const part of switches(diagram)) table(doc, diagram, part);
  heading(doc, 'Wires, part by part');
  for (const part of diagram.parts) wires(doc, diagram, part);
  if (diagram.cautions.length) heading(doc, 'Mind');
  for (const each of diagram.cautions) line(doc, each);
  footPages(doc, FOOT);
  doc.end();
  return whole;
}

function head(doc: Doc, { name, kind, panels }: Diagram, under: string): void {
  doc.font('strong').fontSize(18).fillColor(INK).text(name);
  doc.font('text').fontSize(9.5).fillColor(SOFT).text(`${kind} · ${under}`);
  const ways = panels.map(({ name: panel, fastener }) => `${panel}: ${fastener}`);
  if (ways.length) doc.text(`Behind: ${ways.join('; ')}`);
  doc.moveDown(0.5);
}

/** The drawing as large as the page takes it, colours of wires as on the screen's light theme. */
function draw(doc: Doc, diagram: Diagram, drawing: Drawing): void {
  const width = doc.page.width - 2 * PAGE.margin;
  const height = doc.page.height - PAGE.margin - doc.y;
  const scale = Math.min(width / drawing.width, height / drawing.height, 1);
  doc.save().translate(PAGE.margin, doc.y).scale(scale).lineJoin('round').lineCap('round');
  for (const shape of shapesOf(diagram, drawing, drawnShowing(diagram))) one(doc, shape);
  doc.restore();
}

function one(doc: Doc, shape: DrawnShape): void {
  if (shape.kind === 'text') {
    const { x, y, text, anchor, mono, role } = shape;
    doc
      .font(mono ? 'mono' : 'strong')
      .fontSize(14)
      .fillColor(inkOf(PAPER, role));
    const wide = doc.widthOfString(text);
    const left = anchor === 'start' ? x : anchor === 'end' ? x - wide : x - wide / 2;
    doc.text(text, left, y, { lineBreak: false, baseline: 'alphabetic' });
    return;
  }
  const { d, role, colour, width, fill, dash } = shape;
  doc.path(d).lineWidth(width);
  if (dash) doc.dash(5, { space: 5 });
  const stroke = inkOf(PAPER, role, colour);
  if (fill) doc.fillAndStroke(inkOf(PAPER, fill), stroke);
  else doc.stroke(stroke);
  if (dash) doc.undash();
}

/** What is written stands upright, however the drawing lies. */
const nextPage = (doc: Doc): Doc => doc.addPage({ ...PAGE, layout: 'portrait' });

function heading(doc: Doc, title: string): void {
  // A heading does not stand alone at the foot of a page.
  if (doc.y > doc.page.height - PAGE.margin - HEADED) nextPage(doc);
  doc.moveDown(0.7);
  doc.font('strong').fontSize(12.5).fillColor(INK).text(title, PAGE.margin, doc.y);
  doc.moveDown(0.2);
}

function line(doc: Doc, says: string): void {
  const width = doc.page.width - 2 * PAGE.margin;
  doc.font('text').fontSize(10).fillColor(INK);
  doc.text(says, PAGE.margin, doc.y, { width, paragraphGap: 2 });
}

/** Contacts that stand beside each other; more go below. */
const ABREAST = 7;

/** Width of a position's name, in points. */
const NAMED = 190;

/** A contact table: a dot is closed, a ring open, half a dot either. */
function table(doc: Doc, diagram: Diagram, part: SwitchPart): void {
  heading(doc, part.name);
  for (let first = 0; first < part.contacts.length; first += ABREAST) {
    const contacts = part.contacts.slice(first, first + ABREAST);
    const step = Math.min(60, (doc.page.width - 2 * PAGE.margin - NAMED) / contacts.length);
    const at = (i: number) => PAGE.margin + NAMED + (i + 0.5) * step;
    row(doc, 'position', (y) =>
      contacts.forEach(({ between }, i) => {
        const words = between.join('-');
        doc.font('mono').fontSize(9).fillColor(INK);
        doc.text(words, at(i) - doc.widthOfString(words) / 2, y, { lineBreak: false });
      }),
    );
    for (const position of positionsOf(diagram, part))
      row(doc, sayPosition(diagram, part.actuator, position), (y) =>
        contacts.forEach(({ id }, i) => sign(doc, cellState(part, id, position), at(i), y + 5)),
      );
  }
}

/** A line of a table, not torn from its rule. */
function row(doc: Doc, name: string, cells: (y: number) => void): void {
  doc.font('text').fontSize(9.5);
  const width = NAMED - 8;
  const high = doc.heightOfString(name, { width }) + 6;
  if (doc.y + high > doc.page.height - PAGE.margin) nextPage(doc);
  const top = doc.y;
  doc.font('text').fontSize(9.5).fillColor(INK).text(name, PAGE.margin, top, { width });
  cells(top);
  const y = top + high - 4;
  doc
    .moveTo(PAGE.margin, y)
    .lineTo(doc.page.width - PAGE.margin, y)
    .lineWidth(0.5)
    .stroke(LINE);
  doc.y = top + high;
}

function sign(doc: Doc, state: CellState, x: number, y: number): void {
  const r = 4;
  doc.lineWidth(1.2);
  if (state === 'closed') doc.circle(x, y, r).fillAndStroke(INK, INK);
  else doc.circle(x, y, r).stroke(INK);
  if (state === 'either') doc.path(`M${x} ${y - r}a${r} ${r} 0 0 1 0 ${2 * r}z`).fill(INK);
}

/** Where the wires of a part go, by terminal and colour. */
function wires(doc: Doc, diagram: Diagram, part: Part): void {
  const ends = part.terminals.flatMap(({ id }) => {
    const ref = terminalRef(part.id, id);
    return diagram.wires.flatMap(({ from, to, colour }) => {
      if (from !== ref && to !== ref) return [];
      return [
        `${marked(diagram, ref)} ${colour} to ${sayPoint(diagram, from === ref ? to : from)}`,
      ];
    });
  });
  if (ends.length === 0) return;
  if (doc.y > doc.page.height - PAGE.margin - HEADED / 2) nextPage(doc);
  doc.font('strong').fontSize(10).fillColor(INK).text(part.name, PAGE.margin, doc.y);
  line(doc, ends.join(' · '));
}
