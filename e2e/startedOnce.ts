import { rmSync } from 'node:fs';
import { dataFolder, Yarrix } from './yarrix';

const kept = globalThis as typeof globalThis & { yarrixStartedOnce?: string };

/** Jest's global set-up of the browser's tests: the data of a first start, made once, of which each test takes a copy. */
export default async function startOnce(): Promise<void> {
  const folder = dataFolder('yarrix-once-');
  const yarrix = await Yarrix.over(folder);
  await yarrix.stop();
  kept.yarrixStartedOnce = process.env.YARRIX_STARTED_ONCE = folder;
}

export function forget(): void {
  if (kept.yarrixStartedOnce !== undefined)
    rmSync(kept.yarrixStartedOnce, { recursive: true, force: true });
}
