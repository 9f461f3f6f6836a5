import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { startTestServer, type TestServer } from './testServer';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.end());

const yellow = { name: 'Yellow, in the van', kind: 'ordinary-manual', leadOhms: 0.4 };

describe('the meters of a shop', () => {
  const keep = (id: string, body: object) =>
    request(server.app).put(`/api/meters/${id}`).send(body);
  const list = async (of = '') =>
    (await request(server.app).get('/api/meters').set('x-of', of).expect(200)).body as object[];

  it('are kept as they are said last, seen by nobody else, and can be taken off the list', async () => {
    const id = randomUUID();
    await keep(id, yellow).expect(204);
    await keep(id, { ...yellow, leadOhms: 0.3 }).expect(204);
    expect(await list()).toEqual([{ id, ...yellow, leadOhms: 0.3 }]);
    expect(await list('other')).toEqual([]);
    await request(server.app).delete(`/api/meters/${id}`).set('x-of', 'other').expect(204);
    expect(await list()).toHaveLength(1);
    await request(server.app).delete(`/api/meters/${id}`).expect(204);
    expect(await list()).toEqual([]);
    await keep(id, yellow).expect(204);
    expect(await list()).toHaveLength(1);
  });

  it('are refused with their place where they are no meters', async () => {
    for (const [wrong, path] of [
      [{ ...yellow, name: '' }, '/name'],
      [{ ...yellow, kind: 'analog' }, '/kind'],
      [{ ...yellow, leadOhms: 12 }, '/leadOhms'],
      [{ ...yellow, leadOhms: -1 }, '/leadOhms'],
      [{ ...yellow, colour: 'red' }, '/colour'],
    ] as const) {
      const { body } = await keep(randomUUID(), wrong).expect(422);
      expect(JSON.stringify(body)).toContain(path);
    }
    await keep('no-id', yellow).expect((response) => expect(response.status).toBeLessThan(500));
  });
});
