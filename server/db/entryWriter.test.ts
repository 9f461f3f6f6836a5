import { LID_READING } from '../../core/simulate/lidReading';
import type { Database } from './database';
import type { EntryToAdd } from './entries';
import { EntryWriter } from './entryWriter';

const entry = (id: string): EntryToAdd => ({
  id,
  diagramId: 'd',
  version: 1,
  skewMs: 0,
  entry: { callId: 'call', kind: 'reading', phoneAt: '2026-11-24T08:00:00Z', body: LID_READING },
});

/** A database that is told what becomes of each statement, and says what came in it. */
function database(answer: (ids: string[], statement: number) => Promise<void>) {
  const statements: string[][] = [];
  const query = async ({ values: [, sent] }: { values: [string, string] }): Promise<unknown> => {
    const ids = (JSON.parse(sent) as { id: string }[]).map(({ id }) => id);
    statements.push(ids);
    await answer(ids, statements.length);
    const row = { added: true, named: 0, diagramId: 'd', version: 1, kind: null, phoneAt: null };
    return { rows: ids.map(() => row) };
  };
  const transaction = (run: (db: unknown) => unknown) => run({ query });
  const db = { entering: () => ({ query }), of: () => ({ transaction }) };
  return { statements, writer: new EntryWriter(db as unknown as Database) };
}
const pause = (ms: number): Promise<void> => new Promise((resolve) => setTimeout(resolve, ms));
const cut = (): Error => new Error('Connection terminated unexpectedly');

it('stores together what comes in while a statement is under way, and keeps requests whole', async () => {
  const { writer, statements } = database(() => pause(20));
  const added = await Promise.all([
    writer.add('a', [entry('1')]),
    writer.add('a', [entry('2'), entry('3')]),
    writer.add('b', [entry('4')]),
    writer.add('a', [entry('5')]),
    // The same id again, in a statement of its own: it has to find the first one stored.
    writer.add('a', [entry('2')]),
  ]);
  expect(added.map((each) => each.length)).toEqual([1, 2, 1, 1, 1]);
  expect(statements).toEqual([['1'], ['4'], ['2', '3', '5'], ['2']]);
});

it('sends once more what a cut connection took, so that nobody hears of it', async () => {
  const { writer, statements } = database(async (_, statement) => {
    if (statement === 1) throw cut();
  });
  await expect(writer.add('a', [entry('1')])).resolves.toHaveLength(1);
  expect(statements).toEqual([['1'], ['1']]);
});

it('lets nobody wait twice for a database that does not answer, and asks it again for the next', async () => {
  const { writer, statements } = database(async (_, statement) => {
    if (statement > 1) return;
    await pause(400);
    throw new Error('Query read timeout');
  });
  const first = writer.add('a', [entry('1')]);
  const behind = writer.add('a', [entry('2')]);
  await expect(first).rejects.toThrow(/timeout/);
  await expect(behind).rejects.toThrow(/timeout/);
  expect(statements).toEqual([['1']]);
  await expect(writer.add('a', [entry('3')])).resolves.toHaveLength(1);
});

it('stores all others when one of them cannot be stored', async () => {
  const { writer } = database(async (ids) => {
    await pause(10);
    if (ids.includes('3')) throw Object.assign(new Error('no such date'), { code: '22008' });
  });
  const [one, two, three, four] = await Promise.allSettled(
    ['1', '2', '3', '4'].map((id) => writer.add('a', [entry(id)])),
  );
  expect([one, two, three, four].map((each) => each?.status)).toEqual([
    'fulfilled',
    'fulfilled',
    'rejected',
    'fulfilled',
  ]);
});

it('puts no more than five hundred into a statement, and lets no more than a thousand requests wait', async () => {
  let open: () => void = () => undefined;
  const opened = new Promise<void>((resolve) => (open = resolve));
  const { writer, statements } = database(() => opened);
  const first = writer.add('a', [entry('first')]);
  const waiting = Array.from({ length: 1000 }, (_, i) => writer.add('a', [entry(`${i}`)]));
  await expect(writer.add('a', [entry('one more')])).rejects.toThrow(/too many/);
  await expect(Promise.race([writer.add('b', [entry('b')]), pause(1)])).resolves.toBeUndefined();
  open();
  await Promise.all([first, ...waiting]);
  const sizes = statements.filter(([id]) => id !== 'b').map((ids) => ids.length);
  expect(sizes).toEqual([1, 500, 500]);
});
