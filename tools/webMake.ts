import { copyFileSync, mkdirSync } from 'node:fs';
import { basename, join } from 'node:path';
import { build } from 'esbuild';
import { generateSW } from 'workbox-build';
import { compress } from './compressed';
import { dressFirstPage, keepWithinBudget } from './firstPage';
import { EnvironmentError, ROOT } from './folders';
import { engine } from './preparations/engine';
import { prepareLibrary } from './preparations/library';
import { runProgram } from './runProgram';

/** Makes the web application, its workers, preparations and service worker in a folder. */
export async function makeWeb(web: string): Promise<void> {
  const [prepared] = await Promise.all([prepareLibrary(), exportPage(web)]);
  mkdirSync(join(web, 'prepared'));
  for (const file of [...prepared.values()].flat())
    copyFileSync(file, join(web, 'prepared', basename(file)));
  await buildWorkers(web, engine(), [...prepared.keys()]);
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
  await compress(web);
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
