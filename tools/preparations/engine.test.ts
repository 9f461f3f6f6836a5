import { build } from 'esbuild';
import { ROOT } from '../folders';
import { ENGINE_SOURCES } from './engine';

it('knows the engine by every file that preparing a unit imports', async () => {
  const { metafile } = await build({
    absWorkingDir: ROOT,
    entryPoints: ['tools/preparations/library.worker.ts'],
    bundle: true,
    write: false,
    metafile: true,
    platform: 'node',
    packages: 'external',
    logLevel: 'error',
  });
  const imported = Object.keys(metafile.inputs).filter((path) => !path.startsWith('library/'));
  expect(imported.length).toBeGreaterThan(50);
  const isKnown = (path: string): boolean =>
    ENGINE_SOURCES.some((each) => path === each || path.startsWith(`${each}/`));
  expect(imported.filter((path) => !isKnown(path))).toEqual([]);
});
