import { randomUUID } from 'node:crypto';
import request from 'supertest';
import type { CallDetail } from '../contract/call';
import { builtIn, LIBRARY } from '../library/library';
import { phoneAt, reading, startTestServer, type TestServer } from './testServer';

let server: TestServer;
let app: TestServer['app'];
let openCall: TestServer['openCall'];
let logOf: TestServer['logOf'];
beforeAll(async () => {
  server = await startTestServer();
  ({ app, openCall, logOf } = server);
});
afterAll(() => server.end());

describe('the server on a real PostgreSQL', () => {
  it('answers health from the database', async () => {
    const { body } = await request(app).get('/api/ready').expect(200);
    expect(Date.parse(body.database)).not.toBeNaN();
  });

  it('stores a reading once, however often it is sent, and what the display said as it was said', async () => {
    const call = await openCall();
    const id = randomUUID();
    for (let sent = 0; sent < 3; sent++) {
      await request(app)
        .put(`/api/entries/${id}`)
        .send(reading(call, { said: '820k' }))
        .expect(204);
    }
    const log = await logOf(call);
    expect(log.map((each) => each.id)).toEqual([id]);
    expect(log[0]?.body).toMatchObject({ said: '820k' });
  });

  it('refuses to overwrite: another body under the same id, and any update or delete', async () => {
    const call = await openCall();
    const id = randomUUID();
    await request(app).put(`/api/entries/${id}`).send(reading(call)).expect(204);
    await request(app)
      .put(`/api/entries/${id}`)
      .send(reading(call, { said: 'OL' }))
      .expect(409);
    const at = 'WHERE shop = $1 AND id = $2';
    const of = [server.shop, id];
    // The owner of the table is stopped by the table itself, the application is not even let near.
    for (const text of [`UPDATE entry SET kind = 'doubt' ${at}`, `DELETE FROM entry ${at}`]) {
      await expect(server.owner.query(text, of)).rejects.toThrow('append-only');
      await expect(server.db.query(text, of)).rejects.toThrow('permission denied');
    }
    await expect(server.owner.query('TRUNCATE entry')).rejects.toThrow('append-only');
    for (const text of [
      'TRUNCATE entry',
      'DROP TABLE entry',
      'ALTER TABLE entry DISABLE TRIGGER ALL',
      "UPDATE call SET stage = 'done'",
      'DELETE FROM call',
      "UPDATE kept_diagram SET body = '{}'",
      "INSERT INTO built_in (id, body) VALUES (gen_random_uuid(), '{}')",
      "UPDATE built_in SET body = '{}'",
      'DELETE FROM appliance',
      'CREATE TABLE mine (a integer)',
      'SET session_replication_role = replica',
      'DELETE FROM audit',
      "UPDATE audit SET what = 'nothing'",
      'SELECT * FROM knock',
      'ALTER TABLE entry DISABLE ROW LEVEL SECURITY',
    ])
      await expect(server.db.query(text)).rejects.toThrow(/permission denied|must be owner/);
    expect((await logOf(call))[0]?.body).toMatchObject({ said: '0.3' });
  });

  it('keeps what was told and looked for, and refuses what the diagram does not have', async () => {
    const call = await openCall();
    const send = (kind: string, body: object) =>
      request(app).put(`/api/entries/${randomUUID()}`).send({ callId: call, kind, phoneAt, body });
    const told = { source: 'told', steps: 'timer=wash,wait=30', subject: 'timer-motor' };
    await send('statement', { ...told, outcome: 'off' }).expect(204);
    await send('look', { look: 'click', found: false }).expect(204);
    const steps = await send('statement', { ...told, steps: 'timer=up', outcome: 'off' }).expect(
      422,
    );
    expect(JSON.parse(steps.text).faults).toEqual([
      { path: '/body/steps', message: expect.stringMatching(/timer=up.*off, wash, spin/) },
    ]);
    const look = await send('look', { look: 'smell', found: true }).expect(422);
    expect(JSON.parse(look.text).faults[0].path).toBe('/body/look');
    expect((await logOf(call)).map((each) => each.kind)).toEqual(['statement', 'look']);
  });

  it('keeps live readings, acts and jumpers, and refuses what says no volts or names no part', async () => {
    const call = await openCall();
    const send = (kind: string, body: object) =>
      request(app).put(`/api/entries/${randomUUID()}`).send({ callId: call, kind, phoneAt, body });
    const off = reading(call).body;
    const setup = { ...off.setup, power: 'on' };
    const live = { ...off, setup, function: 'volt', steps: 'timer=wash', said: '119.4 V' };
    await send('reading', live).expect(204);
    await send('act', { part: 'lid-switch', act: 'tap' }).expect(204);
    const jumped = { source: 'seen', steps: 'timer=wash', subject: 'drive', outcome: 'runs' };
    await send('statement', { ...jumped, jumper: ['timer.L', 'timer.AG'] }).expect(204);
    const refused = async (kind: string, body: object, path: string): Promise<void> => {
      const { text } = await send(kind, body).expect(422);
      expect(JSON.parse(text).faults[0].path).toBe(path);
    };
    await refused('reading', { ...live, said: 'OL' }, '/body/said');
    await refused('reading', { ...live, steps: 'timer=up' }, '/body/steps');
    await refused('act', { part: 'drum', act: 'tap' }, '/body/part');
    await refused('act', { part: 'lid-switch', act: 'kick' }, '/body/act');
    await refused('statement', { ...jumped, jumper: ['timer.L', 'timer.X'] }, '/body/jumper/1');
    expect((await logOf(call)).map((each) => each.kind)).toEqual(['reading', 'act', 'statement']);
  });

  it('keeps whose reading it was: of this unit, or of a good twin, and of nobody else', async () => {
    const call = await openCall();
    const send = (of: string | undefined) =>
      request(app)
        .put(`/api/entries/${randomUUID()}`)
        .send({
          callId: call,
          kind: 'reading',
          phoneAt,
          body: { ...reading(call, { said: '0.3 ohm' }).body, ...(of && { of }) },
        });
    await send(undefined).expect(204);
    await send('twin').expect(204);
    const { text } = await send('sibling').expect(422);
    expect(JSON.parse(text).faults[0].path).toBe('/body/of');
    const kept = (await logOf(call)).flatMap((each) =>
      each.kind === 'reading' ? [each.body.of] : [],
    );
    expect(kept).toEqual([undefined, 'twin']);
  });

  it('keeps every built-in diagram as it is, panels, causes and all', async () => {
    for (const diagram of LIBRARY) {
      const { body } = await request(app)
        .put(`/api/diagrams/${randomUUID()}`)
        .type('text')
        .send(JSON.stringify(diagram))
        .expect(200);
      const kept = await request(app)
        .get(`/api/diagrams/${diagram.id}/${body.version}`)
        .expect(200);
      expect(kept.body).toEqual(JSON.parse(JSON.stringify(diagram)));
    }
  }, 30_000);

  it('keeps a corrected reading beside the one that takes its place', async () => {
    const call = await openCall();
    const [first, second] = [randomUUID(), randomUUID()];
    await request(app)
      .put(`/api/entries/${first}`)
      .send(reading(call, { said: 'OL' }))
      .expect(204);
    await request(app)
      .put(`/api/entries/${second}`)
      .send(reading(call, { supersedes: [first] }))
      .expect(204);
    expect(await logOf(call)).toHaveLength(2);
  });

  it.each([
    ['a terminal that the diagram does not have', { from: 'lid-switch.Z9' }, '/body/from'],
    ['a word that says two things', { said: 'zero reading' }, '/body/said'],
    [
      'an unknown power state',
      {
        setup: {
          power: 'maybe',
          actuators: {},
          byHand: {},
          lifted: [],
          partsOut: [],
          except: [],
          jumpers: [],
        },
      },
      '/body/setup/power',
    ],
    ['a field that nobody knows', { colour: 'red' }, '/body/colour'],
  ])('refuses %s, names the place and stores nothing', async (_name, changes, path) => {
    const call = await openCall();
    const answer = await request(app)
      .put(`/api/entries/${randomUUID()}`)
      .send(reading(call, changes))
      .expect(422);
    expect(answer.type).toBe('application/problem+json');
    const problem = JSON.parse(answer.text);
    expect(problem.faults.map((each: { path: string }) => each.path)).toContain(path);
    expect(problem.requestId).toBe(answer.headers['x-request-id']);
    expect(await logOf(call)).toEqual([]);
  });

  it('gives a problem for a broken body, an unknown route and an id that is none', async () => {
    const broken = await request(app)
      .put(`/api/calls/${randomUUID()}`)
      .type('json')
      .send('{"a":')
      .expect(400);
    expect(broken.type).toBe('application/problem+json');
    await request(app).get('/api/nothing').expect(404);
    await request(app).get('/api/calls/42').expect(400);
  });

  it('reads a contact table into a new version of the diagram that the call goes on with', async () => {
    const call = await openCall();
    const send = (csv: string, sentAs = randomUUID()) =>
      request(app)
        .put(`/api/tables/${sentAs}`)
        .send({ callId: call, diagramVersion: 1, part: 'lid-switch', csv, phoneAt });
    const bad = await send('position,A1-A2,B1-B2\nclosed,x,x\nopen,maybe,0\n').expect(422);
    expect(JSON.parse(bad.text).faults).toMatchObject([{ line: 3, column: 2 }]);
    expect(await logOf(call)).toEqual([]);

    const sentAs = randomUUID();
    const csv = 'position;A1-A2;B1-B2\nopen;0;0\nclosed;X;0\n';
    const first = await send(csv, sentAs).expect(200);
    expect((await send(csv, sentAs).expect(200)).body).toEqual(first.body);
    const detail = (await request(app).get(`/api/calls/${call}`).expect(200)).body as CallDetail;
    expect(detail.diagramVersion).toBe(first.body.version);
    expect(detail.diagram.parts.find((part) => part.id === 'lid-switch')).toMatchObject({
      table: {
        rows: [
          { position: 'closed', closed: ['A'] },
          { position: 'open', closed: [] },
        ],
      },
    });
  });

  it('takes a diagram file whole or not at all', async () => {
    const text = JSON.stringify({ ...builtIn('coil-burner'), id: 'my-burner' }, null, 2);
    const send = (body: string) =>
      request(app).put(`/api/diagrams/${randomUUID()}`).type('text').send(body);
    const bad = await send(text.replace('"from": "feed.L1"', '"from": "feed.L9"')).expect(422);
    const [fault] = JSON.parse(bad.text).faults;
    expect(fault.path).toMatch(/^\/wires\/\d+\/from$/);
    expect(text.split('\n')[fault.line - 1]).toContain('"from"');
    const known = async () =>
      ((await request(app).get('/api/diagrams')).body as { id: string }[]).map((each) => each.id);
    expect(await known()).not.toContain('my-burner');
    await send(text).expect(200);
    expect(await known()).toContain('my-burner');
  });
});
