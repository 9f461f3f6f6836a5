import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { cutFaces } from './faces';
import { EnvironmentError, ROOT } from './folders';

/** Where the platform puts scripts. */
const SCRIPTS = '_expo/static/js/web';

/**
 * Puts into the page what it is to have before its script: the frame of a screen, which is there at once and goes when the
 * first screen has come (app/features/arrival.ts), the faces by name, its scripts as the
 * first things to come, and the one that is fetched when these are here (app/state/begin.ts).
 */
export async function dressFirstPage(folder: string): Promise<void> {
  const path = join(folder, 'index.html');
  const page = readFileSync(path, 'utf8');
  const scripts = scriptsOf(page);
  const early = scripts.map((src) => `<link rel="preload" as="script" href="${src}">`).join('');
  const [screens] = readdirSync(join(folder, SCRIPTS)).filter((name) =>
    /^screens-\w+\.js$/.test(name),
  );
  if (screens === undefined) throw new Error(`no script of the other screens in ${SCRIPTS}`);
  const next = `<link rel="next-script" as="script" href="/${SCRIPTS}/${screens}">`;
  const faces = `<style>${await cutFaces(folder)}</style>`;
  const shell = readFileSync(join(ROOT, 'tools', 'shell.html'), 'utf8').replace(/\n\s*/g, '\n');
  const head = page.replace('</title>', `</title>${early}${next}${faces}`);
  writeFileSync(path, head.replace('<body>', `<body>${shell}`));
}

/** Scripts that a page begins with. */
export const scriptsOf = (page: string): string[] =>
  [...page.matchAll(/<script src="([^"]+)"/g)].flatMap(([, src]) => src ?? []);

/** The first page may grow by so much over what is written down before somebody has to say that it may. */
const GROWTH = 1.05;

/** Throws where the first page, packed, has grown over the figure in docs/bench.md. */
export function keepWithinBudget(folder: string): void {
  const sizeOf = (name: string): number => {
    const packed = join(folder, `${name}.br`);
    return statSync(existsSync(packed) ? packed : join(folder, name)).size;
  };
  const files = ['index.html', ...scriptsOf(readFileSync(join(folder, 'index.html'), 'utf8'))];
  const bytes = files.reduce((sum, name) => sum + sizeOf(name), 0);
  const figures = readFileSync(join(ROOT, 'docs', 'bench.md'), 'utf8');
  const [, written = ''] = /First page on the wire: ([\d,]+) bytes/.exec(figures) ?? [];
  const allowed = GROWTH * Number(written.replaceAll(',', ''));
  if (!(bytes <= allowed))
    throw new EnvironmentError(
      `the first page has ${bytes} bytes of page and script, docs/bench.md allows ${Math.floor(allowed)}: leave something out of it (app/features/screens.ts), or write down there why it is worth more`,
    );
}
