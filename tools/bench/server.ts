import { fork, type ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { LID_READING } from '../../core/simulate/lidReading';
import { addCall } from '../../server/db/calls';
import { Database, OF_A_TASK } from '../../server/db/database';
import { migrate } from '../../server/db/migrate';
import { EXIT, out, outJson } from '../commands/command';
import { needDebian } from '../debian';
import { startCluster } from '../postgres';
import { foundShop, type SignedIn } from '../../e2e/signIn';
import { Watched } from '../soak/watched';
import { load, send, summary, type Load } from './load';

/** Phones at once, and turns of each side. */
const PHONES = [1, 20, 200];
const TURNS = 5;
/** A shop after some years. */
const CALLS = 10_000;
const ENTRIES = 100;
const READERS = 20;

/** The shop that is measured in: its tables as their owner sees them, and who is signed in to it. */
interface House {
  owner: Database;
  shop: string;
  session: SignedIn;
}
const NO_LIMIT = 100_000_000;

interface Storing {
  phones: number;
  ours: Load;
  bare: Load;
  /** Entries a second of ours to the bare one's. */
  ratio: number;
}
interface Report {
  storing: Storing[];
  /** Entries a second when they are sent fifty at a time. */
  batches: { phones: number; perSecond: number }[];
  /** Median of storing one entry in a log of so many, one phone. */
  byLength: { entries: number; p50Ms: number }[];
  lists: { what: string; alone: Load; withReaders: Load }[];
}

/** `./yarrix bench server [--json]`: how fast entries are stored, beside the least that could, and lists read. */
export async function benchServer(json: boolean): Promise<number> {
  await needDebian(['postgresql']);
  const folder = mkdtempSync(join(tmpdir(), 'yarrix-bench-'));
  // With all its care: what is confirmed is on the disk.
  const cluster = await startCluster(join(folder, 'postgres'), true);
  const owner = new Database(cluster.ownerUrl, undefined, OF_A_TASK);
  let bare: ChildProcess | undefined;
  let ours: Watched | undefined;
  try {
    await migrate(cluster.ownerUrl, () => undefined);
    await owner.query(
      `CREATE TABLE bare_entry (shop text NOT NULL, id uuid NOT NULL, call uuid NOT NULL,
         kind text NOT NULL, body jsonb NOT NULL, phone_at timestamptz NOT NULL,
         PRIMARY KEY (shop, id))`,
    );
    await owner.query('CREATE INDEX ON bare_entry (shop, call, phone_at)');
    await owner.query('GRANT INSERT ON bare_entry TO yarrix_app');
    ours = await Watched.start(cluster.url, folder, NO_LIMIT);
    bare = fork(join(__dirname, 'bareServer.ts'), [cluster.url], {
      execArgv: ['--import', pathToFileURL(require.resolve('tsx')).href],
    });
    const barePort = await new Promise<number>((resolve) =>
      bare?.once('message', (said: { port: number }) => resolve(said.port)),
    );
    const session = await foundShop(ours.address, 'Bench');
    const [shop = ''] = (await owner.query<{ shop: string }>('SELECT shop FROM shop')).rows.map(
      (row) => row.shop,
    );
    const report = await measure({ owner, shop, session }, ours.port, barePort);
    if (json) outJson(report);
    else say(report);
  } finally {
    bare?.disconnect();
    await ours?.stop();
    await owner.end();
    await cluster.stop();
    rmSync(folder, { recursive: true, force: true });
  }
  return EXIT.done;
}

async function measure(house: House, oursPort: number, barePort: number): Promise<Report> {
  const calls = Array.from({ length: 200 }, () => randomUUID());
  for (const id of calls) await newCall(house, id);
  const store = (port: number, phone: number) => () =>
    send(house.session, port, 'PUT', `/api/entries/${randomUUID()}`, entryOf(calls[phone] ?? ''));
  const storing: Storing[] = [];
  for (const phones of PHONES) {
    const [one, other]: [number[], number[]] = [[], []];
    for (let turn = 0; turn <= TURNS; turn++)
      for (const [port, times] of [
        [oursPort, one],
        [barePort, other],
      ] as const) {
        const took = await load(phones, (phone) => store(port, phone));
        // The first turn warms both up.
        if (turn) times.push(...took);
      }
    const [ours, bare] = [summary(one, TURNS), summary(other, TURNS)];
    storing.push({ phones, ours, bare, ratio: ours.perSecond / bare.perSecond });
  }
  const batches = [];
  for (const phones of PHONES) {
    const took = await load(phones, (phone) => () => {
      const entries = Array.from({ length: 50 }, () => ({
        id: randomUUID(),
        entry: entryOf(calls[phone] ?? ''),
      }));
      return send(house.session, oursPort, 'POST', '/api/entries', { entries });
    });
    batches.push({ phones, perSecond: summary(took, 1).perSecond * 50 });
  }
  const byLength = [];
  for (const entries of [5, 5000]) {
    const id = randomUUID();
    await newCall(house, id);
    await fill(house, [id], entries);
    const took = await load(
      1,
      () => () => send(house.session, oursPort, 'PUT', `/api/entries/${randomUUID()}`, entryOf(id)),
    );
    byLength.push({ entries, p50Ms: summary(took, 1).p50Ms });
  }
  await manyCalls(house);
  const paths = {
    'first page': '/api/calls',
    'search, common word': '/api/calls?search=cellar',
    'search, one of all': '/api/calls?search=person+4711',
    'search, none': '/api/calls?search=submarine',
  };
  const lists = [];
  for (const [what, path] of Object.entries(paths)) {
    const read = () => () => send(house.session, oursPort, 'GET', path);
    await load(1, read);
    const alone = summary(await load(1, read), 1);
    const withReaders = summary(await load(READERS + 1, read), 1);
    lists.push({ what, alone, withReaders });
  }
  return { storing, batches, byLength, lists };
}

const entryOf = (callId: string): object => ({
  callId,
  kind: 'reading',
  phoneAt: new Date().toISOString(),
  body: LID_READING,
});

const newCall = ({ owner, shop }: House, id: string): Promise<unknown> =>
  addCall({ shop, query: (text, values) => owner.query(text, values) }, id, {
    appliance: { id: randomUUID(), make: 'Marrowby', model: 'W-44', place: 'Bench' },
    diagramId: 'top-load-washer',
    diagramVersion: 1,
    complaint: 'does not spin',
    phoneAt: new Date().toISOString(),
  });

/** Entries as they would have come, without each being sent. */
const fill = ({ owner, shop }: House, calls: string[], entries: number): Promise<unknown> =>
  owner.query(
    `INSERT INTO entry (shop, id, call, kind, body, phone_at, at)
     SELECT $1, gen_random_uuid(), call, 'look', '{"look": "click", "found": true}',
            now() - number * interval '1 second', now() - number * interval '1 second'
     FROM unnest($2::uuid[]) call, generate_series(1, $3) number`,
    [shop, calls, entries],
  );

async function manyCalls({ owner, shop }: House): Promise<void> {
  await owner.transaction(async (queries) => {
    // What follows each entry would take most of the time, and comes to the same here.
    await queries.query('SET LOCAL session_replication_role = replica');
    await queries.query(
      `INSERT INTO appliance (shop, id, make, model, place, customer)
       SELECT $1, ('00000000-0000-4000-9000-' || lpad(number::text, 12, '0'))::uuid, 'Marrowby', 'W-44',
              'Cellar ' || number, 'Person ' || number FROM generate_series(1, $2) number`,
      [shop, CALLS],
    );
    await queries.query(
      `INSERT INTO call (shop, id, appliance, diagram, diagram_now, diagram_version, version_now, complaint,
         phone_at, at, last_at, readings)
       SELECT $1, id, id, 'top-load-washer', 'top-load-washer', 1, 1, 'does not spin', made, made, made, $2
       FROM appliance, LATERAL (SELECT now() - random() * interval '900 days') day (made)
       WHERE shop = $1 AND place LIKE 'Cellar %'`,
      [shop, ENTRIES],
    );
    await queries.query(
      `INSERT INTO call_words (shop, call, words)
       SELECT shop, id, lower(concat_ws(' ', make, model, place, customer, 'does not spin'))
       FROM appliance WHERE shop = $1 AND place LIKE 'Cellar %'`,
      [shop],
    );
    await queries.query(
      `INSERT INTO entry (shop, id, call, kind, body, phone_at, at)
       SELECT $1, gen_random_uuid(), id, 'look', '{"look": "click", "found": true}', at, at
       FROM call, generate_series(1, $2) number WHERE shop = $1 AND readings = $2`,
      [shop, ENTRIES],
    );
  });
  await owner.query('ANALYZE');
}

function say({ storing, batches, byLength, lists }: Report): void {
  const load = ({ perSecond, p50Ms, p99Ms }: Load): string =>
    `${perSecond.toFixed(0).padStart(6)} /s, p50 ${p50Ms.toFixed(1)} ms, p99 ${p99Ms.toFixed(1)} ms`;
  out('storing one entry, in turns');
  for (const { phones, ours, bare, ratio } of storing) {
    out(`  ${String(phones).padStart(3)} phones  ours ${load(ours)}`);
    out(`              bare ${load(bare)}   ratio ${ratio.toFixed(2)}`);
  }
  out('storing fifty at a time');
  for (const { phones, perSecond } of batches)
    out(`  ${String(phones).padStart(3)} phones  ${perSecond.toFixed(0)} entries /s`);
  out('storing one entry, by the length of its log');
  for (const { entries, p50Ms } of byLength)
    out(`  ${String(entries).padStart(5)} entries  p50 ${p50Ms.toFixed(2)} ms`);
  out(`${CALLS} calls of ${ENTRIES} entries`);
  for (const { what, alone, withReaders } of lists) {
    out(`  ${what.padEnd(20)} alone ${load(alone)}`);
    out(`  ${''.padEnd(20)} with ${READERS} others ${load(withReaders)}`);
  }
}
