import compression from 'compression';
import express, { type Express, type RequestHandler } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import type { Changes } from './changes';
import type { Database } from './db/database';
import type { DiagramCheck } from './diagramCheck';
import type { Reports } from './report/reports';
import { whileThereIsSpace, type DiskSpace } from './diskSpace';
import { API_MARK, AT_HEADER, MARK_HEADER } from '../contract/headers';
import { smallJson } from './input';
import { noSuchRoute, RefusedRequest, sendProblem } from './problems';
import { requestLog } from './requestLog';
import { callRoutes } from './routes/calls';
import { changeRoutes, tellsOfWrites } from './routes/changes';
import { customerRoutes } from './routes/customers';
import { diagramRoutes, tableRoutes } from './routes/diagrams';
import { libraryRoutes } from './routes/library';
import { modelSheetRoutes } from './routes/modelSheets';
import { entryRoutes } from './routes/entries';
import { meterRoutes } from './routes/meters';
import { photoRoutes } from './routes/photos';
import { reportLinkRoutes } from './routes/reportLinks';
import { reportRoutes } from './routes/reports';
import { sharedRoutes } from './routes/shared';
import { tablePhotoRoutes } from './routes/tablePhotos';
import { onlySignedIn } from './people/asker';
import { doorRoutes, type DoorOptions } from './routes/door';
import { peopleRoutes } from './routes/people';
import type { TablePhotos } from './tablePhoto/tablePhotos';
import { rateLimited, visitors } from './visitors';
import { serveWeb } from './web';

export interface AppOptions {
  db: Database;
  check: DiagramCheck;
  reports: Reports;
  tablePhotos: TablePhotos;
  changes: Changes;
  /** Where the data is; writes are refused while it is full. */
  disk: DiskSpace;
  /** Says who asks (`sessions`). */
  whoAsks: RequestHandler;
  /** What is open to who is not signed in. */
  door: DoorOptions;
  /** What the server is known as beside loopback. */
  origins?: readonly string[];
  /** Requests of one address in ten seconds. */
  rate?: number;
  /** Folder of the built web application; none in tests of the interface alone. */
  web?: string;
  log: Logger;
  /** Measures requests, where somebody watches. */
  measure?: RequestHandler;
  /** Whether the server is about to stop. */
  stops?: () => boolean;
  /** Lines of the log that could not be written. */
  dropped?: () => number;
}

/** The API is no page: nothing of it is kept, framed, run or read by another site. */
const API_HEADERS: [string, string][] = [
  ['cache-control', 'no-store'],
  [MARK_HEADER, API_MARK],
  ['content-security-policy', "default-src 'none'; frame-ancestors 'none'"],
  ['cross-origin-resource-policy', 'same-origin'],
  ['x-content-type-options', 'nosniff'],
  ['x-frame-options', 'DENY'],
  ['referrer-policy', 'no-referrer'],
];

/** The whole server: health, API under /api, and the web application. */
export function createApp(options: AppOptions): Express {
  const { db, log, web } = options;
  const app = express();
  app.disable('x-powered-by');
  // It listens on loopback: who stands between is a proxy of this machine, and says who comes.
  app.set('trust proxy', 'loopback');
  // Nothing of the API is kept, so nothing has to be recognised again.
  app.set('etag', false);
  app.use(requestLog(log));
  if (options.measure) app.use(options.measure);
  app.use((_request, response, next) => {
    // Who comes again comes to a server that stays.
    if (options.stops?.()) response.setHeader('connection', 'close');
    next();
  });
  app.use(visitors(options.origins));
  app.use('/shared', rateLimited(options.rate));
  app.use(sharedRoutes(db, options.reports));
  const forPages = [
    helmet({
      // Plain http on loopback: nothing to upgrade, nothing to pin.
      strictTransportSecurity: false,
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          styleSrc: ["'self'", "'unsafe-inline'"],
          fontSrc: ["'self'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          // No text becomes a script or a part of a page (`app/sync/ownScripts.ts`).
          'require-trusted-types-for': ["'script'"],
          'trusted-types': ['default'],
          upgradeInsecureRequests: null,
        },
      },
    }),
  ];
  const small = compression();
  app.use('/api', (request, response, next) => {
    for (const [name, value] of API_HEADERS) response.setHeader(name, value);
    response.setHeader(AT_HEADER, String(Date.now()));
    // What answers a write is a line or two.
    if (request.method === 'GET') small(request, response, next);
    else next();
  });

  // It runs: nothing else is asked, so that a database that is away ends no process that would come through it.
  app.get('/api/health', (_request, response) => {
    response.json({ status: 'ok' });
  });
  // It may be sent requests: its database answers, and it is not about to stop.
  app.get('/api/ready', async (_request, response) => {
    if (options.stops?.()) throw new RefusedRequest(503, 'this server is about to stop');
    const answer = await db.query<{ now: Date }>('SELECT now() AS now');
    const space = await options.disk.isEnough();
    const dropped = options.dropped?.() ?? 0;
    response.json({ status: 'ok', database: answer.rows[0]?.now, space, droppedLogLines: dropped });
  });
  app.use('/api', rateLimited(options.rate));
  app.use('/api', whileThereIsSpace(options.disk));
  app.use('/api', options.whoAsks);
  app.use('/api', doorRoutes(db, options.door));
  app.use('/api', onlySignedIn);
  app.use('/api', tellsOfWrites(options.changes), changeRoutes(options.changes));
  // What is sent most is found first: every router on the way is asked whether it is its own.
  app.use('/api', entryRoutes(db));
  app.use('/api', diagramRoutes(options.check, options.reports));
  app.use('/api', libraryRoutes(options.check));
  app.use('/api', photoRoutes());
  app.use('/api', tablePhotoRoutes(options.tablePhotos));
  app.use('/api', smallJson);
  app.use('/api', callRoutes());
  app.use('/api', tableRoutes());
  app.use('/api', meterRoutes());
  app.use('/api', modelSheetRoutes());
  app.use('/api', peopleRoutes(db));
  app.use('/api', reportLinkRoutes());
  app.use('/api', customerRoutes());
  app.use('/api', reportRoutes(options.reports));
  app.use('/api', noSuchRoute);
  if (web) app.use(forPages, serveWeb(web));
  app.use(sendProblem(log));
  return app;
}
