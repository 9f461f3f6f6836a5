import { DatabaseAway, failureOf } from './failure';
import type { Database } from './database';
import { addEntries, inTurns, type Added, type EntryToAdd } from './entries';

/** Entries in one statement, at most: what is sent at one time waits for no more than these. */
const MOST_TOGETHER = 500;
/** Requests of one shop that may wait; who comes later is told to come again. */
const MOST_WAITING = 1000;
/** A connection that is cut fails at once; a database that hangs does not, and is not asked again. */
const CUT_WITHIN_MS = 300;

interface Waiting {
  entries: readonly EntryToAdd[];
  stored: (added: Added[]) => void;
  failed: (error: unknown) => void;
}

/**
 * Group commit: while a statement is under way, what comes in for the same shop waits, and is then
 * stored together in one statement and one transaction. Twenty phones cost the disk little more than
 * one, and a single one waits for nobody.
 */
export class EntryWriter {
  private readonly waiting = new Map<string, Waiting[]>();

  constructor(private readonly db: Pick<Database, 'entering' | 'of'>) {}

  /**
   * Stores entries of one request: in one transaction, all asked for in their order.
   * @returns what became of each
   * @throws as the database does; nothing of this request is stored then that could not be sent again
   */
  add(shop: string, entries: readonly EntryToAdd[]): Promise<Added[]> {
    return new Promise((stored, failed) => {
      const one = { entries, stored, failed };
      const waiting = this.waiting.get(shop);
      if (!waiting) {
        this.waiting.set(shop, [one]);
        void this.work(shop);
      } else if (waiting.length < MOST_WAITING) waiting.push(one);
      else failed(new DatabaseAway('too many entries wait for the database'));
    });
  }

  private async work(shop: string): Promise<void> {
    const waiting = this.waiting.get(shop) ?? [];
    while (waiting.length) {
      const group = firstOf(waiting);
      const error = await this.store(shop, group);
      // Who waited behind a database that does not answer has waited long enough.
      if (failureOf(error) === 'away') for (const { failed } of waiting.splice(0)) failed(error);
    }
    this.waiting.delete(shop);
  }

  /** Stores a group and tells everybody in it; the error if they were told of one. */
  private async store(shop: string, group: Waiting[], again = true): Promise<unknown> {
    const began = performance.now();
    try {
      const added = await this.together(
        shop,
        group.flatMap(({ entries }) => entries),
      );
      let from = 0;
      for (const { entries, stored } of group) stored(added.slice(from, (from += entries.length)));
      return undefined;
    } catch (error) {
      const away = failureOf(error) === 'away';
      // One connection was cut: on another one, nothing is stored twice, and nobody has to hear of it.
      if (away && again && performance.now() - began < CUT_WITHIN_MS)
        return this.store(shop, group, false);
      // What cannot be stored takes nobody else's entry with it.
      if (!away && group.length > 1) {
        for (const one of group) await this.store(shop, [one], false);
        return undefined;
      }
      for (const { failed } of group) failed(error);
      return error;
    }
  }

  private async together(shop: string, entries: readonly EntryToAdd[]): Promise<Added[]> {
    const [turn = [], ...others] = inTurns(entries);
    if (!others.length) return addEntries(this.db.entering(shop), turn);
    return this.db.of(shop).transaction(async (queries) => {
      const added = await addEntries(queries, turn);
      for (const other of others) added.push(...(await addEntries(queries, other)));
      return added;
    });
  }
}

/** Takes whole requests from the front, until they are enough for a statement. */
function firstOf(waiting: Waiting[]): Waiting[] {
  let entries = 0;
  let take = 0;
  for (const each of waiting) {
    entries += each.entries.length;
    if (take && entries > MOST_TOGETHER) break;
    take++;
  }
  return waiting.splice(0, take);
}
