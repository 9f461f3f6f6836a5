import { randomUUID } from 'node:crypto';
import request from 'supertest';
import { isJpeg, saysWhereTaken, type PhotoSummary } from '../contract/photo';
import type { Problem } from '../contract/problem';
import { picturesOf } from './db/photos';
import { newCall, phoneAt, startTestServer, type TestServer } from './testServer';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.end());

/** A JPEG of one pixel as far as its frame goes (ISO/IEC 10918-1, annex B), with other segments before it. */
const jpegWith = (...segments: number[][]): Buffer =>
  Buffer.from([
    0xff,
    0xd8,
    ...segments.flat(),
    0xff,
    0xc0,
    0,
    17,
    8,
    0,
    1,
    0,
    1,
    3,
    1,
    0x22,
    0,
    2,
    0x11,
    1,
    3,
    0x11,
    1,
    0xff,
    0xda,
    0,
    12,
    3,
    1,
    0,
    2,
    0x11,
    3,
    0x11,
    0,
    0x3f,
    0,
    0x7f,
    0xff,
    0xd9,
  ]);
const JFIF = [0xff, 0xe0, 0, 16, 0x4a, 0x46, 0x49, 0x46, 0, 1, 1, 0, 0, 1, 0, 1, 0, 0];
const EXIF = [0xff, 0xe1, 0, 10, 0x45, 0x78, 0x69, 0x66, 0, 0, 0x4d, 0x4d];
const plain = jpegWith(JFIF);

const put = (id: string, callId: string, jpeg: Buffer | string, more: object = {}) =>
  request(server.app)
    .put(`/api/photos/${id}`)
    .send({
      callId,
      shows: 'The plate',
      jpeg: typeof jpeg === 'string' ? jpeg : jpeg.toString('base64'),
      phoneAt,
      ...more,
    });
const faultOf = (answer: { text: string }) => (JSON.parse(answer.text) as Problem).faults?.[0];

describe('photos of a call', () => {
  it('are stored once, listed in their order, and shown as they were sent', async () => {
    const call = await server.openCall();
    const [first, second] = [randomUUID(), randomUUID()];
    await put(first, call, plain).expect(204);
    await put(first, call, plain).expect(204);
    await put(second, call, plain, {
      shows: 'Lid switch',
      of: 'lid-switch.A1',
      phoneAt: '2026-11-24T08:01:00.000Z',
    }).expect(204);
    expect((await request(server.app).get(`/api/calls/${call}/photos`).expect(200)).body).toEqual([
      { id: first, shows: 'The plate', of: null, drawnFrom: null, phoneAt },
      {
        id: second,
        shows: 'Lid switch',
        of: 'lid-switch.A1',
        drawnFrom: null,
        phoneAt: '2026-11-24T08:01:00.000Z',
      },
    ] satisfies PhotoSummary[]);
    const shown = await request(server.app).get(`/api/photos/${first}`).expect(200);
    expect(shown.headers['content-type']).toBe('image/jpeg');
    expect(shown.body).toEqual(plain);
    // The same id with another picture, or for another call.
    const other = await put(first, call, jpegWith(JFIF, JFIF)).expect(409);
    expect(faultOf(other)?.path).toBe('/sha256');
    await put(first, await server.openCall(), plain).expect(409);
    // They stand in the report.
    const { body } = await request(server.app)
      .get(`/api/calls/${call}/report.pdf`)
      .buffer(true)
      .parse((response, done) => {
        const parts: Buffer[] = [];
        response.on('data', (part: Buffer) => parts.push(part));
        response.on('end', () => done(null, Buffer.concat(parts)));
      })
      .expect(200);
    expect((body as Buffer).toString('latin1').match(/\/Subtype \/Image/g)).not.toBeNull();
  });

  it('are drawn on as photos of their own, in place of what they were drawn on in the report', async () => {
    const call = await server.openCall();
    const [taken, drawn] = [randomUUID(), randomUUID()];
    await put(taken, call, plain, { of: 'plate' }).expect(204);
    const on = { of: 'plate', drawnFrom: taken };
    for (let times = 0; times < 2; times++) await put(drawn, call, plain, on).expect(204);
    const { body } = await request(server.app).get(`/api/calls/${call}/photos`).expect(200);
    expect((body as PhotoSummary[]).map(({ drawnFrom }) => drawnFrom)).toEqual(
      expect.arrayContaining([null, taken]),
    );
    expect(await picturesOf(server.db.of(server.shop), call, 9)).toHaveLength(1);
    // On a photo of another call, or of nothing that the unit has.
    const other = await server.openCall();
    expect(faultOf(await put(randomUUID(), other, plain, on).expect(422))?.path).toBe('/drawnFrom');
    for (const of of ['no-such-part', 'lid-switch.Z9'])
      expect(faultOf(await put(randomUUID(), call, plain, { of }).expect(422))?.path).toBe('/of');
  });

  it('are refused where they are none, are too large, say where they were taken, or are of nobody’s call', async () => {
    const call = await server.openCall();
    for (const [jpeg, says] of [
      ['not base64!', /JPEG in base64/],
      [Buffer.from('a text').toString('base64'), /JPEG/],
      [jpegWith(JFIF, EXIF), /where or by what/],
      [Buffer.concat([plain, Buffer.alloc(610_000)]), /bytes|longer|shorter/],
    ] as const)
      expect(faultOf(await put(randomUUID(), call, jpeg).expect(422))?.message).toMatch(says);
    expect(faultOf(await put(randomUUID(), call, plain, { shows: '' }).expect(422))?.path).toBe(
      '/shows',
    );
    await put(randomUUID(), randomUUID(), plain).expect(404);
    const id = randomUUID();
    await put(id, call, plain).expect(204);
    await request(server.app).get(`/api/photos/${id}`).set('x-of', 'other').expect(404);
    const others = await request(server.app)
      .get(`/api/calls/${call}/photos`)
      .set('x-of', 'other')
      .expect(200);
    expect(others.body).toEqual([]);
    await request(server.app)
      .put(`/api/photos/${id}`)
      .set('x-of', 'other')
      .send({ ...newCall(), callId: call, shows: 'x', jpeg: plain.toString('base64') })
      .expect(422);
    // As the role that the application works with: added, and never changed.
    for (const text of ['UPDATE photo SET shows = $1', 'DELETE FROM photo WHERE shows <> $1'])
      await expect(server.db.query(text, ['x'])).rejects.toThrow(/permission denied/);
  });

  it('are told from what is none by their first bytes, and from those with Exif by their segments', () => {
    expect(isJpeg(plain)).toBe(true);
    expect(isJpeg(Buffer.from([0x89, 0x50, 0x4e, 0x47]))).toBe(false);
    expect(
      [plain, jpegWith(EXIF), jpegWith(JFIF, [0xff, 0xed, 0, 4, 1, 2])].map(saysWhereTaken),
    ).toEqual([false, true, true]);
    // Cut off in the middle of a segment it ends all the same.
    expect(saysWhereTaken(plain.subarray(0, 8))).toBe(false);
  });
});
