import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { OutboxItem } from './outboxItem';

interface Schema extends DBSchema {
  /** Writes that the server has not confirmed, in the order they were made. */
  outbox: { key: number; value: OutboxItem };
  /** The server's last answer for each path, for when it is away. */
  answers: { key: string; value: unknown };
  settings: { key: string; value: unknown };
}

let opened: Promise<IDBPDatabase<Schema>> | undefined;

/** The browser's own database; what is in it survives a reload and a dead battery. */
export const database = (): Promise<IDBPDatabase<Schema>> =>
  (opened ??= openDB<Schema>('yarrix', 1, {
    upgrade: (db) => {
      db.createObjectStore('outbox', { keyPath: 'order' });
      db.createObjectStore('answers');
      db.createObjectStore('settings');
    },
  }));
