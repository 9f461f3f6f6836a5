import * as fc from 'fast-check';
import type { TerminalRef } from './diagram';
import type { Setup } from './setup';
import { pairKey, setupKey, stateKey } from './setupKey';

const ref = fc
  .tuple(fc.constantFrom('a', 'b', 'c'), fc.constantFrom('1', '2', '3'))
  .map(([part, terminal]): TerminalRef => `${part}.${terminal}`);
const state = fc.oneof(
  fc.constantFrom('open', 'closed'),
  fc.record(
    { value: fc.integer({ min: 0, max: 9 }), cameFrom: fc.constantFrom('below', 'above') },
    { requiredKeys: ['value'] },
  ),
) as fc.Arbitrary<Setup['actuators'][string]>;
const setup: fc.Arbitrary<Setup> = fc.record({
  power: fc.constantFrom('off' as const, 'on' as const, 'unknown' as const),
  except: fc.uniqueArray(fc.constantFrom('mains', 'pilot')),
  actuators: fc.dictionary(fc.constantFrom('door', 'heat', 'knob'), state, {
    noNullPrototype: true,
  }),
  byHand: fc.dictionary(fc.constantFrom('s1', 's2'), fc.constantFrom('open', 'closed'), {
    noNullPrototype: true,
  }),
  lifted: fc.uniqueArray(ref),
  partsOut: fc.uniqueArray(fc.constantFrom('p', 'q')),
  jumpers: fc.array(fc.tuple(ref, ref), { maxLength: 2 }),
});

/** The same, as a database or another phone may hand it back: every list and every key turned round. */
function turned<T>(value: T): T {
  if (Array.isArray(value)) return value.map(turned).reverse() as T;
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .reverse()
      .map(([key, each]) => [key, turned(each)]),
  ) as T;
}

describe('the key of a setup', () => {
  it('is the same in whatever order the setup was written', () => {
    fc.assert(
      fc.property(setup, (one) => {
        expect(setupKey(turned(one))).toBe(setupKey(one));
      }),
    );
  });

  it('differs as soon as one thing is not so', () => {
    fc.assert(
      fc.property(setup, setup, (one, two) => {
        const same = JSON.stringify(canonical(one)) === JSON.stringify(canonical(two));
        expect(setupKey(one) === setupKey(two)).toBe(same);
      }),
    );
    const base: Setup = {
      power: 'off',
      except: [],
      actuators: { door: 'open', heat: { value: 20 } },
      byHand: {},
      lifted: [],
      partsOut: [],
      jumpers: [],
    };
    const others: Partial<Setup>[] = [
      { power: 'on' },
      { except: ['mains'] },
      { actuators: { ...base.actuators, door: 'closed' } },
      { actuators: { ...base.actuators, heat: { value: 20, cameFrom: 'above' } } },
      { byHand: { door: 'open' } },
      { lifted: ['a.1'] },
      { partsOut: ['a'] },
      { jumpers: [['a.1', 'a.2']] },
    ];
    const keys = [base, ...others.map((each) => ({ ...base, ...each }))].map(setupKey);
    expect(new Set(keys).size).toBe(keys.length);
  });

  it('tells states of an actuator apart, and takes two points either way round', () => {
    expect(stateKey('open')).not.toBe(stateKey({ value: 5 }));
    expect(stateKey({ value: 5 })).not.toBe(stateKey({ value: 5, cameFrom: 'below' }));
    expect(pairKey('a.1', 'b.2')).toBe(pairKey('b.2', 'a.1'));
    expect(pairKey('a.1', 'b.2')).not.toBe(pairKey('a.1', 'b.3'));
  });
});

/** A setup with everything in order, the slow and plain way. */
function canonical(value: unknown): unknown {
  if (Array.isArray(value))
    return value.map(canonical).sort((a, b) => JSON.stringify(a).localeCompare(JSON.stringify(b)));
  if (typeof value !== 'object' || value === null) return value;
  return Object.entries(value)
    .map(([key, each]) => [key, canonical(each)])
    .sort(([a], [b]) => String(a).localeCompare(String(b)));
}
