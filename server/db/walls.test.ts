import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { builtIn } from '../../library/library';
import { newCall, phoneAt, reading, startTestServer, type TestServer } from '../testServer';
import * as audit from './audit';
import * as builtIns from './builtIn';
import * as calls from './calls';
import * as customers from './customers';
import * as diagrams from './diagrams';
import * as entries from './entries';
import * as found from './found';
import * as meters from './meters';
import * as modelSheets from './modelSheets';
import * as people from './people';
import * as photos from './photos';
import * as reportLinks from './reportLinks';
import * as seen from './seen';
import * as sessions from './sessions';
import * as shops from './shops';
import type { ShopQueries } from './database';

/** Tables of no shop, and what they are keyed by: tries at the door, and what the program brings along for everybody. */
const OF_NO_SHOP: Record<string, string> = { knock: 'key', built_in: 'id' };

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.end());

describe('the wall of the database', () => {
  it('no query sees or writes a row of another shop, even where it names that shop', async () => {
    const own = server.db.of(server.shop);
    // Names the shop whose rows it wants, in a transaction of another one: a mistake of ours.
    const wrong: ShopQueries = { shop: server.shop, query: server.db.of('elsewhere').query };
    const call = await server.openCall();
    const id = randomUUID();
    await request(server.app).put(`/api/entries/${id}`).send(reading(call)).expect(204);
    const person = randomUUID();
    const someone = {
      id: person,
      name: 'A',
      email: `${person}@a.example`,
      role: 'lead',
      password: 'x',
    } as const;
    await people.addPerson(own, someone);
    const washer = builtIn('top-load-washer');
    if (!washer) throw new Error('no washer');
    const burner = builtIn('coil-burner');
    if (!burner) throw new Error('no burner');
    await own.transaction((queries) => diagrams.addDiagram(queries, randomUUID(), burner));
    const token = Buffer.alloc(32, 1);
    const expiresAt = new Date(Date.now() + 3_600_000);
    const entry = {
      id: randomUUID(),
      entry: { ...reading(call) },
      diagramId: washer.id,
      version: 1,
      skewMs: 0,
    };
    const photo = { callId: call, of: 'plate', phoneAt };
    /** What each query function is called with beside the rows; every one that takes rows is here. */
    const CALLED: Record<string, unknown[]> = {
      listCalls: [{ words: ['washer'] }],
      findCall: [call],
      diagramOfCall: [call],
      addCall: [randomUUID(), newCall()],
      listDiagrams: [],
      listedDiagrams: [],
      missingDiagrams: [[]],
      // One that nobody has asked for yet: versions never change, and are kept in memory under their shop's name.
      findDiagram: ['coil-burner', 1],
      addDiagram: [randomUUID(), washer],
      newestDiagrams: [],
      lockDiagrams: [],
      addBuiltIn: [builtIns.BUILT_IN.slice(0, 1)],
      withdrawDiagram: [randomUUID(), { diagram: washer.id, version: 1 }],
      listEntries: [call],
      addEntries: [[entry]],
      countFound: [{ id: randomUUID(), diagramId: washer.id }],
      listMeters: [],
      keepMeter: [randomUUID(), { name: 'm', kind: 'k', leadOhms: 0 }],
      dropMeter: [randomUUID()],
      listModelSheets: [],
      addModelSheet: [randomUUID(), { make: 'M', pattern: '*', diagram: washer.id }],
      listPhotos: [call],
      findPhoto: [randomUUID()],
      picturesOf: [call, 9],
      addPhoto: [randomUUID(), photo, { jpeg: Buffer.from('x'), sentSha256: Buffer.from('x') }],
      seenBefore: [call],
      minutesByKind: [],
      audit: [{ what: 'signed in' }],
      listAudit: [],
      findPerson: [person],
      addPerson: [{ ...someone, id: randomUUID(), email: `${randomUUID()}@a.example` }],
      listPeople: [],
      countLeads: [],
      setRole: [person, 'technician'],
      setPassword: [person, 'y'],
      takeOut: [person],
      addInvitation: [
        { id: randomUUID(), token, role: 'lead', person: null, madeBy: person, expiresAt },
      ],
      listInvitations: [],
      findInvitation: [token],
      useInvitation: [token],
      withdrawInvitation: [randomUUID()],
      addSession: [{ token, person, cookie: {}, expiresAt }],
      endSession: [token],
      endSessionsOf: [person],
      makeShop: ['Theirs'],
      renameShop: ['Theirs'],
      isClaimed: [],
      hasShop: [],
      callsOfCustomer: ['Aunt Tilly'],
      exportCustomer: ['Aunt Tilly'],
      eraseCustomer: ['Aunt Tilly'],
      addReportLink: [
        { id: randomUUID(), token, call, zone: 'UTC', currency: '', madeBy: person, days: 1 },
      ],
      listReportLinks: [call],
      withdrawReportLink: [randomUUID()],
      openReportLink: [token],
    };
    const modules: object[] = [
      calls,
      customers,
      diagrams,
      entries,
      found,
      meters,
      modelSheets,
      photos,
      reportLinks,
      seen,
      audit,
      builtIns,
      people,
      sessions,
      shops,
    ];
    /** What takes something else than the rows of a shop. */
    const OTHERS = [
      'writeCursor',
      'readCursor',
      'namedBy',
      'inTurns',
      'accountAtDoor',
      'waitAtDoor',
      'letIn',
      'findSession',
      'forgetSessions',
      'shopsBehind',
      'bringLibrary',
    ];
    const functions = modules.flatMap((each): [string, unknown][] => Object.entries(each));
    const rowsBefore = await rowCounts();
    for (const [name, query] of functions) {
      if (typeof query !== 'function' || OTHERS.includes(name)) continue;
      expect(Object.keys(CALLED)).toContain(name);
      const got: unknown = await (query as (...args: unknown[]) => Promise<unknown>)(
        wrong,
        ...(CALLED[name] ?? []),
      ).catch((error: { code?: string }) => ({ refused: error.code }));
      const nothing = JSON.stringify(got) ?? 'undefined';
      expect([name, nothing]).toEqual([
        name,
        expect.stringMatching(
          /^(undefined|null|false|0|\[\]|{}|{"refused":"(42501|23503|23505)"}|{"calls":\[\],("parts":\[\]|"next":null)}|{"diagram":false,"call":null,"appliance":null}|\[{"added":false,"named":0}\]|{[^}]*:(false|null)[^}]*})$/,
        ),
      ]);
    }
    expect(await rowCounts()).toEqual(rowsBefore);
    // The same with the right shop sees them: what is empty above is empty by the wall.
    expect((await calls.addCall(own, randomUUID(), newCall())).call).toBeTruthy();
    expect(await server.db.query('SELECT * FROM entry')).toMatchObject({ rowCount: 0 });
  });

  it('every table is walled, forced, and keyed by its shop', async () => {
    const { rows } = await server.owner.query<{ name: string; walled: boolean; first: string }>(
      `SELECT relname AS name, relrowsecurity AND relforcerowsecurity AS walled,
         (SELECT attname FROM pg_index JOIN pg_attribute ON attrelid = indrelid AND attnum = indkey[0]
          WHERE indrelid = pg_class.oid AND indisprimary) AS first
       FROM pg_class WHERE relnamespace = 'public'::regnamespace AND relkind IN ('r', 'p') ORDER BY 1`,
    );
    // What node-pg-migrate notes, which the application has no right to.
    const tables = rows.filter(({ name }) => name !== 'migration');
    expect(tables.length).toBeGreaterThan(14);
    for (const { name, walled, first } of tables)
      expect([name, walled, first]).toEqual([name, true, OF_NO_SHOP[name] ?? 'shop']);
    const role = await server.owner.query<{ over: boolean }>(
      "SELECT rolsuper OR rolbypassrls AS over FROM pg_roles WHERE rolname = 'yarrix_app'",
    );
    expect(role.rows[0]?.over).toBe(false);
  });

  /** Rows of every table that names the shop, as the owner sees them. */
  async function rowCounts(): Promise<string[]> {
    const counts: string[] = [];
    for (const table of [
      'shop',
      'person',
      'call',
      'entry',
      'kept_diagram',
      'photo',
      'meter',
      'invitation',
      'session',
      'audit',
      'model_sheet',
      'diagram_withdrawal',
    ]) {
      const { rows } = await server.owner.query<{ hash: string }>(
        `SELECT md5(coalesce(string_agg(t::text, '' ORDER BY t::text), '')) AS hash FROM ${table} t WHERE shop = $1`,
        [server.shop],
      );
      counts.push(rows[0]?.hash ?? '');
    }
    return counts;
  }
});
