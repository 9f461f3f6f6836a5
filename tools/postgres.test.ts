import {
  cpSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  renameSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { reachable } from './postgres';

// mkdtemp makes it for root alone: the user postgres cannot enter it.
const home = mkdtempSync(join(tmpdir(), 'yarrix-home-'));
const elsewhere: string[] = [];
afterAll(() => {
  for (const each of [home, ...elsewhere]) rmSync(each, { recursive: true, force: true });
});
const asRoot = process.getuid?.() === 0 ? it : it.skip;

asRoot(
  'a database that lies elsewhere goes with its folder when that is moved; a copy has one of its own',
  async () => {
    const first = join(home, 'first');
    mkdirSync(first);
    const place = await reachable(first);
    elsewhere.push(place);
    expect(place.startsWith(home)).toBe(false);
    writeFileSync(join(place, 'kept'), 'as it was');
    const copy = join(home, 'copy');
    cpSync(first, copy, { recursive: true });
    const moved = join(home, 'moved');
    renameSync(first, moved);
    expect(await reachable(moved)).toBe(place);
    const own = await reachable(copy);
    elsewhere.push(own);
    expect(own).not.toBe(place);
    expect(readdirSync(own)).toEqual(['kept']);
    expect(await reachable(copy)).toBe(own);
  },
);
