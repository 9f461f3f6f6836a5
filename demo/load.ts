import { isDeepStrictEqual } from 'node:util';
import type { NewEntry } from '../contract/entry';
import { SHOPS } from '../contract/shop';
import { Database, OF_A_TASK, type Queries } from '../server/db/database';
import { addCall } from '../server/db/calls';
import { addDiagram, newestDiagrams } from '../server/db/diagrams';
import { addEntries } from '../server/db/entries';
import { uuidFrom } from '../server/uuidFrom';
import { workSwitch } from '../core/simulate/simulatedSwitch';
import { openLines } from '../core/call/ledger';
import type { ReadingPlace } from '../core/call/reading';
import type { LogEntry } from '../core/call/record';
import { SwitchDiagnosis } from '../core/plan/switchDiagnosis';
import { parseFault } from '../core/fault/parseFault';
import { findSwitch } from '../core/diagram/terminal';
import type { Diagram } from '../core/diagram/diagram';
import { sayDisplay } from '../core/describe/display';
import { ORDINARY_METER } from '../core/meter/meter';
import { builtIn, LIBRARY } from '../library/library';
import type { DemoCall } from './demoCall';
import { CALLS, SHOP_NAME } from './scenario';

const DEMO = 'demo';

/** Makes the shop's own, empty shop, with the built-in diagrams as they are now. */
export const loadShop = (ownerUrl: string): Promise<void> =>
  inTransaction(ownerUrl, async (queries) => {
    await makeShop(queries, 'own', SHOPS.own);
  });

/** Loads the demo shop once: its appliances, and calls in different stages. */
export const loadDemo = (ownerUrl: string): Promise<void> =>
  inTransaction(ownerUrl, async (queries) => {
    if (!(await makeShop(queries, DEMO, SHOP_NAME))) return;
    for (const [i, call] of CALLS.entries()) await loadCall(queries, DEMO, i, call);
  });

/**
 * A shop, and in it the built-in diagrams: one that is new, or that has changed since, comes as the
 * next version. What the shop has made of one itself stays the newest.
 * @returns whether the shop was not there before
 */
async function makeShop(queries: Queries, shop: string, name: string): Promise<boolean> {
  const made = await queries.query(
    'INSERT INTO shop (shop, name) VALUES ($1, $2) ON CONFLICT (shop) DO NOTHING',
    [shop, name],
  );
  const newest = new Map((await newestDiagrams(queries, shop)).map((each) => [each.id, each]));
  for (const diagram of LIBRARY) {
    const kept = newest.get(diagram.id);
    if (kept?.origin === 'shop' || isDeepStrictEqual(kept?.body, asStored(diagram))) continue;
    await addDiagram(queries, shop, sentAs(diagram), diagram, 'built-in');
  }
  return made.rowCount === 1;
}

const asStored = (diagram: Diagram): unknown => JSON.parse(JSON.stringify(diagram));

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
      [DEMO, `${ID_PREFIX}%`],
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
      'photo',
      'entry',
      'call_words',
      'call',
      'appliance',
      'diagram_withdrawal',
      'model_sheet',
    ];
    for (const table of [...tables, 'diagram', 'shop'])
      await queries.query(`DELETE FROM ${table} WHERE shop = $1`, [DEMO]);
    await queries.query('SET LOCAL session_replication_role = origin');
    await makeShop(queries, DEMO, SHOP_NAME);
    for (const [i, call] of CALLS.entries()) await loadCall(queries, DEMO, i, call);
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

/** The id under which a built-in diagram is sent: made from what is in it, so that a changed one is another. */
const sentAs = (diagram: Diagram): string => uuidFrom(JSON.stringify(diagram));

async function loadCall(
  queries: Queries,
  shop: string,
  number: number,
  demo: DemoCall,
): Promise<void> {
  const diagram = builtIn(demo.diagramId);
  if (!diagram) throw new Error(`the demo names an unknown diagram ${demo.diagramId}`);
  let at = Date.now() - demo.hoursAgo * 3_600_000;
  const callId = idOf(2, number);
  await addCall(queries, shop, callId, {
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
    await addEntries(queries, shop, [
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
