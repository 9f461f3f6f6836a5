import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { waysIn } from './waysIn';

const folder = mkdtempSync(join(tmpdir(), 'yarrix-ways-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));
const production = (env: Record<string, string>) =>
  waysIn(folder, { YARRIX_PRODUCTION: '1', YARRIX_SECRET: '0123456789abcdef'.repeat(4), ...env });

it('for trying makes a secret once, which nobody else reads, and has a demo', () => {
  const first = waysIn(folder, {});
  expect(first).toMatchObject({
    sessions: { secure: false },
    door: { demo: true, founding: true },
  });
  expect(waysIn(folder, {}).sessions.secret).toBe(first.sessions.secret);
  expect(first.sessions.secret.length).toBeGreaterThanOrEqual(32);
  expect(statSync(join(folder, 'session-secret')).mode & 0o077).toBe(0);
});

it('in production has no demo, a secret from outside, and https but on loopback', () => {
  expect(
    production({ YARRIX_ORIGINS: 'https://shop.example', YARRIX_FOUNDING: 'closed' }),
  ).toMatchObject({
    sessions: { secure: true },
    door: { demo: false, founding: false },
    origins: ['https://shop.example'],
  });
  expect(production({}).sessions.secure).toBe(false);
});

it.each([
  [{ YARRIX_SECRET: '' }, /YARRIX_SECRET/],
  [{ YARRIX_SECRET: 'secret' }, /YARRIX_SECRET/],
  [{ YARRIX_SECRET: 'a'.repeat(64) }, /YARRIX_SECRET/],
  [{ YARRIX_ORIGINS: 'http://shop.example' }, /https/],
  [{ YARRIX_ORIGINS: 'shop.example' }, /origins such as/],
  [{ YARRIX_METRICS_PORT: 'many' }, /1 to 65535/],
])('refuses a production start with %j, and says what would be right', (env, says) => {
  expect(() => production(env)).toThrow(says);
});
