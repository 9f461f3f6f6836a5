import { setTimeout as sleep } from 'node:timers/promises';
import { Client } from 'pg';
import type { Change } from '../contract/change';
import type { Database } from './db/database';

const CHANNEL = 'yarrix_changes';
/** What changed in this time is told together: each telling is a commit of its own. */
const TOGETHER_MS = 150;
/** Calls in one telling: PostgreSQL takes less than 8,000 bytes, and one has 152 at most. */
const MOST_TOGETHER = 50;
/** Between two tries to listen again. */
const AGAIN_MS = 1000;

/** What goes from one server to the others: a shop, a call, and the page that wrote. */
type Told = [shop: string, call: string, page: string];

/** A page that listens. */
interface Hearer {
  page: string;
  hear: (change: Change) => void;
  /** The server stops: the page comes again, to another one. */
  stop: () => void;
}

/**
 * Tells every page of a shop that a call of it has changed, whichever server it was sent to: by LISTEN and NOTIFY of
 * the database, beside the write and never in its way. What is lost while a connection is away is not told again: pages are told
 * to look at all they have.
 */
export class Changes {
  private readonly hearers = new Map<string, Set<Hearer>>();
  private readonly waiting = new Map<string, Told>();
  private timer: ReturnType<typeof setTimeout> | undefined;
  private client: Client | undefined;
  private listens = false;
  private ended = false;

  /** @param url of the database: listening takes a connection of its own */
  constructor(
    private readonly db: Database,
    private readonly url: string,
  ) {}

  /** A call was written to. */
  tell(shop: string, call: string, page: string): void {
    this.waiting.set(`${shop} ${call} ${page}`, [shop, call, page]);
    this.timer ??= setTimeout(() => void this.send(), TOGETHER_MS);
  }

  /** @returns a function that ends it */
  hear(shop: string, hearer: Hearer): () => void {
    const ours = this.hearers.get(shop) ?? new Set();
    this.hearers.set(shop, ours.add(hearer));
    // Nothing is listened to on a server where nobody has a page open.
    if (!this.listens) void this.listen();
    return () => {
      ours.delete(hearer);
      if (ours.size === 0 && this.hearers.get(shop) === ours) this.hearers.delete(shop);
    };
  }

  async end(): Promise<void> {
    this.ended = true;
    clearTimeout(this.timer);
    for (const { stop } of this.everybody()) stop();
    await this.client?.end().catch(() => undefined);
  }

  private everybody(): Hearer[] {
    return [...this.hearers.values()].flatMap((ours) => [...ours]);
  }

  private async send(): Promise<void> {
    this.timer = undefined;
    const told = [...this.waiting.values()].slice(0, MOST_TOGETHER);
    for (const each of told) this.waiting.delete(each.join(' '));
    if (this.waiting.size) this.timer = setTimeout(() => void this.send(), TOGETHER_MS);
    // It is told beside the write: where it cannot be, pages look again by themselves.
    await this.db
      .query('SELECT pg_notify($1, $2)', [CHANNEL, JSON.stringify(told)])
      .catch(() => undefined);
  }

  /** Listens until the server stops, on a new connection whenever one is lost. */
  private async listen(): Promise<void> {
    this.listens = true;
    for (let times = 0; !this.ended; times++) {
      if (times) await sleep(AGAIN_MS);
      const client = new Client({ connectionString: this.url, keepAlive: true });
      const over = new Promise((resolve) => client.once('end', resolve));
      client.on('error', () => undefined); // it ends then, and that is heard
      client.on('notification', ({ payload = '[]' }) => this.pass(JSON.parse(payload) as Told[]));
      try {
        await client.connect();
        await client.query(`LISTEN ${CHANNEL}`);
        this.client = client;
        // What was told meanwhile was not heard.
        if (times) for (const { hear } of this.everybody()) hear({ call: '' });
        if (!this.ended) await over;
      } catch {
        // the database is away: once more
      }
      await client.end().catch(() => undefined);
    }
  }

  private pass(told: readonly Told[]): void {
    for (const [shop, call, page] of told)
      for (const one of this.hearers.get(shop) ?? []) if (one.page !== page) one.hear({ call });
  }
}
