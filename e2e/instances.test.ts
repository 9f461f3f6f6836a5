import { execFileSync } from 'node:child_process';
import { setTimeout as sleep } from 'node:timers/promises';
import { chanceFrom } from '../core/chance';
import { Phone } from '../tools/soak/phone';
import { inTurn } from '../tools/inTurn';
import { foundShop } from './signIn';
import { Yarrix } from './yarrix';

jest.setTimeout(240_000);

const PHONES = 6;
/** How often the proxy looks whether a server is back, and some more. */
const NOTICED_MS = 2500;

/** A process of a server. */
interface Process {
  pid: number;
  port: number;
}

/** Processes of the servers, by name. */
function servers(yarrix: Yarrix): Record<string, Process | undefined> {
  const lines = execFileSync('ps', ['-o', 'pid=,args=', '--ppid', String(yarrix.pid)]).toString();
  const found = lines.matchAll(/^ *(\d+) .*serve --port (\d+) --name (\w+)$/gm);
  return Object.fromEntries(
    [...found].map(([, pid, port, name]) => [name, { pid: Number(pid), port: Number(port) }]),
  );
}

/** Waits until an address answers with 200. @returns whether it does within a while that a busy machine may take */
async function answers(url: string, withinMs = 60_000): Promise<boolean> {
  for (const until = Date.now() + withinMs; Date.now() < until; await sleep(200))
    if ((await fetch(url).catch(() => undefined))?.status === 200) return true;
  return false;
}

inTurn(4)(
  'two servers behind a proxy lose nothing when one is killed, and it comes back',
  async () => {
    const yarrix = await Yarrix.fresh('--instances', '2');
    try {
      const shop = await foundShop(yarrix.address, 'Two servers');
      const phones = Array.from(
        { length: PHONES },
        (_, i) => new Phone(yarrix.address, shop, chanceFrom(i + 1)),
      );
      const work = phones.map((phone) => phone.work());
      for (const [name, other] of [
        ['s1', 's2'],
        ['s2', 's1'],
      ] as const) {
        await sleep(NOTICED_MS);
        const before = servers(yarrix);
        const { pid, port } = before[name] ?? { pid: 0, port: 0 };
        expect([pid, before[other]?.pid].every(Boolean)).toBe(true);
        process.kill(pid, 'SIGKILL');
        // The other one is there for all meanwhile.
        expect(await answers(`${yarrix.address}/api/ready`, 10_000)).toBe(true);
        expect(await answers(`http://127.0.0.1:${port}/api/ready`)).toBe(true);
        expect(servers(yarrix)[name]?.pid).not.toBe(pid);
        expect(servers(yarrix)[other]).toEqual(before[other]);
      }
      for (const phone of phones) phone.end();
      await Promise.all(work);
      const faults = await Promise.all(phones.map((phone) => phone.faults()));
      expect(faults.flat()).toEqual([]);
      expect(phones.every(({ confirmed }) => confirmed.size > 20)).toBe(true);
    } finally {
      await yarrix.end();
    }
  },
);
