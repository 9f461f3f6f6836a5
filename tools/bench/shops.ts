import { createHmac, randomBytes, randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chanceFrom } from '../../core/chance';
import { LID_READING } from '../../core/simulate/lidReading';
import { Database, OF_A_TASK } from '../../server/db/database';
import { migrate } from '../../server/db/migrate';
import type { SignedIn } from '../../e2e/signIn';
import { EXIT, out, outJson } from '../commands/command';
import { needDebian } from '../debian';
import { startCluster } from '../postgres';
import { Watched } from '../soak/watched';
import { load, send, summary, type Load } from './load';

/** How many shops there are in turn, and what each has. */
const SHOPS = [100, 1000, 10_000];
const CALLS = 10;
const ENTRIES = 20;
const PHONES = 200;
/** Each size is asked for so long, after as long again that is not counted. */
const TURN_MS = 15_000;
/** Requests of a phone before it goes over to another shop. */
const IN_ONE_SHOP = 20;
const NO_LIMIT = 100_000_000;

interface Sized extends Load {
  shops: number;
  entries: number;
  /** Of the table of entries with its indexes. */
  bytesPerEntry: number;
  /** Of everything. */
  bytesPerShop: number;
}

/**
 * `./yarrix bench shops [--json]`: two hundred phones at once in a database of ever more shops; each goes from shop to shop, stores entries, and
 * now and then asks for the list and for a call.
 */
export async function benchShops(json: boolean): Promise<number> {
  await needDebian(['postgresql']);
  const folder = mkdtempSync(join(tmpdir(), 'yarrix-bench-'));
  const cluster = await startCluster(join(folder, 'postgres'), true);
  const owner = new Database(cluster.ownerUrl, undefined, OF_A_TASK);
  const secret = randomBytes(32).toString('hex');
  let server: Watched | undefined;
  try {
    await migrate(cluster.ownerUrl, () => undefined);
    server = await Watched.start(cluster.url, folder, NO_LIMIT, secret);
    const sized: Sized[] = [];
    let from = 0;
    for (const shops of SHOPS) {
      await fill(owner, from, shops);
      from = shops;
      await load(PHONES, phoneOf(server.port, secret, shops, 1), TURN_MS);
      const took = await load(PHONES, phoneOf(server.port, secret, shops, 2), TURN_MS);
      const { rows } = await owner.query<Record<'entries' | 'entry' | 'all', string>>(
        `SELECT count(*) AS entries, pg_total_relation_size('entry') AS entry,
           pg_database_size(current_database()) AS all FROM entry`,
      );
      const [entries, entry, all] = [rows[0]?.entries, rows[0]?.entry, rows[0]?.all].map(Number);
      sized.push({
        shops,
        entries: entries ?? 0,
        ...summary(took, 1, TURN_MS),
        bytesPerEntry: (entry ?? 0) / (entries ?? 1),
        bytesPerShop: (all ?? 0) / shops,
      });
    }
    if (json) outJson(sized);
    else for (const each of sized) out(say(each));
  } finally {
    await server?.stop();
    await owner.end();
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
  return EXIT.done;
}

const say = ({ shops, entries, perSecond, p50Ms, p99Ms, bytesPerEntry, bytesPerShop }: Sized) =>
  `${String(shops).padStart(6)} shops, ${entries} entries: ${perSecond.toFixed(0)} requests /s, p50 ${p50Ms.toFixed(0)} ms, p99 ${p99Ms.toFixed(0)} ms; ` +
  `${bytesPerEntry.toFixed(0)} bytes an entry, ${(bytesPerShop / 1024).toFixed(0)} KB a shop`;

const shopOf = (number: number): string => `bench-${number}`;
const secretOf = (number: number): string => `bench-session-${number}`.padEnd(43, 'x');
/** The session of a shop's lead, as the server signs it. */
function sessionOf(number: number, secret: string): SignedIn {
  const id = `${shopOf(number)}.${secretOf(number)}`;
  const signature = createHmac('sha256', secret).update(id).digest('base64').replace(/=+$/, '');
  return { cookie: `yarrix=${encodeURIComponent(`s:${id}.${signature}`)}` };
}
const callOf = (shop: number, call: number): string => {
  const [high, low] = [shop, call].map((each) => String(each).padStart(8, '0'));
  return `${high}-0000-4000-8000-0000${low}`;
};

/** What one phone does: most of what a phone asks is that something is stored. */
function phoneOf(port: number, secret: string, shops: number, seed: number) {
  return (phone: number): (() => Promise<boolean>) => {
    const chance = chanceFrom(seed * 1000 + phone);
    const upTo = (number: number): number => Math.floor(chance() * number);
    let times = 0;
    let shop = 0;
    let session: SignedIn = { cookie: '' };
    return () => {
      if (times++ % IN_ONE_SHOP === 0) {
        shop = 1 + upTo(shops);
        session = sessionOf(shop, secret);
      }
      const call = callOf(shop, 1 + upTo(CALLS));
      const what = chance();
      if (what < 0.1) return send(session, port, 'GET', '/api/calls');
      if (what < 0.2) return send(session, port, 'GET', `/api/calls/${call}`);
      return send(session, port, 'PUT', `/api/entries/${randomUUID()}`, {
        callId: call,
        kind: 'reading',
        phoneAt: new Date().toISOString(),
        body: LID_READING,
      });
    };
  };
}

/** Shops as they would have come, each with its lead, a session, the library, calls and entries. */
async function fill(owner: Database, from: number, to: number): Promise<void> {
  const STEP = 1000;
  for (let first = from + 1; first <= to; first += STEP) {
    const last = Math.min(to, first + STEP - 1);
    await owner.transaction(async (queries) => {
      // What follows each entry would take most of the time, and comes to the same here.
      await queries.query('SET LOCAL session_replication_role = replica');
      const numbers = `generate_series(${first}, ${last}) number, LATERAL (SELECT 'bench-' || number) named (shop)`;
      const call = `(lpad(number::text, 8, '0') || '-0000-4000-8000-0000' || lpad(call::text, 8, '0'))::uuid`;
      const calls = `${numbers}, generate_series(1, ${CALLS}) call`;
      for (const text of [
        `INSERT INTO shop (shop, name) SELECT shop, shop FROM ${numbers}`,
        `INSERT INTO person (shop, id, name, email, role, password)
         SELECT shop, md5(shop)::uuid, 'Lou', shop || '@shop.example', 'lead', 'none' FROM ${numbers}`,
        `INSERT INTO session (shop, token, person, cookie, expires_at)
         SELECT shop, sha256(convert_to(rpad('bench-session-' || number, 43, 'x'), 'UTF8')), md5(shop)::uuid,
           '{"originalMaxAge": 86400000, "path": "/"}', now() + interval '1 day' FROM ${numbers}`,
        `INSERT INTO kept_diagram (shop, id, version, sent_as, built_in, name, origin)
         SELECT shop, body->>'id', 1, built_in.id, built_in.id, body->>'name', 'built-in' FROM ${numbers}, built_in`,
        `INSERT INTO appliance (shop, id, make, model, place) SELECT shop, ${call}, 'Marrowby', 'W-44', 'Cellar ' || call FROM ${calls}`,
        `INSERT INTO call (shop, id, appliance, diagram, diagram_now, diagram_version, version_now, complaint, phone_at, at, last_at, readings)
         SELECT shop, ${call}, ${call}, 'top-load-washer', 'top-load-washer', 1, 1, 'does not spin', made, made, made, ${ENTRIES}
         FROM ${calls}, LATERAL (SELECT now() - random() * interval '900 days') day (made)`,
        `INSERT INTO call_words (shop, call, words) SELECT shop, ${call}, 'marrowby w-44 cellar does not spin' FROM ${calls}`,
        `INSERT INTO entry (shop, id, call, kind, body, phone_at, at, person)
         SELECT shop, gen_random_uuid(), ${call}, 'reading', $1, now() - interval '1 day', now() - interval '1 day', md5(shop)::uuid
         FROM ${calls}, generate_series(1, ${ENTRIES})`,
      ])
        await queries.query(text, text.includes('$1') ? [JSON.stringify(LID_READING)] : []);
    });
  }
  await owner.query('VACUUM ANALYZE');
}
