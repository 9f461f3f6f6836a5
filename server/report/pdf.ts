import type { CallReport, ReportedReading } from '../../core/describe/report';
import { footPages, INK, LINE, openPaper, PAGE, SOFT, type Doc } from './paper';
import type { PdfOptions } from './pdfOptions';

/** Below every page. */
const FOOT =
  'Readings are those of the day. The maker’s sheet, local codes and licensed practice go before this report.';

const BAD = '#9E1F14';
const GOOD = '#14603A';

/** The report as a PDF with its faces inside: fine on paper, one column, nothing told by colour alone. */
export function reportPdf(report: CallReport, options: PdfOptions): Promise<Buffer> {
  const { doc, whole } = openPaper({
    Title: `Report: ${report.unit}`,
    Author: options.shop,
    Subject: report.complaint,
  });
  new Sheet(doc, options).write(report);
  doc.end();
  return whole;
}

class Sheet {
  private readonly width: number;

  constructor(
    private readonly doc: Doc,
    private readonly options: PdfOptions,
  ) {
    this.width = doc.page.width - 2 * PAGE.margin;
  }

  write(report: CallReport): void {
    const trade = this.options.reader === 'trade';
    this.head(report);
    this.section('What was told', [report.complaint, ...report.told]);
    this.found(report);
    this.readings(report.readings);
    if (trade || report.looks.length) this.section('What was looked at', report.looks);
    this.branch(report);
    this.section('What made it fail', report.causes);
    this.decided(report);
    if (trade) this.section('What was held against the old part', report.fit);
    this.section('What was done', report.done);
    this.proof(report);
    this.section('What was checked', report.checks);
    if (trade) this.section('What was put back', report.putBack);
    this.section('What was declined', report.declined);
    this.section('What stays as it is', report.left);
    this.section('What to do differently', report.advice);
    this.photos();
    this.section('Mind', report.cautions);
    footPages(this.doc, FOOT);
  }

  private head({ unit, place, customer, began, diagram }: CallReport): void {
    const { doc, options } = this;
    doc.font('strong').fontSize(20).fillColor(INK).text(unit);
    doc.font('text').fontSize(10.5).fillColor(SOFT);
    doc.text([place, customer].filter(Boolean).join(' · '));
    const day = new Intl.DateTimeFormat('en', { dateStyle: 'long', timeZone: options.zone });
    doc.text(`${options.shop} · ${day.format(new Date(began))} · ${diagram}`);
    doc.moveDown(0.4);
    this.rule();
  }

  /** A heading with lines; nothing without lines. */
  private section(title: string, lines: readonly string[]): void {
    if (lines.length === 0) return;
    this.heading(title);
    for (const line of lines) this.line(line);
  }

  private heading(title: string): void {
    const { doc } = this;
    // A heading does not stand alone at the foot of a page.
    if (doc.y > doc.page.height - PAGE.margin - 60) doc.addPage();
    doc.moveDown(0.6);
    doc.font('strong').fontSize(12.5).fillColor(INK).text(title, PAGE.margin, doc.y);
    doc.moveDown(0.15);
  }

  private line(says: string, colour = INK): void {
    this.doc
      .font('text')
      .fontSize(10.5)
      .fillColor(colour)
      .text(says, PAGE.margin, this.doc.y, { width: this.width, paragraphGap: 2 });
  }

  private found({ found }: CallReport): void {
    if (!found) return;
    this.heading('What was found');
    this.doc
      .font('strong')
      .fontSize(12)
      .fillColor(INK)
      .text(`${found.part}: ${found.says}`, { width: this.width });
    if (this.options.reader === 'trade') this.line(found.chance, SOFT);
    if (found.guess) this.line(found.guess);
  }

  /** What was read, beside what a good unit shows; a row is not torn in two. */
  private readings(readings: readonly ReportedReading[]): void {
    if (readings.length === 0) return;
    const trade = this.options.reader === 'trade';
    const columns = [0.46, 0.24, 0.16, 0.14].map((share) => share * this.width);
    this.heading('What was read');
    this.row(['Where', 'A good unit shows', 'This one', ''], columns, 'strong', SOFT);
    const rows = trade ? readings : told(readings);
    rows.forEach(({ what, points, expected, shown, fits, after }, i) => {
      if (after && !rows[i - 1]?.after) this.row(['After the repair'], columns, 'strong', SOFT);
      const says = fits === undefined ? '' : fits ? 'as it should be' : 'not so';
      this.row(
        [trade ? points : what, expected, shown, says],
        columns,
        'text',
        fits === false ? BAD : INK,
      );
    });
  }

  private row(
    cells: readonly string[],
    columns: readonly number[],
    face: string,
    colour: string,
  ): void {
    const { doc } = this;
    doc.font(face).fontSize(9.5);
    const heights = cells.map((cell, i) =>
      doc.heightOfString(cell, { width: (columns[i] ?? 60) - 8 }),
    );
    const height = Math.max(...heights) + 5;
    if (doc.y + height > doc.page.height - PAGE.margin) doc.addPage();
    const top = doc.y;
    let left: number = PAGE.margin;
    cells.forEach((cell, i) => {
      const width = columns[i] ?? 60;
      doc.fillColor(colour).text(cell, left, top, { width: width - 8 });
      left += width;
    });
    doc.y = top + height;
    doc
      .moveTo(PAGE.margin, doc.y - 2)
      .lineTo(PAGE.margin + this.width, doc.y - 2)
      .lineWidth(0.5)
      .strokeColor(LINE)
      .stroke();
  }

  /** The branch from one side of the supply to the other, drawn as a line with its places. */
  private branch({ branch }: CallReport): void {
    if (branch.length === 0) return;
    this.heading('Where it lies');
    const { doc } = this;
    const step = 11;
    const x = PAGE.margin + 6;
    for (const { at, then, marked } of branch) {
      if (doc.y + 2 * step > doc.page.height - PAGE.margin) doc.addPage();
      const y = doc.y + 6;
      doc.circle(x, y, 2.6).fillColor(INK).fill();
      doc
        .font('text')
        .fontSize(9.5)
        .fillColor(INK)
        .text(at, x + 14, y - 5, { width: this.width - 30 });
      if (then === undefined) continue;
      const end = y + 2 * step;
      doc
        .moveTo(x, y + 3)
        .lineTo(x, end - 3)
        .lineWidth(marked ? 3 : 1);
      doc.strokeColor(marked ? BAD : SOFT);
      // A gap beside the colour: it is seen on a black and white page as well.
      if (marked) doc.dash(3, { space: 3 });
      doc.stroke().undash();
      doc
        .font(marked ? 'strong' : 'text')
        .fillColor(marked ? BAD : SOFT)
        .text(marked ? `${then}: this is what was found` : then, x + 30, y + step - 5, {
          width: this.width - 46,
        });
      doc.y = end - 6;
    }
    doc.y += step;
  }

  private decided({ decided }: CallReport): void {
    if (!decided) return;
    const { option, along, choice, figures } = decided;
    const money = (amount: number): string => `${this.options.currency}${amount.toFixed(2)}`;
    const { partPrice, minutes, leadDays, comesBack, expected } = figures;
    const trade = this.options.reader === 'trade';
    this.section('What was decided', [
      `${option}${along.length ? `, with ${along.join(', ')}` : ''}`,
      ...(choice === undefined ? [] : [`In the customer’s words: “${choice}”`]),
      ...(partPrice === undefined
        ? []
        : [
            `Parts about ${money(partPrice)}${minutes === undefined ? '' : `, about ${Math.round(minutes)} minutes`}${leadDays ? `, ${leadDays} days until they are here` : ''}`,
          ]),
      ...(trade && expected && comesBack !== undefined
        ? [
            `Reckoned with: ${money(expected.customer)} for the customer and ${money(expected.shop)} for the shop, returns counted in; comes back in ${(100 * comesBack).toFixed(1)} of 100`,
          ]
        : []),
    ]);
  }

  private proof({ proof, seenAfter }: CallReport): void {
    if (!proof) return;
    this.heading('What was proved');
    const whole = proof.missing.length === 0;
    this.doc
      .font('strong')
      .fontSize(10.5)
      .fillColor(whole ? GOOD : INK)
      .text(proof.headline, { width: this.width });
    for (const each of proof.grades) this.line(each);
    for (const each of seenAfter) this.line(`Seen: ${each}`);
    for (const each of proof.missing) this.line(`Not done: ${each}`);
  }

  /** Two beside each other, each with what it shows; as many as there are. */
  private photos(): void {
    const { doc, options } = this;
    if (options.photos.length === 0) return;
    this.heading('Photos');
    const width = (this.width - 16) / 2;
    const height = 0.75 * width;
    options.photos.forEach(({ shows, jpeg }, i) => {
      const left = i % 2 === 0;
      if (left && doc.y + height + 24 > doc.page.height - PAGE.margin) doc.addPage();
      const x = PAGE.margin + (left ? 0 : width + 16);
      const top = doc.y;
      doc.image(Buffer.from(jpeg), x, top, { fit: [width, height] });
      doc
        .font('text')
        .fontSize(9.5)
        .fillColor(SOFT)
        .text(shows, x, top + height + 3, { width });
      // The second of a row stands where the first does.
      doc.y = left && i < options.photos.length - 1 ? top : top + height + 22;
    });
  }

  private rule(): void {
    const { doc } = this;
    doc
      .moveTo(PAGE.margin, doc.y)
      .lineTo(PAGE.margin + this.width, doc.y)
      .lineWidth(1)
      .strokeColor(INK)
      .stroke();
  }
}

/** For the customer the same reading stands once, with how often it was the same. */
function told(readings: readonly ReportedReading[]): ReportedReading[] {
  const rows = new Map<string, { reading: ReportedReading; times: number }>();
  for (const reading of readings) {
    const key = JSON.stringify([reading.what, reading.shown, reading.after]);
    const before = rows.get(key);
    rows.set(key, { reading, times: (before?.times ?? 0) + 1 });
  }
  return [...rows.values()].map(({ reading, times }) =>
    times > 1 ? { ...reading, shown: `${reading.shown}, ${times} times` } : reading,
  );
}
