import type { RequestHandler } from 'express';
import { rateLimit } from 'express-rate-limit';
import { RefusedRequest } from './problems';

/** Names of this machine itself, which a page elsewhere cannot have. */
const LOOPBACK = ['127.0.0.1', 'localhost', '[::1]'];

const nameOf = (host: string): string => host.replace(/:\d+$/, '').toLowerCase();

/**
 * Who may come. A name that the server was not told that it has is refused (a page elsewhere may have
 * its own name point here: DNS rebinding), and so is a page of another origin that asks the API.
 * @param origins what the server is known as beside loopback, such as `https://shop.example`
 */
export function visitors(origins: readonly string[] = []): RequestHandler {
  const told = new Set(origins.map((each) => new URL(each).origin));
  const names = new Set([...LOOPBACK, ...[...told].map((each) => new URL(each).hostname)]);
  return (request, _response, next) => {
    const { host = '', origin, 'sec-fetch-site': site } = request.headers;
    if (!names.has(nameOf(host)))
      throw new RefusedRequest(421, `this server is not "${host}"; it was not told that it is`);
    if (!request.path.startsWith('/api/')) return next();
    const own = origin === undefined || told.has(origin) || origin === `http://${host}`;
    if (!own || site === 'cross-site' || site === 'same-site')
      throw new RefusedRequest(403, 'only pages of this server may ask this');
    next();
  };
}

/** Requests of one address in a window: many times what two hundred busy phones behind it send. */
const RATE = { windowMs: 10_000, limit: 40_000 };

/** Slows down who asks more than anybody works: 429, with when to come again. */
export const rateLimited = (limit = RATE.limit): RequestHandler =>
  rateLimit({
    windowMs: RATE.windowMs,
    limit,
    standardHeaders: false,
    legacyHeaders: false,
    handler: (_request, response, next) => {
      response.setHeader('retry-after', String(RATE.windowMs / 1000));
      next(new RefusedRequest(429, 'too many requests from this address; try again in a while'));
    },
  });
