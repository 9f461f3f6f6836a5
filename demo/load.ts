import { createHash } from 'node:crypto';
import type { Pool } from 'pg';
import type { Queries } from '../server/db/database';
import { openDatabase, transaction } from '../server/db/database';
import { addCall } from '../server/db/calls';
import { addDiagram, listDiagrams } from '../server/db/diagrams';
import { addEntry } from '../server/db/entries';
import { workSwitch } from '../core/simulate/simulatedSwitch';
import type { ReadingPlace } from '../core/call/reading';
import { SwitchDiagnosis } from '../core/plan/switchDiagnosis';
import { parseFault } from '../core/fault/parseFault';
import { findSwitch } from '../core/diagram/terminal';
import { sayDisplay } from '../core/describe/display';
import { ORDINARY_METER } from '../core/meter/meter';
import { builtIn, LIBRARY } from '../library/library';
import { CALLS, SHOP_NAME, type DemoCall } from './scenario';

/**
 * Loads the demo shop once: its appliances, and calls in different stages. Built-in diagrams that it
 * does not have yet are added each time; those that it has are its own and stay as they are.
 */
export async function loadDemo(url: string, shop: string): Promise<void> {
  await withDatabase(url, (db) =>
    transaction(db, async (queries) => {
      const made = await queries.query(
        'INSERT INTO shop (shop, name) VALUES ($1, $2) ON CONFLICT (shop) DO NOTHING',
        [shop, SHOP_NAME],
      );
      const known = new Set((await listDiagrams(queries, shop)).map((each) => each.id));
      for (const diagram of LIBRARY)
        if (!known.has(diagram.id)) await addDiagram(queries, shop, sentAs(diagram.id), diagram);
      if (!made.rowCount) return;
      for (const [i, call] of CALLS.entries()) await loadCall(queries, shop, i, call);
    }),
  );
}

/** Takes everything of one shop out of the database. */
export async function removeShop(url: string, shop: string): Promise<void> {
  await withDatabase(url, (db) =>
    transaction(db, async (queries) => {
      // Entries refuse to be deleted; only putting the demo back may do it.
      await queries.query('SET LOCAL session_replication_role = replica');
      for (const table of ['entry', 'call', 'appliance', 'diagram', 'shop']) {
        await queries.query(`DELETE FROM ${table} WHERE shop = $1`, [shop]);
      }
    }),
  );
}

async function withDatabase(url: string, run: (db: Pool) => Promise<void>): Promise<void> {
  const db = openDatabase(url);
  try {
    await run(db);
  } finally {
    await db.end();
  }
}

/** Ids that are the same on every machine, so that the demo can be talked about. */
const idOf = (kind: number, number: number): string =>
  `00000000-0000-4000-8000-${String(kind).padStart(4, '0')}${String(number).padStart(8, '0')}`;

/** The id under which a built-in diagram is sent: made from its name, whatever its place in the library. */
function sentAs(id: string): string {
  const hash = createHash('sha256').update(id).digest('hex');
  return `${hash.slice(0, 8)}-${hash.slice(8, 12)}-4${hash.slice(13, 16)}-8${hash.slice(17, 20)}-${hash.slice(20, 32)}`;
}

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
  const log = async (entry: EntryOf): Promise<void> => {
    at += 40_000;
    await addEntry(queries, shop, idOf(4, entries++), {
      callId,
      phoneAt: new Date(at).toISOString(),
      ...entry,
    });
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
  if (demo.done) await log({ kind: 'stage', body: { stage: 'done' } });
}

type EntryOf = Parameters<typeof addEntry>[3] extends infer E
  ? E extends { callId: string; phoneAt: string }
    ? Omit<E, 'callId' | 'phoneAt'>
    : never
  : never;
