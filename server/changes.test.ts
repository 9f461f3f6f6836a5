import { randomUUID } from 'node:crypto';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import type { Express } from 'express';
import { PAGE_HEADER } from '../contract/change';
import { Changes } from './changes';
import { Database } from './db/database';
import { startTestDoor, type Founded, type TestDoor } from './testDoor';
import { newCall, reading } from './testServer';

let door: TestDoor;
let lead: Founded;
const ends: (() => unknown)[] = [];
beforeAll(async () => {
  door = await startTestDoor();
  lead = await door.founded();
});
afterAll(async () => {
  for (const end of ends) await end();
  await door.end();
});

async function listening(app: Express): Promise<string> {
  const server: Server = app.listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  ends.push(() => {
    server.closeAllConnections();
    server.close();
  });
  return `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
}

/** A page that listens: what it has heard so far. */
async function page(address: string, of: Founded, name: string): Promise<string[]> {
  const away = new AbortController();
  ends.unshift(() => away.abort());
  const query = new URLSearchParams({ for: of.account.person, page: name });
  const answer = await fetch(`${address}/api/changes?${query}`, {
    headers: { cookie: of.cookie },
    signal: away.signal,
  });
  expect(answer.headers.get('content-type')).toMatch(/event-stream/);
  const heard: string[] = [];
  void (async () => {
    for await (const part of answer.body ?? [])
      for (const [, call] of Buffer.from(part)
        .toString()
        .matchAll(/"call":"([^"]*)"/g))
        heard.push(call ?? '');
  })().catch(() => undefined);
  return heard;
}
const until = async (holds: () => boolean): Promise<void> => {
  for (let i = 0; i < 300 && !holds(); i++) await new Promise((resolve) => setTimeout(resolve, 20));
  expect(holds()).toBe(true);
};

it('tells every page of the shop but the one that wrote, whichever server it is at, and no other shop', async () => {
  const address = await listening(door.app);
  const stranger = await door.founded();
  const [mine, colleagues, theirs] = [
    await page(address, lead, 'mine'),
    await page(address, lead, 'other'),
    await page(address, stranger, 'stranger'),
  ];
  // A second server on the same database, which nobody listens at.
  const url = (process.env.YARRIX_TEST_DATABASE ?? '').replace(/\/yarrix$/, `/${door.name}`);
  const db = new Database(url);
  const elsewhere = new Changes(db, url);
  ends.unshift(() => elsewhere.end().then(() => db.end()));
  // Listening has begun once something that is told comes.
  await until(() => {
    elsewhere.tell(lead.account.shop, 'begun', 'nobody');
    return mine.includes('begun') && colleagues.includes('begun');
  });

  const call = randomUUID();
  await lead.as('put', `/calls/${call}`).set(PAGE_HEADER, 'mine').send(newCall()).expect(204);
  await until(() => colleagues.includes(call));
  const second = randomUUID();
  await lead.as('put', `/calls/${second}`).set(PAGE_HEADER, 'other').send(newCall()).expect(204);
  await until(() => mine.includes(second));
  const entries = [call, second].map((of) => ({ id: randomUUID(), entry: reading(of) }));
  const heard = colleagues.length;
  await lead.as('post', '/entries').set(PAGE_HEADER, 'mine').send({ entries }).expect(200);
  await until(() => colleagues.length === heard + 2);
  // What is refused is told to nobody, and what one wrote oneself neither.
  await lead
    .as('put', `/entries/${randomUUID()}`)
    .send({ ...reading(call), kind: 'none' })
    .expect(422);
  expect(mine.filter((each) => each === call)).toEqual([]);
  expect(theirs).toEqual([]);

  // A connection that is cut is made anew, and pages are told to look at all they have.
  await door.owner.query(
    `SELECT pg_terminate_backend(pid) FROM pg_stat_activity
     WHERE datname = current_database() AND query LIKE 'LISTEN%'`,
  );
  await until(() => mine.includes(''));
  const third = randomUUID();
  await lead.as('put', `/calls/${third}`).send(newCall()).expect(204);
  await until(() => mine.includes(third) && colleagues.includes(third));
});

it('is refused to who is not signed in, and to a page of somebody else', async () => {
  await lead.as('get', '/changes?page=x').expect(401);
  await lead.as('get', `/changes?page=x&for=${randomUUID()}`).expect(401);
  for (const page of ['x'.repeat(41), '', 'a%20b'])
    await lead.as('get', `/changes?page=${page}&for=${lead.account.person}`).expect(400);
});
