import { createHash } from 'node:crypto';
import {
  copyFileSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { basename, join, relative } from 'node:path';
import { build } from 'esbuild';
import { generateSW } from 'workbox-build';
import { compress } from './compressed';
import { dressFirstPage, keepWithinBudget } from './firstPage';
import { EnvironmentError, ROOT, WEB } from './folders';
import { prepareLibrary } from './preparations';
import { runProgram } from './runProgram';

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
  'tools/webBuild.ts',
  'tools/compressed.ts',
  'tools/faces.ts',
  'tools/preparations.ts',
  'tools/preparations.worker.ts',
  'tools/firstPage.ts',
  'tools/shell.html',
  'demo',
];
/** What prepares a unit; what is prepared depends on all that this imports. */
const PREPARES = 'tools/preparations.worker.ts';
/** Kept inside the folder it speaks of, so that a bundle removed by hand is made again. */
const STAMP = '.sources';
/** On the disk that it goes to in the end. */
const MADE_IN = join(ROOT, '.expo');

/** Builds the web application and its service worker when a source has changed. */
export async function buildWeb(): Promise<void> {
  const hash = hashOf(SOURCES.map((each) => join(ROOT, each)));
  const stamp = join(WEB, STAMP);
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return;
  process.stderr.write('yarrix: building the web application\n');
  // Made beside the one that is served, and put in its place whole: another start may build too.
  mkdirSync(MADE_IN, { recursive: true });
  const made = mkdtempSync(join(MADE_IN, 'web-'));
  try {
    await buildInto(made);
    writeFileSync(join(made, STAMP), hash);
    rmSync(WEB, { recursive: true, force: true });
    renameSync(made, WEB);
  } finally {
    rmSync(made, { recursive: true, force: true });
  }
}

async function buildInto(web: string): Promise<void> {
  const engine = hashOf((await enginePaths()).map((each) => join(ROOT, each)));
  const [prepared] = await Promise.all([prepareLibrary(engine), exportPage(web)]);
  mkdirSync(join(web, 'prepared'));
  for (const file of [...prepared.values()].flat())
    copyFileSync(file, join(web, 'prepared', basename(file)));
  await buildWorkers(web, engine, [...prepared.keys()]);
  await dressFirstPage(web);
  // With the service worker a page opens again while the server is away.
  await generateSW({
    globDirectory: web,
    globPatterns: ['**/*.{html,js,css,woff2,png,ico,svg,json}'],
    // Preparations come with the units that are worked with.
    globIgnores: ['sw.js', 'workbox-*.js', 'prepared/*'],
    runtimeCaching: [
      {
        urlPattern: /\/prepared\//,
        handler: 'CacheFirst',
        options: { cacheName: 'prepared', expiration: { maxEntries: 120 } },
      },
    ],
    swDest: join(web, 'sw.js'),
    maximumFileSizeToCacheInBytes: 8 * 2 ** 20,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/(api|shared)\//],
    clientsClaim: true,
    // A newer version waits until it is taken (app/sync/newVersion.ts).
    skipWaiting: false,
    sourcemap: false,
    inlineWorkboxRuntime: true,
  });
  compress(web);
  keepWithinBudget(web);
}

/**
 * The page as the platform builds it, for production.
 * @param routes folder of another page than ours, in the repository
 */
export async function exportPage(folder: string, routes?: string): Promise<void> {
  const env = {
    ...process.env,
    ...(routes !== undefined && { YARRIX_ROUTES: `./${routes}` }),
    EXPO_NO_TELEMETRY: '1',
    EXPO_OFFLINE: '1',
    CI: '1',
    NODE_ENV: 'production' as const,
  };
  const expo = join(ROOT, 'node_modules', 'expo', 'bin', 'cli');
  const args = [expo, 'export', '-p', 'web', '--output-dir', folder];
  const built = await runProgram(process.execPath, args, { cwd: ROOT, env });
  if (built.code !== 0)
    throw new EnvironmentError(
      `the web bundle cannot be built:\n${built.output.trim().split('\n').slice(-25).join('\n')}`,
    );
}

/** Big computation runs beside the page, in bundles of its own. */
async function buildWorkers(web: string, engine: string, shipped: string[]): Promise<void> {
  await build({
    entryPoints: Object.fromEntries(
      ['diagnosis', 'draft'].map((name) => [
        name,
        join(ROOT, 'app', 'workers', `${name}.worker.ts`),
      ]),
    ),
    outdir: join(web, 'workers'),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    logLevel: 'error',
    define: { ENGINE: JSON.stringify(engine), SHIPPED: JSON.stringify(shipped) },
  });
  // The layout of drawings comes with a worker of its own.
  copyFileSync(
    join(ROOT, 'node_modules', 'elkjs', 'lib', 'elk-worker.min.js'),
    join(web, 'workers', 'elk.js'),
  );
}

/** Files of ours that preparing a unit is made of; the units themselves are known by what is in them. */
async function enginePaths(): Promise<string[]> {
  const { metafile } = await build({
    absWorkingDir: ROOT,
    entryPoints: [PREPARES],
    bundle: true,
    write: false,
    metafile: true,
    platform: 'node',
    packages: 'external',
    logLevel: 'error',
  });
  return Object.keys(metafile.inputs)
    .filter((path) => !path.startsWith('library/'))
    .sort();
}

function hashOf(paths: string[]): string {
  const hash = createHash('sha256');
  const add = (path: string): void => {
    if (!existsSync(path)) return;
    if (statSync(path).isDirectory()) {
      for (const name of readdirSync(path).sort()) add(join(path, name));
    } else if (!/\.test\.tsx?$/.test(path)) {
      // The same in every checkout: by this an engine is known on devices too.
      hash.update(relative(ROOT, path)).update(readFileSync(path));
    }
  };
  paths.forEach(add);
  return hash.digest('hex');
}
