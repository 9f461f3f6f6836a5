import { LIBRARY } from '../../library/library';
import { ngspice } from '../../tools/reference/ngspice';
import { chanceFrom, oneOf } from '../chance';
import type { Diagram } from '../diagram/diagram';
import { drawnSetup, poweredSetup, type Setup } from '../diagram/setup';
import { everyFault } from '../fault/faultList';
import { anyPositions } from '../simulate/anyPositions';
import { effectiveResistance } from './effectiveResistance';
import { buildNetwork, islands, type Network } from './network';
import { nodeOf } from './nodes';
import { NodalAnalysis } from './nodalAnalysis';
import { netlist, spiceCards } from './spice';

const ALL = process.env.YARRIX_ALL === '1';
const SEED = Number(process.env.YARRIX_SEED ?? 20261125);
/** Setups of each diagram, and pairs of points in each. */
const [SETUPS, PAIRS] = ALL ? [80, 10] : [10, 6];
/** Networks in one netlist: ngspice slows down fast with more. */
const AT_ONCE = 40;
const chance = chanceFrom(SEED);

/** Any position of every actuator, a wire off now and then with its free end, and mostly one fault. */
function randomNetwork(diagram: Diagram, live: boolean): Network {
  const drawn = live ? poweredSetup(drawnSetup(diagram)) : { ...drawnSetup(diagram), except: [] };
  const actuators = anyPositions(diagram, chance);
  const lifted = chance() < 0.5 ? [oneOf(diagram.wires, chance).from] : [];
  const faults = chance() < 0.7 ? [oneOf(everyFault(diagram), chance)] : [];
  return buildNetwork(diagram, { ...drawn, actuators, lifted }, faults, { warm: live });
}

interface Case {
  name: string;
  network: Network;
  pairs: [number, number][];
}

function cases(live: boolean): Case[] {
  return LIBRARY.flatMap((diagram, d) =>
    Array.from({ length: SETUPS }, (_, s): Case => {
      const network = randomNetwork(diagram, live);
      const point = (): number => Math.floor(chance() * network.nodes.count);
      const pairs = Array.from({ length: PAIRS }, (): [number, number] => [point(), point()]);
      return { name: `d${d}s${s}x`, network, pairs: pairs.filter(([a, b]) => a !== b) };
    }),
  );
}

/** Relative to the larger of both, with the noise of the solver left out. */
const agree = (got: number, wanted: number, floor: number): boolean =>
  Math.abs(got - wanted) <= 1e-4 * Math.max(Math.abs(got), Math.abs(wanted)) + floor;

describe(`built-in diagrams against ngspice, any setup and any fault (seed ${SEED})`, () => {
  it('agrees in ohms, and is exactly open where nothing joins', () => {
    let open = 0;
    const asked: { id: string; ours: number; network: Network; a: number; b: number }[] = [];
    for (const { name, network, pairs } of cases(false)) {
      const there = network.edges.flatMap(({ a, b, nominal }) =>
        nominal === null ? [] : [{ a, b, ohms: nominal }],
      );
      const islandOf = islands(network.nodes.count, there);
      pairs.forEach(([a, b], i) => {
        const ours = effectiveResistance(there, a, b);
        if (islandOf[a] === islandOf[b]) asked.push({ id: `${name}${i}x`, ours, network, a, b });
        else {
          expect(ours).toBe(Infinity);
          open++;
        }
      });
    }
    const apart: object[] = [];
    for (const some of chunks(asked)) {
      const cards = some.flatMap(({ id, network, a, b }) => [
        ...spiceCards(network, id),
        `I${id} ${id}n${b} ${id}n${a} 1`,
      ]);
      const prints = some.map(({ id, a, b }) => `print v(${id}n${a})-v(${id}n${b})`);
      const values = ngspice(cards, ['op', ...prints]);
      some.forEach(({ id, ours }, i) => {
        const result = { id, ours, theirs: values[i] ?? NaN };
        if (!agree(ours, result.theirs, 1e-9)) apart.push(result);
      });
    }
    expect(apart).toEqual([]);
    expect(open).toBeGreaterThan(10);
  });

  it('agrees in volts, alternating and direct, transformers included', () => {
    let seen = 0;
    const apart: object[] = [];
    for (const some of chunks(cases(true))) {
      const cards = some.flatMap(({ name, network }) => spiceCards(network, name));
      const asked = some.flatMap(({ name, network, pairs }) => {
        const solved = new NodalAnalysis(network, (edge) => edge.nominal);
        const kind = network.edges.some((edge) => edge.source?.current === 'dc') ? 'dc' : 'ac';
        const { re, im } = solved[kind];
        return pairs
          .filter(([a, b]) => solved.islandOf[a] === solved.islandOf[b])
          .map(([a, b]) => ({
            name: `v(${name}n${a})-v(${name}n${b})`,
            kind,
            re: (re[a] ?? 0) - (re[b] ?? 0),
            im: (im[a] ?? 0) - (im[b] ?? 0),
          }));
      });
      const ac = asked.filter((each) => each.kind === 'ac');
      const dc = asked.filter((each) => each.kind === 'dc');
      const phasors = ac.flatMap(({ name }) => [`print real(${name})`, `print imag(${name})`]);
      const alternating = ngspice(cards, ['ac lin 1 60 60', ...phasors]);
      const direct = ngspice(cards, ['op', ...dc.map(({ name }) => `print ${name}`)]);
      const check = (ours: (typeof asked)[number], re: number, im: number): void => {
        if (!agree(ours.re, re, 1e-5) || !agree(ours.im, im, 1e-5))
          apart.push({ ...ours, theirs: { re, im } });
        if (Math.abs(ours.re) > 1) seen++;
      };
      ac.forEach((each, i) =>
        check(each, alternating[2 * i] ?? NaN, alternating[2 * i + 1] ?? NaN),
      );
      dc.forEach((each, i) => check(each, direct[i] ?? NaN, 0));
    }
    expect(apart).toEqual([]);
    expect(seen).toBeGreaterThan(50);
  });
});

function* chunks<T>(items: readonly T[]): Generator<T[]> {
  for (let i = 0; i < items.length; i += AT_ONCE) yield items.slice(i, i + AT_ONCE);
}

it('a netlist says of every node which terminal it is, and leaves out what may be open', () => {
  const burner = LIBRARY.find((each) => each.id === 'coil-burner');
  if (!burner) throw new Error('no burner');
  const low: Setup = { ...poweredSetup(drawnSetup(burner)), actuators: { knob: 'low' } };
  const network = buildNetwork(burner, low);
  const lines = netlist(burner, network).split('\n');
  expect(lines[0]).toBe(`${burner.name} (coil-burner)`);
  for (const [ref, node] of network.nodes.of) expect(lines).toContain(`* n${node} is ${ref}`);
  for (const [ref, node] of network.nodes.endOf)
    expect(lines).toContain(`* n${node} is the wires at ${ref}`);
  const left = network.edges.filter((edge) => edge.nominal === null);
  expect(left.length).toBeGreaterThan(0);
  for (const { owner, key, unsure } of left)
    expect(lines).toContain(`* ${owner} ${key}: ${unsure}, left out`);
  const cards = lines.filter((line) => line.startsWith('R'));
  expect(cards).toHaveLength(network.edges.length - left.length);
  const [a, b] = [nodeOf(network.nodes, 'coil.a'), nodeOf(network.nodes, 'coil.b')];
  expect(cards.some((card) => card.includes(` n${a} n${b} `))).toBe(true);
});
