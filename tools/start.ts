import { existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { loadDemo } from '../demo/load';
import { startServer, type RunningServer } from '../server/main';
import { needDebian } from './debian';
import { BadInput, EXIT, out } from './commands/command';
import { DATA, DEMO_SHOP, EnvironmentError, PORT, WEB } from './folders';
import { freePort, startCluster } from './postgres';
import { addressOf, sayRunning, sayStopped, whoRuns } from './running';
import { buildWeb } from './webBuild';

/** `./yarrix start`: everything, until Ctrl-C. A second one says where the first listens. */
export async function start(portText: string | undefined): Promise<number> {
  const port = portText === undefined ? PORT : Number(portText);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new BadInput(`--port ${portText}: a number from 0 to 65535`);
  const already = whoRuns();
  if (already) {
    out(`Yarrix is already running at ${addressOf(already)}`);
    return EXIT.done;
  }
  if (port !== 0 && (await freePort(port)) === undefined) {
    throw new EnvironmentError(
      `port ${port} is taken by another program: end that one, or choose another with --port`,
    );
  }
  await needDebian(['postgresql']);
  mkdirSync(DATA, { recursive: true });
  const cluster = await startCluster(join(DATA, 'postgres'));
  let server: RunningServer | undefined;
  const stopAll = async (): Promise<void> => {
    await server?.stop();
    await cluster.stop();
    sayStopped();
  };
  try {
    await buildWeb();
    if (!existsSync(join(WEB, 'index.html')))
      throw new EnvironmentError(`the web bundle is missing in ${WEB}`);
    server = await startServer({
      databaseUrl: cluster.url,
      port,
      shop: DEMO_SHOP,
      web: WEB,
      logFile: join(DATA, 'server.log'),
    });
    await loadDemo(cluster.url, DEMO_SHOP);
  } catch (error) {
    await stopAll();
    throw error;
  }
  sayRunning({ pid: process.pid, port: server.port });
  out(`Yarrix runs at ${addressOf(server)}  (Ctrl-C stops it)`);
  await new Promise<void>((resolve) => {
    process.once('SIGINT', () => resolve());
    process.once('SIGTERM', () => resolve());
  });
  await stopAll();
  out('Yarrix has stopped; the data is kept.');
  return EXIT.done;
}
