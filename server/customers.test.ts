import { randomUUID } from 'node:crypto';
import type { CustomerFile } from '../contract/customer';
import { startTestDoor, type Founded, type TestDoor } from './testDoor';
import { newCall, reading } from './testServer';

let door: TestDoor;
let lead: Founded;
beforeAll(async () => {
  door = await startTestDoor();
  lead = await door.founded();
});
afterAll(() => door.end());

/** A call of a customer with a reading, in a shop. */
async function callOf(customer: string, shop = lead): Promise<string> {
  const id = randomUUID();
  const call = newCall();
  const appliance = { ...call.appliance, customer };
  await shop
    .as('put', `/calls/${id}`)
    .send({ ...call, appliance })
    .expect(204);
  await shop.as('put', `/entries/${randomUUID()}`).send(reading(id)).expect(204);
  return id;
}
const post = (what: string, said: object, shop = lead) =>
  shop.as('post', `/customers/${what}`).send(said);

it('finds, gives and erases what there is of one customer, and nothing of anybody else', async () => {
  const other = await door.founded();
  const [first, second, neighbour] = [
    await callOf('Aunt Tilly'),
    await callOf(' aunt TILLY'),
    await callOf('Aunt Tilda'),
  ];
  const theirs = await callOf('Aunt Tilly', other);
  // One whose name was put right later is found by either.
  const body = { customer: 'Aunt Tilly' };
  const corrected = await callOf('Ant Tilly');
  await lead
    .as('put', `/entries/${randomUUID()}`)
    .send({ ...reading(corrected), kind: 'correction', body })
    .expect(204);
  const found = await post('find', { name: 'aunt tilly ' }).expect(200);
  expect(found.body.map(({ id }: { id: string }) => id).sort()).toEqual(
    [first, second, corrected].sort(),
  );

  const file = (await post('export', { name: 'Aunt Tilly' }).expect(200)).body as CustomerFile;
  expect(file).toMatchObject({ format: 'yarrix-customer', version: 1 });
  expect(file.calls.map(({ entries }) => entries.length).sort()).toEqual([1, 1, 2]);

  // As many as were looked at, or none.
  await post('erase', { name: 'Aunt Tilly', calls: 2 }).expect(409);
  await lead.as('get', `/calls/${first}`).expect(200);
  const link = { days: 1, zone: 'UTC', currency: '' };
  await lead.as('post', `/calls/${first}/links`).send(link).expect(201);
  await post('erase', { name: 'Aunt Tilly', calls: 3 }).expect(204);
  for (const id of [first, second, corrected]) await lead.as('get', `/calls/${id}`).expect(404);
  await lead.as('get', `/calls/${neighbour}`).expect(200);
  await other.as('get', `/calls/${theirs}`).expect(200);
  const { rows } = await door.owner.query<{ text: string }>(
    `SELECT string_agg(t::text, ' ') AS text FROM (
       SELECT appliance::text FROM appliance WHERE shop = $1 UNION ALL
       SELECT call::text FROM call WHERE shop = $1 UNION ALL
       SELECT entry::text FROM entry WHERE shop = $1 UNION ALL
       SELECT call_words::text FROM call_words WHERE shop = $1 UNION ALL
       SELECT audit::text FROM audit WHERE shop = $1) t`,
    [lead.account.shop],
  );
  expect(rows[0]?.text).not.toMatch(/tilly/i);
  expect(rows[0]?.text).toMatch(/3 calls/);
});

it('is a lead’s alone, and leaves entries as append-only as they were', async () => {
  const call = await callOf('Uncle Bo');
  await expect(door.owner.query('DELETE FROM entry WHERE call = $1', [call])).rejects.toThrow(
    'append-only',
  );
  const shop = door.db.of(lead.account.shop);
  await expect(
    shop.transaction(async (queries) => {
      await queries.query(`SELECT set_config('yarrix.erases', $1, true)`, [shop.shop]);
      await queries.query('DELETE FROM entry WHERE call = $1', [call]);
    }),
  ).rejects.toThrow('permission denied');
  await post('erase', { name: '', calls: 1 }).expect(422);
  await post('erase', { name: 'Nobody', calls: 1 }).expect(409);
});
