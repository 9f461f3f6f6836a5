import type { Server } from 'node:http';
import pino from 'pino';
import { createApp } from './app';
import { openDatabase } from './db/database';
import { migrate } from './db/migrate';

export interface ServerOptions {
  databaseUrl: string;
  port: number;
  shop: string;
  web?: string;
  logFile?: string;
}

export interface RunningServer {
  port: number;
  stop: () => Promise<void>;
}

/** Opens the database, brings it up to date, and listens on loopback. Port 0 takes a free one. */
export async function startServer(options: ServerOptions): Promise<RunningServer> {
  const { databaseUrl, shop, web } = options;
  const log = options.logFile ? pino(pino.destination(options.logFile)) : pino({ level: 'silent' });
  await migrate(databaseUrl, (line) => log.info(line));
  const db = openDatabase(databaseUrl);
  db.on('error', (error) => log.error({ err: error }, 'database connection lost'));
  const app = createApp({ db, shopOf: () => shop, web, log });
  const server = await new Promise<Server>((resolve, reject) => {
    const listening = app.listen(options.port, '127.0.0.1', (error?: Error) =>
      error ? reject(error) : resolve(listening),
    );
  });
  const address = server.address();
  return {
    port: typeof address === 'object' && address ? address.port : options.port,
    stop: async () => {
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      await db.end();
    },
  };
}
