import { Client } from 'pg';

/** The number under which a start holds its data folder, in the database's own locks. */
const LOCK = 0x79617272;
const PREFIX = 'yarrix-start';

/** Who works on the data: what a start says of itself beside its lock. */
export interface Holder {
  pid: number;
  port: number;
}

/** A hold on the data, for as long as the connection lives; the database gives it back when that ends. */
export interface Lease {
  release: () => Promise<void>;
}

/**
 * Takes the data of a database for one start. Two starts on one folder would both think that it is
 * theirs; whoever ends in any way lets go.
 * @param lost hears when the connection has gone, and the hold with it
 * @returns who has it already, where somebody does
 */
export async function takeLease(
  ownerUrl: string,
  me: Holder,
  lost: () => void,
): Promise<Lease | { holder: Holder | undefined }> {
  const client = new Client({
    connectionString: ownerUrl,
    application_name: `${PREFIX} ${me.pid} ${me.port}`,
    connectionTimeoutMillis: 3000,
    keepAlive: true,
  });
  let ended = false;
  const gone = (): void => {
    if (!ended) lost();
    ended = true;
  };
  client.on('error', gone);
  client.on('end', gone);
  await client.connect();
  const { rows } = await client.query<{ taken: boolean }>(
    'SELECT pg_try_advisory_lock($1) AS taken',
    [LOCK],
  );
  const release = async (): Promise<void> => {
    ended = true;
    await client.end();
  };
  if (rows[0]?.taken) return { release };
  const holder = await holderIn(client);
  await release();
  return { holder };
}

/** Who holds the data of a database, if anybody does. */
export async function whoHolds(ownerUrl: string): Promise<Holder | undefined> {
  const client = new Client({ connectionString: ownerUrl, connectionTimeoutMillis: 3000 });
  client.on('error', () => undefined);
  await client.connect();
  try {
    return await holderIn(client);
  } finally {
    await client.end();
  }
}

async function holderIn(client: Client): Promise<Holder | undefined> {
  const { rows } = await client.query<{ name: string }>(
    `SELECT application_name AS name FROM pg_stat_activity
     JOIN pg_locks ON pg_locks.pid = pg_stat_activity.pid
     WHERE locktype = 'advisory' AND objid = $1 AND granted`,
    [LOCK],
  );
  const [, pid, port] = /^yarrix-start (\d+) (\d+)$/.exec(rows[0]?.name ?? '') ?? [];
  return pid === undefined ? undefined : { pid: Number(pid), port: Number(port) };
}
