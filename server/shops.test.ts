import { randomUUID } from 'node:crypto';
import request from 'supertest';
import type { CallDetail, CallPage, CallSummary } from '../contract/call';
import type { DiagramBody, DiagramSummary } from '../contract/diagram';
import { builtIn } from '../library/library';
import { newCall, phoneAt, reading, startTestServer, type TestServer } from './testServer';

let server: TestServer;
let app: TestServer['app'];
let openCall: TestServer['openCall'];
let logOf: TestServer['logOf'];
beforeAll(async () => {
  server = await startTestServer();
  ({ app, openCall, logOf } = server);
});
afterAll(() => server.end());

describe('shops, lists and what is refused at the door', () => {
  it('shows another shop nothing, and lets it write nothing here', async () => {
    const call = await openCall();
    const id = randomUUID();
    await request(app).put(`/api/entries/${id}`).send(reading(call)).expect(204);
    const asOther = (method: 'get' | 'put' | 'post', path: string) =>
      request(app)[method](path).set('x-of', 'other');
    await asOther('get', `/api/calls/${call}`).expect(404);
    expect((await asOther('get', '/api/calls').expect(200)).body).toEqual({
      calls: [],
      next: null,
    });
    expect((await asOther('get', '/api/diagrams').expect(200)).body).toEqual([]);
    expect((await asOther('post', '/api/diagrams/bodies').send({ have: [] })).body).toEqual([]);
    await asOther('get', '/api/diagrams/top-load-washer/1').expect(404);
    await asOther('put', `/api/entries/${randomUUID()}`).send(reading(call)).expect(404);
    const table = { callId: call, diagramVersion: 1, part: 'lid-switch', csv: 'x', phoneAt };
    await asOther('put', `/api/tables/${randomUUID()}`).send(table).expect(404);
    // A call of the other shop under the same id is another call, and has a log of its own.
    await asOther('put', `/api/calls/${call}`).send(newCall()).expect(422);
    const washer = JSON.stringify(builtIn('top-load-washer'));
    await asOther('put', `/api/diagrams/${randomUUID()}`).type('text').send(washer).expect(200);
    await asOther('put', `/api/calls/${call}`).send(newCall()).expect(204);
    const theirs = (await asOther('get', `/api/calls/${call}`).expect(200)).body as CallDetail;
    expect(theirs.entries).toEqual([]);
    expect(theirs.readings).toBe(0);
    // The same id of an entry in two shops is two entries.
    await asOther('put', `/api/entries/${id}`)
      .send(reading(call, { said: 'OL' }))
      .expect(204);
    expect((await logOf(call)).map((each) => each.body)).toMatchObject([{ said: '0.3' }]);
    const mine = ((await request(app).get('/api/calls').expect(200)).body as CallPage).calls;
    expect(mine.filter((each) => each.id === call)).toHaveLength(1);
  });

  it('refuses at the door what would stop a diagnosis, and says where it is', async () => {
    const call = await openCall();
    const setup = reading(call).body.setup;
    const refused = async (changes: object, path: string): Promise<void> => {
      const { text } = await request(app)
        .put(`/api/entries/${randomUUID()}`)
        .send(reading(call, changes))
        .expect(422);
      expect(JSON.parse(text).faults.map((each: { path: string }) => each.path)).toEqual([path]);
    };
    await refused(
      { setup: { ...setup, jumpers: [['timer.L', 'nowhere.1']] } },
      '/body/setup/jumpers/0/1',
    );
    await refused({ setup: { ...setup, power: 'on' } }, '/body/setup/power');
    await refused({ setup: { ...setup, byHand: { drive: 'x' } } }, '/body/setup/byHand/drive');
    await refused({ meter: 'abacus' }, '/body/meter');
    const told = { source: 'told', steps: 'timer=wash', subject: 'drive', outcome: 'dances' };
    const { text } = await request(app)
      .put(`/api/entries/${randomUUID()}`)
      .send({ callId: call, kind: 'statement', phoneAt, body: told })
      .expect(422);
    expect(JSON.parse(text).faults[0].path).toBe('/body/outcome');
    const { text: own } = await request(app)
      .put(`/api/entries/${randomUUID()}`)
      .send({ callId: call, kind: 'diagram', phoneAt, body: { version: 1, reason: 'mine' } })
      .expect(422);
    expect(JSON.parse(own).faults[0].path).toBe('/kind');
    expect(await logOf(call)).toEqual([]);
  });

  it('gives a log in the order of the phone, and calls with the last worked first', async () => {
    const [first, second] = [await openCall(), await openCall()];
    const send = (call: string, said: string, minute: number) =>
      request(app)
        .put(`/api/entries/${randomUUID()}`)
        .send({ ...reading(call, { said }), phoneAt: `2026-11-24T09:0${minute}:00.000Z` })
        .expect(204);
    await send(first, '0.3', 5);
    await send(first, '0.1', 1);
    await send(first, '0.2', 1);
    await send(second, '0.9', 4);
    const said = (await logOf(first)).map((each) => each.kind === 'reading' && each.body.said);
    // At the same phone time the order of arrival decides.
    expect(said).toEqual(['0.1', '0.2', '0.3']);
    const list = async (): Promise<CallSummary[]> =>
      ((await request(app).get('/api/calls').expect(200)).body as CallPage).calls;
    const ours = async () => (await list()).filter(({ id }) => [first, second].includes(id));
    expect((await ours()).map(({ id, readings }) => [id, readings])).toEqual([
      [first, 3],
      [second, 1],
    ]);
    // The cover that was opened for its reading is on again.
    for (const [kind, body] of [
      ['closed', { line: 'panel cabinet', how: 'back' }],
      ['stage', { stage: 'done' }],
    ])
      await request(app)
        .put(`/api/entries/${randomUUID()}`)
        .send({ callId: second, kind, body, phoneAt: '2026-11-24T09:09:00.000Z' })
        .expect(204);
    expect((await ours()).map(({ id, stage }) => [id, stage])).toEqual([
      [second, 'done'],
      [first, 'open'],
    ]);
  });

  it('lists diagrams with what lists need, and sends a device the bodies it lacks at once', async () => {
    const list = (await request(app).get('/api/diagrams').expect(200)).body as DiagramSummary[];
    const washer = list.find((each) => each.id === 'top-load-washer');
    expect(washer).toMatchObject({ kind: 'top-load washer', parts: 6, switches: 2 });
    expect(washer?.words).toContain('door switch');
    expect(Object.keys(washer ?? {})).not.toContain('body');
    const bodies = async (have: string[]): Promise<DiagramBody[]> =>
      (await request(app).post('/api/diagrams/bodies').send({ have }).expect(200)).body;
    expect((await bodies([])).map(({ id, version }) => [id, version])).toEqual(
      list.map(({ id, version }) => [id, version]).sort(),
    );
    const have = list
      .filter((each) => each !== washer)
      .map(({ id, version }) => `${id}/${version}`);
    expect(await bodies(have)).toMatchObject([
      { id: 'top-load-washer', body: { format: 'yarrix-diagram' } },
    ]);
    const bad = await request(app).post('/api/diagrams/bodies').send({ have: 'all' }).expect(422);
    expect(JSON.parse(bad.text).faults[0].path).toBe('/have');
    // A new version is in the list at once, and is the one that is sent.
    const next = { ...builtIn('top-load-washer'), name: 'Top-load washer, changed' };
    const put = request(app).put(`/api/diagrams/${randomUUID()}`).type('text');
    const { version } = (await put.send(JSON.stringify(next)).expect(200)).body;
    const now = (await request(app).get('/api/diagrams').expect(200)).body as DiagramSummary[];
    expect(now.find((each) => each.id === next.id)).toMatchObject({ version, name: next.name });
    expect(now).toHaveLength(list.length);
  });

  it('says what there is not, and where, and changes nothing but the table that came in', async () => {
    const problemOf = async (sent: request.Test): Promise<{ title: string; faults?: object[] }> =>
      JSON.parse((await sent).text);
    const put = (path: string, body: object) => request(app).put(path).send(body);
    expect(
      await problemOf(put(`/api/entries/${randomUUID()}`, reading(randomUUID()))),
    ).toMatchObject({
      title: 'there is no such call',
    });
    expect(await problemOf(request(app).get('/api/diagrams/no-such/1'))).toMatchObject({
      title: 'there is no such diagram version',
    });
    for (const version of ['first', '0', '1.5', '99999999999'])
      expect(
        await problemOf(request(app).get(`/api/diagrams/top-load-washer/${version}`)),
      ).toMatchObject({ status: 400 });
    const wrong = { ...newCall(), diagramVersion: 9 };
    expect(await problemOf(put(`/api/calls/${randomUUID()}`, wrong))).toMatchObject({
      faults: [{ path: '/diagramId', message: 'there is no diagram "top-load-washer" version 9' }],
    });
    const call = await openCall();
    const table = { callId: call, diagramVersion: 1, phoneAt };
    const csv = 'position,A1-A2,B1-B2\nclosed,x,0\nopen,0,0\n';
    expect(
      await problemOf(put(`/api/tables/${randomUUID()}`, { ...table, part: 'drive', csv })),
    ).toMatchObject({ faults: [{ path: '/part' }] });
    await put(`/api/tables/${randomUUID()}`, { ...table, part: 'lid-switch', csv }).expect(200);
    const { diagram, entries } = (await request(app).get(`/api/calls/${call}`)).body as CallDetail;
    const before = builtIn('top-load-washer');
    const others = (parts = diagram.parts) => parts.filter(({ id }) => id !== 'lid-switch');
    expect(others()).toEqual(JSON.parse(JSON.stringify(others(before?.parts))));
    expect(entries).toMatchObject([
      { kind: 'diagram', body: { reason: 'contact table of Lid switch read from CSV' } },
    ]);
  });

  it('keeps who the customer is, or that nobody said it', async () => {
    const [named, unnamed] = [randomUUID(), await openCall()];
    const call = newCall();
    const appliance = { ...call.appliance, customer: 'Aunt Tilly' };
    await request(app)
      .put(`/api/calls/${named}`)
      .send({ ...call, appliance })
      .expect(204);
    const of = async (id: string): Promise<unknown> =>
      ((await request(app).get(`/api/calls/${id}`)).body as CallDetail).appliance.customer;
    expect(await of(named)).toBe('Aunt Tilly');
    expect(await of(unnamed)).toBeNull();
  });

  it('keeps all of a transaction or none of it', async () => {
    const id = randomUUID();
    const failing = server.owner.transaction(async (queries) => {
      await queries.query('INSERT INTO shop (shop, name) VALUES ($1, $1)', [id]);
      throw new Error('in the middle');
    });
    await expect(failing).rejects.toThrow('in the middle');
    const count = async (): Promise<number> =>
      (await server.owner.query('SELECT 1 FROM shop WHERE shop = $1', [id])).rowCount ?? 0;
    expect(await count()).toBe(0);
    // Who swallows a failed statement has not stored anything, and is told: COMMIT rolls back in silence.
    const swallowed = server.owner.transaction(async (queries) => {
      await queries.query('INSERT INTO shop (shop, name) VALUES ($1, $1)', [id]);
      await queries.query('SELECT 1 / 0').catch(() => undefined);
    });
    await expect(swallowed).rejects.toThrow(/rolled back/);
    expect(await count()).toBe(0);
    // The connection that was rolled back is as good as new.
    await server.owner.transaction((queries) =>
      queries.query('INSERT INTO shop (shop, name) VALUES ($1, $1)', [id]),
    );
    expect(await count()).toBe(1);
  });
});
