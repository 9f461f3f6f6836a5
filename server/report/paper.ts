import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import PDFDocument from 'pdfkit';

export type Doc = InstanceType<typeof PDFDocument>;

export const PAGE = { size: 'A4', margin: 48 } as const;
export const INK = '#191C1A';
export const SOFT = '#53574F';
export const LINE = '#BDB7A6';

const here = createRequire(__filename);
const faceIn = (family: string, face: string): string =>
  join(dirname(here.resolve(`@expo-google-fonts/${family}/package.json`)), face);
const FACES = {
  text: faceIn('archivo', '500Medium/Archivo_500Medium.ttf'),
  strong: faceIn('archivo', '700Bold/Archivo_700Bold.ttf'),
  mono: faceIn('jetbrains-mono', '500Medium/JetBrainsMono_500Medium.ttf'),
};

/** A4 with the faces of the app inside, and its bytes once it was ended. */
export function openPaper(
  info: { Title: string; Author: string; Subject: string },
  layout: 'portrait' | 'landscape' = 'portrait',
): { doc: Doc; whole: Promise<Buffer> } {
  const doc = new PDFDocument({
    ...PAGE,
    layout,
    bufferPages: true,
    lang: 'en',
    displayTitle: true,
    info,
  });
  for (const [name, file] of Object.entries(FACES)) doc.registerFont(name, file);
  const parts: Buffer[] = [];
  const whole = new Promise<Buffer>((resolve, reject) => {
    doc.on('data', (part: Buffer) => parts.push(part));
    doc.on('end', () => resolve(Buffer.concat(parts)));
    doc.on('error', reject);
  });
  return { doc, whole };
}

/** A caution and the page's number below every page, once it is known how many there are. */
export function footPages(doc: Doc, foot: string): void {
  const { start, count } = doc.bufferedPageRange();
  for (let page = start; page < start + count; page++) {
    doc.switchToPage(page);
    // Below the margin: pdfkit would begin another page for it.
    doc.page.margins.bottom = 0;
    const top = doc.page.height - 34;
    const width = doc.page.width - 2 * PAGE.margin;
    doc
      .font('text')
      .fontSize(8)
      .fillColor(SOFT)
      .text(foot, PAGE.margin, top, { width: width - 50 });
    doc.text(`${page + 1} of ${count}`, PAGE.margin, top, { width, align: 'right' });
    doc.page.margins.bottom = PAGE.margin;
  }
}
