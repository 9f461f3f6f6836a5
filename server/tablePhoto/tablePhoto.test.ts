import sharp from 'sharp';
import request from 'supertest';
import type { PhotoTable, PhotoTables } from '../../contract/tablePhoto';
import { chanceFrom } from '../../core/chance';
import { startTestServer, type TestServer } from '../testServer';
import {
  drawPage,
  photograph,
  type DrawnTable,
  type PhotoWay,
  type Typeset,
} from './photographedTable';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.end());

const POSITIONS =
  `OFF,NORMAL,HEAVY WASH,DELICATE,RINSE,SPIN,COOL DOWN,DRAIN,SOAK,LOW,MED,HIGH,START,RUN,FAN ONLY,TIMED DRY,AIR FLUFF,BAKE,BROIL,CLEAN,WARM,LO COOL`.split(
    ',',
  );
const PAIRS =
  'A-C,A-D,L1-H1,L2-H2,P-1,1-2,3-4,5-6,C-NO,C-NC,BK-T,S1-S3,T-V,H1-P,R-W,A-B,B-O,X-Y,M-N'.split(
    ',',
  );
/** What stands for closed and for open. */
const SIGNS = [
  ['cross', 'blank'],
  ['filled', 'blank'],
  ['filled', 'ring'],
  ['cross', 'dash'],
  ['X', 'O'],
  ['ring', 'blank'],
  ['CLOSED', 'OPEN'],
  ['cross', 'ring'],
] as const;
const FLAT: PhotoWay = { turn: 0, tilt: 0, blur: 0, darkest: 1, noise: 0, quality: 90, seed: 1 };
const PLAIN: Typeset = { font: 'Archivo', size: 13, rule: 1, framed: true, text: false };

async function read(jpeg: Buffer): Promise<PhotoTable[]> {
  const body = { jpeg: jpeg.toString('base64') };
  const answer = await request(server.app).post('/api/table-photos').send(body).expect(200);
  return (answer.body as PhotoTables).tables;
}

/** A table as somebody might draw it, and how a photo of it may come out. */
function madeUp(seed: number): { table: DrawnTable; set: Typeset; way: PhotoWay } {
  const chance = chanceFrom(seed);
  const between = (least: number, most: number) => least + chance() * (most - least);
  const pick = <T>(all: readonly T[]): T => all[Math.floor(chance() * all.length)] as T;
  const some = (all: readonly string[], count: number): string[] => {
    const left = [...all];
    return Array.from(
      { length: count },
      () => left.splice(Math.floor(chance() * left.length), 1)[0] ?? '',
    );
  };
  const [closed, open] = pick(SIGNS);
  const contacts = Math.floor(between(2, 8));
  const table = {
    head: [pick(['POSITION', 'CYCLE', '']), ...some(PAIRS, contacts)],
    rows: some(POSITIONS, Math.floor(between(3, 11))).map((name) => ({
      name,
      cells: Array.from({ length: contacts }, () => (chance() < 0.45 ? closed : open)),
    })),
  };
  const set: Typeset = {
    font: pick(['Archivo', 'Mono']),
    size: between(10, 13),
    rule: between(0.6, 1.6),
    framed: chance() < 0.8,
    text: chance() < 0.7,
    ...(chance() < 0.4 && { title: { text: 'TIMER', within: chance() < 0.5 } }),
  };
  const way = {
    turn: between(-10, 10),
    tilt: between(0, 0.04),
    blur: between(0, 1.6),
    darkest: between(0.35, 1),
    noise: between(0, 7),
    quality: Math.floor(between(55, 95)),
    seed,
  };
  return { table, set, way };
}

const MARKS: Readonly<Record<string, string>> = { X: 'cross', O: 'ring' };

it('reads tables in photos that are turned, held askew, blurred and unevenly lit', async () => {
  const count = process.env.YARRIX_ALL ? 200 : 4;
  const first = Number(process.env.YARRIX_SEED ?? Math.floor(Math.random() * 1e6));
  process.stdout.write(`tables in photos from seed ${first}\n`);
  const told = { cells: 0, right: 0, wrongMarked: 0, wrong: 0, doubtful: 0, notFound: 0 };
  for (let seed = first; seed < first + count; seed++) {
    const { table, set, way } = madeUp(seed);
    const drawn = [table.head, ...table.rows.map(({ name, cells }) => [name, ...cells])];
    const [best] = await read(await photograph(await drawPage(table, set), way));
    const found = best?.cells.length === drawn.length && best.cells[0]?.length === drawn[0]?.length;
    if (!best || !found) {
      told.notFound++;
      continue;
    }
    drawn.forEach((line, r) =>
      line.forEach((sign, c) => {
        if (r === 0 && c === 0) return;
        const cell = best.cells[r]?.[c];
        const isName = r === 0 || c === 0;
        const is = isName || cell?.mark === 'word' ? cell?.text : cell?.mark;
        const right = is === (isName ? sign : (MARKS[sign] ?? sign));
        told.cells++;
        if (cell?.doubtful) told.doubtful++;
        if (right) told.right++;
        else if (cell?.doubtful) told.wrongMarked++;
        else {
          told.wrong++;
          process.stdout.write(`seed ${seed}: ${sign} at ${r}, ${c} was read as ${is}\n`);
        }
      }),
    );
  }
  process.stdout.write(`${JSON.stringify(told)}\n`);
  expect(told.notFound).toBeLessThanOrEqual(count * 0.1);
  expect((told.right + told.wrongMarked) / told.cells).toBeGreaterThanOrEqual(0.97);
  expect(told.wrong / told.cells).toBeLessThanOrEqual(0.01);
  // To doubt everything would be no reading.
  expect(told.right / told.cells).toBeGreaterThan(0.93);
  expect(told.doubtful / told.cells).toBeLessThan(0.12);
}, 900_000);

it('reads a photo that lies on its side or on its head', async () => {
  const table = {
    head: ['POSITION', 'A-C', 'A-D', 'S1-S3'],
    rows: ['DRAIN', 'RINSE', 'COOL DOWN', 'NORMAL'].map((name, i) => ({
      name,
      cells: [0, 1, 2].map((c) => ((c + i) % 2 ? 'cross' : 'blank')),
    })),
  };
  const upright = await photograph(await drawPage(table, PLAIN), { ...FLAT, turn: 3 });
  for (const turn of [180, 270]) {
    const [best] = await read(await sharp(upright).rotate(turn).jpeg().toBuffer());
    expect(best?.cells[0]?.map(({ text }) => text)).toEqual(table.head);
    expect(best?.cells[1]?.map(({ mark }) => mark)).toEqual(['word', 'blank', 'cross', 'blank']);
  }
}, 120_000);

it('says that there is no table, and refuses what is no picture', async () => {
  const nothing = await drawPage(
    { head: ['A'], rows: [] },
    { ...PLAIN, framed: false, text: true },
  );
  expect(await read(await photograph(nothing, FLAT))).toEqual([]);
  const send = (body: object) => request(server.app).post('/api/table-photos').send(body);
  const broken = await photograph(nothing, FLAT);
  const cut = broken.subarray(0, 400).toString('base64');
  for (const jpeg of [cut, Buffer.from('plain words').toString('base64'), 'not base64!', '', 7])
    expect((await send({ jpeg })).body).toMatchObject({
      status: 422,
      faults: expect.arrayContaining([expect.objectContaining({ path: '/jpeg' })]) as unknown,
    });
  await send({}).expect(422);
});
