import { join } from 'node:path';
import { EXIT, out } from './commands/command';
import { DATA } from './folders';
import { clusterRunsIn } from './postgres';
import { addressOf, healthOf, whoRuns } from './running';

/** `./yarrix status`: whether it runs, and whether its database answers. */
export async function status(): Promise<number> {
  const running = whoRuns();
  if (!running) {
    const left = await clusterRunsIn(join(DATA, 'postgres'));
    out(left ? 'Yarrix is not running; its database still is.' : 'Yarrix is not running.');
    return EXIT.no;
  }
  const health = await healthOf(running);
  const says =
    health === undefined
      ? 'it does not answer'
      : health.ok
        ? 'the database answers'
        : (health.title ?? 'the database does not answer');
  out(`Yarrix runs at ${addressOf(running)} (process ${running.pid}); ${says}.`);
  if (health?.droppedLogLines)
    out(`${health.droppedLogLines} lines of its log could not be written; is the disk full?`);
  return health?.ok ? EXIT.done : EXIT.no;
}
