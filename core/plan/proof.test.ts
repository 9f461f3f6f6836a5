import * as fc from 'fast-check';
import { LIBRARY } from '../../library/library';
import { cellState } from '../diagram/contactTable';
import type { Diagram, SwitchPart } from '../diagram/diagram';
import { drawnSetup, switchPosition } from '../diagram/setup';
import { switches } from '../diagram/terminal';
import { bigSelector } from '../../library/madeUp/bigSelector';
import { coldPositions, proofOf } from './proof';
import { fewestMoves, moves, totalMoves } from './route';

const SEED = 20261124;
const all: [string, Diagram, SwitchPart][] = LIBRARY.flatMap((diagram) =>
  switches(diagram).map((part): [string, Diagram, SwitchPart] => [
    `${diagram.id} ${part.id}`,
    diagram,
    part,
  ]),
);

describe.each(all)('proof of %s', (_name, diagram, part) => {
  const positions = coldPositions(diagram, part);
  const has = (contact: string, state: string) =>
    positions.some((at) => cellState(part, contact, at) === state);

  it('quick: sees every contact closed and open once each', () => {
    const steps = proofOf(diagram, part, 'quick');
    const wanted = part.contacts.flatMap(({ id }) =>
      ['closed', 'open'].filter((state) => has(id, state)),
    );
    expect(steps).toHaveLength(wanted.length);
    for (const { shows, position } of steps) {
      if (shows.kind === 'cell') expect(cellState(part, shows.contact, position)).toBe(shows.state);
    }
  });

  it('full: sees every sure cell and every pair that must never connect', () => {
    const steps = proofOf(diagram, part, 'full');
    const cells = steps
      .filter((step) => step.shows.kind === 'cell')
      .map((step) => JSON.stringify([step.shows, step.position]));
    const sure = positions.flatMap((at) =>
      part.contacts.filter(({ id }) => cellState(part, id, at) !== 'either'),
    );
    expect(new Set(cells).size).toBe(sure.length);
    for (const step of steps) expect(step.setup.lifted).toEqual(steps[0]?.setup.lifted);
  });

  it('asks for nothing that only power, heat or pressure brings about', () => {
    const drawn = drawnSetup(diagram);
    for (const { setup, position } of proofOf(diagram, part, 'full')) {
      expect(setup.power).toBe('off');
      for (const { id, kind } of diagram.actuators)
        if (kind === 'driven' || kind === 'quantity')
          expect([id, setup.actuators[id]]).toEqual([id, drawn.actuators[id]]);
      expect(switchPosition(setup, part) ?? part.free).toBe(position);
      if (part.handless) expect(setup.byHand).toEqual({});
    }
  });
});

const stop = fc.record({
  pair: fc.constantFrom<[string, string]>(
    ['C', '1'],
    ['C', '2'],
    ['C', '3'],
    ['1', '2'],
    ['2', '3'],
  ),
  position: fc.constantFrom('a', 'b', 'c'),
});

it('finds the order with the fewest moves', () => {
  const permutations = <T>(items: T[]): T[][] =>
    items.length < 2
      ? [items]
      : items.flatMap((item, i) =>
          permutations(items.filter((_, j) => j !== i)).map((rest) => [item, ...rest]),
        );
  fc.assert(
    fc.property(fc.array(stop, { minLength: 1, maxLength: 6 }), (stops) => {
      const [first, ...rest] = stops;
      if (!first) return;
      const least = Math.min(...permutations(rest).map((order) => totalMoves([first, ...order])));
      expect(totalMoves(fewestMoves(stops))).toBe(least);
    }),
    { seed: SEED, numRuns: 100 },
  );
});

it('loses no reading of a long proof and never makes the way longer', () => {
  fc.assert(
    fc.property(fc.array(stop, { minLength: 12, maxLength: 30 }), (stops) => {
      const order = fewestMoves(stops);
      expect([...order].sort(byText)).toEqual([...stops].sort(byText));
      expect(totalMoves(order)).toBeLessThanOrEqual(totalMoves(stops));
    }),
    { seed: SEED, numRuns: 40 },
  );
  expect(moves({ pair: ['C', '1'], position: 'a' }, { pair: ['1', 'C'], position: 'a' })).toBe(0);
});

const byText = (a: object, b: object): number => JSON.stringify(a).localeCompare(JSON.stringify(b));

it(`a way that is improved is within 5 in 100 of the fewest moves, where these can be found (seed ${SEED})`, () => {
  let [improved, exact] = [0, 0];
  for (let seed = SEED; seed < SEED + 40; seed++) {
    const diagram = bigSelector(5, 4, seed);
    const [part] = switches(diagram);
    if (!part) throw new Error('no selector');
    const steps = proofOf(diagram, part, 'full')
      .map(({ from, to, position }) => ({ pair: [from, to] as [string, string], position }))
      .slice(0, 11);
    // From another order than the best, so that there is something to improve.
    const mixed = [steps[0], ...steps.slice(1).sort(byText).reverse()].flatMap(
      (each) => each ?? [],
    );
    improved += totalMoves(fewestMoves(mixed, 0));
    exact += totalMoves(fewestMoves(mixed));
  }
  expect(exact).toBeGreaterThan(300);
  expect(improved / exact).toBeLessThanOrEqual(1.05);
});
