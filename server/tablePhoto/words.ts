import { execFile } from 'node:child_process';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import sharp from 'sharp';

const run = promisify(execFile);
/** Longest that one reading of all cells of a photo takes. */
const PATIENCE_MS = 20_000;
/** White around a cell's ink, in pixels: letters at the very edge are missed. */
const AROUND = 14;

/** A cell cut out of a flat table. */
export interface Cutting {
  width: number;
  height: number;
  /** One byte a pixel, 255 for paper. */
  grey: Uint8Array;
}

/** A word as it was read, and how sure tesseract is of its least sure piece, 0 to 100. */
export interface Word {
  text: string;
  sure: number;
}

/** Reading letters needs a program that is not there. */
export class NoTesseract extends Error {
  constructor() {
    super('tesseract is not installed here: "apt-get install tesseract-ocr"');
  }
}

/** How tesseract takes a picture: as one line of text, or as one letter (its page segmentation modes). */
const MODES = { line: '7', letter: '10' } as const;

/** Reads each cutting as one line or one letter, all of them in one run of tesseract, enlarged by `scale`. Throws `NoTesseract` where there is none. */
export async function readWords(
  cuttings: readonly Cutting[],
  scale: number,
  as: keyof typeof MODES,
): Promise<Word[]> {
  if (cuttings.length === 0) return [];
  const folder = await mkdtemp(join(tmpdir(), 'yarrix-words-'));
  try {
    const names = await Promise.all(
      cuttings.map(async ({ width, height, grey }, i) => {
        const name = join(folder, `${i}.png`);
        await sharp(grey, { raw: { width, height, channels: 1 } })
          .resize({ height: Math.round(height * scale), kernel: 'cubic' })
          .extend({ top: AROUND, bottom: AROUND, left: AROUND, right: AROUND, background: 'white' })
          .toColourspace('b-w')
          .png({ compressionLevel: 1 })
          .toFile(name);
        return name;
      }),
    );
    await writeFile(join(folder, 'list.txt'), names.join('\n'));
    const args = [
      join(folder, 'list.txt'),
      join(folder, 'read'),
      '--psm',
      MODES[as],
      '-l',
      'eng',
      'tsv',
    ];
    await run('tesseract', args, {
      timeout: PATIENCE_MS,
      env: { ...process.env, OMP_THREAD_LIMIT: '1' },
    });
    return wordsOf(await readFile(join(folder, 'read.tsv'), 'utf8'), cuttings.length);
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') throw new NoTesseract();
    throw error;
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** The words of each page of tesseract's table: level 5 are words, column 1 the page, 10 how sure it is, 11 the text. */
function wordsOf(tsv: string, pages: number): Word[] {
  const words = Array.from({ length: pages }, (): Word => ({ text: '', sure: 100 }));
  for (const line of tsv.split('\n').slice(1)) {
    const fields = line.split('\t');
    const word = words[Number(fields[1]) - 1];
    const text = (fields[11] ?? '').trim();
    if (fields[0] !== '5' || !word || !text) continue;
    word.text = word.text ? `${word.text} ${text}` : text;
    word.sure = Math.min(word.sure, Number(fields[10]));
  }
  return words.map((word) => (word.text ? word : { text: '', sure: 0 }));
}
