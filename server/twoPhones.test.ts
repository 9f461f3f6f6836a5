import { randomUUID } from 'node:crypto';
import * as fc from 'fast-check';
import request from 'supertest';
import type { CallDetail } from '../contract/call';
import { openLines } from '../core/call/ledger';
import { verify } from './db/verify';
import { reading, startTestServer, type TestServer } from './testServer';

let server: TestServer;
beforeAll(async () => {
  server = await startTestServer();
});
afterAll(() => server.end());

const LID_SWITCH = {
  part: 'lid-switch',
  mode: 'stuck-open',
  says: 'stays open',
  chance: 0.98,
  by: 'switch',
};

/** What a technician may enter, by a number; what names an earlier entry of the same phone names its last. */
const ENTRIES = [
  () => ({ kind: 'reading', body: reading('').body }),
  () => ({ kind: 'look', body: { look: 'click', found: true } }),
  () => ({ kind: 'opened', body: { what: 'tube', of: 'tub tube' } }),
  () => ({ kind: 'closed', body: { line: 'tube tub tube', how: 'back' } }),
  () => ({ kind: 'closed', body: { line: 'panel cabinet', how: 'left', words: 'screw lost' } }),
  () => ({ kind: 'correction', body: { complaint: 'does not drain' } }),
  () => ({ kind: 'correction', body: { complaint: 'leaks', place: 'Cellar' } }),
  () => ({ kind: 'found', body: LID_SWITCH }),
  (last: string) => ({ kind: 'doubt', body: { names: last, reason: 'lead slipped' } }),
  () => ({ kind: 'stage', body: { stage: 'done' } }),
] as const;
/** All but finishing it, which is refused or not by what has come before. */
const WITHOUT_END = ENTRIES.length - 2;

interface Made {
  id: string;
  entry: { callId: string; kind: string; phoneAt: string; body: object };
}

/** What one phone enters, each a second and a phone's own part of it after the one before. */
function logOf(call: string, kinds: readonly number[], phone: number): Made[] {
  const made: Made[] = [];
  for (const [i, kind] of kinds.entries()) {
    // What finishes a call may be refused: nothing names it.
    const last = made.findLast(({ entry }) => entry.kind !== 'stage')?.id;
    const make = ENTRIES[last === undefined && kind === WITHOUT_END ? 1 : kind];
    const phoneAt = new Date(Date.UTC(2026, 10, 24, 8, 0, i, 100 * phone)).toISOString();
    const entry = { callId: call, phoneAt, ...(make ?? ENTRIES[1])(last ?? '') };
    made.push({ id: randomUUID(), entry });
  }
  return made;
}

/** Sends some entries together; finishing a call may be refused, and nothing else. */
async function send(entries: readonly Made[]): Promise<void> {
  const { body } = await request(server.app).post('/api/entries').send({ entries }).expect(200);
  const { results } = body as { results: { status: number }[] };
  const allowed = entries.map(({ entry }, i) =>
    entry.kind === 'stage' && results[i]?.status === 422 ? 422 : 204,
  );
  expect(results.map(({ status }) => status)).toEqual(allowed);
}

const detailOf = async (call: string): Promise<CallDetail> =>
  (await request(server.app).get(`/api/calls/${call}`).expect(200)).body as CallDetail;

/** Both send what they have in their own order, in pieces, at one time or after each other; an answer that is lost makes one send again. */
async function sendAsItComes(logs: Made[][], next: () => number): Promise<void> {
  const waiting = logs.map((log) => [...log]);
  while (waiting.some((log) => log.length)) {
    const [one = [], other = []] = next() < 50 ? waiting : waiting.toReversed();
    const pieces = [one.slice(0, 1 + (next() % 4)), next() < 30 ? other.slice(0, 2) : []];
    await Promise.all(pieces.map((piece) => (piece.length ? send(piece) : undefined)));
    if (next() < 70) one.splice(0, pieces[0]?.length ?? 0);
  }
}

/** A call as both are shown it in the end, with entries by whose and which they are. */
async function shown(call: string, logs: readonly Made[][]): Promise<unknown> {
  const names = new Map(
    logs.flatMap((log, phone) => log.map(({ id }, i) => [id, `${phone}.${i}`] as const)),
  );
  const { entries, diagram, complaint, appliance, found, readings, stage } = await detailOf(call);
  return {
    log: entries.map(({ id }) => names.get(id)),
    open: openLines(diagram, entries).map(({ key }) => key),
    summary: { complaint, place: appliance.place, found, readings, stage },
  };
}

/** As the seed has it; one that fails is said by fast-check. */
const RUNS = {
  numRuns: 25,
  ...(process.env.YARRIX_SEED && { seed: Number(process.env.YARRIX_SEED) }),
};
const kinds = (most: number): fc.Arbitrary<number[]> =>
  fc.array(fc.nat(most), { minLength: 1, maxLength: 7 });
const chance = fc.infiniteStream(fc.nat(99));

it('whatever two phones enter, and however it comes, ends as if it had come in its order', async () => {
  const both = kinds(WITHOUT_END);
  await fc.assert(
    fc.asyncProperty(both, both, chance, async (one, other, stream) => {
      const worlds: unknown[] = [];
      for (const inOrder of [true, false]) {
        const call = await server.openCall();
        const logs = [logOf(call, one, 0), logOf(call, other, 1)];
        const all = logs.flat().toSorted((a, b) => a.entry.phoneAt.localeCompare(b.entry.phoneAt));
        if (inOrder) for (const each of all) await send([each]);
        else await sendAsItComes(logs, () => stream.next().value as number);
        worlds.push(await shown(call, logs));
      }
      expect(worlds[1]).toEqual(worlds[0]);
    }),
    RUNS,
  );
  expect((await verify(server.owner)).faults).toEqual([]);
});

it('a call that stands as finished has nothing open, whoever finished it and whatever came late', async () => {
  const both = kinds(ENTRIES.length - 1);
  await fc.assert(
    fc.asyncProperty(both, both, chance, async (one, other, stream) => {
      const call = await server.openCall();
      const logs = [logOf(call, [...one, WITHOUT_END + 1], 0), logOf(call, other, 1)];
      await sendAsItComes(logs, () => stream.next().value as number);
      const { stage, diagram, entries } = await detailOf(call);
      if (stage === 'done') expect(openLines(diagram, entries)).toEqual([]);
    }),
    { ...RUNS, numRuns: 60 },
  );
  expect((await verify(server.owner)).faults).toEqual([]);
});
