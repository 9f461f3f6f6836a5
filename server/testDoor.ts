import { randomUUID } from 'node:crypto';
import { tmpdir } from 'node:os';
import type { Express } from 'express';
import pino from 'pino';
import request from 'supertest';
import type { Account } from '../contract/account';
import { createApp } from './app';
import { Changes } from './changes';
import { Database } from './db/database';
import { DiagramCheck } from './diagramCheck';
import { DiskSpace } from './diskSpace';
import { sessions } from './people/sessions';
import { Reports } from './report/reports';
import type { DoorOptions } from './routes/door';
import { TablePhotos } from './tablePhoto/tablePhotos';

/** A server for tests that people come into by its door, on a database of its own: nobody has founded a shop in it. */
export interface TestDoor {
  /** Of its database. */
  name: string;
  db: Database;
  owner: Database;
  ownerUrl: string;
  app: Express;
  /** Another process on the same database. */
  another: (door: Partial<DoorOptions>, secure?: boolean) => Express;
  /** A shop with its lead, who is signed in. */
  founded: (shopName?: string) => Promise<Founded>;
  end: () => Promise<void>;
}

export interface Founded {
  account: Account;
  cookie: string;
  email: string;
  as: (method: 'get' | 'put' | 'post' | 'delete', path: string) => request.Test;
}

export const PASSWORD = 'brass lantern under seven hedges';
export const newPerson = () => ({
  name: 'Kim Example',
  email: `${randomUUID()}@shop.example`,
  password: PASSWORD,
});

/** The cookie that an answer sets, as a browser sends it back. */
export const cookieOf = (answer: request.Response): string =>
  ((answer.headers['set-cookie'] as unknown as string[] | undefined) ?? [''])[0]?.split(';')[0] ??
  '';

export async function startTestDoor(): Promise<TestDoor> {
  const name = `door_${randomUUID().replace(/-/g, '')}`;
  const [url = '', ownerUrl = ''] = ['YARRIX_TEST_DATABASE', 'YARRIX_TEST_OWNER'].map((each) =>
    (process.env[each] ?? '').replace(/\/yarrix$/, `/${name}`),
  );
  const cluster = new Database(process.env.YARRIX_TEST_OWNER ?? '');
  await cluster.query(`CREATE DATABASE ${name} TEMPLATE empty`);
  await cluster.end();
  const [db, owner] = [new Database(url), new Database(ownerUrl)];
  const parts = [new DiagramCheck(), new Reports(), new TablePhotos()] as const;
  const [check, reports, tablePhotos] = parts;
  const changes = new Changes(db, url);
  const another: TestDoor['another'] = (door, secure = false) =>
    createApp({
      db,
      check,
      reports,
      tablePhotos,
      changes,
      disk: new DiskSpace(tmpdir(), 0),
      whoAsks: sessions(db, { secret: 'made up for these tests alone', secure }),
      door: { demo: false, founding: true, ...door },
      log: pino({ level: 'silent' }),
    });
  const app = another({});
  return {
    name,
    db,
    owner,
    ownerUrl,
    app,
    another,
    founded: async (shopName = 'Example & Sons') => {
      const lead = newPerson();
      const answer = await request(app)
        .post('/api/shops')
        .send({ shopName, ...lead })
        .expect(201);
      const cookie = cookieOf(answer);
      return {
        account: answer.body as Account,
        cookie,
        email: lead.email,
        as: (method, path) => request(app)[method](`/api${path}`).set('cookie', cookie),
      };
    },
    end: async () => {
      await changes.end();
      for (const part of parts) await part.close();
      await db.end();
      await owner.end();
    },
  };
}
