/** Until there is sign-in, every server has two shops: one to try things in, one to work in. */
export const SHOPS = { demo: 'Demo', own: 'Our shop' } as const;

export type ShopId = keyof typeof SHOPS;

export const isShopId = (value: unknown): value is ShopId =>
  typeof value === 'string' && Object.keys(SHOPS).includes(value);

/** Names the shop that a request is about; the demo when it is absent. */
export const SHOP_HEADER = 'x-yarrix-shop';

/** What a shop is called on paper. */
export const shopName = (shop: string): string => (isShopId(shop) ? SHOPS[shop] : shop);
