import * as fc from 'fast-check';
import { Matrix, solve } from 'ml-matrix';
import { Elimination } from './elimination';

const SEED = 20261125;

/** Connected networks of up to 20 nodes, 0.1 ohm to 10 kilohm. */
const network = fc.integer({ min: 2, max: 20 }).chain((n) => {
  const siemens = fc.double({ min: -4, max: 1, noNaN: true }).map((power) => 10 ** power);
  const tree = fc.tuple(
    ...Array.from({ length: n - 1 }, (_, i) =>
      fc.tuple(fc.nat(i), siemens).map(([a, g]) => ({ a, b: i + 1, siemens: g })),
    ),
  );
  const more = fc.array(fc.record({ a: fc.nat(n - 1), b: fc.nat(n - 1), siemens }), {
    maxLength: n,
  });
  return fc.tuple(fc.constant(n), tree, more, fc.nat(n - 1), fc.nat(n - 1));
});

const potentials = (n: number, edges: { a: number; b: number; siemens: number }[], at: number) => {
  const amps = new Float64Array(n);
  amps[at] = 1;
  const volts = new Float64Array(n);
  new Elimination(n, edges, [0]).solve(amps, volts);
  return volts;
};

it(`agrees with a linear-algebra library, and is reciprocal (seed ${SEED})`, () => {
  fc.assert(
    fc.property(network, ([n, tree, more, p, q]) => {
      const edges = [...tree, ...more].filter(({ a, b }) => a !== b);
      const laplacian = Matrix.zeros(n, n);
      for (const { a, b, siemens } of edges) {
        laplacian.set(a, a, laplacian.get(a, a) + siemens);
        laplacian.set(b, b, laplacian.get(b, b) + siemens);
        laplacian.set(a, b, laplacian.get(a, b) - siemens);
        laplacian.set(b, a, laplacian.get(b, a) - siemens);
      }
      // Node 0 is the ground: its row and column go.
      const grounded = laplacian.subMatrix(1, n - 1, 1, n - 1);
      const ours = potentials(n, edges, p);
      expect(ours[0]).toBe(0);
      if (p > 0) {
        const amps = Matrix.zeros(n - 1, 1);
        amps.set(p - 1, 0, 1);
        const theirs = solve(grounded, amps);
        for (let node = 1; node < n; node++) {
          const wanted = theirs.get(node - 1, 0);
          expect(Math.abs((ours[node] ?? NaN) - wanted)).toBeLessThanOrEqual(1e-6 * wanted + 1e-12);
        }
      }
      // What p puts at q, q puts at p.
      const back = potentials(n, edges, q);
      expect(Math.abs((ours[q] ?? 0) - (back[p] ?? 0))).toBeLessThanOrEqual(1e-9 * (ours[q] ?? 0));
    }),
    { seed: SEED, numRuns: 150 },
  );
});

it('gives each island a ground of its own', () => {
  const two = [
    { a: 0, b: 1, siemens: 1 },
    { a: 2, b: 3, siemens: 0.5 },
  ];
  const volts = potentials(4, two, 3);
  expect(volts[0]).toBe(0);
  expect(volts[1]).toBe(0);
  expect(Math.abs((volts[3] ?? 0) - (volts[2] ?? 0))).toBeLessThanOrEqual(2);
});
