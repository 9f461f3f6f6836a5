import { Pool, type PoolClient, type QueryConfig, type QueryResult, type QueryResultRow } from 'pg';
import { DatabaseAway, failureOf } from './failure';

/** A place to send queries: the database, or one client inside a transaction. */
export interface Queries {
  query: <R extends QueryResultRow>(
    text: string | QueryConfig,
    values?: unknown[],
  ) => Promise<QueryResult<R>>;
}

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

  /** Runs queries as one: all are kept, or none. */
  async transaction<T>(run: (queries: Queries) => Promise<T>): Promise<T> {
    const client = await this.client();
    let broken = false;
    try {
      await client.query('BEGIN');
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
