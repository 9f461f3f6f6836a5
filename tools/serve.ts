import { existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { loadDemo, loadShops } from '../demo/load';
import { migrate } from '../server/db/migrate';
import { startServer } from '../server/main';
import { BadInput, EXIT, out } from './commands/command';
import { DATA, EnvironmentError, PORT, WEB } from './folders';
import { addressOf } from './running';
import { waysIn } from './waysIn';
import { buildWeb } from './webBuild';

/** `./yarrix build`: the web application, where it is not built for this version. */
export async function build(): Promise<number> {
  await buildWeb();
  out('The web application is built.');
  return EXIT.done;
}

/** `./yarrix prepare`: brings a database up to what this program needs, and builds the web application. */
export async function prepare(): Promise<number> {
  const owner = process.env.YARRIX_DATABASE_OWNER;
  if (!owner)
    throw new BadInput(
      'YARRIX_DATABASE_OWNER must name the database as its owner, such as postgres://yarrix:…@10.0.0.11:5432/yarrix',
    );
  mkdirSync(DATA, { recursive: true });
  await buildWeb();
  await bringUp(owner, waysIn(DATA, process.env).door.demo);
  out('The database and the web application are ready for this version.');
  return EXIT.done;
}

/** What a database has to have before a server of this version works on it. */
export async function bringUp(ownerUrl: string, demo: boolean): Promise<void> {
  await migrate(ownerUrl, () => undefined);
  await loadShops(ownerUrl);
  if (demo) await loadDemo(ownerUrl);
}

/** `./yarrix serve --port N --name NAME`: one server on a database that is there, one of as many as are wanted. */
export async function serve(
  portText: string = String(PORT),
  name: string = 'server',
): Promise<number> {
  const port = Number(portText);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new BadInput(`--port ${portText}: a number from 0 to 65535`);
  if (!/^[A-Za-z0-9-]{1,40}$/.test(name))
    throw new BadInput(`--name ${name}: letters, digits and hyphens`);
  const databaseUrl = process.env.YARRIX_DATABASE;
  if (!databaseUrl)
    throw new BadInput(
      'YARRIX_DATABASE must name the database, such as postgres://yarrix_app:…@127.0.0.1:5000/yarrix',
    );
  if (!existsSync(join(WEB, 'index.html')))
    throw new EnvironmentError(`the web bundle is missing in ${WEB}: ./yarrix prepare makes it`);
  mkdirSync(DATA, { recursive: true });
  const server = await startServer({
    databaseUrl,
    dataFolder: DATA,
    port,
    ...waysIn(DATA, process.env),
    web: WEB,
    logFile: join(DATA, `${name}-requests.log`),
  });
  out(`Server ${name} runs at ${addressOf(server)}`);
  await new Promise<void>((resolve) => {
    process.once('SIGINT', resolve);
    process.once('SIGTERM', resolve);
  });
  await server.stop();
  return EXIT.done;
}
