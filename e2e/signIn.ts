/** What a browser's session is to a program that asks a server: its cookie, as a header. */
export interface SignedIn {
  cookie: string;
}

/** Looks around in the demo of a server. */
export const intoDemo = (address: string): Promise<SignedIn> => post(address, 'session/demo', {});

/** Founds a shop on a server, as its first lead. */
export const foundShop = (address: string, shopName: string): Promise<SignedIn> =>
  post(address, 'shops', {
    shopName,
    name: 'Lou Example',
    email: `${crypto.randomUUID()}@shop.example`,
    password: crypto.randomUUID(),
  });

async function post(address: string, path: string, body: object): Promise<SignedIn> {
  const answer = await fetch(new URL(`/api/${path}`, address), {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  const [set] = answer.headers.getSetCookie();
  const said = await answer.text();
  if (!answer.ok || set === undefined) throw new Error(`${path}: ${answer.status} ${said}`);
  return { cookie: set.split(';')[0] ?? '' };
}
