import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
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

/** The same JPEG with other segments right after its start (ISO/IEC 10918-1, annex B). */
const withSegments = (jpeg: Buffer, ...segments: number[][]): Buffer =>
  Buffer.concat([jpeg.subarray(0, 2), Buffer.from(segments.flat()), jpeg.subarray(2)]);
/** Four fields of one colour each, so that what is shown can be told from what was sent, and which way is up. */
const FIELDS = [
  [200, 30, 30],
  [30, 200, 30],
  [30, 30, 200],
  [220, 220, 220],
] as const;
const WIDE = 48;
const HIGH = 32;
const fields = sharp(
  Buffer.from(
    Array.from({ length: WIDE * HIGH }, (_, i) => {
      const [x, y] = [i % WIDE, Math.floor(i / WIDE)];
      return [...(FIELDS[(x < WIDE / 2 ? 0 : 1) + (y < HIGH / 2 ? 0 : 2)] ?? [])];
    }).flat(),
  ),
  { raw: { width: WIDE, height: HIGH, channels: 3 } },
);
const JFIF = [0xff, 0xe0, 0, 16, 0x4a, 0x46, 0x49, 0x46, 0, 1, 1, 0, 0, 1, 0, 1, 0, 0];
const EXIF = [0xff, 0xe1, 0, 10, 0x45, 0x78, 0x69, 0x66, 0, 0, 0x4d, 0x4d];
let plain: Buffer;
beforeAll(async () => {
  plain = await fields.jpeg({ quality: 95 }).toBuffer();
});

/** The same with another size in its frame header. */
function withSize(jpeg: Buffer, width: number, height: number): Buffer {
  const changed = Buffer.from(jpeg);
  const frame = changed.indexOf(Buffer.from([0xff, 0xc0]));
  changed.writeUInt16BE(height, frame + 5);
  changed.writeUInt16BE(width, frame + 7);
  return changed;
}

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
    // Its picture, and not one byte of what else was sent with it.
    const sent = await sharp(plain).raw().toBuffer();
    const got = await sharp(shown.body as Buffer)
      .raw()
      .toBuffer();
    expect(got.length).toBe(sent.length);
    expect(Math.max(...got.map((each, i) => Math.abs(each - (sent[i] ?? 0))))).toBeLessThan(40);
    // The same id with another picture, or for another call.
    const other = await put(first, call, withSegments(plain, JFIF)).expect(409);
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

  it('are encoded anew: nothing that was hidden in a file or behind its picture is given out', async () => {
    const call = await server.openCall();
    const hidden = 'hidden beside the picture';
    const comment = Buffer.from(hidden);
    const sent = Buffer.concat([
      withSegments(plain, [0xff, 0xfe, 0, comment.length + 2, ...comment]),
      Buffer.from(`<script>${hidden}</script>`),
    ]);
    const id = randomUUID();
    for (let times = 0; times < 2; times++) await put(id, call, sent).expect(204);
    const { body } = await request(server.app).get(`/api/photos/${id}`).expect(200);
    expect((body as Buffer).includes(hidden)).toBe(false);
    expect(await sharp(body as Buffer).metadata()).toMatchObject({ width: WIDE, height: HIGH });
    // It is the one that was sent, whatever it was stored as.
    expect(faultOf(await put(id, call, plain).expect(409))?.path).toBe('/sha256');
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
      [withSegments(plain, EXIF), /where or by what/],
      // Half of a picture, and the head of one of more pixels than any phone takes.
      [plain.subarray(0, plain.length / 2), /no whole picture/],
      [withSize(plain, 65_000, 65_000), /no whole picture/],
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
      [plain, withSegments(plain, EXIF), withSegments(plain, JFIF, [0xff, 0xed, 0, 4, 1, 2])].map(
        saysWhereTaken,
      ),
    ).toEqual([false, true, true]);
    // Cut off in the middle of a segment it ends all the same.
    expect(saysWhereTaken(plain.subarray(0, 8))).toBe(false);
  });
});
