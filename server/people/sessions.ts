import { randomBytes } from 'node:crypto';
import { promisify } from 'node:util';
import type { Request, RequestHandler, Response } from 'express';
import { LRUCache } from 'lru-cache';
import session, { Store, type SessionData } from 'express-session';
import type { Account } from '../../contract/account';
import type { Database } from '../db/database';
import { addSession, endSession, findSession } from '../db/sessions';
import { isAskedBy } from './asker';
import { readLink, type Link } from './link';

declare module 'express-session' {
  interface SessionData {
    account?: Account;
  }
}

/** A month: after it somebody signs in again. */
const LASTS_MS = 30 * 24 * 3_600_000;

export interface SessionOptions {
  /** Signs the cookies; from the environment, or made for this data folder. */
  secret: string;
  /** Whether cookies go over https alone: everywhere but on loopback. */
  secure: boolean;
}

/** Sessions in the database, by the hash of their id; role and name are read anew each time. */
class DatabaseStore extends Store {
  constructor(private readonly db: Database) {
    super();
  }

  get = (sid: string, done: (error: unknown, found?: SessionData | null) => void): void => {
    const link = readLink(sid);
    if (!link) return done(null, null);
    findSession(this.db, link).then((found) => {
      if (!found) return done(null, null);
      const { cookie, ...account } = found;
      done(null, { cookie: cookie as SessionData['cookie'], account });
    }, done);
  };

  set = (sid: string, { account, cookie }: SessionData, done?: (error?: unknown) => void): void => {
    const link = readLink(sid);
    if (!link || !account) return done?.();
    addSession(this.db.of(link.shop), {
      token: link.token,
      person: account.person,
      cookie,
      expiresAt: new Date(Date.now() + LASTS_MS),
    }).then(() => done?.(), done);
  };

  destroy = (sid: string, done?: (error?: unknown) => void): void => {
    const link = readLink(sid);
    if (!link) return done?.();
    endSession(this.db.of(link.shop), link.token).then(() => done?.(), done);
  };
}

/** The shop that a session is begun for; `regenerate` asks for an id before the session knows whose it is. */
const BEGINS_IN = new WeakMap<Request, string>();

/** Brings the session itself to a request, where one is begun or ended. */
type OpenSession = () => Promise<void>;

/** Finds the session of a request, and says who asks. */
export function sessions(db: Database, { secret, secure }: SessionOptions): RequestHandler {
  const whole = session({
    // A browser takes a name that begins so over https only, for this host only.
    name: secure ? '__Host-yarrix' : 'yarrix',
    secret,
    store: new DatabaseStore(db),
    genid: (request) =>
      `${BEGINS_IN.get(request as Request) ?? 'nobody'}.${randomBytes(32).toString('base64url')}`,
    resave: false,
    saveUninitialized: false,
    // What stands before it (a proxy) has seen to https: the server itself listens on loopback.
    proxy: secure,
    cookie: { httpOnly: true, sameSite: 'strict', secure, maxAge: LASTS_MS, path: '/' },
  });
  // Cookies that were found to be signed here, as a browser sends them: whose session it is is asked each time all the same.
  const known = new LRUCache<string, Link>({ max: 5000 });
  return async (request, response, next) => {
    const open: OpenSession = () => promisify(whole)(request, response) as Promise<void>;
    response.locals.openSession = open;
    const cookie = request.headers.cookie ?? '';
    const link = known.get(cookie);
    const found = link && (await findSession(db, link));
    if (found) {
      const { cookie: _cookie, ...account } = found;
      isAskedBy(response, db, account);
      return next();
    }
    await open();
    const { account } = request.session;
    if (account) {
      isAskedBy(response, db, account);
      const signed = readLink(request.sessionID);
      if (signed) known.set(cookie, signed);
    }
    next();
  };
}

async function openSession(request: Request, response: Response): Promise<void> {
  if (!(request.session as unknown)) await (response.locals.openSession as OpenSession)();
}

/** Begins a session under a new id: one that somebody planted before is worth nothing. */
export async function beginSession(
  request: Request,
  response: Response,
  account: Account,
): Promise<void> {
  await openSession(request, response);
  BEGINS_IN.set(request, account.shop);
  await promisify(request.session.regenerate.bind(request.session))();
  request.session.account = account;
  await promisify(request.session.save.bind(request.session))();
}

/** Ends the session of a request, here and in the browser. */
export async function endThisSession(request: Request, response: Response): Promise<void> {
  await openSession(request, response);
  await promisify(request.session.destroy.bind(request.session))();
  response.clearCookie('yarrix').clearCookie('__Host-yarrix', { secure: true });
}
