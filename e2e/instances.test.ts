import { execFileSync } from 'node:child_process';
import { setTimeout as sleep } from 'node:timers/promises';
import { chanceFrom } from '../core/chance';
import { Phone } from '../tools/soak/phone';
import { foundShop } from './signIn';
import { Yarrix } from './yarrix';

jest.setTimeout(240_000);

const PHONES = 6;

/** Processes of the servers, by name. */
function servers(yarrix: Yarrix): Record<string, number> {
  const lines = execFileSync('ps', ['-o', 'pid=,args=', '--ppid', String(yarrix.pid)]).toString();
  const found = lines.matchAll(/^ *(\d+) .*serve --port \d+ --name (\w+)$/gm);
  return Object.fromEntries([...found].map(([, pid, name]) => [name ?? '', Number(pid)]));
}

it('two servers behind a proxy lose nothing when one is killed, and it comes back', async () => {
  const yarrix = await Yarrix.fresh('--instances', '2');
  try {
    const shop = await foundShop(yarrix.address, 'Two servers');
    const phones = Array.from(
      { length: PHONES },
      (_, i) => new Phone(yarrix.address, shop, chanceFrom(i + 1)),
    );
    const work = phones.map((phone) => phone.work());
    for (const name of ['s1', 's2']) {
      await sleep(1500);
      const before = servers(yarrix);
      expect(Object.keys(before).toSorted()).toEqual(['s1', 's2']);
      process.kill(before[name] ?? 0, 'SIGKILL');
      await sleep(1500);
      // One is there for all, while the other comes back.
      expect((await fetch(`${yarrix.address}/api/ready`)).status).toBe(200);
      for (let waited = 0; !servers(yarrix)[name] && waited < 20_000; waited += 200)
        await sleep(200);
      expect(servers(yarrix)[name]).not.toBe(before[name]);
      await sleep(4000);
    }
    for (const phone of phones) phone.end();
    await Promise.all(work);
    const faults = await Promise.all(phones.map((phone) => phone.faults()));
    expect(faults.flat()).toEqual([]);
    expect(phones.every(({ confirmed }) => confirmed.size > 20)).toBe(true);
  } finally {
    await yarrix.end();
  }
});
