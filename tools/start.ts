import { existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { startServer, type RunningServer } from '../server/main';
import { needDebian } from './debian';
import { BadInput, EXIT, out } from './commands/command';
import { DATA, EnvironmentError, PORT, WEB } from './folders';
import { takeLease, whoHolds, type Lease } from './lease';
import { freePort, postgresOf, startCluster, type Cluster } from './postgres';
import {
  addressOf,
  beganAt,
  healthOf,
  sayRunning,
  sayStopped,
  whoRuns,
  type Running,
} from './running';
import { bringUp } from './serve';
import { startServers } from './cluster/servers';
import { waysIn } from './waysIn';
import { buildWeb } from './webBuild';

/** How long a start that does not answer is waited for before it is ended. */
const ENDS_WITHIN_MS = 8000;
/** Server processes of one start: more than a machine has use for. */
const MOST_INSTANCES = 16;
/** Between two looks at the database. */
const LOOKS_EVERY_MS = 1000;

/** `./yarrix start`: everything, until Ctrl-C. A second one says where the first listens. */
export async function start(
  portText: string | undefined,
  instancesText: string = '1',
): Promise<number> {
  const wanted = portText === undefined ? PORT : Number(portText);
  if (!Number.isInteger(wanted) || wanted < 0 || wanted > 65535)
    throw new BadInput(`--port ${portText}: a number from 0 to 65535`);
  const instances = Number(instancesText);
  if (!Number.isInteger(instances) || instances < 1 || instances > MOST_INSTANCES)
    throw new BadInput(`--instances ${instancesText}: a number from 1 to ${MOST_INSTANCES}`);
  mkdirSync(DATA, { recursive: true });
  const ways = waysIn(DATA, process.env);
  await needDebian(instances > 1 ? ['postgresql', 'haproxy'] : ['postgresql']);
  // Without it everything works but one thing, which says so.
  await needDebian(['tesseract-ocr']).catch((error: Error) =>
    process.stderr.write(`yarrix: photos of tables cannot be read: ${error.message}\n`),
  );
  if (await runsAlready(portText === undefined ? undefined : wanted)) return EXIT.done;
  // A port that is taken is told before anything is started.
  const port = await freePort(wanted);
  if (port === undefined) {
    throw new EnvironmentError(
      `port ${wanted} is taken by another program: end that one, or choose another with --port`,
    );
  }
  let cluster = await startCluster(join(DATA, 'postgres'));
  let lease: Lease | undefined;
  let lost = false;
  const hold = async (): Promise<void> => {
    lost = false;
    const taken = await takeLease(cluster.ownerUrl, { pid: process.pid, port }, () => {
      lost = true;
    });
    if ('release' in taken) lease = taken;
    else
      throw new EnvironmentError(
        `another start works on ${DATA}${taken.holder ? ` (process ${taken.holder.pid}, port ${taken.holder.port})` : ''}: stop it first, or set YARRIX_DATA to another folder`,
      );
  };
  await hold();
  let server: Pick<RunningServer, 'port' | 'stop'> | undefined;
  const stopAll = async (): Promise<void> => {
    await server?.stop();
    await lease?.release().catch(() => undefined);
    await cluster.stop();
    sayStopped();
  };
  try {
    await buildWeb();
    if (!existsSync(join(WEB, 'index.html')))
      throw new EnvironmentError(`the web bundle is missing in ${WEB}`);
    await bringUp(cluster.ownerUrl, ways.door.demo);
    server =
      instances > 1
        ? await startServers(instances, cluster.url, port)
        : await startServer({
            databaseUrl: cluster.url,
            dataFolder: cluster.folder,
            port,
            ...ways,
            web: WEB,
            logFile: join(DATA, 'server.log'),
          });
  } catch (error) {
    await stopAll();
    throw error;
  }
  sayRunning({ pid: process.pid, began: beganAt(process.pid) ?? '', port });
  out(`Yarrix runs at ${addressOf(server)}  (Ctrl-C stops it)`);
  const ended = new AbortController();
  process.once('SIGINT', () => ended.abort());
  process.once('SIGTERM', () => ended.abort());
  // A database that ends is brought back; until then the server says that it is away.
  while (!ended.signal.aborted) {
    await sleep(LOOKS_EVERY_MS, undefined, { signal: ended.signal }).catch(() => undefined);
    if (!lost || ended.signal.aborted) continue;
    try {
      const back: Cluster = await startCluster(join(DATA, 'postgres'));
      if (back.url !== cluster.url) throw new Error('the database came back on another port');
      cluster = back;
      await hold();
    } catch (error) {
      lost = true;
      process.stderr.write(
        `yarrix: the database is away: ${error instanceof Error ? error.message.split('\n')[0] : String(error)}\n`,
      );
    }
  }
  await stopAll();
  out('Yarrix has stopped; the data is kept.');
  return EXIT.done;
}

/** A start whose note of itself is gone is found by its hold on the data. */
async function foundByItsHold(): Promise<Running | undefined> {
  const database = await postgresOf(join(DATA, 'postgres'));
  const holder = database && (await whoHolds(database.ownerUrl).catch(() => undefined));
  const began = holder && beganAt(holder.pid);
  if (!holder || began === undefined) return undefined;
  const running = { ...holder, began };
  sayRunning(running);
  return running;
}

/**
 * Whether a start works on this data folder and answers. One that hangs is ended, so that this start
 * can take its place; nothing is signalled that is not such a start.
 */
async function runsAlready(port: number | undefined): Promise<boolean> {
  const running = whoRuns() ?? (await foundByItsHold());
  if (!running) return false;
  let health = await healthOf(running);
  if (health && !health.ok) {
    // The server answers and its database does not: that is brought back here and now.
    await startCluster(join(DATA, 'postgres'));
    health = await healthOf(running);
  }
  if (health?.ok) {
    if (port !== undefined && port !== running.port)
      throw new EnvironmentError(
        `Yarrix already works on ${DATA}, at ${addressOf(running)}: stop that one first, or set YARRIX_DATA to another folder`,
      );
    out(`Yarrix is already running at ${addressOf(running)}`);
    return true;
  }
  process.stderr.write(`yarrix: process ${running.pid} does not answer and is ended\n`);
  for (const signal of ['SIGTERM', 'SIGKILL'] as const) {
    process.kill(running.pid, signal);
    for (let waited = 0; waited < ENDS_WITHIN_MS / 2; waited += 100) {
      if (beganAt(running.pid) !== running.began) return false;
      await sleep(100);
    }
  }
  throw new EnvironmentError(`process ${running.pid} hangs and cannot be ended`);
}
