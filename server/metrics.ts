import { createServer, type Server } from 'node:http';
import type { RequestHandler } from 'express';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';
import type { Database } from './db/database';

/** What an operator watches, in the Prometheus text format. Of each server its own: they are told apart by who asks. */
export class Metrics {
  private readonly registry = new Registry();
  private readonly took = new Histogram({
    name: 'yarrix_request_seconds',
    help: 'Time from a request to the end of its answer, by route and status',
    labelNames: ['method', 'route', 'status'],
    buckets: [0.002, 0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 10],
    registers: [this.registry],
  });
  private server: Server | undefined;

  constructor(db: Database) {
    collectDefaultMetrics({ register: this.registry });
    new Gauge({
      name: 'yarrix_database_connections',
      help: 'Connections to the database, and queries that wait for one',
      labelNames: ['state'],
      registers: [this.registry],
      collect() {
        for (const [state, count] of Object.entries(db.counts())) this.set({ state }, count);
      },
    });
  }

  /** Measures every request, by the pattern of its route: an id would make a line of its own. */
  readonly measure: RequestHandler = (request, response, next) => {
    const end = this.took.startTimer({ method: request.method });
    response.once('close', () => {
      const route: unknown = request.route?.path;
      const pattern = typeof route === 'string' ? request.baseUrl + route : 'none';
      end({ route: pattern, status: response.writableFinished ? response.statusCode : 'cut off' });
    });
    next();
  };

  /**
   * Answers on a port of its own, on loopback: what is told here is nobody's business who reaches the application.
   * @returns the port; 0 takes a free one
   */
  listen(port: number): Promise<number> {
    const server = createServer((request, response) => {
      if (request.method !== 'GET' || request.url !== '/metrics') {
        response.writeHead(404).end();
        return;
      }
      void this.registry.metrics().then((text) => {
        response.writeHead(200, { 'content-type': this.registry.contentType }).end(text);
      });
    });
    this.server = server;
    return new Promise((resolve, reject) => {
      server.once('error', reject);
      server.listen(port, '127.0.0.1', () => {
        const address = server.address();
        resolve(typeof address === 'object' && address ? address.port : port);
      });
    });
  }

  close(): void {
    this.server?.closeAllConnections();
    this.server?.close();
  }
}
