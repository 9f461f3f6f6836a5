import * as fc from 'fast-check';
import { effectiveResistance } from './effectiveResistance';
import type { Resistor } from './resistorGraph';
import { TableMaker, type Change } from './tableMaker';

const SEED = Number(process.env.YARRIX_SEED ?? 20261126);

const ohms = fc.double({ min: -2, max: 5, noNaN: true }).map((power) => 10 ** power);

/** Networks of up to 12 nodes in any number of islands, and up to four changes of any kind at once. */
const changed = fc.integer({ min: 2, max: 12 }).chain((n) => {
  const node = fc.nat(n - 1);
  const resistor = fc.record({ a: node, b: node, ohms }).filter(({ a, b }) => a !== b);
  return fc.array(resistor, { maxLength: 2 * n }).chain((resistors) => {
    const to = fc.oneof(fc.constant(Infinity), ohms);
    const known = fc
      .uniqueArray(fc.nat(Math.max(0, resistors.length - 1)), { maxLength: 4 })
      .chain((places) =>
        fc.tuple(
          ...places.flatMap((at) => {
            const old = resistors[at];
            return old ? [to.map((now): Change => ({ ...old, at, to: now }))] : [];
          }),
        ),
      );
    const added = fc.array(
      resistor.map(({ a, b, ohms: now }): Change => ({ a, b, at: -1, ohms: Infinity, to: now })),
      { maxLength: 2 },
    );
    return fc.record({
      n: fc.constant(n),
      resistors: fc.constant(resistors),
      known,
      added,
      // What closes may be named before what opens.
      addedFirst: fc.boolean(),
    });
  });
});

it(`reads every pair as the network built anew does, whatever changes (seed ${SEED})`, () => {
  fc.assert(
    fc.property(changed, ({ n, resistors, known, added, addedFirst }) => {
      const maker = new TableMaker(n, resistors);
      const after: Resistor[] = resistors.map((each, at) => {
        const change = known.find((one) => one.at === at);
        return change ? { ...each, ohms: change.to } : each;
      });
      after.push(...added.map(({ a, b, to }) => ({ a, b, ohms: to })));
      const there = after.filter((each) => each.ohms !== Infinity);
      // Written behind another row, which stays as it is.
      const rows = new Float64Array(2 * maker.pairs).fill(-1);
      const changes = addedFirst ? [...added, ...known] : [...known, ...added];
      maker.write(changes, rows, maker.pairs);
      expect(rows.subarray(0, maker.pairs).every((each) => each === -1)).toBe(true);
      for (let a = 0; a < n; a++) {
        for (let b = 0; b < a; b++) {
          const got = rows[maker.pairs + maker.pair(a, b)] ?? NaN;
          const wanted = effectiveResistance(there, a, b);
          // What cancels is of the size of the largest resistors about.
          if (wanted === Infinity || Math.abs(got - wanted) > 1e-6 * wanted + 1e-9)
            expect({ a, b, got }).toEqual({ a, b, got: wanted });
        }
      }
    }),
    { seed: SEED, numRuns: 600 },
  );
});

it('reads a contact that closes between two islands end to end, in the place of each node', () => {
  // 1 - 0 and 3 - 2 - 4: nodes are not in the order of their islands.
  const maker = new TableMaker(5, [
    { a: 1, b: 3, ohms: 5 },
    { a: 0, b: 2, ohms: 7 },
    { a: 2, b: 4, ohms: 11 },
  ]);
  const row = new Float64Array(maker.pairs);
  maker.write([{ a: 3, b: 2, at: -1, ohms: Infinity, to: 0.5 }], row, 0);
  const read = (a: number, b: number): number => row[maker.pair(a, b)] ?? NaN;
  expect([read(1, 0), read(1, 4), read(3, 2), read(0, 4), read(1, 3)]).toEqual([
    12.5, 16.5, 0.5, 18, 5,
  ]);
});

it('keeps its digits when a contact opens beside megohms and more changes with it', () => {
  // A contact of 10 milliohm beside 30 megohm; a heater of 20 ohm after it, and a way back.
  const resistors: Resistor[] = [
    { a: 0, b: 1, ohms: 0.01 },
    { a: 0, b: 1, ohms: 30e6 },
    { a: 1, b: 2, ohms: 20 },
    { a: 2, b: 3, ohms: 5 },
    { a: 3, b: 1, ohms: 7 },
  ];
  const maker = new TableMaker(4, resistors);
  const row = new Float64Array(maker.pairs);
  const [contact, , heater, back] = resistors.map((each, at) => ({ ...each, at }));
  if (!contact || !heater || !back) throw new Error('no resistors');
  const opens = { ...contact, to: Infinity };
  const bridge: Change = { a: 0, b: 3, at: -1, ohms: Infinity, to: 40e6 };
  for (const changes of [
    [opens, { ...heater, to: 3 }],
    [opens, { ...heater, to: Infinity }],
    [{ ...back, to: Infinity }, opens, { ...heater, to: 11 }],
    [bridge, opens],
    [opens, bridge, { ...back, to: 0.5 }],
  ]) {
    maker.write(changes, row, 0);
    const after = resistors.map((each, at) => ({
      ...each,
      ohms: changes.find((one) => 'at' in one && one.at === at)?.to ?? each.ohms,
    }));
    if (changes.includes(bridge)) after.push({ a: 0, b: 3, ohms: bridge.to });
    const there = after.filter((each) => each.ohms !== Infinity);
    for (let a = 1; a < 4; a++)
      for (let b = 0; b < a; b++) {
        const wanted = effectiveResistance(there, a, b);
        expect((row[maker.pair(a, b)] ?? NaN) / wanted).toBeCloseTo(1, 9);
      }
  }
});

it('keeps its digits where what is left beside an opened contact changes as well', () => {
  // A ring of 1 ohm each, closed by 150 kilohm: a contact of it opens, and the large one becomes small.
  const large: Resistor = { a: 0, b: 6, ohms: 150e3 };
  const resistors = [large, ...[0, 1, 2, 3, 4, 5].map((a): Resistor => ({ a, b: a + 1, ohms: 1 }))];
  const maker = new TableMaker(7, resistors);
  const row = new Float64Array(maker.pairs);
  const small = { ...large, at: 0, to: 1 };
  maker.write([{ a: 2, b: 3, at: 3, ohms: 1, to: Infinity }, small], row, 0);
  const read = (a: number, b: number): number => row[maker.pair(a, b)] ?? NaN;
  for (const [a, b, ohms] of [
    [0, 6, 1],
    [2, 3, 6],
    [1, 5, 3],
  ] as const)
    expect(read(a, b) / ohms).toBeCloseTo(1, 9);
});
