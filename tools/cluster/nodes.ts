import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { Client } from 'pg';
import { EnvironmentError, ROOT } from '../folders';
import { binaries } from '../postgres';
import type { Program } from './member';
import { freePorts } from './servers';

/** How many nodes of the database, of etcd, and servers a cluster has: one of each may be lost. */
const NODES = 3;
const SERVERS = 2;

/** Where everything of a cluster on this machine listens, and its passwords: made once, and kept with its data. */
export interface Plan {
  etcd: { client: number; peer: number }[];
  nodes: { patroni: number; postgres: number }[];
  database: number;
  servers: number[];
  passwords: Record<'superuser' | 'replication' | 'rewind' | 'owner' | 'app', string>;
}

export async function planIn(folder: string): Promise<Plan> {
  const file = join(folder, 'plan.json');
  if (existsSync(file)) return JSON.parse(readFileSync(file, 'utf8')) as Plan;
  const ports = await freePorts(4 * NODES + 1 + SERVERS);
  const next = (): number => ports.pop() ?? 0;
  const password = (): string => randomBytes(24).toString('hex');
  const plan: Plan = {
    etcd: Array.from({ length: NODES }, () => ({ client: next(), peer: next() })),
    nodes: Array.from({ length: NODES }, () => ({ patroni: next(), postgres: next() })),
    database: next(),
    servers: Array.from({ length: SERVERS }, next),
    passwords: {
      superuser: password(),
      replication: password(),
      rewind: password(),
      owner: password(),
      app: password(),
    },
  };
  writeFileSync(file, JSON.stringify(plan, null, 2), { mode: 0o600 });
  return plan;
}

const here = (port: number): string => `127.0.0.1:${port}`;

/** A database of the cluster through its proxy, which knows the primary. */
export const urlOf = ({ database, passwords }: Plan, role: 'owner' | 'app'): string =>
  `postgres://${role === 'owner' ? 'yarrix' : 'yarrix_app'}:${passwords[role]}@${here(database)}/yarrix`;

/** The variables of a file that an operator takes, with this machine's values in place of the example's. */
function environment(
  file: string,
  values: Readonly<Record<string, string>>,
): Record<string, string> {
  const lines = readFileSync(join(ROOT, 'deploy', file), 'utf8').matchAll(/^(\w+)=(.*)$/gm);
  const given = Object.fromEntries([...lines].map(([, name = '', value = '']) => [name, value]));
  for (const name of Object.keys(values))
    if (!(name in given)) throw new Error(`deploy/${file} does not have ${name}`);
  return { ...given, ...values };
}

/** etcd, where the nodes agree on who is primary. */
export const etcdPrograms = ({ etcd }: Plan, folder: string): Program[] =>
  etcd.map(({ client, peer }, i) => ({
    name: `e${i + 1}`,
    command: '/usr/bin/etcd',
    args: [],
    env: {
      PATH: process.env.PATH,
      ...environment('etcd.env', {
        ETCD_NAME: `e${i + 1}`,
        ETCD_DATA_DIR: join(folder, `e${i + 1}`),
        ETCD_LISTEN_PEER_URLS: `http://${here(peer)}`,
        ETCD_LISTEN_CLIENT_URLS: `http://${here(client)}`,
        ETCD_INITIAL_ADVERTISE_PEER_URLS: `http://${here(peer)}`,
        ETCD_ADVERTISE_CLIENT_URLS: `http://${here(client)}`,
        ETCD_INITIAL_CLUSTER: etcd
          .map((each, j) => `e${j + 1}=http://${here(each.peer)}`)
          .join(','),
      }),
    },
    asPostgres: true,
    log: join(folder, `e${i + 1}.log`),
  }));

/** Where the data of a node lies. */
export const dataOf = (folder: string, name: string): string => join(folder, `${name}-data`);

/** The nodes: Patroni, each with a PostgreSQL of its own. */
export const nodePrograms = ({ etcd, nodes, passwords }: Plan, folder: string): Program[] =>
  nodes.map(({ patroni, postgres }, i) => ({
    name: `n${i + 1}`,
    command: '/usr/bin/patroni',
    args: [join(folder, 'patroni.yml')],
    env: {
      PATH: process.env.PATH,
      LANG: 'C.UTF-8',
      ...environment('patroni.env', {
        PATRONI_NAME: `n${i + 1}`,
        PATRONI_RESTAPI_LISTEN: here(patroni),
        PATRONI_RESTAPI_CONNECT_ADDRESS: here(patroni),
        PATRONI_ETCD3_HOSTS: etcd.map(({ client }) => here(client)).join(','),
        PATRONI_POSTGRESQL_LISTEN: here(postgres),
        PATRONI_POSTGRESQL_CONNECT_ADDRESS: here(postgres),
        PATRONI_POSTGRESQL_DATA_DIR: dataOf(folder, `n${i + 1}`),
        PATRONI_POSTGRESQL_BIN_DIR: binaries(),
        PATRONI_POSTGRESQL_PGPASS: join(folder, `n${i + 1}.pgpass`),
        PATRONI_SUPERUSER_PASSWORD: passwords.superuser,
        PATRONI_REPLICATION_PASSWORD: passwords.replication,
        PATRONI_REWIND_PASSWORD: passwords.rewind,
      }),
    },
    asPostgres: true,
    log: join(folder, `n${i + 1}.log`),
  }));

/** The proxy that knows the primary. */
export const databaseProxy = ({ nodes, database }: Plan, folder: string): Program => ({
  name: 'database',
  command: '/usr/sbin/haproxy',
  args: ['-db', '-f', join(ROOT, 'deploy/haproxy-database.cfg')],
  env: {
    ...process.env,
    DATABASE: here(database),
    ...Object.fromEntries(
      nodes.flatMap(({ patroni, postgres }, i) => [
        [`NODE_${i + 1}`, here(postgres)],
        [`PATRONI_${i + 1}`, String(patroni)],
      ]),
    ),
  },
  log: join(folder, 'haproxy-database.log'),
});

/** What Patroni says of a node: a primary, a replica whose word counts, a replica, or that it is away. */
export type Role = 'primary' | 'synchronous standby' | 'replica' | 'away';

export async function roleOf({ patroni }: Plan['nodes'][number]): Promise<Role> {
  const asked = async (path: string): Promise<boolean> => {
    const signal = AbortSignal.timeout(2000);
    const answer = await fetch(`http://${here(patroni)}/${path}`, { signal }).catch(
      () => undefined,
    );
    await answer?.arrayBuffer().catch(() => undefined);
    return answer?.ok === true;
  };
  if (await asked('primary')) return 'primary';
  if (await asked('synchronous')) return 'synchronous standby';
  return (await asked('replica')) ? 'replica' : 'away';
}

/** Whether a member of etcd is in agreement with another one. */
export async function isHealthy({ client }: Plan['etcd'][number]): Promise<boolean> {
  const signal = AbortSignal.timeout(2000);
  const answer = await fetch(`http://${here(client)}/health`, { signal }).catch(() => undefined);
  const said = (await answer?.json().catch(() => undefined)) as { health?: string } | undefined;
  return said?.health === 'true';
}

const COMES_UP_WITHIN_MS = 120_000;

/** Waits for a primary and one that follows it to the letter. @throws EnvironmentError when there is none in two minutes */
export async function comesUp(plan: Plan, folder: string): Promise<void> {
  for (const until = Date.now() + COMES_UP_WITHIN_MS; Date.now() < until; await sleep(500)) {
    const roles = await Promise.all(plan.nodes.map(roleOf));
    if (roles.includes('primary') && roles.includes('synchronous standby')) return;
  }
  throw new EnvironmentError(`no primary comes up; the logs are in ${folder}`);
}

/**
 * The database and its two roles: one that owns the tables, sees over the walls of shops and is no superuser, and one that the
 * servers work with.
 */
export async function makeRoles({ database, passwords }: Plan): Promise<void> {
  const client = new Client(
    `postgres://postgres:${passwords.superuser}@${here(database)}/postgres`,
  );
  client.on('error', () => undefined);
  await client.connect();
  try {
    const has = async (text: string): Promise<boolean> => (await client.query(text)).rowCount === 1;
    for (const [role, rights, password] of [
      ['yarrix', 'BYPASSRLS', passwords.owner],
      ['yarrix_app', '', passwords.app],
    ] as const)
      if (!(await has(`SELECT FROM pg_roles WHERE rolname = '${role}'`)))
        await client.query(`CREATE ROLE ${role} LOGIN ${rights} PASSWORD '${password}'`);
    if (!(await has("SELECT FROM pg_database WHERE datname = 'yarrix'")))
      await client.query('CREATE DATABASE yarrix OWNER yarrix');
  } finally {
    await client.end();
  }
}
