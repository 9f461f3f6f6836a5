import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync, existsSync, mkdirSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join, resolve } from 'node:path';
import type { CallPage } from '../contract/call';
import { inTurn } from '../tools/inTurn';
import { intoDemo } from './signIn';
import { dataFolder } from './yarrix';
import { LIBRARY } from '../library/library';
import { runProgram } from '../tools/runProgram';

jest.setTimeout(240_000);

const PROGRAM = resolve(__dirname, '../yarrix');
const folder = dataFolder('yarrix-start-');
const started: ChildProcess[] = [];
afterAll(async () => {
  for (const child of started) await ended(child);
  for (const name of ['data', 'moved', 'copy']) await run(join(folder, name), 'stop');
  rmSync(folder, { recursive: true, force: true });
});

const run = (data: string, ...args: string[]) =>
  runProgram(PROGRAM, args, { env: { ...process.env, YARRIX_DATA: data }, cwd: folder });

/** Starts it and says its address, once it is there. */
async function start(
  data: string,
  cwd = folder,
): Promise<{ child: ChildProcess; address: string }> {
  const child = spawn(PROGRAM, ['start', '--port', '0'], {
    env: { ...process.env, YARRIX_DATA: data },
    cwd,
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  started.push(child);
  let said = '';
  const address = await new Promise<string>((done, failed) => {
    const hear = (part: Buffer): void => {
      said += part.toString();
      const [, at] = /runs at (http:\S+)/.exec(said) ?? [];
      if (at !== undefined) done(at);
    };
    child.stdout?.on('data', hear);
    child.stderr?.on('data', hear);
    child.once('exit', (code) => failed(new Error(`start ended with ${code}: ${said}`)));
  });
  return { child, address };
}
const ended = (child: ChildProcess, signal: NodeJS.Signals = 'SIGTERM'): Promise<unknown> =>
  child.exitCode !== null || child.signalCode !== null
    ? Promise.resolve()
    : new Promise((done) => {
        child.once('exit', done);
        child.kill(signal);
      });
const callsAt = async (address: string): Promise<number> =>
  (
    (await (
      await fetch(`${address}api/calls`, { headers: { ...(await intoDemo(address)) } })
    ).json()) as CallPage
  ).calls.length;

/** Both or none: the second goes on with the data of the first. */
const inItsTurn = inTurn(3);

inItsTurn(
  'starts whatever an earlier start has left behind, and signals nothing that is not its own',
  async () => {
    const data = join(folder, 'data');
    // A first start that was cut off in the middle of making its database, and while it wrote its note.
    mkdirSync(join(data, 'postgres', 'data.half', 'base'), { recursive: true });
    writeFileSync(join(data, 'running.json'), '');
    const first = await start(data);
    const calls = await callsAt(first.address);
    expect(calls).toBeGreaterThan(5);
    const status = await run(data, 'status');
    expect(status).toEqual({ code: 0, output: expect.stringMatching(/the database answers/) });
    // A second one on the same data says where the first is, or why not on another port.
    const again = await run(data, 'start');
    expect(again).toEqual({ code: 0, output: expect.stringContaining('already running at') });
    const other = await run(data, 'start', '--port', '1');
    expect(other).toEqual({ code: 69, output: expect.stringMatching(/already works on/) });
    // Its note is lost: it is found all the same.
    rmSync(join(data, 'running.json'));
    expect((await run(data, 'start')).output).toContain(`already running at ${first.address}`);
    const demo = await run(data, 'reset-demo');
    expect(demo).toEqual({ code: 69, output: expect.stringMatching(/stop first/) });

    // Killed; its note names a process that is somebody else's by now.
    await ended(first.child, 'SIGKILL');
    writeFileSync(
      join(data, 'running.json'),
      JSON.stringify({ pid: process.pid, began: '1', port: 1 }),
    );
    expect((await run(data, 'status')).code).toBe(1);
    const second = await start(data);
    expect(await callsAt(second.address)).toBe(calls);
    // Copied while it runs: the copy is another one, or none, but never the first.
    const copy = join(folder, 'copy');
    cpSync(data, copy, { recursive: true, filter: (path) => !path.endsWith('.sock') });
    if (existsSync(join(copy, 'postgres', 'data'))) {
      await runProgram('chown', ['-R', 'postgres:', join(copy, 'postgres')]);
      const two = await start(copy);
      expect(two.address).not.toBe(second.address);
      expect(await callsAt(two.address)).toBe(calls);
      await ended(two.child);
    }
    expect(await callsAt(second.address)).toBe(calls);
    await ended(second.child);

    // Moved while it is stopped, and named from another folder.
    renameSync(data, join(folder, 'moved'));
    const third = await start('moved');
    expect(await callsAt(third.address)).toBe(calls);
    await ended(third.child);
    expect(await run(join(folder, 'moved'), 'verify')).toEqual({
      code: 0,
      output: expect.stringMatching(/^All holds: 2 shops/),
    });
  },
);

it('says in one line what is in its way', async () => {
  writeFileSync(join(folder, 'file'), '');
  for (const command of ['start', 'verify']) {
    const { code, output } = await run(join(folder, 'file', 'data'), command);
    expect({ code, lines: output.trim().split('\n') }).toEqual({
      code: 69,
      lines: [expect.stringMatching(/^yarrix: .*ENOTDIR/)],
    });
  }
  const { code, output } = await run(join(folder, 'never'), 'start', '--port', 'x');
  expect({ code, output }).toEqual({ code: 2, output: expect.stringMatching(/--port x/) });
});

inItsTurn('brings everything back from a backup, and replaces nothing without a word', async () => {
  const [data, file] = [join(folder, 'moved'), join(folder, 'all.backup')];
  const made = await run(data, 'backup', file);
  expect(made).toEqual({
    code: 0,
    output: expect.stringMatching(`2 shops, ${2 * LIBRARY.length} diagrams, 16 calls`),
  });
  expect((await run(data, 'backup', file)).code).toBe(2);
  const fresh = join(folder, 'fresh');
  expect(await run(fresh, 'restore', file)).toEqual({
    code: 0,
    output: expect.stringMatching(`2 shops, ${2 * LIBRARY.length} diagrams, 16 calls`),
  });
  const refused = await run(fresh, 'restore', file);
  expect(refused).toEqual({ code: 69, output: expect.stringMatching(/--replace/) });
  expect((await run(fresh, 'restore', file, '--replace')).code).toBe(0);
  writeFileSync(join(folder, 'broken.backup'), 'no backup');
  const broken = await run(fresh, 'restore', join(folder, 'broken.backup'), '--replace');
  expect(broken).toEqual({ code: 2, output: expect.stringMatching(/is no whole backup/) });
  expect((await run(fresh, 'verify')).code).toBe(0);
  await run(fresh, 'stop');
});
