import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { DATA, EnvironmentError, ROOT } from '../folders';
import { freePort } from '../postgres';
import { healthOf } from '../running';
import { Member, type Program } from './member';

/** A server among several: a process of its own on a port of its own. */
export interface Server {
  name: string;
  port: number;
}

export const serversOf = (ports: readonly number[]): Server[] =>
  ports.map((port, i) => ({ name: `s${i + 1}`, port }));

/**
 * The process of a server (`./yarrix serve`).
 * @param folder where its log goes
 * @param of the program's folder: another version has another one
 */
export const serverProgram = (
  { name, port }: Server,
  databaseUrl: string,
  folder: string,
  of = ROOT,
): Program => ({
  name,
  command: process.execPath,
  args: [
    ...process.execArgv,
    join(of, 'tools/cli.ts'),
    'serve',
    '--port',
    String(port),
    '--name',
    name,
  ],
  // Metrics are told on one port: each server would want it.
  env: {
    ...process.env,
    TSX_TSCONFIG_PATH: join(of, 'tsconfig.json'),
    YARRIX_DATABASE: databaseUrl,
    YARRIX_METRICS_PORT: '',
  },
  log: join(folder, `${name}.log`),
});

/**
 * The proxy in front of some servers, by the file that an operator takes (deploy/haproxy-web.cfg) with a line for each of them.
 * @param web host and port that it listens on
 */
export function webProxy(servers: readonly Server[], web: string, folder: string): Program {
  const given = readFileSync(join(ROOT, 'deploy/haproxy-web.cfg'), 'utf8');
  const lines = servers.map(({ name }, i) => `    server ${name} "\${SERVER_${i + 1}}" check`);
  const config = join(folder, 'haproxy-web.cfg');
  writeFileSync(config, given.replace(/( {4}server s\d+ .*\n)+/, `${lines.join('\n')}\n`));
  const named = servers.map(({ port }, i) => [`SERVER_${i + 1}`, `127.0.0.1:${port}`]);
  return {
    name: 'web',
    command: '/usr/sbin/haproxy',
    args: ['-db', '-f', config],
    env: { ...process.env, WEB: web, ...Object.fromEntries(named) },
    log: join(folder, 'haproxy-web.log'),
  };
}

/**
 * Some servers on one database, and a proxy before them on the port that phones reach.
 * @returns its port, and how it ends: the proxy first, then the servers when they have answered
 */
export async function startServers(
  instances: number,
  databaseUrl: string,
  port: number,
): Promise<{ port: number; stop: () => Promise<void> }> {
  const servers = serversOf(await freePorts(instances));
  const programs = servers.map((server) => serverProgram(server, databaseUrl, DATA));
  const members = [...programs, webProxy(servers, `127.0.0.1:${port}`, DATA)].map(
    (program) => new Member(program),
  );
  const stop = async (): Promise<void> => {
    for (const member of members.toReversed()) await member.stop();
  };
  try {
    for (const member of members) member.start();
    for (const each of [...servers, { name: 'web', port }]) await answers(each, DATA);
  } catch (error) {
    await stop();
    throw error;
  }
  return { port, stop };
}

/** Waits until a server answers, and its database. @throws EnvironmentError when it does not within a minute */
export async function answers(server: Server, log: string): Promise<void> {
  for (let waited = 0; waited < 60_000; waited += 200) {
    if ((await healthOf(server))?.ok) return;
    await sleep(200);
  }
  throw new EnvironmentError(`server ${server.name} does not answer; its log is in ${log}`);
}

/** Free ports, none twice. */
export async function freePorts(number: number): Promise<number[]> {
  const ports = new Set<number>();
  while (ports.size < number) {
    const port = await freePort(0);
    if (port === undefined) throw new EnvironmentError('no free port on loopback');
    ports.add(port);
  }
  return [...ports];
}
