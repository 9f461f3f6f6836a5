import { Pool, type PoolClient, type QueryConfig, type QueryResult, type QueryResultRow } from 'pg';
import { DatabaseAway, failureOf } from './failure';

/** A place to send queries: the database, or one client inside a transaction. */
export interface Queries {
  query: <R extends QueryResultRow>(
    text: string | QueryConfig,
    values?: unknown[],
  ) => Promise<QueryResult<R>>;
}

/** A place to send queries about one shop: in a transaction that sees its rows and no other. */
export interface ShopQueries extends Queries {
  readonly shop: string;
}

/** The rows of one shop: each query is a transaction that is told whose it is. */
export interface ShopRows extends ShopQueries {
  /** Runs queries as one: all are kept, or none. */
  transaction: <T>(run: (queries: ShopQueries) => Promise<T>) => Promise<T>;
}

/** What a shop's id looks like: it is put into a statement's text, where no value can be. */
export const isShop = (text: string): boolean => /^[A-Za-z0-9-]{1,64}$/.test(text);

/** Connections of one server. */
const CLIENTS = 10;
/** Queries that may wait for a connection; who comes later is told to come again. */
const QUEUE = 500;
/** How long a query waits for a connection, and then for its answer: together under three seconds. */
const OF_A_REQUEST = { connect: 1200, answer: 1500 };
/** The same for work that nobody waits for on a screen: backups, checks, demo data. */
export const OF_A_TASK = { connect: 10_000, answer: 600_000 };
/** A transaction that nobody goes on with gives its locks back. */
const IDLE_MS = 5000;

/**
 * The pool of connections. A connection that is cut, or a database that hangs, fails the queries that
 * are on it with `DatabaseAway` and nothing else: the connection is thrown away, the next one is new.
 */
export class Database implements Queries {
  private readonly pool: Pool;

  /**
   * @param url of the role that the application works with
   * @param lost hears of connections that end by themselves
   * @param patience how long to wait for a connection and for an answer, in ms
   */
  constructor(
    url: string,
    lost: (error: Error) => void = () => undefined,
    patience: typeof OF_A_REQUEST = OF_A_REQUEST,
  ) {
    this.pool = new Pool({
      connectionString: url,
      max: CLIENTS,
      connectionTimeoutMillis: patience.connect,
      query_timeout: patience.answer,
      statement_timeout: patience.answer,
      idle_in_transaction_session_timeout: IDLE_MS,
      keepAlive: true,
    });
    // Without a listener a connection that is cut ends the process: one idle, and one in use.
    this.pool.on('error', lost);
    this.pool.on('connect', (client) => client.on('error', lost));
  }

  async query<R extends QueryResultRow>(
    text: string | QueryConfig,
    values?: unknown[],
  ): Promise<QueryResult<R>> {
    const client = await this.client();
    let broken = false;
    try {
      return await client.query<R>(text as string, values);
    } catch (error) {
      broken = failureOf(error) === 'away';
      throw error;
    } finally {
      client.release(broken);
    }
  }

  /**
   * The rows of a shop. The shop is set for each transaction and never for a connection, so that nothing of it
   * is left for the next one; the database shows no row of another (migration 017).
   */
  of(shop: string): ShopRows {
    if (!isShop(shop)) throw new Error(`"${shop}" is no shop's id`);
    // One message for both: a trip less.
    const begin = `BEGIN; SET LOCAL yarrix.shop = '${shop}'`;
    return {
      shop,
      query: (text, values) => this.inTransaction(begin, (queries) => queries.query(text, values)),
      transaction: (run) =>
        this.inTransaction(begin, (client) =>
          run({ shop, query: (text, values) => client.query(text, values) }),
        ),
    };
  }

  /** The same for functions of the database that enter their shop themselves: they take one trip instead of three. */
  entering(shop: string): ShopQueries {
    return { shop, query: (text, values) => this.query(text, values) };
  }

  /** Runs queries as one: all are kept, or none. */
  transaction<T>(run: (queries: Queries) => Promise<T>): Promise<T> {
    return this.inTransaction('BEGIN', run);
  }

  private async inTransaction<T>(begin: string, run: (queries: Queries) => Promise<T>): Promise<T> {
    const client = await this.client();
    let broken = false;
    try {
      await client.query(begin);
      const result = await run(client);
      // A transaction in which a statement has failed is rolled back by this, and without an error.
      const { command } = await client.query('COMMIT');
      if (command !== 'COMMIT') throw new Error('a statement failed unheard: all was rolled back');
      return result;
    } catch (error) {
      broken = failureOf(error) === 'away' || !(await rolledBack(client));
      throw error;
    } finally {
      client.release(broken);
    }
  }

  /** Connections that are open and idle, and queries that wait for one. */
  counts(): { open: number; idle: number; waiting: number } {
    const { totalCount: open, idleCount: idle, waitingCount: waiting } = this.pool;
    return { open, idle, waiting };
  }

  end(): Promise<void> {
    return this.pool.end();
  }

  private async client(): Promise<PoolClient> {
    if (this.pool.waitingCount >= QUEUE)
      throw new DatabaseAway('too many requests wait for the database');
    return this.pool.connect();
  }
}

const rolledBack = (client: PoolClient): Promise<boolean> =>
  client.query('ROLLBACK').then(
    () => true,
    () => false,
  );
