import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { EXIT, out } from './commands/command';
import { DATA, EnvironmentError } from './folders';
import { stopClusterIn } from './postgres';
import { beganAt, sayStopped, whoRuns } from './running';

const PATIENCE_SECONDS = 20;

/** `./yarrix stop`: ends a running start, and a database that one left behind. */
export async function stop(): Promise<number> {
  const running = whoRuns();
  if (running) {
    process.kill(running.pid, 'SIGTERM');
    const stands = (): boolean => beganAt(running.pid) === running.began;
    for (let tenth = 0; stands() && tenth < PATIENCE_SECONDS * 10; tenth++) await sleep(100);
    if (stands()) throw new EnvironmentError(`process ${running.pid} does not stop`);
  }
  const left = await stopClusterIn(join(DATA, 'postgres'));
  sayStopped();
  out(running || left ? 'Yarrix has stopped; the data is kept.' : 'Yarrix was not running.');
  return EXIT.done;
}
