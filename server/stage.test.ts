import { randomUUID } from 'node:crypto';
import request from 'supertest';
import type { CallDetail, CallPage } from '../contract/call';
import type { Problem } from '../contract/problem';
import type { KindMinutes, SeenBefore } from '../contract/seen';
import { verify } from './db/verify';
import { newCall, phoneAt, reading, startTestServer, type TestServer } from './testServer';

let server: TestServer;
let app: TestServer['app'];
beforeAll(async () => {
  server = await startTestServer();
  ({ app } = server);
});
afterAll(() => server.end());

const put = (kind: 'entries', id: string, body: object) =>
  request(app).put(`/api/${kind}/${id}`).send(body);
const faultsOf = async (answer: PromiseLike<{ text: string }>) =>
  (JSON.parse((await answer).text) as Problem).faults ?? [];
const detail = async (id: string): Promise<CallDetail> =>
  (await request(app).get(`/api/calls/${id}`).expect(200)).body as CallDetail;

const entry = (callId: string, kind: string, body: object) => ({ callId, kind, phoneAt, body });

/** The cover that a reading of the lid switch has opened is on again. */
const putBack = (callId: string) => ({
  callId,
  kind: 'closed',
  phoneAt,
  body: { line: 'panel cabinet', how: 'back' },
});

describe('the stage of a call', () => {
  const stage = (call: string, what: string, at = phoneAt) => ({
    callId: call,
    kind: 'stage',
    phoneAt: at,
    body: { stage: what },
  });
  it('is open again, as a line of its log, when something is entered after it was finished', async () => {
    const call = await server.openCall();
    await put('entries', randomUUID(), stage(call, 'done', '2026-11-24T10:00:00Z')).expect(204);
    expect(await detail(call)).toMatchObject({ stage: 'done' });
    // What was heard before, and came later, leaves it finished.
    const heard = entry(call, 'look', { look: 'click', found: true });
    await put('entries', randomUUID(), heard).expect(204);
    expect(await detail(call)).toMatchObject({ stage: 'done' });
    const after = { ...reading(call), phoneAt: '2026-11-24T11:00:00Z' };
    const id = randomUUID();
    for (let times = 0; times < 2; times++) await put('entries', id, after).expect(204);
    const again = await detail(call);
    expect(again).toMatchObject({ stage: 'open', readings: 1 });
    expect(again.entries.map(({ kind }) => kind)).toEqual(['look', 'stage', 'stage', 'reading']);
  });

  it('is open again for what a colleague without a signal had taken off before it was finished', async () => {
    const call = await server.openCall();
    await put('entries', randomUUID(), stage(call, 'done', '2026-11-24T10:00:00Z')).expect(204);
    const tube = entry(call, 'opened', { what: 'tube', of: 'tub tube' });
    await put('entries', randomUUID(), tube).expect(204);
    const opened = await detail(call);
    expect(opened.stage).toBe('open');
    expect(opened.entries.map(({ kind }) => kind)).toEqual(['opened', 'stage', 'stage']);
    expect((await verify(server.owner)).faults).toEqual([]);
    await put('entries', randomUUID(), stage(call, 'done', '2026-11-24T11:00:00Z')).expect(422);
  });

  it('comes out of several entries sent together as it would one by one', async () => {
    const call = await server.openCall();
    const at = (hour: number): string => `2026-11-24T${hour}:00:00.000Z`;
    const sent = [
      { ...reading(call), phoneAt: at(10) },
      { ...putBack(call), phoneAt: at(10) },
      stage(call, 'done', at(11)),
      { ...reading(call), phoneAt: at(12) },
      { ...reading(call), phoneAt: at(13) },
    ];
    const entries = sent.map((entry) => ({ id: randomUUID(), entry }));
    await request(app).post('/api/entries').send({ entries }).expect(200);
    const opened = await detail(call);
    expect(opened).toMatchObject({ stage: 'open', readings: 3 });
    const kinds = opened.entries.map(({ kind }) => kind).join(' ');
    expect(kinds).toBe('reading closed stage stage reading reading');
    const last = [
      stage(call, 'open', at(14)),
      { ...putBack(call), phoneAt: at(14) },
      stage(call, 'done', at(15)),
    ];
    const more = last.map((entry) => ({ id: randomUUID(), entry }));
    await request(app).post('/api/entries').send({ entries: more }).expect(200);
    expect(await detail(call)).toMatchObject({ stage: 'done', readings: 3 });
  });

  it('is not decided by a phone whose clock is in 2099', async () => {
    const call = await server.openCall();
    const ahead = '2099-01-01T08:00:00.000Z';
    const send = (body: object, clock?: string) => {
      const asks = put('entries', randomUUID(), body);
      return clock === undefined ? asks : asks.set('x-phone-at', clock);
    };
    await send(stage(call, 'done', ahead), ahead).expect(204);
    const now = new Date(Date.now() + 1000).toISOString();
    await new Promise((resolve) => setTimeout(resolve, 20));
    await send(stage(call, 'open', now), now).expect(204);
    expect(await detail(call)).toMatchObject({ stage: 'open' });
    // Neither does one that says nothing of its clock: later than now is now.
    await send(stage(call, 'done', ahead)).expect(204);
    await send({ ...reading(call), phoneAt: now }).expect(204);
    const { entries, lastAt } = await detail(call);
    expect(entries.map(({ kind }) => kind).slice(0, 3)).toEqual(['stage', 'stage', 'stage']);
    expect(Date.parse(lastAt)).toBeLessThan(Date.now() + 5000);
  });
});

describe('a call', () => {
  const done = (call: string) => entry(call, 'stage', { stage: 'done' });

  it('is not finished with a line of its ledger open, and says which; words or a tick close it', async () => {
    const call = await server.openCall();
    await put('entries', randomUUID(), entry(call, 'acknowledged', { what: 'made-safe' })).expect(
      204,
    );
    const map = { part: 'lid-switch', wires: [{ at: 'lid-switch.A1', colour: 'BK' }] };
    await put('entries', randomUUID(), entry(call, 'wire-map', map)).expect(204);
    const tube = { what: 'tube', of: 'tub tube' };
    await put('entries', randomUUID(), entry(call, 'opened', tube)).expect(204);
    const id = randomUUID();
    const faults = await faultsOf(put('entries', id, done(call)).expect(422));
    expect(faults.map(({ message }) => message)).toEqual([
      expect.stringMatching(/^tub tube: off/) as string,
      expect.stringMatching(/^Power cord: off/) as string,
    ]);
    expect((await detail(call)).stage).toBe('open');
    const left = { line: 'tube tub tube', how: 'left' };
    const unsaid = await faultsOf(
      put('entries', randomUUID(), entry(call, 'closed', left)).expect(422),
    );
    expect(unsaid).toContainEqual({ path: '/body/words', message: 'say why it stays as it is' });
    // What waited on a phone comes in one request: the finish is asked for what came before it in the same.
    const sent = [
      entry(call, 'closed', { ...left, words: 'new one on order' }),
      entry(call, 'closed', { line: 'supply cord', how: 'back' }),
      done(call),
    ].map((each) => ({ id: randomUUID(), entry: each }));
    const { results } = (
      await request(app).post('/api/entries').send({ entries: sent }).expect(200)
    ).body as { results: { status: number }[] };
    expect(results.map(({ status }) => status)).toEqual([204, 204, 204]);
    expect((await detail(call)).stage).toBe('done');
  });

  it('shows in the list what was found last and not taken back', async () => {
    const call = await server.openCall();
    const found = (says: string) =>
      entry(call, 'found', {
        part: 'lid-switch',
        mode: 'stuck-open',
        says,
        chance: 0.97,
        by: 'unit',
      });
    const [first, second] = [randomUUID(), randomUUID()];
    await put('entries', first, found('stuck open (A)')).expect(204);
    await put('entries', second, found('stuck open (B)')).expect(204);
    const listed = async () =>
      ((await request(app).get('/api/calls').expect(200)).body as CallPage).calls.find(
        ({ id }) => id === call,
      )?.found;
    expect(await listed()).toMatchObject({ part: 'lid-switch', says: 'stuck open (B)' });
    await put(
      'entries',
      randomUUID(),
      entry(call, 'doubt', { names: second, reason: 'no' }),
    ).expect(204);
    expect(await listed()).toMatchObject({ says: 'stuck open (A)' });
    expect((await verify(server.owner)).faults).toEqual([]);
    // It is found by that, beside what it is called.
    const search = async (words: string) =>
      (
        (await request(app).get('/api/calls').query({ search: words }).expect(200)).body as CallPage
      ).calls.some(({ id }) => id === call);
    expect(await search('lid-switch stuck')).toBe(true);
    expect(await search('lid-switch stuck washer')).toBe(true);
    expect(await search('lid-switch blown')).toBe(false);
    // Another call for a unit of the same kind is told of it.
    const other = randomUUID();
    const nextDay = { ...newCall(), phoneAt: '2026-11-25T08:00:00.000Z' };
    await request(app).put(`/api/calls/${other}`).send(nextDay).expect(204);
    const seen = async () =>
      (await request(app).get(`/api/calls/${other}/seen`).expect(200)).body as SeenBefore;
    const { calls, parts } = await seen();
    expect(calls.find(({ id }) => id === call)).toMatchObject({
      sameModel: true,
      found: { says: 'stuck open (A)' },
    });
    expect(calls.some(({ id }) => id === other)).toBe(false);
    expect(parts[0]).toMatchObject({ part: 'lid-switch', name: 'lid-switch' });
    // The same unit at the same place, soon after: somebody had to come again.
    expect(parts[0]?.cameBack).toBe(parts[0]?.calls);
    const elsewhere = {
      ...newCall(),
      appliance: { ...newCall().appliance, place: 'Elsewhere', model: 'Z-1' },
    };
    const away = randomUUID();
    await request(app).put(`/api/calls/${away}`).send(elsewhere).expect(204);
    await put('entries', randomUUID(), { ...found('stuck open (A)'), callId: away }).expect(204);
    expect((await seen()).calls.find(({ id }) => id === away)).toMatchObject({
      sameModel: false,
      cameBack: false,
    });
    const empty = { calls: [], parts: [] };
    expect(
      (await request(app).get(`/api/calls/${other}/seen`).set('x-of', 'other').expect(200)).body,
    ).toEqual(empty);
    const wrong = { part: 'no-such-part', says: 'x', chance: 2, by: 'unit' };
    expect(
      (await faultsOf(put('entries', randomUUID(), entry(call, 'found', wrong)).expect(422)))[0]
        ?.path,
    ).toBe('/body/chance');
    await put('entries', randomUUID(), entry(call, 'found', { ...wrong, chance: 1 })).expect(422);
  });
});

describe('what a shop has found', () => {
  /** A finished call on the washer, at a place of its own. */
  const finished = async (place: string, found?: string): Promise<string> => {
    const id = randomUUID();
    const call = newCall();
    const appliance = { ...call.appliance, id: randomUUID(), place };
    await request(app)
      .put(`/api/calls/${id}`)
      .send({ ...call, appliance })
      .expect(204);
    const says = { says: 'bad', chance: 1, by: 'person' };
    const body = found === undefined ? says : { ...says, part: found };
    await put('entries', randomUUID(), entry(id, 'found', body)).expect(204);
    await put('entries', randomUUID(), entry(id, 'stage', { stage: 'done' })).expect(204);
    return id;
  };
  const later = '2026-11-24T12:00:00.000Z';

  it('counts how calls on such units ended, by what was said in the end, and leaves them finished', async () => {
    const asked = await finished('Asking Lane 1', 'drive');
    const before = (await detail(asked)).foundBefore ?? {};
    const of = async (part: string): Promise<number> =>
      ((await detail(asked)).foundBefore?.[part] ?? 0) - (before[part] ?? 0);
    const right = await finished('Counting Lane 1', 'lid-switch');
    expect(await of('lid-switch')).toBe(1);
    const end = (body: object) =>
      put('entries', randomUUID(), { ...entry(right, 'put-right', body), phoneAt: later });
    await end({ by: 'other' }).expect(422);
    await end({ by: 'other', part: 'no-such-part' }).expect(422);
    await end({ by: 'other', part: 'drive', name: 'Motor' }).expect(204);
    expect([await of('lid-switch'), await of('drive')]).toEqual([0, 1]);
    expect((await detail(right)).stage).toBe('done');
    await finished('Counting Lane 2');
    expect(await of('')).toBe(1);
    // Somebody had to come again for the same unit: it was not that, until somebody says so.
    const twice = await finished('Counting Lane 3', 'lid-switch');
    const again = newCall();
    await request(app)
      .put(`/api/calls/${randomUUID()}`)
      .send({
        ...again,
        phoneAt: later,
        appliance: { ...again.appliance, id: randomUUID(), place: 'Counting Lane 3' },
      })
      .expect(204);
    expect(await of('lid-switch')).toBe(0);
    await put('entries', randomUUID(), {
      ...entry(twice, 'put-right', { by: 'found' }),
      phoneAt: later,
    }).expect(204);
    expect(await of('lid-switch')).toBe(1);
    expect((await verify(server.owner)).faults).toEqual([]);
  });

  it('says how long calls took by kind of unit, without the time nobody worked', async () => {
    const call = await finished('Minute Lane 1', 'lid-switch');
    const kinds = async () =>
      (await request(app).get('/api/minutes').expect(200)).body as KindMinutes[];
    const [washers] = await kinds();
    expect(washers?.kind).toBe('top-load washer');
    const at = (minute: number) => `2026-11-24T15:${String(minute).padStart(2, '0')}:00.000Z`;
    for (const minute of [0, 20, 40])
      await put('entries', randomUUID(), {
        ...entry(call, 'put-right', { by: 'found' }),
        phoneAt: at(minute),
      }).expect(204);
    const [longer] = await kinds();
    const of = (kind?: KindMinutes) => (kind ? kind.calls * kind.minutes : 0);
    // From three in the afternoon on, not from the morning.
    expect(of(longer) - of(washers)).toBeCloseTo(40, 3);
  });
});
