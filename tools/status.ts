import { EXIT, out } from './commands/command';
import { addressOf, whoRuns } from './running';

/** `./yarrix status`: whether it runs, and whether its database answers. */
export async function status(): Promise<number> {
  const running = whoRuns();
  if (!running) {
    out('Yarrix is not running.');
    return EXIT.no;
  }
  const health = await fetch(new URL('/api/health', addressOf(running))).catch(() => undefined);
  out(
    `Yarrix runs at ${addressOf(running)} (process ${running.pid}); the database ${health?.ok ? 'answers' : 'does not answer'}.`,
  );
  return health?.ok ? EXIT.done : EXIT.no;
}
