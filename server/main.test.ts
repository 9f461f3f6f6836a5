import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer, request as httpRequest } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pino from 'pino';
import request from 'supertest';
import { createApp } from './app';
import { Changes } from './changes';
import { Database } from './db/database';
import { DiagramCheck } from './diagramCheck';
import { TablePhotos } from './tablePhoto/tablePhotos';
import { DiskSpace } from './diskSpace';
import { Reports } from './report/reports';
import { startServer } from './main';
import { asLead } from './testServer';

const databaseUrl = process.env.YARRIX_TEST_DATABASE ?? '';
const folder = mkdtempSync(join(tmpdir(), 'yarrix-server-'));
const ways = {
  sessions: { secret: 'of this test alone, made up here', secure: false },
  door: { demo: false, founding: true },
};
const appWith = (db: Database, more: { web?: string } = {}) =>
  createApp({
    db,
    check: new DiagramCheck(),
    reports: new Reports(),
    tablePhotos: new TablePhotos(),
    changes: new Changes(db, ''),
    disk: new DiskSpace(folder, 0),
    whoAsks: asLead(db, 'demo'),
    door: ways.door,
    log: pino({ level: 'silent' }),
    ...more,
  });
const web = join(folder, 'web');
beforeAll(() => {
  mkdirSync(web);
  writeFileSync(join(web, 'index.html'), '<title>Yarrix</title>');
  for (const name of [
    'entry-0123456789abcdef0123.js',
    'font.0123456789abcdef0.ttf',
    'plain.js',
    'bundle0123456789abcdef01.js',
    'map-0123456789abcdef0.js~',
  ])
    writeFileSync(join(web, name), name);
});
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const freePort = (): Promise<number> =>
  new Promise((resolve) => {
    const holder = createServer().listen(0, '127.0.0.1', () => {
      const { port } = holder.address() as AddressInfo;
      holder.close(() => resolve(port));
    });
  });

it('starts on a free port of loopback, logs, and stops', async () => {
  const logFile = join(folder, 'server.log');
  const server = await startServer({
    databaseUrl,
    dataFolder: folder,
    port: 0,
    ...ways,
    web,
    logFile,
  });
  const address = `http://127.0.0.1:${server.port}`;
  expect(server.port).toBeGreaterThan(0);
  const headers = { cookie: 'token=secret', authorization: 'secret' };
  const health = await fetch(`${address}/api/ready?token=secret`, { headers });
  expect(await health.json()).toMatchObject({ status: 'ok', database: expect.any(String) });
  // The same port is not given twice: who comes second is told.
  await expect(
    startServer({ databaseUrl, dataFolder: folder, port: server.port, ...ways }),
  ).rejects.toThrow(/EADDRINUSE/);
  await server.stop();
  await expect(fetch(`${address}/api/health`)).rejects.toThrow();
  const written = readdirSync(folder).find((name) => name.startsWith('server'));
  const lines = readFileSync(join(folder, written ?? ''), 'utf8')
    .trim()
    .split('\n');
  const line = lines.find((each) => each.includes('"path":"/api/ready"')) ?? '';
  expect(JSON.parse(line)).toMatchObject({ method: 'GET', status: 200, ms: expect.any(Number) });
  // A quiet request is one short line, without the query and without a header.
  expect(Buffer.byteLength(line)).toBeLessThanOrEqual(300);
  expect(lines.join()).not.toMatch(/secret|cookie|user-agent/);
});

describe('the web application beside the API', () => {
  let db: Database;
  let app: ReturnType<typeof createApp>;
  beforeAll(() => {
    db = new Database(databaseUrl);
    app = appWith(db, { web });
  });
  afterAll(() => db.end());
  const cached = async (path: string): Promise<string> =>
    (await request(app).get(path).expect(200)).headers['cache-control'] ?? '';

  it('keeps files with a hash in their name for a year, and asks for all else anew', async () => {
    expect(await cached('/entry-0123456789abcdef0123.js')).toMatch(/max-age=31536000, immutable/);
    expect(await cached('/font.0123456789abcdef0.ttf')).toMatch(/immutable/);
    const others = ['/plain.js', '/bundle0123456789abcdef01.js', '/map-0123456789abcdef0.js~'];
    for (const path of [...others, '/', '/call/42', '/index.html'])
      expect(await cached(path)).toBe('no-cache');
  });

  it('answers every address of the app with its page, and none of the API', async () => {
    const { text } = await request(app).get('/call/42/lid-switch').expect(200);
    expect(text).toContain('<title>Yarrix</title>');
    const { text: text404, type } = await request(app).get('/api/call/42').expect(404);
    expect(type).toBe('application/problem+json');
    expect(JSON.parse(text404).title).toBe('there is no GET /api/call/42');
  });

  it('sends the headers that keep foreign scripts out, and says nothing of what it is made with', async () => {
    const { headers } = await request(app).get('/').expect(200);
    expect(headers['content-security-policy']).toMatch(/^default-src 'self';.*script-src 'self';/);
    expect(headers['content-security-policy']).toMatch(/font-src 'self';/);
    expect(headers['content-security-policy']).toMatch(/require-trusted-types-for 'script'/);
    expect(headers['content-security-policy']).not.toMatch(/upgrade-insecure/);
    expect(headers['strict-transport-security']).toBeUndefined();
    expect(headers['x-powered-by']).toBeUndefined();
    expect(headers['x-request-id']).toMatch(/^[0-9a-f-]{36}$/);
  });
});

describe('a server whose database is not there', () => {
  let db: Database;
  let app: ReturnType<typeof createApp>;
  beforeAll(() => {
    db = new Database('postgresql://nobody@127.0.0.1:1/none');
    app = appWith(db);
  });
  afterAll(() => db.end());

  it('says so in its health, and fails with a problem that gives nothing away', async () => {
    const health = await request(app).get('/api/ready').expect(503);
    expect(JSON.parse(health.text)).toMatchObject({
      title: expect.stringMatching(/the database does not answer/),
      status: 503,
    });
    const calls = await request(app).get('/api/calls').expect(503);
    expect(calls.headers['retry-after']).toBe('2');
    const problem = JSON.parse(calls.text);
    expect(problem).toEqual({
      type: 'about:blank',
      title: 'the database does not answer; what you sent is still on your device',
      status: 503,
      requestId: calls.headers['x-request-id'],
    });
  });
});

it('answers what it was asked before it stops, takes nothing new, and tells an operator how it does', async () => {
  const server = await startServer({
    databaseUrl,
    dataFolder: folder,
    port: 0,
    metricsPort: 0,
    ...ways,
  });
  const address = `http://127.0.0.1:${server.port}`;
  expect(await (await fetch(`${address}/api/ready`)).json()).toMatchObject({ status: 'ok' });
  await fetch(`${address}/api/calls/${'0'.repeat(8)}-0000-4000-8000-${'0'.repeat(12)}`);
  const watched = `http://127.0.0.1:${server.metricsPort}`;
  const told = await (await fetch(`${watched}/metrics`)).text();
  expect(told).toMatch(
    /yarrix_request_seconds_count\{method="GET",route="\/api\/ready",status="200"\} 1/,
  );
  expect(told).toMatch(/yarrix_database_connections\{state="open"\} \d/);
  // By patterns: no id makes a line of its own.
  expect(told).not.toMatch(/00000000-0000/);
  expect((await fetch(`${watched}/`)).status).toBe(404);
  // Where an operator's port is taken nothing is left listening on the other.
  const port = await freePort();
  const second = { databaseUrl, dataFolder: folder, port, metricsPort: server.metricsPort };
  await expect(startServer({ ...second, ...ways })).rejects.toThrow(/EADDRINUSE/);
  await expect(fetch(`http://127.0.0.1:${port}/api/health`)).rejects.toThrow();

  // Half of a request is there when it is told to stop.
  const body = JSON.stringify({ email: 'kim@shop.example', password: 'not it' });
  const asked = httpRequest(`${address}/api/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', 'content-length': body.length },
  });
  const answered = new Promise<number | undefined>((resolve, reject) => {
    asked.on('response', (answer) => resolve(answer.resume().statusCode));
    asked.on('error', reject);
  });
  asked.write(body.slice(0, 10));
  await new Promise((resolve) => setTimeout(resolve, 100));
  const stopped = server.stop();
  await expect(fetch(`${address}/api/health`)).rejects.toThrow();
  asked.end(body.slice(10));
  expect(await answered).toBe(403);
  await stopped;
  await expect(fetch(`${watched}/metrics`)).rejects.toThrow();
});
