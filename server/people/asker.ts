import type { RequestHandler, Response } from 'express';
import { ACCOUNT_HEADER, type Account } from '../../contract/account';
import type { Database, ShopRows } from '../db/database';
import { RefusedRequest } from '../problems';

interface Asker {
  account: Account;
  rows: ShopRows;
}

/** Puts who asks beside the request, with the rows of their shop: a route has no way to others. */
export function isAskedBy(response: Response, db: Database, account: Account): void {
  response.locals.asker = { account, rows: db.of(account.shop) } satisfies Asker;
}

/** Lets nobody past who is not signed in, or who is somebody else than the request was made for. */
export const onlySignedIn: RequestHandler = (request, response, next) => {
  const { account } = askerOf(response);
  const meant = request.headers[ACCOUNT_HEADER];
  if (meant !== undefined && meant !== account.person)
    throw new RefusedRequest(401, 'somebody else is signed in in this browser now');
  next();
};

/** Lets leads past and nobody else. */
export const onlyLeads: RequestHandler = (_request, response, next) => {
  if (accountOf(response).role !== 'lead')
    throw new RefusedRequest(403, 'only a lead of the shop may do this');
  next();
};

function askerOf(response: Response): Asker {
  const asker = response.locals.asker as Asker | undefined;
  if (!asker) throw new RefusedRequest(401, 'sign in first');
  return asker;
}

/** Who asks. */
export const accountOf = (response: Response): Account => askerOf(response).account;

/** The rows of the shop of who asks. */
export const rowsOf = (response: Response): ShopRows => askerOf(response).rows;
