import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { OutboxItem, Write } from './outboxItem';

interface Schema extends DBSchema {
  /** Where writes waited in the first version; what is left there is moved. */
  outbox: { key: number; value: OutboxItem };
  /** Writes that the server has not confirmed; the browser numbers them, for all tabs together. */
  waiting: { key: number; value: Omit<OutboxItem, 'order'> & { order?: number } };
  /** The server's last answer for each person and path, for when it is away. */
  answers: { key: string; value: unknown };
  settings: { key: string; value: unknown };
}
type Opened = IDBPDatabase<Schema>;

/** The browser gave no database in this time: another tab holds an older one, or the disk hangs. */
const PATIENCE_MS = 5000;

let opened: Promise<Opened> | undefined;

/**
 * The browser's own database; what is in it survives a reload and a dead battery. It may be missing
 * (private mode), deleted under a running page, or full: who asks has to expect that it throws.
 */
export function database(): Promise<Opened> {
  opened ??= Promise.race([open(), tooLate()]).catch((error: unknown) => {
    // The next one tries again: what was in the way may have gone.
    opened = undefined;
    throw error;
  });
  return opened;
}

const tooLate = (): Promise<never> =>
  new Promise((_, reject) =>
    setTimeout(() => reject(new Error('the browser’s database does not open')), PATIENCE_MS),
  );

const open = (): Promise<Opened> =>
  openDB<Schema>('yarrix', 2, {
    upgrade: async (db, from, _to, transaction) => {
      if (from < 1) {
        db.createObjectStore('answers');
        db.createObjectStore('settings');
      }
      const waiting = db.createObjectStore('waiting', { keyPath: 'order', autoIncrement: true });
      if (from < 1) return;
      for (const { order: _order, ...item } of await transaction.objectStore('outbox').getAll())
        await waiting.add({ ...item, shop: 'demo', since: Date.now() } as OutboxItem);
      db.deleteObjectStore('outbox');
    },
    // A newer page wants to open it, or it is being deleted: this page lets go and opens it anew.
    blocking: (_current, _blocked, event) => {
      (event.target as IDBDatabase).close();
      opened = undefined;
    },
    terminated: () => {
      opened = undefined;
    },
  });

/** By its name: a browser's own exceptions are not everywhere of the class Error. */
const nameOf = (error: unknown): unknown =>
  typeof error === 'object' && error !== null && 'name' in error ? error.name : undefined;

/** Once more with a connection of its own, where the database went away under the first one. */
async function withDatabase<T>(ask: (db: Opened) => Promise<T>): Promise<T> {
  try {
    return await ask(await database());
  } catch (error) {
    if (nameOf(error) !== 'InvalidStateError') throw error;
    opened = undefined;
    return ask(await database());
  }
}

/** Writes that wait, first things first. */
export const allWaiting = (): Promise<OutboxItem[]> =>
  withDatabase(async (db) => (await db.getAll('waiting')) as OutboxItem[]);

/** Whether a write still waits: another tab may have sent it. */
export const stillWaits = (order: number): Promise<boolean> =>
  withDatabase(async (db) => (await db.getKey('waiting', order)) !== undefined);

/** Keeps a write and numbers it. Where the device is full its copies of answers make room first. */
export async function keepWaiting(
  item: Write & Pick<OutboxItem, 'shop' | 'person' | 'by' | 'since'>,
): Promise<number> {
  const add = (): Promise<number> =>
    withDatabase(async (db) => {
      // Written through to the disk before it counts as kept.
      const transaction = db.transaction('waiting', 'readwrite', { durability: 'strict' });
      const order = await transaction.store.add(item as OutboxItem);
      await transaction.done;
      return order;
    });
  try {
    return await add();
  } catch (error) {
    if (nameOf(error) !== 'QuotaExceededError') throw error;
    await withDatabase((db) => db.clear('answers'));
    return add();
  }
}

export const changeWaiting = async (item: OutboxItem): Promise<void> => {
  await withDatabase((db) => db.put('waiting', item));
};

export const dropWaiting = async (orders: readonly number[]): Promise<void> =>
  withDatabase(async (db) => {
    const transaction = db.transaction('waiting', 'readwrite');
    await Promise.all(orders.map((order) => transaction.store.delete(order)));
    await transaction.done;
  });

/** The last answer for a path; undefined where there is none, or no database to keep one. */
export const keptAnswer = (key: string): Promise<unknown> =>
  withDatabase((db) => db.get('answers', key)).catch(() => undefined);

/** Keeps answers by their keys, all in one go, if it can: without a copy a good answer is as good. */
export const keepAnswers = async (answers: Readonly<Record<string, unknown>>): Promise<void> => {
  await withDatabase(async (db) => {
    const transaction = db.transaction('answers', 'readwrite');
    const puts = Object.entries(answers).map(([key, value]) => transaction.store.put(value, key));
    await Promise.all([...puts, transaction.done]);
  }).catch(() => undefined);
};

export const keptAnswers = (): Promise<string[]> =>
  withDatabase((db) => db.getAllKeys('answers')).catch(() => []);

/** Lets go of all answers whose key begins otherwise. */
export const dropAnswersBut = async (begins: string): Promise<void> => {
  await withDatabase(async (db) => {
    const transaction = db.transaction('answers', 'readwrite');
    for (const key of await transaction.store.getAllKeys())
      if (!key.startsWith(begins)) await transaction.store.delete(key);
    await transaction.done;
  }).catch(() => undefined);
};

export const keptSetting = (key: string): Promise<unknown> =>
  withDatabase((db) => db.get('settings', key)).catch(() => undefined);

export const keepSetting = async (key: string, value: unknown): Promise<void> => {
  await withDatabase((db) => db.put('settings', value, key)).catch(() => undefined);
};

/** Changes a setting by what it was, in one go. @returns whether it is kept: a full device keeps nothing */
export const changeSetting = (key: string, change: (kept: unknown) => unknown): Promise<boolean> =>
  withDatabase(async (db) => {
    const transaction = db.transaction('settings', 'readwrite');
    await transaction.store.put(change(await transaction.store.get(key)), key);
    await transaction.done;
  }).then(
    () => true,
    () => false,
  );
