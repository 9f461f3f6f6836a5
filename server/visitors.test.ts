import { randomUUID } from 'node:crypto';
import { tmpdir } from 'node:os';
import pino from 'pino';
import request from 'supertest';
import { API_MARK, AT_HEADER, MARK_HEADER, STORED_HEADER } from '../contract/headers';
import { createApp } from './app';
import { Changes } from './changes';
import { Database } from './db/database';
import { DiagramCheck } from './diagramCheck';
import { TablePhotos } from './tablePhoto/tablePhotos';
import { DiskSpace } from './diskSpace';
import { Reports } from './report/reports';
import { asLead, newCall, startTestServer, type TestServer } from './testServer';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.end());

describe('who may come', () => {
  const ask = (headers: Record<string, string>, path = '/api/calls') =>
    request(server.app).get(path).set(headers);
  it('is this machine, and a page of this server: not another name, not another origin', async () => {
    await ask({ host: 'localhost:8420' }).expect(200);
    await ask({ host: 'evil.example' }).expect(421);
    await ask({ host: '127.0.0.1.evil.example:8420' }).expect(421);
    await ask({ host: 'localhost:8420', origin: 'http://localhost:8420' }).expect(200);
    await ask({ host: 'localhost:8420', origin: 'http://localhost:3000' }).expect(403);
    await ask({ host: 'localhost:8420', origin: 'null' }).expect(403);
    await ask({ 'sec-fetch-site': 'cross-site' }).expect(403);
    await ask({ 'sec-fetch-site': 'same-origin' }).expect(200);
  });

  it('is told by the server what it is, and that nothing of it is to be kept', async () => {
    const { headers } = await ask({}).expect(200);
    expect(headers['cache-control']).toBe('no-store');
    expect(headers[MARK_HEADER]).toBe(API_MARK);
    expect(Math.abs(Number(headers[AT_HEADER]) - Date.now())).toBeLessThan(60_000);
    const path = `/api/calls/${randomUUID()}`;
    const stored = await request(server.app).put(path).send(newCall()).expect(204);
    expect(path).toContain(stored.headers[STORED_HEADER]);
    expect(headers['content-security-policy']).toMatch(/default-src 'none'/);
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers.etag).toBeUndefined();
    await request(server.app).put(path).type('text').send('{}').expect(415);
    await request(server.app).post('/api/entries').type('text').send('{}').expect(415);
    await ask({ 'content-type': 'text/plain' }).expect(200);
  });

  it('is slowed down when it asks more than anybody works', async () => {
    const db = new Database(process.env.YARRIX_TEST_DATABASE ?? '');
    const slow = createApp({
      db,
      check: new DiagramCheck(),
      reports: new Reports(),
      tablePhotos: new TablePhotos(),
      changes: new Changes(db, ''),
      disk: new DiskSpace(tmpdir(), 0),
      whoAsks: asLead(db, server.shop),
      door: { demo: false, founding: true },
      rate: 3,
      log: pino({ level: 'silent' }),
    });
    for (let i = 0; i < 3; i++) await request(slow).get('/api/calls').expect(200);
    const answer = await request(slow).get('/api/calls').expect(429);
    expect(answer.type).toBe('application/problem+json');
    expect(Number(answer.headers['retry-after'])).toBeGreaterThan(0);
    await db.end();
  });
});
