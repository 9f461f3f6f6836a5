import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { cutFaces } from './faces';
import { ROOT } from './folders';

/**
 * Puts into the page what it is to have before its script: the frame of a screen, which is there at once and goes when the
 * first screen has come (app/features/arrival.ts), the faces by name, and the scripts as the first things to come.
 */
export async function dressFirstPage(folder: string): Promise<void> {
  const path = join(folder, 'index.html');
  const page = readFileSync(path, 'utf8');
  const scripts = [...page.matchAll(/<script src="([^"]+)"/g)].flatMap(([, src]) => src ?? []);
  const early = scripts.map((src) => `<link rel="preload" as="script" href="${src}">`).join('');
  const faces = `<style>${await cutFaces(folder)}</style>`;
  const shell = readFileSync(join(ROOT, 'tools', 'shell.html'), 'utf8').replace(/\n\s*/g, '\n');
  const head = page.replace('</title>', `</title>${early}${faces}`);
  writeFileSync(path, head.replace('<body>', `<body>${shell}`));
}
