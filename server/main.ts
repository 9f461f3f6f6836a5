import type { Server } from 'node:http';
import pino from 'pino';
import { createApp } from './app';
import { Changes } from './changes';
import { Database } from './db/database';
import { DiagramCheck } from './diagramCheck';
import { DiskSpace } from './diskSpace';
import { Metrics } from './metrics';
import { Reports } from './report/reports';
import { openServerLog } from './serverLog';
import { sessions, type SessionOptions } from './people/sessions';
import type { DoorOptions } from './routes/door';
import { TablePhotos } from './tablePhoto/tablePhotos';

export interface ServerOptions {
  /** Of the role that the application works with; the schema is up to date. */
  databaseUrl: string;
  port: number;
  sessions: SessionOptions;
  door: DoorOptions;
  /** Where the data is; writes are refused while it is full. */
  dataFolder: string;
  origins?: readonly string[];
  rate?: number;
  web?: string;
  logFile?: string;
  /** Where metrics are told, on loopback; not at all without. Port 0 takes a free one. */
  metricsPort?: number;
}

export interface RunningServer {
  port: number;
  metricsPort?: number;
  /** Says that it stops, answers what it was asked already, then ends. */
  stop: () => Promise<void>;
}

/** How long a request may take to come in, so that a slow sender keeps nobody out; and to be answered when it stops. */
const PATIENCE_MS = { headers: 10_000, request: 30_000, stop: 5000 };

/** Opens the database and listens on loopback. Port 0 takes a free one. */
export async function startServer(options: ServerOptions): Promise<RunningServer> {
  const {
    databaseUrl,
    dataFolder,
    logFile,
    metricsPort,
    port,
    sessions: signed,
    ...rest
  } = options;
  const written = logFile ? await openServerLog(logFile) : undefined;
  const log = written?.log ?? pino({ level: 'silent' });
  const db = new Database(databaseUrl, (error) =>
    log.error({ err: error }, 'database connection lost'),
  );
  const metrics = metricsPort === undefined ? undefined : new Metrics(db);
  let stops = false;
  const changes = new Changes(db, databaseUrl);
  const check = new DiagramCheck();
  const reports = new Reports();
  const tablePhotos = new TablePhotos();
  const disk = new DiskSpace(dataFolder);
  const app = createApp({
    ...rest,
    whoAsks: sessions(db, signed),
    db,
    check,
    reports,
    tablePhotos,
    changes,
    log,
    disk,
    stops: () => stops,
    ...(metrics && { measure: metrics.measure }),
    ...(written && { dropped: written.dropped }),
  });
  const close = async (): Promise<void> => {
    metrics?.close();
    await changes.end();
    await check.close();
    await reports.close();
    await tablePhotos.close();
    await db.end();
    written?.close();
  };
  const listen = async (): Promise<{ server: Server; told: number | undefined }> => {
    const told = await metrics?.listen(metricsPort ?? 0);
    const server = await new Promise<Server>((resolve, reject) => {
      const listening = app.listen(port, '127.0.0.1', (error?: Error) =>
        error ? reject(error) : resolve(listening),
      );
    });
    return { server, told };
  };
  const { server, told } = await listen().catch(async (error: unknown) => {
    await close();
    throw error;
  });
  server.headersTimeout = PATIENCE_MS.headers;
  server.requestTimeout = PATIENCE_MS.request;
  const address = server.address();
  return {
    port: typeof address === 'object' && address ? address.port : port,
    ...(told !== undefined && { metricsPort: told }),
    stop: async () => {
      stops = true;
      // Pages that listen would not end by themselves.
      await changes.end();
      const closed = new Promise((resolve) => server.close(resolve));
      const idle = setInterval(() => server.closeIdleConnections(), 50);
      const late = setTimeout(() => server.closeAllConnections(), PATIENCE_MS.stop);
      await closed;
      clearInterval(idle);
      clearTimeout(late);
      await close();
    },
  };
}
