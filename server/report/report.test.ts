import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Papa from 'papaparse';
import request from 'supertest';
import type { Records } from '../../core/call/record';
import type { CallReport } from '../../core/describe/report';
import { marked } from '../../core/describe/point';
import { drawnSetup } from '../../core/diagram/setup';
import { switches } from '../../core/diagram/terminal';
import { builtIn } from '../../library/library';
import { LID_READING } from '../../core/simulate/lidReading';
import { startTestServer, type TestServer } from '../testServer';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.end());

const washer = builtIn('top-load-washer');
if (!washer) throw new Error('no washer');

type Line = { [K in keyof Records]: [K, Records[K]] }[keyof Records];
async function callWith(lines: readonly Line[]): Promise<string> {
  const call = await server.openCall();
  const entries = lines.map(([kind, body], i) => ({
    id: randomUUID(),
    entry: {
      callId: call,
      kind,
      body,
      phoneAt: new Date(Date.UTC(2026, 10, 24, 8, i)).toISOString(),
    },
  }));
  for (let from = 0; from < entries.length; from += 50) {
    const sent = { entries: entries.slice(from, from + 50) };
    const { body } = await request(server.app).post('/api/entries').send(sent).expect(200);
    const wrong = (body as { results: { status: number; problem?: object }[] }).results.find(
      ({ status }) => status !== 204,
    );
    expect(wrong).toBeUndefined();
  }
  return call;
}
/** A binary answer, whole. */
const bytes = (path: string) =>
  request(server.app)
    .get(path)
    .buffer(true)
    .parse((response, done) => {
      const parts: Buffer[] = [];
      response.on('data', (part: Buffer) => parts.push(part));
      response.on('end', () => done(null, Buffer.concat(parts)));
    });
/** The words of a PDF, as Debian's pdftotext reads them. */
function textOf(pdf: Buffer): string {
  const folder = mkdtempSync(join(tmpdir(), 'yarrix-pdf-'));
  try {
    writeFileSync(join(folder, 'report.pdf'), pdf);
    return execFileSync('pdftotext', ['-layout', join(folder, 'report.pdf'), '-'], {
      encoding: 'utf8',
    });
  } finally {
    rmSync(folder, { recursive: true });
  }
}

const lid = (said: string, lidState: 'open' | 'closed'): Line => [
  'reading',
  {
    ...LID_READING,
    said,
    setup: { ...drawnSetup(washer), actuators: { ...drawnSetup(washer).actuators, lid: lidState } },
  },
];
const WORKED: Line[] = [
  ['statement', { source: 'told', steps: 'timer=wash', subject: 'drive', outcome: 'off' }],
  ['acknowledged', { what: 'made-safe' }],
  lid('OL', 'open'),
  lid('OL', 'closed'),
  [
    'found',
    { part: 'lid-switch', mode: 'stuck-open', says: 'stuck open (A)', chance: 0.97, by: 'unit' },
  ],
  [
    'decision',
    {
      part: 'lid-switch',
      option: 'replace',
      along: [],
      partPrice: 31.5,
      minutes: 29,
      comesBack: 0.042,
      expected: { customer: 123.45, shop: 7.8 },
      choice: 'mend it, please',
      declined: ['a new drive'],
    },
  ],
  ['fit', { part: 'lid-switch', words: 'number 7', used: false, approved: true, amps: 2 }],
  ['act', { part: 'lid-switch', act: 'replace' }],
  ['checked', { check: 'safety', of: 'lid-switch', outcome: 'right', grade: 'actuator' }],
  ['checked', { check: 'hoses', outcome: 'not-done', words: 'no time to fill it' }],
  ['closed', { line: 'panel cabinet', how: 'left', words: 'screw ordered' }],
];

describe('the report of a call', () => {
  it('is a PDF whose words and numbers are those of the log, for the customer and for the trade', async () => {
    const call = await callWith(WORKED);
    const pdf = async (query: string): Promise<string> => {
      const answer = await bytes(`/api/calls/${call}/report.pdf?${query}`).expect(200);
      expect(answer.headers['content-type']).toBe('application/pdf');
      expect(answer.headers['content-disposition']).toMatch(/filename="Marrowby-W-44.pdf"/);
      return textOf(answer.body as Buffer);
    };
    const customer = await pdf('zone=Europe/Vienna&currency=$');
    for (const words of [
      'Marrowby W-44',
      'November 24, 2026',
      'does not spin',
      'Lid switch: stuck open (A)',
      'Parts about $31.50, about 29 minutes',
      '“mend it, please”',
      'a new drive',
      'screw ordered',
      'this is what was found',
      'Lid switch: stops the unit: right, by what moves it',
      'Water: not done: no time to fill it',
      'Lid switch: proved by what moves it; not by finger, not in a run',
    ])
      expect(customer).toContain(words);
    // Closed it should read near nothing, open OL: the first is as it should be, the second is not.
    const rows = customer.split('\n').filter((line) => /\bOL\b/.test(line));
    expect(rows.some((row) => /as it should be/.test(row))).toBe(true);
    expect(rows.some((row) => /0\.\d/.test(row) && /not so/.test(row))).toBe(true);
    expect(customer).not.toContain('A1 to A2');
    const trade = await pdf('for=trade&currency=$');
    expect(trade).toContain('A1 to A2 of Lid switch');
    // Too weak for what it switches: said with what is wanted.
    expect(trade).toMatch(/number 7: it does not fit \(Amperes, at least [\d.]+ A: does not hold/);
    expect(trade).toContain('$123.45 for the customer and $7.80 for the shop');
    // Nobody reads what the model calls a thing.
    for (const text of [customer, trade]) expect(text).not.toMatch(/lid-switch|stuck-open|timer=/);
  });

  it('of sixty entries is no larger than 300 kB, and its pages are numbered', async () => {
    const many = Array.from({ length: 60 }, (_, i) =>
      lid(i % 2 ? '0.3' : 'OL', i % 2 ? 'closed' : 'open'),
    );
    const call = await callWith([...many, ...WORKED]);
    const { body } = await bytes(`/api/calls/${call}/report.pdf?for=trade`).expect(200);
    expect((body as Buffer).length).toBeLessThan(300 * 1024);
    expect(textOf(body as Buffer)).toMatch(/1 of (\d+)[^]*\1 of \1/);
    // The customer reads once what was read the same again and again, and how often.
    const short = textOf((await bytes(`/api/calls/${call}/report.pdf`).expect(200)).body as Buffer);
    expect(short).toMatch(/\bOL, 31 times/);
    expect(short).toMatch(/0\.3[^\n]*, 30 times/);
    expect(short).not.toMatch(/, 1 times/);
  });

  it('is there as lines for a page, and as open files', async () => {
    const call = await callWith(WORKED);
    const report = (await request(server.app).get(`/api/calls/${call}/report`).expect(200))
      .body as CallReport;
    expect(report).toMatchObject({
      found: { part: 'Lid switch', chance: '97 in 100' },
      declined: ['a new drive'],
      readings: [{ fits: true }, { fits: false }],
      proof: { headline: 'Half proved' },
    });
    expect(report.branch.filter(({ marked }) => marked)).toHaveLength(1);
    const csv = Papa.parse<Record<string, string>>(
      (await request(server.app).get(`/api/calls/${call}/readings.csv`).expect(200)).text,
      { header: true },
    );
    expect(csv.data.map(({ from, said, 'lead ohms': leads }) => [from, said, leads])).toEqual([
      ['lid-switch.A1', 'OL', '0.2'],
      ['lid-switch.A1', 'OL', '0.2'],
    ]);
    const log = (await request(server.app).get(`/api/calls/${call}/log.csv`).expect(200)).text;
    expect(log.split('\r\n')).toHaveLength(WORKED.length + 1);
    const json = (await request(server.app).get(`/api/calls/${call}/log.json`).expect(200))
      .body as { entries: object[] };
    expect(json.entries).toHaveLength(WORKED.length);
    const visit = (
      await request(server.app)
        .get(`/api/calls/${call}/return.ics?at=2026-12-01T09:00:00Z&minutes=90`)
        .expect(200)
    ).text;
    // RFC 5545: lines end with CRLF, times in UTC end with Z.
    expect(visit).toMatch(/^BEGIN:VCALENDAR\r\n/);
    expect(visit).toContain('DTSTART:20261201T090000Z\r\n');
    expect(visit).toContain('DTEND:20261201T103000Z\r\n');
  });

  it('is refused with what would be right where it is asked for wrongly, and of another shop', async () => {
    const call = await callWith([]);
    for (const wrong of [
      'report.pdf?for=cat',
      'report.pdf?zone=Moon/Sea',
      'report.pdf?currency=12345',
      'return.ics',
      'return.ics?at=never',
      'return.ics?at=2026-12-01T09:00:00Z&minutes=0',
    ])
      expect(
        (await request(server.app).get(`/api/calls/${call}/${wrong}`).expect(400)).text,
      ).toMatch(/must be/);
    for (const file of [
      'report',
      'report.pdf',
      'log.csv',
      'log.json',
      'readings.csv',
      'return.ics?at=2026-12-01T09:00:00Z',
    ]) {
      await request(server.app).get(`/api/calls/${call}/${file}`).set('x-of', 'other').expect(404);
      await request(server.app).get(`/api/calls/${randomUUID()}/${file}`).expect(404);
    }
    // A call of which nothing is known has a report as well.
    await bytes(`/api/calls/${call}/report.pdf`).expect(200);
  });
});

it('puts a diagram on pages for the truck: tables, wires, panels and cautions', async () => {
  const path = `/api/diagrams/${washer.id}/1/page.pdf`;
  const page = await bytes(path).expect('content-type', /pdf/).expect(200);
  const words = textOf(page.body as Buffer).replace(/\s+/g, ' ');
  const wired = washer.parts.filter(({ terminals }) => terminals.length);
  for (const { name } of [...wired, ...washer.panels]) expect(words).toContain(name);
  for (const each of washer.cautions) expect(words).toContain(each.slice(0, 40));
  for (const { contacts } of switches(washer))
    for (const { between } of contacts) expect(words).toContain(between.join('-'));
  const [wire] = washer.wires;
  if (!wire) throw new Error('no wires');
  expect(words).toContain(`${marked(washer, wire.from)} ${wire.colour} to `);
  await request(server.app).get(path.replace('/1/', '/99/')).expect(404);
});
