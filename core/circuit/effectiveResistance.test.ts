import * as fc from 'fast-check';
import { Matrix, pseudoInverse } from 'ml-matrix';
import { ngspice } from '../../tools/reference/ngspice';
import { effectiveResistance } from './effectiveResistance';

interface Resistor {
  a: number;
  b: number;
  ohms: number;
}
interface Network {
  nodes: number;
  edges: Resistor[];
}

const chain = (...ohms: number[]): Network => ({
  nodes: ohms.length + 1,
  edges: ohms.map((each, i) => ({ a: i, b: i + 1, ohms: each })),
});

/** Connected networks: a random tree and some more edges, milliohm to megohm. */
const network = fc.integer({ min: 2, max: 24 }).chain((nodes) => {
  const ohms = fc.double({ min: -3, max: 6, noNaN: true }).map((power) => 10 ** power);
  const tree = fc.tuple(
    ...Array.from({ length: nodes - 1 }, (_, i) =>
      fc.tuple(fc.nat(i), ohms).map(([a, r]): Resistor => ({ a, b: i + 1, ohms: r })),
    ),
  );
  const more = fc.array(fc.record({ a: fc.nat(nodes - 1), b: fc.nat(nodes - 1), ohms }), {
    maxLength: nodes,
  });
  return fc.tuple(tree, more).map(([some, others]): Network => ({
    nodes,
    edges: [...some, ...others.filter((edge) => edge.a !== edge.b)],
  }));
});

const SEED = 20261124;
const runs = (numRuns: number) => ({ seed: SEED, numRuns });
const between = (net: Network, a: number, b: number): number =>
  effectiveResistance(net.edges, a, b);
const close = (got: number, wanted: number): void =>
  expect(Math.abs(got - wanted)).toBeLessThanOrEqual(1e-6 * Math.abs(wanted));

describe('effective resistance', () => {
  // OpenStax, College Physics, section 21.1, examples 21.1 to 21.3 (from memory): 1.00, 6.00 and
  // 13.0 ohm in series 20.0, in parallel 0.804, and 1.00 in series with the others in parallel 5.11.
  it('agrees with the worked examples of a textbook', () => {
    expect(between(chain(1, 6, 13), 0, 3)).toBeCloseTo(20, 9);
    const parallel = { nodes: 2, edges: [1, 6, 13].map((ohms) => ({ a: 0, b: 1, ohms })) };
    expect(between(parallel, 0, 1)).toBeCloseTo(0.804, 3);
    const mixed = {
      nodes: 3,
      edges: [
        { a: 0, b: 1, ohms: 1 },
        { a: 1, b: 2, ohms: 6 },
        { a: 1, b: 2, ohms: 13 },
      ],
    };
    expect(between(mixed, 0, 2)).toBeCloseTo(5.11, 2);
  });

  // A cube of equal resistors: 7/12 along an edge, 3/4 across a face, 5/6 across the cube.
  it('solves the cube of unit resistors', () => {
    const edges = [];
    for (let a = 0; a < 8; a++) {
      for (const bit of [1, 2, 4]) if ((a & bit) === 0) edges.push({ a, b: a | bit, ohms: 1 });
    }
    const cube = { nodes: 8, edges };
    expect(between(cube, 0, 1)).toBeCloseTo(7 / 12, 12);
    expect(between(cube, 0, 3)).toBeCloseTo(3 / 4, 12);
    expect(between(cube, 0, 7)).toBeCloseTo(5 / 6, 12);
  });

  it('is exactly open between parts that nothing joins, and zero at one point', () => {
    const two = {
      nodes: 4,
      edges: [
        { a: 0, b: 1, ohms: 5 },
        { a: 2, b: 3, ohms: 5 },
      ],
    };
    expect(between(two, 0, 2)).toBe(Infinity);
    expect(between(two, 1, 1)).toBe(0);
  });

  it('agrees with the pseudo-inverse of the Laplacian by a linear-algebra library', () => {
    const kind = fc.double({ min: 0, max: 3, noNaN: true });
    fc.assert(
      fc.property(network, kind, (net, power) => {
        // The pseudo-inverse itself loses digits over nine decades; keep to those it can hold.
        const edges = net.edges.map((edge) => ({ ...edge, ohms: edge.ohms ** 0.2 * 10 ** power }));
        const laplacian = Matrix.zeros(net.nodes, net.nodes);
        for (const { a, b, ohms } of edges) {
          laplacian.set(a, a, laplacian.get(a, a) + 1 / ohms);
          laplacian.set(b, b, laplacian.get(b, b) + 1 / ohms);
          laplacian.set(a, b, laplacian.get(a, b) - 1 / ohms);
          laplacian.set(b, a, laplacian.get(b, a) - 1 / ohms);
        }
        const inverse = pseudoInverse(laplacian);
        const last = net.nodes - 1;
        const wanted = inverse.get(0, 0) + inverse.get(last, last) - 2 * inverse.get(0, last);
        close(effectiveResistance(edges, 0, last), wanted);
      }),
      runs(200),
    );
  });

  it('agrees with ngspice on random networks', () => {
    const nets = fc.sample(network, { seed: SEED, numRuns: 200 });
    const cards = nets.flatMap((net, i) => {
      const name = (node: number): string => (node === net.nodes - 1 ? '0' : `n${i}_${node}`);
      const resistors = net.edges.map(
        ({ a, b, ohms }, j) => `R${i}_${j} ${name(a)} ${name(b)} ${ohms}`,
      );
      return [...resistors, `I${i} 0 ${name(0)} 1`];
    });
    const volts = ngspice(cards, ['op', ...nets.map((_, i) => `print v(n${i}_0)`)]);
    nets.forEach((net, i) => close(between(net, 0, net.nodes - 1), volts[i] ?? NaN));
  });

  it('is symmetric, keeps the triangle inequality, and grows with every resistor', () => {
    fc.assert(
      fc.property(
        network,
        fc.nat(),
        fc.nat(),
        fc.double({ min: 1.01, max: 100, noNaN: true }),
        (net, x, y, factor) => {
          const a = 0;
          const b = x % net.nodes;
          const c = y % net.nodes;
          const ab = between(net, a, b);
          close(between(net, b, a), ab);
          expect(ab).toBeLessThanOrEqual(
            (between(net, a, c) + between(net, c, b)) * (1 + 1e-9) + 1e-12,
          );
          const edges = net.edges.map((edge, i) =>
            i === y % net.edges.length ? { ...edge, ohms: edge.ohms * factor } : edge,
          );
          expect(between({ ...net, edges }, a, b)).toBeGreaterThanOrEqual(ab * (1 - 1e-9));
        },
      ),
      runs(300),
    );
  });
});
