import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { loadShops } from '../demo/load';
import type { AuditLine, Invitation, Person } from '../contract/people';
import { withoutSecrets } from './people/link';
import { cookieOf, newPerson, PASSWORD, startTestDoor, type TestDoor } from './testDoor';

let door: TestDoor;
let app: TestDoor['app'];
let owner: TestDoor['owner'];
let founded: TestDoor['founded'];
beforeAll(async () => {
  door = await startTestDoor();
  ({ app, owner, founded } = door);
});
afterAll(() => door.end());

const faultsOf = (answer: request.Response) =>
  (JSON.parse(answer.text) as { faults?: { path: string; message: string }[] }).faults;
const signIn = (email: string, password: string) =>
  request(app).post('/api/session').send({ email, password });
const isIn = async (cookie: string): Promise<boolean> =>
  (await request(app).get('/api/session').set('cookie', cookie)).status === 200;

describe('the door', () => {
  it('gives the first shop to who founds first, with what was in it, and others one of their own', async () => {
    await loadShops(door.ownerUrl);
    const stands = async () => (await request(app).get('/api/door').expect(200)).body;
    expect(await stands()).toEqual({ demo: false, first: true, founding: true });
    const [one, two] = await Promise.all([founded(), founded()]);
    const shops = [one.account.shop, two.account.shop];
    expect(shops).toContain('own');
    expect(new Set(shops).size).toBe(2);
    expect(await stands()).toMatchObject({ first: false });
    // A shop that is founded has what the program brings along.
    const [list] = await Promise.all(
      [one, two].map(async ({ as }) => (await as('get', '/diagrams')).body),
    );
    expect(list.length).toBeGreaterThan(40);
    await request(door.another({ founding: false }))
      .post('/api/shops')
      .send({ shopName: 'Late', ...newPerson() })
      .expect(403);
    // One address, one account: nothing is left of a shop that came to nothing.
    const before = await owner.query('SELECT 1 FROM shop');
    const again = await request(app)
      .post('/api/shops')
      .send({ shopName: 'Twice', ...newPerson(), email: one.email.toUpperCase() })
      .expect(422);
    expect(faultsOf(again)?.[0]?.path).toBe('/email');
    expect((await owner.query('SELECT 1 FROM shop')).rowCount).toBe(before.rowCount);
  });

  it('signs in and out, under a session id that nobody knew before; the cookie is nothing a script or another site has', async () => {
    const { email, cookie, account } = await founded();
    const answer = await signIn(` ${email.toUpperCase()} `, PASSWORD)
      .set('cookie', cookie)
      .expect(200);
    expect(answer.body).toEqual(account);
    const [set = ''] = answer.headers['set-cookie'] as unknown as string[];
    expect(set).toMatch(/HttpOnly/);
    expect(set).toMatch(/SameSite=Strict/);
    expect(cookieOf(answer)).not.toBe(cookie);
    expect(await isIn(cookie)).toBe(false);
    expect(await isIn(cookieOf(answer))).toBe(true);
    await request(app).delete('/api/session').set('cookie', cookieOf(answer)).expect(204);
    expect(await isIn(cookieOf(answer))).toBe(false);
    // Over https alone, where it is served so: behind a proxy that says that it was https.
    const secure = request(door.another({}, true))
      .post('/api/session')
      .set('x-forwarded-proto', 'https');
    const [safe = ''] = (await secure.send({ email, password: PASSWORD }).expect(200)).headers[
      'set-cookie'
    ] as unknown as string[];
    expect(safe).toMatch(/^__Host-yarrix=.*Secure/);
    // The database has no session that would open anything.
    const { rows } = await owner.query(
      'SELECT encode(token, $1) AS token FROM session WHERE person = $2',
      ['base64', account.person],
    );
    expect(JSON.stringify(rows)).not.toContain(decodeURIComponent(safe).split('.')[1]);
  });

  it('takes a cookie as it was signed here and in no other way, however often it was seen', async () => {
    const { cookie, account, email } = await founded();
    expect([await isIn(cookie), await isIn(cookie)]).toEqual([true, true]);
    // Beside another one it is the same.
    expect(await isIn(`theme=dark; ${cookie}`)).toBe(true);
    const [name, value = ''] = cookie.split('=');
    const [id = '', signature = ''] = decodeURIComponent(value)
      .slice(2)
      .split(/\.(?=[^.]*$)/);
    const other = id.endsWith('A') ? 'B' : 'A';
    const made = [
      `s:${id}.${signature.slice(0, -4)}AAAA`,
      `s:${id}.`,
      `s:${id}`,
      id,
      `s:${id.slice(0, -1)}${other}.${signature}`,
      `s:${id.replace(account.shop, 'demo')}.${signature}`,
    ];
    for (const each of made) expect(await isIn(`${name}=${encodeURIComponent(each)}`)).toBe(false);
    expect(await isIn(cookie)).toBe(true);
    // A session that was seen ends, and another is begun in its place, as one that was not.
    const next = cookieOf(await signIn(email, PASSWORD).set('cookie', cookie).expect(200));
    expect([await isIn(cookie), await isIn(`theme=dark; ${cookie}`)]).toEqual([false, false]);
    expect(await isIn(next)).toBe(true);
    await request(app).delete('/api/session').set('cookie', next).expect(204);
    expect(await isIn(next)).toBe(false);
  });

  it('lets guesses wait longer and longer, tells nothing of who is there, and lets go of who knows', async () => {
    const { email, as } = await founded();
    // Behind a proxy of this machine: it says who comes.
    const wrong = await signIn(email, 'not it').set('x-forwarded-for', '192.0.2.7').expect(403);
    const nobody = await signIn(`${randomUUID()}@shop.example`, 'not it').expect(403);
    expect(JSON.parse(wrong.text).title).toBe(JSON.parse(nobody.text).title);
    for (let tries = 1; tries < 5; tries++) await signIn(email, 'not it').expect(403);
    const slow = await signIn(email, PASSWORD).expect(429);
    expect(Number(slow.headers['retry-after'])).toBeGreaterThan(0);
    // Many at one moment are counted one by one.
    const other = (await founded()).email;
    const together = await Promise.all(Array.from({ length: 12 }, () => signIn(other, 'not it')));
    expect(together.filter(({ status }) => status === 403).length).toBeLessThanOrEqual(6);
    const lines = (await as('get', '/audit').expect(200)).body as AuditLine[];
    expect(lines.filter(({ what }) => what === 'gave a wrong password')).toHaveLength(5);
    expect(lines.map(({ address }) => address)).toContain('192.0.2.7');
    // A quarter of an hour later the right one goes, and the tries are forgotten.
    await owner.query("UPDATE knock SET last_at = last_at - interval '16 minutes'");
    await signIn(email, PASSWORD).expect(200);
    for (let tries = 0; tries < 5; tries++) await signIn(email, 'not it').expect(403);
  });

  it.each([
    ['too short', /12 letters/],
    ['password1234', /easily guessed/],
    ['qwertyuiop12', /easily guessed/],
  ])('does not take %s for a password', async (password, says) => {
    const person = { ...newPerson(), password };
    const refused = await request(app)
      .post('/api/shops')
      .send({ shopName: 'Weak', ...person })
      .expect(422);
    expect(faultsOf(refused)?.[0]).toMatchObject({
      path: '/password',
      message: expect.stringMatching(says),
    });
  });

  it.each([
    '',
    'kim',
    'kim@shop',
    'kim @shop.example',
    '@shop.example',
    7,
    null,
    `${'k'.repeat(120)}@shop.example`,
  ])('does not take %j for an address', async (email) => {
    const refused = await request(app)
      .post('/api/shops')
      .send({ shopName: 'Wrong', ...newPerson(), email })
      .expect(422);
    expect(faultsOf(refused)?.[0]?.path).toBe('/email');
  });

  it('lets one in by one invitation, once, until it is withdrawn or too old', async () => {
    const { as, account } = await founded();
    const invite = async (): Promise<{ id: string; link: string }> =>
      (await as('post', '/invitations').send({ role: 'technician' }).expect(201)).body;
    const join = (link: string) =>
      request(app)
        .post('/api/links/join')
        .send({ ...newPerson(), link });
    const [used, withdrawn, old, twice] = [
      await invite(),
      await invite(),
      await invite(),
      await invite(),
    ];
    const look = await request(app).post('/api/links/look').send({ link: used.link }).expect(200);
    expect(look.body).toEqual({ shopName: 'Example & Sons', role: 'technician', name: null });
    const joined = await join(used.link).expect(201);
    expect(joined.body).toMatchObject({ shop: account.shop, role: 'technician' });
    await join(used.link).expect(404);
    await as('delete', `/invitations/${withdrawn.id}`).expect(204);
    await join(withdrawn.link).expect(404);
    await owner.query(
      "UPDATE invitation SET expires_at = now() - interval '1 second' WHERE id = $1",
      [old.id],
    );
    await join(old.link).expect(404);
    const both = await Promise.all([join(twice.link), join(twice.link)]);
    expect(both.map(({ status }) => status).sort()).toEqual([201, 404]);
    // What is in the way of one who joins does not use the link up.
    const last = await invite();
    const taken = { ...newPerson(), email: joined.body.email, link: last.link };
    await request(app).post('/api/links/join').send(taken).expect(422);
    await request(app)
      .post('/api/links/reset')
      .send({ link: last.link, password: PASSWORD })
      .expect(404);
    await join(last.link).expect(201);
    for (const link of [
      '',
      'x',
      `${account.shop}.short`,
      `${last.link}x`,
      `demo.${last.link.split('.')[1]}`,
    ])
      await join(link).expect(404);
    expect(((await as('get', '/invitations')).body as Invitation[]).length).toBe(0);
    expect(((await as('get', '/people')).body as Person[]).length).toBe(4);
    expect(withoutSecrets(`/api/shared/${last.link}`)).not.toContain(last.link.split('.')[1]);
  });

  it('a new password ends every session that the old one began; so does signing out everywhere', async () => {
    const { email, cookie, as } = await founded();
    const second = cookieOf(await signIn(email, PASSWORD).expect(200));
    const next = 'seven hedges round a copper mill';
    const wrong = await as('put', '/password').send({ now: 'not it', next }).expect(422);
    expect(faultsOf(wrong)?.[0]?.path).toBe('/now');
    const changed = cookieOf(
      await as('put', '/password').send({ now: PASSWORD, next }).expect(204),
    );
    expect([await isIn(cookie), await isIn(second), await isIn(changed)]).toEqual([
      false,
      false,
      true,
    ]);
    await signIn(email, PASSWORD).expect(403);
    const third = cookieOf(await signIn(email, next).expect(200));
    await request(app).delete('/api/sessions').set('cookie', third).expect(204);
    expect([await isIn(third), await isIn(changed)]).toEqual([false, false]);
  });

  it('a lead gives a new password by a link, changes roles and takes people out, but is never the last to go', async () => {
    const { as, account, cookie } = await founded();
    const invited = await as('post', '/invitations').send({ role: 'technician' }).expect(201);
    const joined = await request(app)
      .post('/api/links/join')
      .send({ ...newPerson(), link: invited.body.link });
    const [theirs, person] = [cookieOf(joined), joined.body.person as string];
    const reset = await as('post', '/invitations').send({ person }).expect(201);
    const told = await request(app)
      .post('/api/links/look')
      .send({ link: reset.body.link })
      .expect(200);
    expect(told.body).toMatchObject({ name: 'Kim Example' });
    const answer = await request(app)
      .post('/api/links/reset')
      .send({ link: reset.body.link, password: 'copper mill on seven hedges' })
      .expect(200);
    expect(await isIn(theirs)).toBe(false);
    const now = cookieOf(answer);
    expect(await isIn(now)).toBe(true);
    // Roles count at once, in sessions that are there already.
    await request(app).get('/api/people').set('cookie', now).expect(403);
    await as('put', `/people/${account.person}/role`).send({ role: 'technician' }).expect(409);
    await as('delete', `/people/${account.person}`).expect(409);
    await as('put', `/people/${person}/role`).send({ role: 'lead' }).expect(204);
    await request(app).get('/api/people').set('cookie', now).expect(200);
    const lines = (await as('get', '/audit').expect(200)).body as AuditLine[];
    expect(lines.filter(({ what }) => what === 'changed a role')).toMatchObject([
      { name: account.name, about: `${joined.body.name}: lead` },
    ]);
    // Two leads who take each other out at one moment: one of them stays.
    const gone = await Promise.all([
      as('delete', `/people/${person}`),
      request(app).delete(`/api/people/${account.person}`).set('cookie', now),
    ]);
    expect(gone.filter(({ status }) => status === 204)).toHaveLength(1);
    const who = await owner.query<{ id: string }>(
      'SELECT id FROM person WHERE shop = $1 AND left_at IS NULL',
      [account.shop],
    );
    expect(who.rowCount).toBe(1);
    const [stays] = who.rows;
    const [goneEmail, goneCookie] =
      stays?.id === person ? [account.email, cookie] : [joined.body.email, now];
    expect(await isIn(goneCookie)).toBe(false);
    await signIn(goneEmail, PASSWORD).expect(403);
  });

  it('writes down what happened, in a record that nobody changes', async () => {
    const { as, account } = await founded();
    const lines = (await as('get', '/audit').expect(200)).body as AuditLine[];
    expect(lines).toMatchObject([{ what: 'founded the shop', name: 'Kim Example' }]);
    await expect(owner.query('DELETE FROM audit WHERE shop = $1', [account.shop])).rejects.toThrow(
      'append-only',
    );
    await expect(owner.query('TRUNCATE audit')).rejects.toThrow('append-only');
  });
});
