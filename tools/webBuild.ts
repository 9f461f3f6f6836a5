import { createHash } from 'node:crypto';
import {
  copyFileSync,
  existsSync,
  readdirSync,
  readFileSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { build } from 'esbuild';
import { generateSW } from 'workbox-build';
import { EnvironmentError, ROOT, WEB } from './folders';
import { runProgram } from './runProgram';

/** What the web bundle is made from. */
const SOURCES = [
  'app',
  'core',
  'contract',
  'library',
  'public',
  'app.json',
  'babel.config.js',
  'metro.config.js',
  'package-lock.json',
  'tools/minify.js',
  'tools/webBuild.ts',
];
/** Kept inside the folder it speaks of, so that a bundle removed by hand is made again. */
const STAMP = join(WEB, '.sources');

/** Builds the web application and its service worker when a source has changed. */
export async function buildWeb(): Promise<void> {
  const hash = hashOf(SOURCES.map((each) => join(ROOT, each)));
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === hash) return;
  process.stderr.write('yarrix: building the web application\n');
  const env = {
    ...process.env,
    EXPO_NO_TELEMETRY: '1',
    EXPO_OFFLINE: '1',
    CI: '1',
    NODE_ENV: 'production' as const,
  };
  const expo = join(ROOT, 'node_modules', 'expo', 'bin', 'cli');
  const built = await runProgram(
    process.execPath,
    [expo, 'export', '-p', 'web', '--output-dir', WEB],
    {
      cwd: ROOT,
      env,
    },
  );
  if (built.code !== 0)
    throw new EnvironmentError(
      `the web bundle cannot be built:\n${built.output.trim().split('\n').slice(-25).join('\n')}`,
    );
  await buildWorkers();
  // With the service worker a page opens again while the server is away.
  await generateSW({
    globDirectory: WEB,
    globPatterns: ['**/*.{html,js,css,ttf,png,ico,svg,json}'],
    globIgnores: ['sw.js', 'workbox-*.js'],
    swDest: join(WEB, 'sw.js'),
    maximumFileSizeToCacheInBytes: 8 * 2 ** 20,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//],
    clientsClaim: true,
    skipWaiting: true,
    sourcemap: false,
    inlineWorkboxRuntime: true,
  });
  writeFileSync(STAMP, hash);
}

/** Big computation runs beside the page, in bundles of its own. */
async function buildWorkers(): Promise<void> {
  await build({
    entryPoints: { diagnosis: join(ROOT, 'app', 'workers', 'diagnosis.worker.ts') },
    outdir: join(WEB, 'workers'),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    logLevel: 'error',
  });
  // The layout of drawings comes with a worker of its own.
  copyFileSync(
    join(ROOT, 'node_modules', 'elkjs', 'lib', 'elk-worker.min.js'),
    join(WEB, 'workers', 'elk.js'),
  );
}

function hashOf(paths: string[]): string {
  const hash = createHash('sha256');
  const add = (path: string): void => {
    if (!existsSync(path)) return;
    if (statSync(path).isDirectory()) {
      for (const name of readdirSync(path).sort()) add(join(path, name));
    } else if (!/\.test\.tsx?$/.test(path)) {
      hash.update(path).update(readFileSync(path));
    }
  };
  paths.forEach(add);
  return hash.digest('hex');
}
