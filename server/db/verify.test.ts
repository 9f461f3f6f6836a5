import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { reading, startTestServer, type TestServer } from '../testServer';
import type { Queries } from './database';
import { verify } from './verify';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.end());

class Undone extends Error {}

/** What is found of data as somebody has spoilt it; nothing of that stays. */
async function foundAfter(spoil: (queries: Queries) => Promise<unknown>): Promise<string[]> {
  let found: string[] = [];
  const undone = server.owner.transaction(async (queries) => {
    await spoil(queries);
    const { faults } = await verify(queries);
    found = faults.filter((each) => each.startsWith(`${server.shop}:`));
    throw new Undone();
  });
  await expect(undone).rejects.toThrow(Undone);
  return found;
}
const ownCall = async (): Promise<{ call: string; entry: string }> => {
  const [call, entry] = [await server.openCall(), randomUUID()];
  await request(server.app).put(`/api/entries/${entry}`).send(reading(call)).expect(204);
  return { call, entry };
};
const insert = (queries: Queries, call: string, kind: string, body: object, times = 1) =>
  queries.query(
    `INSERT INTO entry (shop, id, call, kind, body, phone_at, at)
     SELECT $1, gen_random_uuid(), $2, $3, $4, now(), now() FROM generate_series(1, $5)`,
    [server.shop, call, kind, body, times],
  );

it('reads everything, page by page, and says nothing of what holds', async () => {
  const { call } = await ownCall();
  const before = await verify(server.owner);
  await server.owner
    .transaction(async (queries) => {
      await insert(queries, call, 'look', { look: 'click', found: true }, 2300);
      const { entries, calls, faults } = await verify(queries);
      expect(entries).toBeGreaterThanOrEqual(before.entries + 2300);
      expect(calls).toBeGreaterThanOrEqual(before.calls);
      expect(faults.filter((each) => each.startsWith(server.shop))).toEqual([]);
      throw new Undone();
    })
    .catch((error: unknown) => expect(error).toBeInstanceOf(Undone));
  expect(before.shops).toBeGreaterThanOrEqual(2);
});

it('names what does not hold, and where', async () => {
  const { call, entry } = await ownCall();
  const other = await ownCall();
  const counts = await foundAfter((queries) =>
    queries.query(
      `UPDATE call SET readings = 9, stage = 'done', version_now = 7 WHERE shop = $1 AND id = $2`,
      [server.shop, call],
    ),
  );
  expect(counts).toEqual([
    `${server.shop}: call ${call} shows another readings, stage, diagram version than its log has`,
  ]);
  const shape = await foundAfter((queries) => insert(queries, call, 'look', { look: 7 }));
  expect(shape).toEqual([expect.stringMatching(/entry .*: \/body\/look/)]);
  const names = await foundAfter((queries) =>
    insert(queries, call, 'doubt', { names: other.entry, reason: 'of another call' }),
  );
  expect(names).toEqual([expect.stringMatching(/names an entry that is not in its call/)]);
  const right = await foundAfter((queries) =>
    insert(queries, call, 'doubt', { names: entry, reason: 'of its own' }),
  );
  expect(right).toEqual([]);
  const diagrams = await foundAfter((queries) =>
    queries.query(
      `INSERT INTO kept_diagram (shop, id, version, body, name, sent_as)
       SELECT shop, id, version + number, CASE number WHEN 1 THEN body ELSE '{}' END, 'another',
              gen_random_uuid()
       FROM diagram, generate_series(1, 2) number WHERE shop = $1 AND version = 1`,
      [server.shop],
    ),
  );
  expect(diagrams).toEqual([
    expect.stringMatching(/diagram .* version 2: is kept under another id or name/),
    expect.stringMatching(/diagram .* version 3: /),
  ]);
});

it('names what all shops have and does not hold, in a shop that has it', async () => {
  const found = await foundAfter((queries) =>
    queries.query(
      `WITH made AS (INSERT INTO built_in (id, body) VALUES (gen_random_uuid(), '{}') RETURNING id)
       INSERT INTO kept_diagram (shop, id, version, name, sent_as, built_in)
       SELECT $1, name, 1, name, gen_random_uuid(), made.id FROM made, (VALUES ('one'), ('two')) of(name)`,
      [server.shop],
    ),
  );
  expect(found).toEqual([
    expect.stringMatching(/diagram one version 1: /),
    expect.stringMatching(/diagram two version 1: /),
  ]);
});

it('stops telling after a hundred', async () => {
  const { call } = await ownCall();
  const found = await foundAfter((queries) => insert(queries, call, 'look', {}, 150));
  expect(found).toHaveLength(100);
});
