import { randomUUID } from 'node:crypto';
import type { Express } from 'express';
import request from 'supertest';
import { cookieOf, newPerson, startTestDoor, type Founded, type TestDoor } from './testDoor';
import { newCall, reading } from './testServer';

/** A layer of Express's router: a route, or a router with layers of its own. */
interface Layer {
  route?: { path: string; methods: Record<string, boolean> };
  handle: { stack?: Layer[] };
  /** Whether it is mounted at the root. */
  slash?: boolean;
}

/** Every route of the API as it is mounted, read from the router. */
function routesOf(app: Express): { method: string; path: string }[] {
  const of = (layers: readonly Layer[], base: string): { method: string; path: string }[] =>
    layers.flatMap(({ route, handle, slash }) => {
      if (route)
        return Object.keys(route.methods).map((method) => ({ method, path: base + route.path }));
      return handle.stack ? of(handle.stack, slash ? base : '/api') : [];
    });
  return of((app as unknown as { router: { stack: Layer[] } }).router.stack, '');
}

/** What is open to who is not signed in; every other route is not. */
const OPEN = [
  'get /api/health',
  'get /api/ready',
  'get /api/door',
  'post /api/session',
  'post /api/session/demo',
  'post /api/shops',
  'post /api/links/look',
  'post /api/links/join',
  'post /api/links/reset',
  'get /shared/:link',
];
const FOR_LEADS = [
  'get /api/people',
  'put /api/people/:id/role',
  'delete /api/people/:id',
  'get /api/invitations',
  'post /api/invitations',
  'delete /api/invitations/:id',
  'get /api/audit',
  'post /api/customers/find',
  'post /api/customers/export',
  'post /api/customers/erase',
];

let door: TestDoor;
let app: Express;
/** A lead with a call, an entry and a link; somebody of another shop; a technician of the first. */
let mine: Founded & { ids: string[] };
let other: string;
let technician: string;
beforeAll(async () => {
  door = await startTestDoor();
  app = door.app;
  const lead = await door.founded('Mine');
  other = (await door.founded('Other')).cookie;
  const [call, entry] = [randomUUID(), randomUUID()];
  await lead.as('put', `/calls/${call}`).send(newCall()).expect(204);
  await lead.as('put', `/entries/${entry}`).send(reading(call)).expect(204);
  const link = { days: 1, zone: 'UTC', currency: '' };
  const shared = await lead.as('post', `/calls/${call}/links`).send(link).expect(201);
  const invited = await lead.as('post', '/invitations').send({ role: 'technician' }).expect(201);
  const joined = await request(app)
    .post('/api/links/join')
    .send({ ...newPerson(), link: invited.body.link })
    .expect(201);
  technician = cookieOf(joined);
  mine = { ...lead, ids: [call, entry, lead.account.person, joined.body.person, shared.body.id] };
});
afterAll(() => door.end());

describe('walls between shops', () => {
  it('every route is refused to who is not signed in, and each for leads to a technician', async () => {
    const routes = routesOf(app);
    const names = routes.map(({ method, path }) => `${method} ${path}`);
    for (const each of FOR_LEADS) expect(names).toContain(each);
    expect(routes.length).toBeGreaterThan(40);
    for (const { method, path } of routes) {
      const name = `${method} ${path}`;
      if (OPEN.includes(name)) continue;
      const at = path.replace(/:\w+/g, mine.ids[0] ?? '');
      const ask = () => request(app)[method as 'get'](at);
      expect([name, (await ask()).status]).toEqual([name, 401]);
      const forged = ask().set('cookie', 'yarrix=s%3Anobody.at-all');
      expect([name, (await forged).status]).toEqual([name, 401]);
      // These two end the session that is tried with.
      if (name === 'delete /api/session' || name === 'delete /api/sessions') continue;
      const asTechnician = await ask().set('cookie', technician).send({});
      expect([name, asTechnician.status === 403]).toEqual([name, FOR_LEADS.includes(name)]);
      // Signed in, but for somebody else than this tab was: nothing is done.
      const meant = ask().set('cookie', technician).set('x-yarrix-account', mine.account.person);
      expect([name, (await meant).status]).toEqual([name, 401]);
    }
  });

  it('every id of one shop is nothing to another, whatever the route', async () => {
    for (const { method, path } of routesOf(app)) {
      if (!/:\w+/.test(path)) continue;
      for (const id of mine.ids) {
        const at = path.replace(/:\w+/g, id);
        const answer = await request(app)[method as 'get'](at).set('cookie', other);
        const said = `${method} ${at}: ${answer.status}`;
        expect(said).not.toMatch(/: 5/);
        // A list for an id that is not there may be empty; nothing else is answered.
        if (answer.status === 200)
          expect([said, answer.text]).toEqual([
            said,
            expect.stringMatching(/^(\[\]|{"calls":\[\],"parts":\[\]})$/),
          ]);
        expect(answer.text).not.toMatch(/Marrowby|Kim Example/);
      }
    }
    const still = await request(app).get(`/api/calls/${mine.ids[0]}`).set('cookie', mine.cookie);
    expect(still.body).toMatchObject({ readings: 1 });
  });
});
