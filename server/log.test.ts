import { randomUUID } from 'node:crypto';
import { tmpdir } from 'node:os';
import pino from 'pino';
import request from 'supertest';
import type { CallDetail, CallPage } from '../contract/call';
import type { Problem } from '../contract/problem';
import { createApp } from './app';
import { Changes } from './changes';
import { Database } from './db/database';
import { verify } from './db/verify';
import { DiagramCheck } from './diagramCheck';
import { TablePhotos } from './tablePhoto/tablePhotos';
import { DiskSpace } from './diskSpace';
import { Reports } from './report/reports';
import { asLead, newCall, phoneAt, reading, startTestServer, type TestServer } from './testServer';

let server: TestServer;
let app: TestServer['app'];
beforeAll(async () => {
  server = await startTestServer();
  ({ app } = server);
});
afterAll(() => server.end());

const put = (kind: 'entries' | 'calls' | 'tables', id: string, body: object) =>
  request(app).put(`/api/${kind}/${id}`).send(body);
const faultsOf = async (answer: PromiseLike<{ text: string }>) =>
  (JSON.parse((await answer).text) as Problem).faults ?? [];
const detail = async (id: string): Promise<CallDetail> =>
  (await request(app).get(`/api/calls/${id}`).expect(200)).body as CallDetail;

describe('the same id with other content', () => {
  it('is told with what differs, for entries, calls, appliances, tables and diagrams', async () => {
    const call = await server.openCall();
    const id = randomUUID();
    await put('entries', id, reading(call)).expect(204);
    await put('entries', id, reading(call)).expect(204);
    expect(await faultsOf(put('entries', id, reading(call, { said: 'OL' })).expect(409))).toEqual([
      { path: '/body/said', message: 'is "0.3" in what is stored' },
    ]);
    const later = { ...reading(call), phoneAt: '2026-11-24T09:00:00.000Z' };
    expect((await faultsOf(put('entries', id, later).expect(409)))[0]?.path).toBe('/phoneAt');
    // The same moment in another zone is the same moment.
    await put('entries', id, { ...reading(call), phoneAt: '2026-11-24T09:00:00+01:00' }).expect(
      204,
    );
    const other = await server.openCall();
    expect((await faultsOf(put('entries', id, reading(other)).expect(409)))[0]?.path).toBe(
      '/callId',
    );

    const sent = newCall();
    const number = randomUUID();
    await put('calls', number, sent).expect(204);
    await put('calls', number, sent).expect(204);
    const told = await faultsOf(put('calls', number, { ...sent, complaint: 'x' }).expect(409));
    expect(told).toEqual([{ path: '/complaint', message: 'is "does not spin" in what is stored' }]);
    // A new call may not make another appliance of a known one, and is not stored itself.
    const appliance = { ...sent.appliance, model: 'W-45' };
    const another = randomUUID();
    const refused = put('calls', another, { ...sent, appliance }).expect(409);
    expect((await faultsOf(refused))[0]?.path).toBe('/model');
    await request(app).get(`/api/calls/${another}`).expect(404);

    const table = { callId: call, diagramVersion: 1, part: 'lid-switch', phoneAt };
    const csv = 'position,A1-A2,B1-B2\nclosed,x,x\nopen,0,0\n';
    const sentAs = randomUUID();
    await put('tables', sentAs, { ...table, csv }).expect(200);
    await put('tables', sentAs, { ...table, csv }).expect(200);
    await put('tables', sentAs, { ...table, csv: csv.replace('x,x', 'x,0') }).expect(409);
    const { diagram } = await detail(call);
    const file = (name: string) =>
      request(app)
        .put(`/api/diagrams/${sentAs}`)
        .type('text')
        .send(JSON.stringify({ ...diagram, name }));
    await file('Another name').expect(409);
  });
});

describe('what an entry names', () => {
  it('is in the log of the same call, and not itself', async () => {
    const [call, other] = [await server.openCall(), await server.openCall()];
    const [first, elsewhere, own] = [randomUUID(), randomUUID(), randomUUID()];
    await put('entries', first, reading(call)).expect(204);
    await put('entries', elsewhere, reading(other)).expect(204);
    const doubt = (names: string) => ({
      callId: call,
      kind: 'doubt',
      phoneAt,
      body: { names, reason: 'leads were loose' },
    });
    for (const [id, names] of [
      [randomUUID(), elsewhere],
      [randomUUID(), randomUUID()],
      [own, own],
    ] as const)
      expect((await faultsOf(put('entries', id, doubt(names)).expect(422)))[0]?.path).toBe(
        '/body/names',
      );
    const supersedes = [first, elsewhere];
    const wrong = put('entries', randomUUID(), reading(call, { supersedes })).expect(422);
    expect((await faultsOf(wrong))[0]?.path).toBe('/body/supersedes');
    await put('entries', randomUUID(), doubt(first)).expect(204);
    await put('entries', randomUUID(), reading(call, { supersedes: [first, first] })).expect(204);
    expect((await detail(call)).entries).toHaveLength(3);
  });
});

describe('several entries at once', () => {
  const batch = (entries: unknown[]) => request(app).post('/api/entries').send({ entries });
  it('are stored in one go and answered one by one, in their order, once however often they come', async () => {
    const call = await server.openCall();
    const ids = Array.from({ length: 5 }, () => randomUUID());
    const entries = ids.map((id, i) => ({
      id,
      entry: i === 2 ? { ...reading(call), kind: 'guess' } : reading(call, { said: `0.${i + 1}` }),
    }));
    // One takes the place of another that came just before it.
    const last = { id: randomUUID(), entry: reading(call, { supersedes: [ids[0]] }) };
    const first = (await batch([...entries, last]).expect(200)).body as {
      results: { id: string; status: number; problem?: Problem }[];
    };
    expect(first.results.map(({ id, status }) => [id, status])).toEqual([
      ...ids.map((id, i) => [id, i === 2 ? 422 : 204]),
      [last.id, 204],
    ]);
    expect(first.results[2]?.problem?.faults?.[0]?.path).toBe('/kind');
    expect((await batch([...entries, last]).expect(200)).body).toEqual(first);
    expect((await detail(call)).entries.map(({ id }) => id)).toEqual([
      ...ids.filter((_, i) => i !== 2),
      last.id,
    ]);
    await batch([]).expect(422);
    await batch(Array.from({ length: 51 }, () => last)).expect(422);
    await batch([{ id: 'x', entry: {} }]).expect(422);
  });

  it('from many phones at one moment are each stored once, and each is answered for itself', async () => {
    const calls = [await server.openCall(), await server.openCall()] as const;
    const sent = Array.from({ length: 40 }, (_, i) => ({
      id: randomUUID(),
      entry: reading(calls[i % 2 ? 1 : 0], { said: `0.${i}` }),
    }));
    const [first, second] = sent as [(typeof sent)[0], (typeof sent)[0]];
    const send = async ({ id, entry }: (typeof sent)[0]): Promise<number> =>
      (await put('entries', id, entry)).status;
    const [other, again, away, names, ...rest] = await Promise.all([
      send({ ...first, entry: reading(calls[0], { said: '9' }) }),
      send(second),
      send({ id: randomUUID(), entry: reading(randomUUID()) }),
      send({ id: randomUUID(), entry: reading(calls[0], { supersedes: [randomUUID()] }) }),
      ...sent.map(send),
    ]);
    expect([again, away, names]).toEqual([204, 404, 422]);
    // Of two that share an id one is stored and the other is told so, whichever came first.
    expect([other, rest[0]].sort()).toEqual([204, 409]);
    expect(rest.slice(1)).toEqual(sent.slice(1).map(() => 204));
    for (const call of calls) {
      const { entries, readings } = await detail(call);
      expect([entries.length, readings]).toEqual([20, 20]);
    }
    expect(await verify(server.owner)).toMatchObject({ faults: [] });
  });
});

describe('the list of calls', () => {
  it('comes in pages, the last worked first, each call once, and is searched by any of its words', async () => {
    const count = 120;
    const made: string[] = [];
    for (let i = 0; i < count; i++) {
      const id = randomUUID();
      const place = i % 40 === 7 ? `Küche ${i}, 50% Street_${i}` : `Cellar ${i}`;
      const appliance = { ...newCall().appliance, place, customer: `Person ${i}` };
      const at = new Date(Date.UTC(2026, 0, 1, 0, 0, i)).toISOString();
      await put('calls', id, { ...newCall(), appliance, phoneAt: at }).expect(204);
      made.push(id);
    }
    const page = async (query: string): Promise<CallPage> =>
      (await request(app).get(`/api/calls?${query}`).expect(200)).body as CallPage;
    const seen: string[] = [];
    let next: string | null = '';
    for (let pages = 0; next !== null && pages < 10; pages++) {
      const one: CallPage = await page(`search=person${next && `&after=${next}`}`);
      expect(one.calls.length).toBeLessThanOrEqual(50);
      seen.push(...one.calls.map(({ id }) => id));
      ({ next } = one);
    }
    expect(seen).toEqual([...made].reverse());
    const found = async (search: string) =>
      (await page(`search=${encodeURIComponent(search)}`)).calls.map(
        ({ appliance }) => appliance.customer,
      );
    expect(await found('kuche 47')).toEqual(['Person 47']);
    expect(await found('PERSON KÜCHE')).toEqual(['Person 87', 'Person 47', 'Person 7']);
    expect(await found('50% street_7')).toEqual(['Person 7']);
    expect(await found('% _')).toEqual(['Person 87', 'Person 47', 'Person 7']);
    expect(await found('submarine')).toEqual([]);
    expect((await page('stage=done&search=person')).calls).toEqual([]);
    for (const query of ['after=x', 'after=MTIz', 'stage=lost', 'search=a&search=b'])
      await request(app).get(`/api/calls?${query}`).expect(400);
    const { faults } = await verify(server.owner);
    expect(faults.filter((each) => each.startsWith(server.shop))).toEqual([]);
  });
});

describe('what is in the way of the database', () => {
  const own = (disk: DiskSpace, url = process.env.YARRIX_TEST_DATABASE ?? '') => {
    const db = new Database(url);
    const log = pino({ level: 'silent' });
    return {
      db,
      app: createApp({
        db,
        check: new DiagramCheck(),
        reports: new Reports(),
        tablePhotos: new TablePhotos(),
        changes: new Changes(db, ''),
        disk,
        whoAsks: asLead(db, server.shop),
        door: { demo: false, founding: true },
        log,
      }),
    };
  };

  it('a full disk refuses what would be stored, and nothing that is read', async () => {
    let least = Number.MAX_SAFE_INTEGER;
    const disk = new DiskSpace(tmpdir(), 0);
    jest.spyOn(disk, 'isEnough').mockImplementation(async () => least === 0);
    const full = own(disk);
    const id = randomUUID();
    const refused = await request(full.app).put(`/api/calls/${id}`).send(newCall()).expect(507);
    expect(JSON.parse(refused.text).title).toMatch(/disk is full.*still on your device/);
    await request(full.app).get('/api/calls').expect(200);
    // It goes on by itself.
    least = 0;
    await request(full.app).put(`/api/calls/${id}`).send(newCall()).expect(204);
    await full.db.end();
    expect(await new DiskSpace(tmpdir(), Number.MAX_SAFE_INTEGER).isEnough()).toBe(false);
    expect(await new DiskSpace(tmpdir(), 1).isEnough()).toBe(true);
  });

  it('a connection that is cut in the middle of a transaction fails that request and no other', async () => {
    const name = `cut-${randomUUID()}`;
    const cut = own(
      new DiskSpace(tmpdir(), 0),
      `${process.env.YARRIX_TEST_DATABASE}?application_name=${name}`,
    );
    const cutAll = () =>
      server.owner.query(
        'SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE application_name = $1',
        [name],
      );
    const inTheMiddle = cut.db.transaction(async (queries) => {
      await queries.query('SELECT 1');
      await cutAll();
      await queries.query('SELECT 1');
    });
    await expect(inTheMiddle).rejects.toThrow();
    await request(cut.app).get('/api/calls').expect(200);
    // Cut while nobody uses them: nobody notices.
    await cutAll();
    await new Promise((resolve) => setTimeout(resolve, 50));
    await request(cut.app).get('/api/calls').expect(200);
    // A statement that hangs is given up in time, and its connection with it.
    const began = performance.now();
    await expect(cut.db.query('SELECT pg_sleep(20)')).rejects.toThrow(/timeout/);
    expect(performance.now() - began).toBeLessThan(10_000);
    await request(cut.app).get('/api/ready').expect(200);
    await cut.db.end();
  });
});
