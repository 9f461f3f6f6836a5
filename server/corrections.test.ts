import { randomUUID } from 'node:crypto';
import request from 'supertest';
import type { CallDetail, CallPage } from '../contract/call';
import { builtIn } from '../library/library';
import { addDiagram } from './db/diagrams';
import { verify } from './db/verify';
import { startTestServer, type TestServer } from './testServer';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.end());

const detail = async (id: string): Promise<CallDetail> =>
  (await request(server.app).get(`/api/calls/${id}`).expect(200)).body as CallDetail;

describe('a correction', () => {
  const correct = (call: string, body: object, at: string) =>
    request(server.app)
      .put(`/api/entries/${randomUUID()}`)
      .send({ callId: call, kind: 'correction', phoneAt: at, body });

  it('takes the place of what was written first, by the clock, and the call is found by both', async () => {
    const call = await server.openCall();
    const { appliance } = await detail(call);
    await correct(call, { model: 'Second', place: 'Attic' }, '2026-11-24T09:02:00Z').expect(204);
    // It was made before, and comes later.
    await correct(call, { model: 'First', complaint: 'Hums' }, '2026-11-24T09:01:00Z').expect(204);
    await correct(call, {}, '2026-11-24T09:03:00Z').expect(422);
    await correct(call, { model: '' }, '2026-11-24T09:03:00Z').expect(422);
    const after = await detail(call);
    expect(after.appliance).toEqual({ ...appliance, model: 'Second', place: 'Attic' });
    expect(after.complaint).toBe('Hums');
    for (const word of ['attic', appliance.model]) {
      const { body } = await request(server.app).get(`/api/calls?search=${word}`).expect(200);
      expect((body as CallPage).calls.map(({ id }) => id)).toContain(call);
    }
    expect(await verify(server.owner)).toMatchObject({ faults: [] });
  });

  it('goes on with another diagram, which what comes after is checked against, whatever comes together', async () => {
    const dryer = builtIn('electric-dryer');
    if (!dryer) throw new Error('no dryer');
    await server.db
      .of(server.shop)
      .transaction((queries) => addDiagram(queries, randomUUID(), dryer));
    const call = await server.openCall();
    const act = (part: string, at: string) => ({
      callId: call,
      kind: 'act',
      phoneAt: at,
      body: { part, act: 'clean' },
    });
    await correct(call, { diagramId: dryer.id }, '2026-11-24T09:00:00Z').expect(422);
    const none = { diagramId: 'nothing', diagramVersion: 1 };
    await correct(call, none, '2026-11-24T09:00:00Z').expect(422);
    expect((await detail(call)).diagramId).toBe('top-load-washer');

    const [lid, late] = ['lid-switch', 'lid-switch'].map((id) => act(id, '2026-11-24T09:00:00Z'));
    const motor = dryer.parts.find(({ kind }) => kind === 'load')?.id ?? '';
    const sent = [
      { id: randomUUID(), entry: lid },
      {
        id: randomUUID(),
        entry: {
          callId: call,
          kind: 'correction',
          phoneAt: '2026-11-24T09:01:00Z',
          body: { diagramId: dryer.id, diagramVersion: 1 },
        },
      },
      { id: randomUUID(), entry: act(motor, '2026-11-24T09:02:00Z') },
      { id: randomUUID(), entry: late },
    ];
    const { body } = await request(server.app)
      .post('/api/entries')
      .send({ entries: sent })
      .expect(200);
    const { results } = body as { results: { status: number }[] };
    // The last is of the diagram before.
    expect(results.map(({ status }) => status)).toEqual([204, 204, 204, 422]);
    const after = await detail(call);
    expect(after).toMatchObject({
      diagramId: dryer.id,
      diagramVersion: 1,
      diagram: { id: dryer.id },
    });
    expect(after.entries.map(({ kind }) => kind)).toEqual(['act', 'correction', 'act']);
    // What was sent first is the same call still.
    expect(await verify(server.owner)).toMatchObject({ faults: [] });
  });
});
