import { randomUUID } from 'node:crypto';
import request from 'supertest';
import type { AuditLine } from '../contract/people';
import { MOST_LINKS } from '../contract/limits';
import type { ReportLink } from '../contract/reportLink';
import { startTestDoor, type Founded, type TestDoor } from './testDoor';
import { newCall } from './testServer';

let door: TestDoor;
let lead: Founded;
let call: string;
beforeAll(async () => {
  door = await startTestDoor();
  lead = await door.founded();
  call = randomUUID();
  await lead.as('put', `/calls/${call}`).send(newCall()).expect(204);
});
afterAll(() => door.end());

const make = async (days = 14): Promise<{ id: string; link: string }> =>
  (
    await lead
      .as('post', `/calls/${call}/links`)
      .send({ days, zone: 'Europe/Vienna', currency: '€' })
      .expect(201)
  ).body;
/** As a customer's browser comes out of a message: from elsewhere, with no session. */
const open = (link: string) =>
  request(door.app).get(`/shared/${link}`).set('sec-fetch-site', 'cross-site');
const listed = async () =>
  (await lead.as('get', `/calls/${call}/links`).expect(200)).body as ReportLink[];

it('shows the report to who has the link, counts it, and is listed by no search engine', async () => {
  const { id, link } = await make();
  expect(await listed()).toMatchObject([{ id, opened: 0, lastOpenedAt: null }]);
  await request(door.app).head(`/shared/${link}`).expect(200);
  const answer = await open(link).expect(200);
  expect(answer.type).toBe('application/pdf');
  expect(answer.headers).toMatchObject({
    'x-robots-tag': expect.stringContaining('noindex'),
    'referrer-policy': 'no-referrer',
    'cache-control': 'private, no-store',
  });
  expect(answer.headers['set-cookie']).toBeUndefined();
  expect(await listed()).toMatchObject([{ opened: 1, lastOpenedAt: expect.any(String) }]);
  // What is kept of it opens nothing, and neither does the link in another shop's name.
  const kept = await door.owner.query("SELECT encode(token, 'hex') AS token FROM report_link");
  expect(JSON.stringify(kept.rows)).not.toContain(link.split('.')[1]);
  await open(`${randomUUID()}.${link.split('.')[1]}`).expect(404);
});

it('ends when it is withdrawn or too old, and says so to a person', async () => {
  const [withdrawn, old] = [await make(), await make(1)];
  await lead.as('delete', `/links/${withdrawn.id}`).expect(204);
  await lead.as('delete', `/links/${withdrawn.id}`).expect(404);
  await door.owner.query(
    "UPDATE report_link SET expires_at = now() - interval '1 second' WHERE id = $1",
    [old.id],
  );
  for (const { link } of [withdrawn, old]) {
    const { text } = await open(link).expect(404);
    expect(text).toMatch(/This link has ended[^]*Ask the shop/);
  }
  expect((await listed()).map(({ id }) => id)).not.toContain(old.id);
  const lines = (await lead.as('get', '/audit')).body as AuditLine[];
  expect(lines.map(({ what }) => what)).toContain('withdrew a report link');
});

it('refuses what is no link, and more links than a call may have', async () => {
  const refuse = async (said: object, path: string) => {
    const { text } = await lead.as('post', `/calls/${call}/links`).send(said).expect(422);
    expect(JSON.parse(text).faults[0].path).toBe(path);
  };
  await refuse({ days: 0, zone: 'UTC', currency: '' }, '/days');
  await refuse({ days: 365, zone: 'UTC', currency: '' }, '/days');
  await refuse({ days: 7, zone: 'Nowhere/At all', currency: '' }, '/zone');
  await lead
    .as('post', `/calls/${randomUUID()}/links`)
    .send({ days: 7, zone: 'UTC', currency: '' })
    .expect(404);
  for (const text of ['x', '', 'own.', `own.${'a'.repeat(43)}`, '%00', '..%2f..%2fetc'])
    await open(text).expect(404);
  for (let left = MOST_LINKS - (await listed()).length; left > 0; left--) await make();
  await refuse({ days: 7, zone: 'UTC', currency: '' }, '');
});
