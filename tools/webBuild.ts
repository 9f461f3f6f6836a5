import {
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { ROOT, WEB } from './folders';
import { sourceHash } from './sourceHash';

/** What the web bundle is made from. */
const SOURCES = [
  'app',
  'core',
  'contract',
  'library',
  'public',
  'app.json',
  'app.config.js',
  'babel.config.js',
  'metro.config.js',
  'package-lock.json',
  'tools/minify.js',
  'tools/sourceHash.ts',
  'tools/webBuild.ts',
  'tools/webMake.ts',
  'tools/compressed.ts',
  'tools/faces.ts',
  'tools/preparations',
  'tools/firstPage.ts',
  'tools/shell.html',
  'demo',
];
/** Kept inside the folder it speaks of, so that a bundle removed by hand is made again. */
const STAMP = '.sources';
/** On the disk that it goes to in the end. */
const MADE_IN = join(ROOT, '.expo');

/** Builds the web application and its service worker when a source has changed. */
export async function buildWeb(): Promise<void> {
  const hash = sourceHash(SOURCES);
  const stamp = join(WEB, STAMP);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return;
  process.stderr.write('yarrix: building the web application\n');
  // Made beside the one that is served, and put in its place whole: another start may build too.
  mkdirSync(MADE_IN, { recursive: true });
  const made = mkdtempSync(join(MADE_IN, 'web-'));
  try {
    // Loaded only now: a start that has nothing to build does without.
    const { makeWeb } = await import('./webMake');
    await makeWeb(made);
    writeFileSync(join(made, STAMP), hash);
    rmSync(WEB, { recursive: true, force: true });
    renameSync(made, WEB);
  } finally {
    rmSync(made, { recursive: true, force: true });
  }
}
