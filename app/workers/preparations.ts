import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Diagram } from '../../core/diagram/diagram';
import type { Prepared } from '../../core/plan/unitDiagnosis';
import type { FirstAdvice } from './firstAdvice';
import { preparationName } from './preparationName';

/** Put in when the worker is built: what the engine is known by, and the preparations that ship with the app. */
declare const ENGINE: string;
declare const SHIPPED: readonly string[];

interface Schema extends DBSchema {
  prepared: { key: string; value: { prepared: Prepared; at: number }; indexes: { at: number } };
}

/** Preparations on a device at most, some 500 kB each; the oldest go. */
const MOST = 60;

let opened: Promise<IDBPDatabase<Schema>> | undefined;
const database = (): Promise<IDBPDatabase<Schema>> =>
  (opened ??= openDB<Schema>('yarrix-prepared', 1, {
    upgrade: (db) => {
      db.createObjectStore('prepared').createIndex('at', 'at');
    },
  }));

export const nameOf = (diagram: Diagram): Promise<string | undefined> =>
  preparationName(ENGINE, diagram);

/** What was found out of a unit before: shipped for a built-in one, else kept by this device. Undefined where there is none. */
export async function preparationOf(name: string | undefined): Promise<Prepared | undefined> {
  if (name === undefined) return undefined;
  // Whatever goes wrong on the way, the unit can be prepared here.
  try {
    if (SHIPPED.includes(name)) {
      const answer = await fetch(`/prepared/${name}.json`);
      if (answer.ok) return (await answer.json()) as Prepared;
    }
    return (await (await database()).get('prepared', name))?.prepared;
  } catch {
    return undefined;
  }
}

/** What comes first on a built-in unit. */
export async function firstAdviceNamed(name: string | undefined): Promise<FirstAdvice | undefined> {
  if (name === undefined || !SHIPPED.includes(name)) return undefined;
  try {
    const answer = await fetch(`/prepared/${name}.first.json`);
    return answer.ok ? ((await answer.json()) as FirstAdvice) : undefined;
  } catch {
    return undefined;
  }
}

/** Keeps what was found out of a unit, if the device can. */
export async function keepPreparation(name: string | undefined, prepared: Prepared): Promise<void> {
  if (name === undefined) return;
  try {
    const db = await database();
    await db.put('prepared', { prepared, at: Date.now() }, name);
    const names = await db.getAllKeysFromIndex('prepared', 'at');
    for (const old of names.slice(0, Math.max(0, names.length - MOST)))
      await db.delete('prepared', old);
  } catch {
    // It is prepared anew the next time.
  }
}
