import { randomUUID } from 'node:crypto';
import type { Pool } from 'pg';
import pino from 'pino';
import request from 'supertest';
import type { CallDetail } from '../contract/call';
import type { Entry } from '../contract/entry';
import { builtIn } from '../library/library';
import { createApp } from './app';
import { openDatabase, transaction } from './db/database';
import { addDiagram } from './db/diagrams';

/** A server for tests, on the test run's own PostgreSQL, with two shops told apart by a header. */
export interface TestServer {
  db: Pool;
  app: ReturnType<typeof createApp>;
  shop: string;
  openCall: () => Promise<string>;
  logOf: (call: string) => Promise<Entry[]>;
}

export async function startTestServer(): Promise<TestServer> {
  const db = openDatabase(process.env.YARRIX_TEST_DATABASE ?? '');
  const [shop, other] = [`test-${randomUUID()}`, `other-${randomUUID()}`];
  const app = createApp({
    db,
    shopOf: ({ headers }) => (headers['x-of'] === 'other' ? other : shop),
    log: pino({ level: 'silent' }),
  });
  for (const each of [shop, other])
    await db.query('INSERT INTO shop (shop, name) VALUES ($1, $1)', [each]);
  const washer = builtIn('top-load-washer');
  if (!washer) throw new Error('no washer');
  await transaction(db, (queries) => addDiagram(queries, shop, randomUUID(), washer));
  return {
    db,
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
  body: {
    part: 'lid-switch',
    from: 'lid-switch.A1',
    to: 'lid-switch.A2',
    setup: {
      power: 'off',
      actuators: { lid: 'closed', timer: 'off' },
      byHand: {},
      lifted: [],
      partsOut: [],
      except: [],
      jumpers: [],
    },
    wiggle: false,
    lookedAgain: false,
    function: 'ohm',
    meter: 'ordinary-auto',
    leadOhms: 0.2,
    said: '0.3',
    supersedes: [],
    ...changes,
  },
});
