import { builtIn } from '../../library/library';
import { supplyChecks } from './supplyCheck';

const checksOf = (id: string) => {
  const diagram = builtIn(id);
  if (!diagram) throw new Error(id);
  return supplyChecks(diagram).flatMap(({ pairs }) =>
    pairs.map(({ from, to, usual, standard }) => [
      `${from} ${to}`,
      [usual.low, usual.high].map(Math.round),
      standard && [standard.low, standard.high].map(Math.round),
    ]),
  );
};

describe('what is checked of a supply', () => {
  // ANSI C84.1 range A, from memory: 114 to 126 V and 228 to 252 V at the service.
  test('leg to leg comes before each leg to neutral, with the trade’s band and the standard’s', () => {
    expect(checksOf('electric-dryer')).toEqual([
      ['feed.L1 feed.L2', [216, 264], [228, 252]],
      ['feed.L1 feed.N', [108, 132], [114, 126]],
      ['feed.L2 feed.N', [108, 132], [114, 126]],
    ]);
  });

  test('a millivolt source has one pair and no standard', () => {
    expect(checksOf('millivolt-fireplace').map(([pair, , standard]) => [pair, standard])).toEqual([
      [expect.stringMatching(/^thermopile\./), undefined],
    ]);
  });
});
