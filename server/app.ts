import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import type { Database } from './db/database';
import type { DiagramCheck } from './diagramCheck';
import { whileThereIsSpace, type DiskSpace } from './diskSpace';
import { API_MARK, AT_HEADER, MARK_HEADER } from '../contract/headers';
import { noSuchRoute, sendProblem } from './problems';
import { requestLog } from './requestLog';
import { callRoutes } from './routes/calls';
import { diagramRoutes, tableRoutes } from './routes/diagrams';
import { entryRoutes } from './routes/entries';
import { withShop, type ShopOfRequest } from './shop';
import { rateLimited, visitors } from './visitors';
import { serveWeb } from './web';

export interface AppOptions {
  db: Database;
  check: DiagramCheck;
  /** Where the data is; writes are refused while it is full. */
  disk: DiskSpace;
  /** Whose data a request is about. */
  shopOf: ShopOfRequest;
  /** What the server is known as beside loopback. */
  origins?: readonly string[];
  /** Requests of one address in ten seconds. */
  rate?: number;
  /** Folder of the built web application; none in tests of the interface alone. */
  web?: string;
  log: Logger;
  /** Lines of the log that could not be written. */
  dropped?: () => number;
}

/** The whole server: health, API under /api, and the web application. */
export function createApp(options: AppOptions): Express {
  const { db, log, web } = options;
  const app = express();
  app.disable('x-powered-by');
  // Nothing of the API is kept, so nothing has to be recognised again.
  app.set('etag', false);
  app.use(requestLog(log));
  app.use(visitors(options.origins));
  app.use('/api', (_request, response, next) => {
    response.setHeader('cache-control', 'no-store');
    response.setHeader(MARK_HEADER, API_MARK);
    response.setHeader(AT_HEADER, String(Date.now()));
    next();
  });
  app.use(
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
          upgradeInsecureRequests: null,
        },
      },
    }),
  );
  app.use(compression());

  app.get('/api/health', async (_request, response) => {
    const answer = await db.query<{ now: Date }>('SELECT now() AS now');
    const space = await options.disk.isEnough();
    const dropped = options.dropped?.() ?? 0;
    response.json({ status: 'ok', database: answer.rows[0]?.now, space, droppedLogLines: dropped });
  });
  app.use('/api', rateLimited(options.rate));
  app.use('/api', whileThereIsSpace(options.disk));
  app.use('/api', withShop(options.shopOf));
  app.use('/api', diagramRoutes(db, options.check));
  app.use('/api', express.json({ limit: '256kb' }));
  app.use('/api', callRoutes(db));
  app.use('/api', entryRoutes(db));
  app.use('/api', tableRoutes(db));
  app.use('/api', noSuchRoute);
  if (web) app.use(serveWeb(web));
  app.use(sendProblem(log));
  return app;
}
