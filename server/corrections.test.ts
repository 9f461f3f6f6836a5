import { randomUUID } from 'node:crypto';
import request from 'supertest';
import type { CallDetail, CallPage } from '../contract/call';
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
});
