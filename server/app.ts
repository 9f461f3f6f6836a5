import { randomUUID } from 'node:crypto';
import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Pool } from 'pg';
import pino, { type Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { noSuchRoute, RefusedRequest, sendProblem } from './problems';
import { callRoutes } from './routes/calls';
import { diagramRoutes, tableRoutes } from './routes/diagrams';
import { entryRoutes } from './routes/entries';
import { withShop, type ShopOfRequest } from './shop';
import { serveWeb } from './web';

export interface AppOptions {
  db: Pool;
  /** Whose data a request is about. */
  shopOf: ShopOfRequest;
  /** Folder of the built web application; none in tests of the interface alone. */
  web?: string;
  log?: Logger;
}

/** The whole server: health, API under /api, and the web application. */
export function createApp({ db, shopOf, web, log = pino() }: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(pinoHttp({ logger: log, genReqId: () => randomUUID(), quietReqLogger: true }));
  app.use((request, response, next) => {
    response.setHeader('x-request-id', String(request.id));
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
          imgSrc: ["'self'", 'data:', 'blob:'],
          upgradeInsecureRequests: null,
        },
      },
    }),
  );
  app.use(compression());

  app.get('/api/health', async (request, response) => {
    const answer = await db.query<{ now: Date }>('SELECT now() AS now').catch((error: unknown) => {
      request.log.error({ err: error }, 'the database does not answer');
      throw new RefusedRequest(503, 'the database does not answer');
    });
    response.json({ status: 'ok', database: answer.rows[0]?.now });
  });
  app.use('/api', withShop(shopOf));
  app.use('/api', diagramRoutes(db));
  app.use('/api', express.json({ limit: '1mb' }));
  app.use('/api', callRoutes(db));
  app.use('/api', entryRoutes(db));
  app.use('/api', tableRoutes(db));
  app.use('/api', noSuchRoute);
  if (web) app.use(serveWeb(web));
  app.use(sendProblem);
  return app;
}
