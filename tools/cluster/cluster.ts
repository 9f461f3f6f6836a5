import { copyFileSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { BadInput, EXIT, out } from '../commands/command';
import { needDebian } from '../debian';
import { DATA, EnvironmentError, PORT, ROOT } from '../folders';
import { freePort, reachable } from '../postgres';
import { beganAt, healthOf, processBegan } from '../running';
import { bringUp } from '../serve';
import { waysIn } from '../waysIn';
import { buildWeb } from '../webBuild';
import { Member, type Program } from './member';
import {
  comesUp,
  databaseProxy,
  dataOf,
  etcdPrograms,
  isHealthy,
  makeRoles,
  nodePrograms,
  planIn,
  roleOf,
  urlOf,
} from './nodes';
import { answers, serverProgram, serversOf, webProxy } from './servers';

const WHERE = join(DATA, 'cluster');
/** What a running cluster says of itself. */
const RUNNING = 'running.json';

interface Running {
  pid: number;
  began: string;
  port: number;
  /** Processes by the name of their member, each with when it began: a process id is used again. */
  members: Record<string, { pid: number; began: string | undefined }>;
}

/** `./yarrix cluster start|status|kill|revive|stop`. */
export async function cluster(
  what: string | undefined,
  member: string | undefined,
  options: { port?: string; postgres?: boolean },
): Promise<number> {
  switch (what) {
    case 'start':
      return startCluster(options.port);
    case 'status':
      return status();
    case 'kill':
      return kill(member, options.postgres === true);
    case 'revive':
      return revive(member);
    case 'stop':
      return stop();
    default:
      throw new BadInput('say cluster start, status, kill MEMBER, revive MEMBER or stop');
  }
}

/** Everything of a cluster on loopback, from the files in deploy/, until Ctrl-C. */
async function startCluster(portText: string = String(PORT)): Promise<number> {
  const port = Number(portText);
  if (!Number.isInteger(port) || port < 1 || port > 65535)
    throw new BadInput(`--port ${portText}: a number from 1 to 65535`);
  mkdirSync(WHERE, { recursive: true });
  const ways = waysIn(DATA, process.env);
  const before = running();
  if (before)
    throw new EnvironmentError(`a cluster already runs at http://127.0.0.1:${before.port}/`);
  if ((await freePort(port)) === undefined)
    throw new EnvironmentError(`port ${port} is taken by another program: choose one with --port`);
  await needDebian(['postgresql', 'patroni', 'etcd-server', 'haproxy']);
  await buildWeb();
  const folder = await reachable(WHERE);
  const plan = await planIn(WHERE);
  copyFileSync(join(ROOT, 'deploy/patroni.yml'), join(folder, 'patroni.yml'));
  for (const name of downIn(WHERE)) rmSync(downFile(name));

  const said: Running = { pid: process.pid, began: beganAt(process.pid) ?? '', port, members: {} };
  const members: Member[] = [];
  const begin = (...programs: Program[]): void => {
    for (const program of programs) {
      const member = new Member(
        program,
        () => existsSync(downFile(program.name)),
        (pid) => {
          said.members[program.name] = { pid, began: processBegan(pid) };
          writeFileSync(join(WHERE, RUNNING), JSON.stringify(said));
        },
      );
      members.push(member);
      member.start();
    }
  };
  const ended = new AbortController();
  const end = (): void => ended.abort();
  process.once('SIGINT', end).once('SIGTERM', end);
  try {
    begin(...etcdPrograms(plan, folder), ...nodePrograms(plan, folder), databaseProxy(plan, WHERE));
    await comesUp(plan, folder);
    await makeRoles(plan);
    await bringUp(urlOf(plan, 'owner'), ways.door.demo);
    const servers = serversOf(plan.servers);
    begin(...servers.map((server) => serverProgram(server, urlOf(plan, 'app'), WHERE)));
    for (const server of servers) await answers(server, WHERE);
    begin(webProxy(servers, `127.0.0.1:${port}`, WHERE));
    await answers({ name: 'web', port }, WHERE);
    out(`Yarrix runs as a cluster at http://127.0.0.1:${port}/  (Ctrl-C stops it)`);
    while (!ended.signal.aborted)
      await sleep(60_000, undefined, { signal: ended.signal }).catch(() => undefined);
  } finally {
    // Who asks first, then who is asked; nodes last, the primary among them.
    for (const member of members.toReversed()) await member.stop();
    rmSync(join(WHERE, RUNNING), { force: true });
  }
  out('The cluster has stopped; the data is kept.');
  return EXIT.done;
}

function running(): Running | undefined {
  try {
    const said = JSON.parse(readFileSync(join(WHERE, RUNNING), 'utf8')) as Running;
    return beganAt(said.pid) === said.began ? said : undefined;
  } catch {
    return undefined; // there is none
  }
}

function itRuns(): Running {
  const said = running();
  if (!said) throw new EnvironmentError('no cluster runs here: ./yarrix cluster start');
  return said;
}

async function status(): Promise<number> {
  const said = itRuns();
  const plan = await planIn(WHERE);
  const down = downIn(WHERE);
  const say = (name: string, what: string): void =>
    out(`${name.padEnd(9)} ${down.includes(name) ? 'held down, ' : ''}${what}`);
  const answersAt = async (port: number): Promise<boolean> =>
    (await healthOf({ port }))?.ok === true;
  const web = await answersAt(said.port);
  say('web', `http://127.0.0.1:${said.port}/ ${web ? 'answers' : 'does not answer'}`);
  for (const { name, port } of serversOf(plan.servers))
    say(name, `server on port ${port}, ${(await answersAt(port)) ? 'answers' : 'does not answer'}`);
  const roles = await Promise.all(plan.nodes.map(roleOf));
  roles.forEach((role, i) => say(`n${i + 1}`, `database, ${role}`));
  const healthy = await Promise.all(plan.etcd.map(isHealthy));
  healthy.forEach((each, i) => say(`e${i + 1}`, `etcd, ${each ? 'healthy' : 'away'}`));
  return web ? EXIT.done : EXIT.no;
}

const downFile = (name: string): string => join(WHERE, `${name}.down`);
const downIn = (folder: string): string[] =>
  MEMBERS.filter((name) => existsSync(join(folder, `${name}.down`)));
const MEMBERS = ['n1', 'n2', 'n3', 'e1', 'e2', 'e3', 's1', 's2', 'database', 'web'];

function memberNamed(name: string | undefined): string {
  if (name === undefined || !MEMBERS.includes(name))
    throw new BadInput(`name one of ${MEMBERS.join(', ')}`);
  return name;
}

/** `kill -9` of a member, which then stays down; with `--postgres` of a node's PostgreSQL alone, which Patroni brings back. */
async function kill(named: string | undefined, postgresAlone: boolean): Promise<number> {
  const name = memberNamed(named);
  const isNode = name.startsWith('n');
  if (postgresAlone && !isNode) throw new BadInput(`${name} has no PostgreSQL: name n1, n2 or n3`);
  const { members } = itRuns();
  const pids = isNode ? [postmasterOf(await reachable(WHERE), name)] : [];
  if (!postgresAlone) {
    writeFileSync(downFile(name), '');
    const member = members[name];
    if (member && processBegan(member.pid) === member.began) pids.unshift(member.pid);
  }
  for (const pid of pids)
    try {
      if (pid !== undefined) process.kill(pid, 'SIGKILL');
    } catch {
      // it had ended by itself
    }
  out(postgresAlone ? `PostgreSQL of ${name} is killed` : `${name} is killed, and stays down`);
  return EXIT.done;
}

/** The running PostgreSQL of a node. */
function postmasterOf(folder: string, name: string): number | undefined {
  const data = dataOf(folder, name);
  try {
    const pid = Number(readFileSync(join(data, 'postmaster.pid'), 'utf8').split('\n')[0]);
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(data) ? pid : undefined;
  } catch {
    return undefined; // it does not run
  }
}

function revive(named: string | undefined): number {
  const name = memberNamed(named);
  itRuns();
  rmSync(downFile(name), { force: true });
  out(`${name} comes back`);
  return EXIT.done;
}

async function stop(): Promise<number> {
  const said = running();
  if (said) {
    process.kill(said.pid, 'SIGTERM');
    while (beganAt(said.pid) === said.began) await sleep(200);
  }
  out(said ? 'The cluster has stopped; the data is kept.' : 'No cluster was running.');
  return EXIT.done;
}
