import { build } from 'esbuild';
import { ROOT } from '../folders';
import { preparationName } from '../../app/workers/preparationName';
import { LIBRARY } from '../../library/library';
import { engine, ENGINE_SOURCES } from './engine';
import { nameOf } from './kept';

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

it('calls what is prepared as the app calls it', async () => {
  for (const diagram of LIBRARY.slice(0, 3))
    expect(nameOf(diagram)).toBe(await preparationName(engine(), diagram));
});
