import type { Request, RequestHandler, Response } from 'express';

/** Says whose data a request is about. Until there is sign-in, everybody's is the one shop's. */
export type ShopOfRequest = (request: Request) => string;

/** Puts the shop of a request beside it, before any route reads or writes for it. */
export const withShop =
  (shopOfRequest: ShopOfRequest): RequestHandler =>
  (request, response, next) => {
    response.locals.shop = shopOfRequest(request);
    next();
  };

/** The shop that a request is about. Throws where no `withShop` came before: a mistake of ours. */
export function shopOf(response: Response): string {
  const shop: unknown = response.locals.shop;
  if (typeof shop !== 'string') throw new Error('this route has no shop');
  return shop;
}
