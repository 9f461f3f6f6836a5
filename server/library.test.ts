import { randomUUID } from 'node:crypto';
import request from 'supertest';
import type { ComparedDiagram, LibraryFile } from '../contract/libraryFile';
import type { DiagramSummary } from '../contract/diagram';
import type { ModelSheet } from '../core/diagram/modelPattern';
import type { Diagram } from '../core/diagram/diagram';
import { writeNotation } from '../core/draft/writeNotation';
import { builtIn } from '../library/library';
import { startTestServer, type TestServer } from './testServer';

let server: TestServer;
let app: TestServer['app'];
beforeAll(async () => {
  server = await startTestServer();
  ({ app } = server);
});
afterAll(() => server.end());

const burner = builtIn('coil-burner') as Diagram;
const list = async (): Promise<string[]> =>
  ((await request(app).get('/api/diagrams').expect(200)).body as DiagramSummary[]).map(
    ({ id, version }) => `${id}/${version}`,
  );
const sendFile = (method: 'post' | 'put', path: string, file: string) =>
  request(app)[method](path).type('text').send(file);

it('takes a diagram in the line notation, with parts that only a line names, and tells a fault by its line', async () => {
  const own =
    'unit own-fan "Fan"\n  kind: fan\nL1 -BK> wall switch 1-2 > fan motor [9 ohm] 1-2 -WH> N\n';
  const { body } = await sendFile('put', `/api/diagrams/${randomUUID()}`, own).expect(200);
  expect(body).toEqual({ id: 'own-fan', version: 1 });
  const bad = writeNotation(burner).replace('switch infinite', 'swich infinite');
  const refused = await sendFile('put', `/api/diagrams/${randomUUID()}`, bad).expect(422);
  expect(refused.body.faults[0]).toMatchObject({
    line: bad.split('\n').findIndex((line) => line.startsWith('swich')) + 1,
    message: expect.stringMatching(/"swich" is not known/) as string,
  });
});

it('gives out the whole library and takes it back: what is new, the same, different is told before anything is stored', async () => {
  const own =
    'unit own-hood "Hood"\n  kind: hood\nL1 -BK> wall switch 1-2 > fan motor [9 ohm] 1-2 -WH> N\n';
  await sendFile('put', `/api/diagrams/${randomUUID()}`, own).expect(200);
  const file = (await request(app).get('/api/library').expect(200)).body as LibraryFile;
  const before = await list();
  expect(file.diagrams.map(({ id }) => id).sort()).toEqual(
    before.map((each) => each.split('/')[0]).sort(),
  );
  const [first, ...rest] = file.diagrams as [Diagram, ...Diagram[]];
  const changed = { ...file, diagrams: [{ ...first, name: 'Another name' }, ...rest, burner] };
  const text = JSON.stringify(changed);
  const compared = (await sendFile('post', '/api/library', text).expect(200)).body
    .diagrams as ComparedDiagram[];
  const states = new Map(compared.map(({ id, state }) => [id, state]));
  expect([states.get(first.id), states.get(burner.id)]).toEqual(['different', 'new']);
  expect(compared.filter(({ state }) => state === 'same').length).toBe(rest.length);
  expect(rest.length).toBeGreaterThan(0);
  expect(compared[0]?.differences[0]).toMatch(/called “Another name”/);
  expect(await list()).toEqual(before);

  // One bad diagram, and nothing of the file is stored.
  const spoilt = {
    ...changed,
    diagrams: [
      ...changed.diagrams,
      { ...burner, id: 'bad', wires: [{ id: 'w', colour: 'BK', from: 'a.b', to: 'c.d' }] },
    ],
  };
  for (const [method, path] of [
    ['post', '/api/library'],
    ['put', `/api/library/${randomUUID()}`],
  ] as const) {
    const answer = await sendFile(method, path, JSON.stringify(spoilt, null, 1)).expect(422);
    expect(answer.body.faults[0]).toMatchObject({
      path: `/diagrams/${changed.diagrams.length}/wires/0/from`,
    });
    expect(answer.body.faults[0].line).toBeGreaterThan(100);
  }
  await sendFile('put', `/api/library/${randomUUID()}`, '{"format": "else"}').expect(422);
  expect(await list()).toEqual(before);

  const sentAs = randomUUID();
  const stored = await sendFile('put', `/api/library/${sentAs}`, text).expect(200);
  expect(stored.body.stored.sort()).toEqual([burner.id, first.id].sort());
  const after = await list();
  expect(after).toEqual(expect.arrayContaining([`${first.id}/2`, `${burner.id}/1`]));
  await sendFile('put', `/api/library/${sentAs}`, text).expect(200);
  expect(await list()).toEqual(after);
});

it('takes a diagram from the list for good, and a later version brings it back; calls keep theirs', async () => {
  const call = await server.openCall();
  const withdraw = (sentAs: string, diagram: string, version: number) =>
    request(app).put(`/api/withdrawals/${sentAs}`).send({ diagram, version });
  const sentAs = randomUUID();
  const newest = Number(
    (await list()).find((each) => each.startsWith('top-load-washer/'))?.split('/')[1],
  );
  await withdraw(sentAs, 'top-load-washer', newest).expect(200);
  await withdraw(sentAs, 'top-load-washer', newest).expect(200);
  await withdraw(sentAs, 'coil-burner', 1).expect(409);
  await withdraw(randomUUID(), 'top-load-washer', 99).expect(404);
  await withdraw(randomUUID(), 'no such', 1).expect(422);
  expect((await list()).filter((each) => each.startsWith('top-load-washer'))).toEqual([]);
  const bodies = (await request(app).post('/api/diagrams/bodies').send({ have: [] })).body as {
    id: string;
  }[];
  expect(bodies.map(({ id }) => id)).not.toContain('top-load-washer');
  await request(app).get(`/api/calls/${call}`).expect(200);
  const washer = JSON.stringify(builtIn('top-load-washer'));
  await sendFile('put', `/api/diagrams/${randomUUID()}`, washer).expect(200);
  expect(await list()).toContain(`top-load-washer/${newest + 1}`);
  // Who has not heard of the newer version takes nothing away.
  await withdraw(randomUUID(), 'top-load-washer', newest).expect(404);
  expect(await list()).toContain(`top-load-washer/${newest + 1}`);
});

it('remembers which sheet a model uses, and takes that back; another shop knows nothing of it', async () => {
  const say = (body: object, sentAs = randomUUID()) =>
    request(app).put(`/api/models/${sentAs}`).send(body);
  const models = async (of = 'own') =>
    (await request(app).get('/api/models').set('x-of', of).expect(200)).body as ModelSheet[];
  await say({ make: 'Harrow', pattern: 'WD2*', diagram: 'coil-burner' }).expect(200);
  await say({ make: 'HARROW', pattern: 'wd2*', diagram: 'coil-burner', version: 1 }).expect(200);
  expect(await models()).toEqual([
    { make: 'HARROW', pattern: 'wd2*', diagram: 'coil-burner', version: 1 },
  ]);
  expect(await models('other')).toEqual([]);
  await say({ make: '', pattern: '*', diagram: 'coil-burner' }).expect(422);
  await say({ make: '', pattern: 'A', diagram: 'none' }).expect(404);
  await say({ make: '', pattern: 'A', diagram: 'coil-burner', version: 9 }).expect(404);
  const sentAs = randomUUID();
  await say({ make: 'Harrow', pattern: 'WD2*', diagram: null }, sentAs).expect(200);
  await say({ make: 'Harrow', pattern: 'WD3*', diagram: null }, sentAs).expect(409);
  expect(await models()).toEqual([]);
});
