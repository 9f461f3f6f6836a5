import { randomUUID } from 'node:crypto';
import { tmpdir } from 'node:os';
import type { RequestHandler } from 'express';
import pino from 'pino';
import request from 'supertest';
import type { Account } from '../contract/account';
import type { CallDetail } from '../contract/call';
import type { Entry } from '../contract/entry';
import { LID_READING } from '../core/simulate/lidReading';
import { builtIn } from '../library/library';
import { createApp } from './app';
import { Changes } from './changes';
import { Database } from './db/database';
import { addDiagram } from './db/diagrams';
import { DiagramCheck } from './diagramCheck';
import { DiskSpace } from './diskSpace';
import { isAskedBy } from './people/asker';
import { Reports } from './report/reports';
import { TablePhotos } from './tablePhoto/tablePhotos';

/** A server for tests, on the test run's own PostgreSQL, with two shops told apart by a header. */
export interface TestServer {
  /** As the application works with it. */
  db: Database;
  /** As the owner of the tables, for what the application may not do. */
  owner: Database;
  app: ReturnType<typeof createApp>;
  shop: string;
  openCall: () => Promise<string>;
  logOf: (call: string) => Promise<Entry[]>;
  end: () => Promise<void>;
}

/** Everybody is signed in as a lead of a shop, without the door: that has its own tests. */
export const asLead =
  (db: Database, shop: string): RequestHandler =>
  (_request, response, next) => {
    isAskedBy(response, db, leadOf(shop));
    next();
  };

const leadOf = (shop: string): Account => ({
  shop,
  shopName: shop,
  person: randomUUID(),
  name: 'Lou Example',
  email: `${shop}@shop.example`,
  role: 'lead',
});

/** A machine that has other work is no failure; who waits how long is tried where it is meant. */
const PATIENT = { connect: 15_000, answer: 15_000 };

export async function startTestServer(): Promise<TestServer> {
  const db = new Database(process.env.YARRIX_TEST_DATABASE ?? '', undefined, PATIENT);
  const owner = new Database(process.env.YARRIX_TEST_OWNER ?? '');
  const check = new DiagramCheck();
  const reports = new Reports();
  const tablePhotos = new TablePhotos();
  const changes = new Changes(db, process.env.YARRIX_TEST_DATABASE ?? '');
  const [shop, other] = [`test-${randomUUID()}`, `other-${randomUUID()}`];
  const [ours, theirs] = [asLead(db, shop), asLead(db, other)];
  const app = createApp({
    db,
    check,
    reports,
    tablePhotos,
    changes,
    disk: new DiskSpace(tmpdir(), 0),
    whoAsks: (request, response, next) =>
      (request.headers['x-of'] === 'other' ? theirs : ours)(request, response, next),
    door: { demo: false, founding: true },
    log: pino({ level: 'silent' }),
  });
  for (const each of [shop, other])
    await owner.query('INSERT INTO shop (shop, name) VALUES ($1, $1)', [each]);
  const washer = builtIn('top-load-washer');
  if (!washer) throw new Error('no washer');
  await db.of(shop).transaction((queries) => addDiagram(queries, randomUUID(), washer));
  return {
    db,
    owner,
    end: async () => {
      await check.close();
      await reports.close();
      await tablePhotos.close();
      await changes.end();
      await db.end();
      await owner.end();
    },
    app,
    shop,
    openCall: async () => {
      const id = randomUUID();
      await request(app).put(`/api/calls/${id}`).send(newCall()).expect(204);
      return id;
    },
    logOf: async (id) =>
      ((await request(app).get(`/api/calls/${id}`).expect(200)).body as CallDetail).entries,
  };
}

export const phoneAt = '2026-11-24T08:00:00.000Z';
export const newCall = () => ({
  appliance: { id: randomUUID(), make: 'Marrowby', model: 'W-44', place: 'Test bench' },
  diagramId: 'top-load-washer',
  diagramVersion: 1,
  complaint: 'does not spin',
  phoneAt,
});
export const reading = (callId: string, changes: object = {}) => ({
  callId,
  kind: 'reading',
  phoneAt,
  body: { ...LID_READING, ...changes },
});
