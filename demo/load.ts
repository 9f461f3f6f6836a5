import type { NewEntry } from '../contract/entry';
import { DEMO_PERSON, DEMO_SHOP, FIRST_SHOP } from '../contract/account';
import { Database, OF_A_TASK, type Queries, type ShopQueries } from '../server/db/database';
import { addCall } from '../server/db/calls';
import { addEntries } from '../server/db/entries';
import { addPerson } from '../server/db/people';
import { makeShop, shopsBehind } from '../server/db/shops';
import { workSwitch } from '../core/simulate/simulatedSwitch';
import { openLines } from '../core/call/ledger';
import type { ReadingPlace } from '../core/call/reading';
import type { LogEntry } from '../core/call/record';
import { SwitchDiagnosis } from '../core/plan/switchDiagnosis';
import { parseFault } from '../core/fault/parseFault';
import { findSwitch } from '../core/diagram/terminal';
import { sayDisplay } from '../core/describe/display';
import { ORDINARY_METER } from '../core/meter/meter';
import { builtIn } from '../library/library';
import type { DemoCall } from './demoCall';
import { CALLS, SHOP_NAME } from './scenario';

/** Makes the first shop, which waits for its first lead, and brings those that are there up to what the program brings along. */
export const loadShops = (ownerUrl: string): Promise<void> =>
  inTransaction(ownerUrl, async (queries) => {
    await makeShop(inShop(queries, FIRST_SHOP), 'Our shop');
    for (const { shop, name } of await shopsBehind(queries))
      if (shop !== DEMO_SHOP) await makeShop(inShop(queries, shop), name);
  });

/** Loads the demo shop once: its person, appliances, and calls in different stages. */
export const loadDemo = (ownerUrl: string): Promise<void> =>
  inTransaction(ownerUrl, (queries) => fillDemo(inShop(queries, DEMO_SHOP)));

async function fillDemo(demo: ShopQueries): Promise<void> {
  const made = await makeShop(demo, SHOP_NAME);
  await addPerson(demo, DEMO_TECHNICIAN);
  if (made) for (const [i, call] of CALLS.entries()) await loadCall(demo, i, call);
}

/** Whoever looks around; nobody signs in as them with a password. */
const DEMO_TECHNICIAN = {
  id: DEMO_PERSON,
  name: 'Demo technician',
  email: 'demo@yarrix.invalid',
  role: 'technician',
  password: null,
} as const;

/** What the owner of the tables asks about one shop. */
const inShop = (queries: Queries, shop: string): ShopQueries => ({
  shop,
  query: (text, values) => queries.query(text, values),
});

/** What is in the demo shop beside what the demo made, by name and number; empty for nothing. */
export async function strangersInDemo(ownerUrl: string): Promise<string[]> {
  return inTransaction(ownerUrl, async (queries) => {
    const { rows } = await queries.query<{ what: string; number: number }>(
      `SELECT what, count(*)::integer AS number FROM (
         SELECT 'calls' AS what FROM call WHERE shop = $1 AND id::text NOT LIKE $2
         UNION ALL SELECT 'entries' FROM entry WHERE shop = $1 AND id::text NOT LIKE $2
         UNION ALL SELECT 'photos' FROM photo WHERE shop = $1
         UNION ALL SELECT 'withdrawn diagrams' FROM diagram_withdrawal WHERE shop = $1
         UNION ALL SELECT 'models' FROM model_sheet WHERE shop = $1
         UNION ALL SELECT 'diagrams of your own' FROM diagram WHERE shop = $1 AND origin = 'shop'
       ) strangers GROUP BY what ORDER BY what`,
      [DEMO_SHOP, `${ID_PREFIX}%`],
    );
    return rows.map(({ what, number }) => `${number} ${what}`);
  });
}

/** Puts the demo shop back as on the first day; other shops are not touched. */
export const resetDemoShop = (ownerUrl: string): Promise<void> =>
  inTransaction(ownerUrl, async (queries) => {
    // Entries refuse to be deleted; only putting the demo back may do it.
    await queries.query('SET LOCAL session_replication_role = replica');
    const tables = [
      'report_link',
      'invitation',
      'photo',
      'entry',
      'call_words',
      'call',
      'appliance',
      'diagram_withdrawal',
      'model_sheet',
      'meter',
      'session',
      'audit',
      'person',
    ];
    for (const table of [...tables, 'kept_diagram', 'shop'])
      await queries.query(`DELETE FROM ${table} WHERE shop = $1`, [DEMO_SHOP]);
    await queries.query('SET LOCAL session_replication_role = origin');
    await fillDemo(inShop(queries, DEMO_SHOP));
  });

async function inTransaction<T>(
  ownerUrl: string,
  run: (queries: Queries) => Promise<T>,
): Promise<T> {
  const db = new Database(ownerUrl, undefined, OF_A_TASK);
  try {
    return await db.transaction(run);
  } finally {
    await db.end();
  }
}

/** Ids that are the same on every machine, so that the demo can be talked about. */
const ID_PREFIX = '00000000-0000-4000-8000-';
const idOf = (kind: number, number: number): string =>
  `${ID_PREFIX}${String(kind).padStart(4, '0')}${String(number).padStart(8, '0')}`;

async function loadCall(queries: ShopQueries, number: number, demo: DemoCall): Promise<void> {
  const diagram = builtIn(demo.diagramId);
  if (!diagram) throw new Error(`the demo names an unknown diagram ${demo.diagramId}`);
  let at = Date.now() - demo.hoursAgo * 3_600_000;
  const callId = idOf(2, number);
  await addCall(queries, callId, {
    appliance: { id: idOf(3, number), ...demo.appliance },
    diagramId: diagram.id,
    diagramVersion: 1,
    complaint: demo.complaint,
    phoneAt: new Date(at).toISOString(),
  });
  let entries = number * 1000;
  const logged: LogEntry[] = [];
  const log = async (entry: EntryOf): Promise<void> => {
    at += 40_000;
    const phoneAt = new Date(at).toISOString();
    const id = idOf(4, entries++);
    logged.push({ id, phoneAt, ...entry } as LogEntry);
    await addEntries(queries, [
      {
        id,
        entry: { callId, phoneAt, ...entry },
        diagramId: diagram.id,
        version: 1,
        skewMs: 0,
      },
    ]);
  };
  if (demo.work.length === 0) return;
  await log({ kind: 'acknowledged', body: { what: 'made-safe' } });
  await log({
    kind: 'acknowledged',
    body: { what: 'meter-proved', leadOhms: ORDINARY_METER.leads.ohms },
  });
  const faults = demo.truth.flatMap((text) => {
    const parsed = parseFault(diagram, text);
    if (!parsed.ok) throw new Error(parsed.error.message);
    return parsed.value;
  });
  for (const { part, depth, readings } of demo.work) {
    const found = findSwitch(diagram, part);
    if (!found.ok) throw new Error(found.error.message);
    await log({ kind: 'acknowledged', body: { what: 'wires-off', part } });
    const diagnosis = new SwitchDiagnosis(diagram, found.value);
    // An intermittent contact of the demo holds while it is being looked at.
    const truth = { faults, really: (place: ReadingPlace) => place, chance: () => 0.99 };
    const worked = workSwitch(diagnosis, depth, truth, ORDINARY_METER);
    for (const { from, to, setup, wiggle, lookedAgain, display } of worked.readings.slice(
      0,
      readings,
    )) {
      await log({
        kind: 'reading',
        body: {
          part,
          from,
          to,
          setup,
          wiggle,
          lookedAgain,
          function: 'ohm',
          meter: ORDINARY_METER.id,
          leadOhms: ORDINARY_METER.leads.ohms,
          said: sayDisplay(display),
          supersedes: [],
        },
      });
    }
  }
  if (demo.found) await log({ kind: 'found', body: demo.found });
  if (demo.decision) await log({ kind: 'decision', body: demo.decision });
  if (!demo.done) return;
  for (const { key } of openLines(diagram, logged))
    await log({ kind: 'closed', body: { line: key, how: 'back' } });
  await log({ kind: 'stage', body: { stage: 'done' } });
}

type EntryOf = NewEntry extends infer E
  ? E extends { callId: string; phoneAt: string }
    ? Omit<E, 'callId' | 'phoneAt'>
    : never
  : never;
