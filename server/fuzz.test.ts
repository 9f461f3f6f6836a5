import { randomUUID } from 'node:crypto';
import { tmpdir } from 'node:os';
import request from 'supertest';
import { fuzzRequests } from '../tools/soak/fuzz';
import type { Account } from '../contract/account';
import { foundShop, type SignedIn } from '../e2e/signIn';
import { Watched } from '../tools/soak/watched';
import { verify } from './db/verify';
import { newCall, startTestServer, type TestServer } from './testServer';

jest.setTimeout(300_000);

const SEED = Number(process.env.YARRIX_SEED ?? 20261126);
/** All of them with `./yarrix test --all`; every run has its share. */
const COUNT = process.env.YARRIX_ALL === '1' ? 10_000 : 1500;
const AT_ONCE = 8;
/** Until here caches fill; from then on nothing may grow. */
const WARM = COUNT / 2;

let server: TestServer;
let watched: Watched;
let signedIn: SignedIn;
beforeAll(async () => {
  server = await startTestServer();
  watched = await Watched.start(process.env.YARRIX_TEST_DATABASE ?? '', tmpdir());
  signedIn = await foundShop(watched.address, 'Fuzz');
});
afterAll(async () => {
  await watched.stop();
  await server.end();
});

it(`answers ${COUNT} wrong requests without failing, stores no halves, and keeps its memory (seed ${SEED})`, async () => {
  const calls = await Promise.all(Array.from({ length: 20 }, openCall));
  const requests = fuzzRequests(SEED, calls);
  const answers = new Map<number, number>();
  let sent = 0;
  let heap = 0;
  const send = async (): Promise<void> => {
    while (sent < COUNT) {
      const number = sent++;
      if (number === WARM) ({ heapBytes: heap } = await watched.report(true));
      const { value } = requests.next();
      if (!value) return;
      const { method, path, headers, body } = value;
      const answer = await fetch(new URL(path, watched.address), {
        method,
        headers: { ...headers, ...signedIn },
        body,
      });
      const text = await answer.text();
      if (answer.status >= 500)
        throw new Error(`${answer.status} to ${method} ${path} ${body?.slice(0, 500)}: ${text}`);
      answers.set(answer.status, (answers.get(answer.status) ?? 0) + 1);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, send));
  const { longestBlockMs, heapBytes } = await watched.report();
  process.stderr.write(
    `fuzz: ${[...answers].map(([status, count]) => `${count} x ${status}`).join(', ')}; longest block ${longestBlockMs.toFixed(0)} ms; heap ${(heap / 2 ** 20).toFixed(1)} to ${(heapBytes / 2 ** 20).toFixed(1)} MB\n`,
  );
  // Some are right all the same, and most are not.
  expect(answers.get(204) ?? 0).toBeGreaterThan(COUNT / 50);
  expect(answers.get(422) ?? 0).toBeGreaterThan(COUNT / 10);
  expect(heapBytes).toBeLessThan(heap * 1.1);
  const { faults, entries } = await verify(server.owner);
  const session = await fetch(new URL('/api/session', watched.address), {
    headers: { ...signedIn },
  });
  const { shop } = (await session.json()) as Account;
  expect(faults.filter((each) => each.startsWith(shop))).toEqual([]);
  expect(entries).toBeGreaterThan(COUNT / 50);
});

async function openCall(): Promise<string> {
  const id = randomUUID();
  const answer = await fetch(new URL(`/api/calls/${id}`, watched.address), {
    method: 'PUT',
    headers: { ...signedIn, 'content-type': 'application/json' },
    body: JSON.stringify(newCall()),
  });
  expect(answer.status).toBe(204);
  return id;
}

describe('no request costs more than its size', () => {
  const put = (file: string) =>
    fetch(new URL(`/api/diagrams/${randomUUID()}`, watched.address), {
      method: 'PUT',
      headers: { ...signedIn },
      body: file,
    });

  it('tells the first fifty faults of a file, and keeps nobody else waiting meanwhile', async () => {
    // 16,000 wires to a place that is not there, in 48 kB and more.
    const wires = Array.from({ length: 16_000 }, () => 0);
    const file = JSON.stringify({ format: 'yarrix-diagram', version: 1, wires });
    await put('{}');
    await watched.report(true);
    const many = put(file);
    const beside = await fetch(new URL('/api/calls', watched.address), {
      headers: { ...signedIn },
    });
    expect(beside.status).toBe(200);
    const answer = await many;
    expect(answer.status).toBe(422);
    const { faults } = (await answer.json()) as { faults: { message: string }[] };
    expect(faults.length).toBeLessThanOrEqual(51);
    process.stderr.write(
      `a file of 16,000 faults: longest block ${(await watched.report()).longestBlockMs.toFixed(0)} ms\n`,
    );
  });

  it('refuses what is too large with its limit, before it is read', async () => {
    const call = { ...newCall(), complaint: 'x'.repeat(400_000) };
    const answer = await request(server.app).put(`/api/calls/${randomUUID()}`).send(call);
    expect(answer.status).toBe(413);
    expect(answer.type).toBe('application/problem+json');
    expect((await put('x'.repeat(1_100_000))).status).toBe(413);
  });
});
