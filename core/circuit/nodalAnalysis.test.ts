import { ngspice } from '../../tools/reference/ngspice';
import type { Network } from './network';
import { NodalAnalysis } from './nodalAnalysis';
import type { Edge } from './ownEdges';
import { spiceCards } from './spice';

/** A network from its ways alone, without a diagram: legs of any phase, a transformer whose two sides are joined. */
const network = (count: number, edges: Partial<Edge>[]): Network => ({
  nodes: { count, of: new Map(), inside: new Map(), endOf: new Map(), crimpOf: new Map() },
  islandOf: new Int32Array(count),
  edges: edges.map((each, i): Edge => {
    const ohms = each.nominal ?? 1;
    return {
      a: 0,
      b: 0,
      owner: `e${i}`,
      key: '',
      kind: 'load',
      low: ohms,
      high: ohms,
      nominal: ohms,
      ...each,
    };
  }),
});
const source = (a: number, b: number, volts: number, degrees: number): Partial<Edge> => ({
  a,
  b,
  nominal: 0.2,
  source: { volts, degrees, current: 'ac', spread: 0 },
});

const STAR = network(5, [
  source(1, 0, 120, 0),
  source(2, 0, 120, -120),
  source(3, 0, 120, 120),
  { a: 1, b: 2, nominal: 12 },
  { a: 2, b: 3, nominal: 30 },
  { a: 3, b: 4, nominal: 7 },
  { a: 4, b: 1, nominal: 50 },
  { a: 4, b: 0, nominal: 90 },
]);
/** Mains at 1, a winding in series with it that lifts 2 above it, a load there, and a second one behind. */
const BOOSTED = network(6, [
  source(1, 0, 120, 30),
  { a: 1, b: 0, nominal: 400 },
  { a: 2, b: 1, nominal: 0.8, coupled: { primary: [1, 0], ratio: 0.1 } },
  { a: 2, b: 0, nominal: 20 },
  { a: 3, b: 0, nominal: 0.5, coupled: { primary: [2, 1], ratio: 2 } },
  { a: 3, b: 0, nominal: 15 },
  { a: 3, b: 2, nominal: 60 },
]);

describe.each([
  ['supplies of three phases', STAR],
  ['a winding in series with its own primary', BOOSTED],
])('%s', (_name, net) => {
  const solve = () => new NodalAnalysis(net, (edge) => edge.nominal);
  const nodes = [...new Set(net.edges.flatMap(({ a, b }) => [a, b]))];

  it('read as ngspice reads them', () => {
    const pairs = nodes.flatMap((a) => nodes.flatMap((b) => (a < b ? [[a, b] as const] : [])));
    const prints = pairs.flatMap(([a, b]) =>
      ['real', 'imag'].map((part) => `print ${part}(v(n${a})-v(n${b}))`),
    );
    const theirs = ngspice(spiceCards(net), ['ac lin 1 60 60', ...prints]);
    const { re, im } = solve().ac;
    const ours = pairs.flatMap(([a, b]) =>
      [re, im].map((volts) => (volts[a] ?? 0) - (volts[b] ?? 0)),
    );
    expect(Math.max(...ours.map(Math.abs))).toBeGreaterThan(100);
    ours.forEach((each, i) => expect(each).toBeCloseTo(theirs[i] ?? NaN, 3));
  });

  // Kirchhoff: what comes in at a node goes out of it, and a transformer takes what it gives.
  it('lose no current at any node', () => {
    const solved = solve();
    for (const part of ['re', 'im'] as const) {
      const flows = net.edges.map((_, i) => solved.current(i, 'ac')[part]);
      expect(Math.max(...flows.map(Math.abs))).toBeGreaterThan(0.1);
      for (const node of nodes) {
        let sum = 0;
        net.edges.forEach(({ a, b, coupled }, i) => {
          const flow = flows[i] ?? NaN;
          sum += (a === node ? flow : 0) - (b === node ? flow : 0);
          const [p, q] = coupled?.primary ?? [];
          sum -= (coupled?.ratio ?? 0) * flow * (Number(p === node) - Number(q === node));
        });
        expect(sum).toBeCloseTo(0, 9);
      }
    }
  });
});
