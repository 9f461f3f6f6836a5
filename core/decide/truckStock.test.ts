import * as fc from 'fast-check';
import { atLeast, truckStock, type Need, type StockItem } from './truckStock';

const KEYS = ['fuse', 'switch', 'board'] as const;
const call: fc.Arbitrary<Need[]> = fc
  .array(fc.integer({ min: 0, max: 30 }), { minLength: 3, maxLength: 3 })
  .map((weights) => KEYS.map((key, i) => ({ key, chance: (weights[i] ?? 0) / 100 })));
const items = fc
  .array(fc.integer({ min: 1, max: 9 }), { minLength: 3, maxLength: 3 })
  .map((prices): StockItem[] => KEYS.map((key, i) => ({ key, price: prices[i] ?? 1 })));

/** Repairs on the first visit with so many of each part, over every way in which the calls may come out. */
function repairsBy(calls: readonly Need[][], has: readonly number[]): number {
  let sum = 0;
  const go = (at: number, chance: number, left: readonly number[], repaired: number): void => {
    const needs = calls[at];
    if (!needs) {
      sum += chance * repaired;
      return;
    }
    let none = 1;
    needs.forEach(({ chance: one }, i) => {
      none -= one;
      const there = (left[i] ?? 0) > 0;
      const after = left.map((each, j) => (j === i && there ? each - 1 : each));
      go(at + 1, chance * one, after, repaired + (there ? 1 : 0));
    });
    go(at + 1, chance * none, left, repaired);
  };
  go(0, 1, has, 0);
  return sum;
}

describe('what goes on the truck', () => {
  it('makes as many repairs on the first visit as the best of all sets that the money buys', () => {
    fc.assert(
      fc.property(
        fc.array(call, { minLength: 1, maxLength: 3 }),
        items,
        fc.integer({ min: 0, max: 20 }),
        fc.array(fc.integer({ min: 0, max: 2 }), { minLength: 3, maxLength: 3 }),
        (calls, parts, budget, aboard) => {
          const got = truckStock(
            calls,
            parts,
            budget,
            Object.fromEntries(KEYS.map((key, i) => [key, aboard[i] ?? 0])),
          );
          let best = 0;
          for (let a = 0; a <= 3; a++)
            for (let b = 0; b <= 3; b++)
              for (let c = 0; c <= 3; c++) {
                const counts = [a, b, c];
                const cost = counts.reduce((sum, n, i) => sum + n * (parts[i]?.price ?? 0), 0);
                if (cost <= budget)
                  best = Math.max(
                    best,
                    repairsBy(
                      calls,
                      counts.map((n, i) => n + (aboard[i] ?? 0)),
                    ),
                  );
              }
          expect(got.repairs).toBeCloseTo(best, 9);
          // What it says to take costs what it says, and makes what it says.
          const counts = KEYS.map((key) => got.take.find((each) => each.key === key)?.count ?? 0);
          expect(counts.reduce((sum, n, i) => sum + n * (parts[i]?.price ?? 0), 0)).toBe(got.spent);
          expect(got.spent).toBeLessThanOrEqual(budget);
          expect(
            repairsBy(
              calls,
              counts.map((n, i) => n + (aboard[i] ?? 0)),
            ),
          ).toBeCloseTo(got.repairs, 9);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('counts how many calls need a part as coins are counted', () => {
    expect(atLeast([0.5, 0.5])).toEqual([1, 0.75, 0.25]);
    expect(atLeast([])).toEqual([1]);
    // The first of a part is worth more than the second; a dear one that is hardly needed stays at home.
    const twice: Need[][] = [
      [{ key: 'fuse', chance: 0.4 }],
      [
        { key: 'fuse', chance: 0.4 },
        { key: 'board', chance: 0.02 },
      ],
    ];
    const items = [
      { key: 'fuse', price: 7 },
      { key: 'board', price: 190 },
    ];
    expect(truckStock(twice, items, 14).take).toEqual([
      { key: 'fuse', count: 2, repairs: expect.closeTo(0.8, 9) as number },
    ]);
    expect(truckStock(twice, items, 150).spent).toBe(14);
    expect(truckStock(twice, items, 14, { fuse: 2 })).toMatchObject({ take: [], spent: 0 });
  });
});
