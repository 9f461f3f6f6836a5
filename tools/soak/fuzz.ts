import { randomUUID } from 'node:crypto';
import { chanceFrom } from '../../core/chance';
import { LID_READING } from '../../core/simulate/lidReading';
import { builtIn } from '../../library/library';

/** One request that nobody sends on purpose. */
export interface FuzzRequest {
  method: string;
  path: string;
  headers: Record<string, string>;
  body: string | undefined;
}

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };

/** Values that have ended servers before: no text, no number, no date, no end. */
const EVIL: readonly (() => Json)[] = [
  () => null,
  () => true,
  () => '',
  () => ' ',
  () => '\u0000',
  () => 'a\u0000b',
  () => '\ud800',
  () => '😀'.slice(0, 1),
  () => 'é'.repeat(3000),
  () => '2026-02-30T08:00:00Z',
  () => '2026',
  () => '0000-01-01T00:00:00Z',
  () => '2026-11-26T08:60:00Z',
  () => '9999-12-31T23:59:60Z',
  () => '2026-11-26',
  () => 0,
  () => -1,
  () => 1e308,
  () => -1e-308,
  () => 2 ** 31,
  () => 2 ** 53,
  () => 0.1,
  () => [],
  () => [null],
  () => [[[[]]]],
  () => ({}),
  () => ({ length: 5 }),
  () => JSON.parse('{"__proto__": {"admin": true}}') as Json,
  () => ({ constructor: { prototype: {} } }),
  () => nested(1000),
  () => Array.from({ length: 2000 }, () => 'a.b'),
  () => Object.fromEntries(Array.from({ length: 500 }, (_, i) => [`k${i}`, i])),
  () => "'; DROP TABLE entry; --",
  () => '%',
  () => '../../etc/passwd',
  () => 'zero reading',
  () => 'lid-switch.A1',
  () => 'toString',
  () => '__proto__',
  () => randomUUID(),
];
const nested = (depth: number): Json => {
  let value: Json = 'x';
  for (let i = 0; i < depth; i++) value = i % 2 ? [value] : { a: value };
  return value;
};

/** Requests drawn by a seed, most of them nearly right: a sound one with some places put wrong. */
export function* fuzzRequests(seed: number, calls: readonly string[]): Generator<FuzzRequest> {
  const chance = chanceFrom(seed);
  const pick = <T>(items: readonly T[]): T => items[Math.floor(chance() * items.length)] as T;
  const sound = soundBodies(calls);
  const washer = builtIn('top-load-washer');
  for (;;) {
    const [path, body] = pick(sound)(pick);
    let value: Json = JSON.parse(JSON.stringify(body)) as Json;
    for (let times = Math.floor(chance() * 4); times > 0; times--)
      value = spoil(value, chance, pick);
    const text = JSON.stringify(value);
    const kind = chance();
    const headers: Record<string, string> = { 'content-type': 'application/json' };
    if (kind < 0.04)
      headers['content-type'] = pick(['text/plain', 'application/xml', 'a/b; c', '']);
    if (kind > 0.97) headers['x-phone-at'] = pick(['2099-01-01T00:00:00Z', 'now', '1e99']);
    if (kind > 0.99) headers['content-encoding'] = pick(['gzip', 'br', 'x']);
    const method =
      chance() < 0.85
        ? path.includes('?') || path === '/api/entries'
          ? 'POST'
          : 'PUT'
        : pick(['GET', 'POST', 'DELETE', 'PATCH', 'HEAD', 'OPTIONS']);
    const where = chance() < 0.9 ? path : pick(oddPaths(pick));
    const cut = chance() < 0.05 ? text.slice(0, Math.floor(chance() * text.length)) : text;
    const file =
      chance() < 0.004 && washer
        ? JSON.stringify(spoil(JSON.parse(JSON.stringify(washer)) as Json, chance, pick))
        : undefined;
    const noBody = method === 'GET' || method === 'HEAD';
    if (file !== undefined)
      yield {
        method: 'PUT',
        path: `/api/diagrams/${randomUUID()}`,
        headers: { 'content-type': 'text/plain' },
        body: file,
      };
    else yield { method, path: where, headers, body: noBody ? undefined : cut };
  }
}

type Pick1 = <T>(items: readonly T[]) => T;

const oddPaths = (pick: Pick1): string[] => [
  '/api/calls?search=' + encodeURIComponent(pick(['%', '\u0000', 'a'.repeat(5000), '\\', '_'])),
  '/api/calls?after=' + pick(['x', 'MTIz', '%00', 'LTEgMA', '..']),
  '/api/calls?search=a&search=b&stage=none',
  '/api/calls?search[x]=1',
  '/api/calls/%E0%A4%A',
  '/api/calls/%00',
  '/api/diagrams/%F0/1',
  '/api/diagrams/a%00b/1',
  '/api/diagrams/top-load-washer/99999999999999999999',
  '/api/diagrams/top-load-washer/-1',
  '/api/diagrams/top-load-washer/1.5',
  '/api/entries/not-an-id',
  '/api/' + 'a/'.repeat(300),
  '/api/tables',
  '/api',
];

/** Every kind of write as it would be right, for one of some calls. */
function soundBodies(calls: readonly string[]): ((pick: Pick1) => [string, object])[] {
  const phoneAt = '2026-11-26T08:00:00.000Z';
  const entry = (pick: Pick1): object => {
    const callId = pick(calls);
    const bodies: Record<string, object> = {
      reading: LID_READING,
      statement: {
        source: 'told',
        steps: 'timer=wash,wait=30',
        subject: 'drive',
        outcome: 'off',
        seconds: { on: 5, off: 25 },
      },
      correction: { model: 'W-40', diagramId: 'top-load-washer', diagramVersion: 1 },
      look: { look: 'click', found: true },
      act: { part: 'lid-switch', act: 'tap' },
      stage: { stage: 'done' },
      acknowledged: { what: 'made-safe' },
      opened: { what: 'tube', of: 'air tube' },
      closed: { line: 'tube air tube', how: 'left', words: 'ordered' },
      'wire-map': { part: 'lid-switch', wires: [{ at: 'lid-switch.A1', colour: 'BK' }] },
      cause: { part: 'lid-switch', cause: 'slammed', outcome: 'refused', words: 'no time' },
      found: {
        part: 'lid-switch',
        mode: 'stuck-open',
        says: 'stuck open',
        chance: 0.9,
        by: 'unit',
      },
      fit: { part: 'lid-switch', words: 'number 7', used: false, approved: true, amps: 10 },
      order: { actuator: 'lid', way: 'opening', events: [{ part: 'lid-switch', contact: 'A' }] },
      decision: {
        part: 'lid-switch',
        option: 'replace',
        along: ['drive'],
        expected: { customer: 120, shop: 40 },
        declined: ['x'],
      },
      checked: { check: 'safety', of: 'lid-switch', outcome: 'right', grade: 'finger' },
      'put-right': { by: 'other', part: 'drive', name: 'Motor drive' },
      doubt: { names: randomUUID(), reason: 'not sure' },
      diagram: { version: 1, reason: 'x' },
    };
    const kind = pick(Object.keys(bodies));
    return { callId, kind, phoneAt, body: bodies[kind] };
  };
  return [
    (pick) => [`/api/entries/${randomUUID()}`, entry(pick)],
    (pick) => [`/api/entries/${randomUUID()}`, entry(pick)],
    (pick) => [
      '/api/entries',
      { entries: Array.from({ length: 5 }, () => ({ id: randomUUID(), entry: entry(pick) })) },
    ],
    () => [
      `/api/calls/${randomUUID()}`,
      {
        appliance: { id: randomUUID(), make: 'Marrowby', model: 'W-44', place: 'Fuzz' },
        diagramId: 'top-load-washer',
        diagramVersion: 1,
        complaint: 'does not spin',
        phoneAt,
      },
    ],
    (pick) => [
      `/api/tables/${randomUUID()}`,
      {
        callId: pick(calls),
        diagramVersion: 1,
        part: 'lid-switch',
        csv: 'position,A1-A2,B1-B2\nclosed,x,x\nopen,perhaps,0\n',
        phoneAt,
      },
    ],
    () => [`/api/meters/${randomUUID()}`, { name: 'Yellow', kind: 'ordinary-auto', leadOhms: 0.2 }],
    () => ['/api/diagrams/bodies?', { have: ['top-load-washer/1'] }],
  ];
}

/** Puts one place of a value wrong: another value, one that is gone, one too many. */
function spoil(value: Json, chance: () => number, pick: Pick1): Json {
  const places: { at: Json[] | { [key: string]: Json }; key: string }[] = [];
  const walk = (inner: Json): void => {
    if (typeof inner !== 'object' || inner === null) return;
    for (const key of Object.keys(inner)) {
      places.push({ at: inner, key });
      walk((inner as { [key: string]: Json })[key] ?? null);
    }
  };
  walk(value);
  const place = places[Math.floor(chance() * places.length)];
  if (!place || chance() < 0.03) return pick(EVIL)();
  const at = place.at as { [key: string]: Json };
  const kind = chance();
  if (kind < 0.15) delete at[place.key];
  else if (kind < 0.25 && Array.isArray(at)) at.push(pick(EVIL)());
  else if (kind < 0.25) at[String(pick(EVIL)())] = pick(EVIL)();
  else at[place.key] = pick(EVIL)();
  return value;
}
