import { LIBRARY } from '../../library/library';
import { showingOf } from '../drawing/showing';
import type { Diagram } from '../diagram/diagram';
import { splitRef } from '../diagram/terminal';
import type { Stand } from './run';
import { linePaths, type LinePath } from './linePath';
import { UseRuns } from './useRuns';

const goodRun = (diagram: Diagram) => new UseRuns(diagram).of([]);
const written = ({ ways }: LinePath): string =>
  ways
    .map(({ kind, owner, from, to }) =>
      kind === 'wire' ? owner : `${from}>${splitRef(to).terminal}`,
    )
    .join(' ');

const pathsOf = (id: string, load: string): string[] => {
  const diagram = LIBRARY.find((each) => each.id === id);
  if (!diagram) throw new Error(`no ${id}`);
  return linePaths(diagram, goodRun(diagram))
    .filter((each) => each.load === load)
    .map(written);
};

describe('the line through a load', () => {
  test('goes from the hot side through what is closed while the load works, one line for each way of working', () => {
    expect(pathsOf('top-load-washer', 'drive')).toEqual([
      'w1 timer.L>AG w4 drive.G>N w7',
      'w1 timer.L>SP w2 lid-switch.A1>A2 w3 drive.S>N w7',
    ]);
  });

  test('of a heater between two legs it goes from leg to leg, and in a transformer from end to end', () => {
    expect(pathsOf('electric-dryer', 'element')[0]).toMatch(/^w1 block.L1>K1 .*element.a>b .* w3$/);
    expect(pathsOf('gas-furnace', 'valve')[0]).toMatch(
      /^feed1 fuse.a>b .*draft-switch.a>b .*feed3$/,
    );
  });

  test('a board asks in a loop of its own, through what it senses', () => {
    expect(pathsOf('lid-lock-washer', 'board').slice(1)).toEqual([
      'w18 lid-switch.1>2 w19',
      'w20 level-switch.1>2 w21',
    ]);
  });

  // The solver of the circuit (checked against ngspice) finds the same: what is on the line carries current.
  test.each(LIBRARY.map((diagram): [string, Diagram] => [diagram.id, diagram]))(
    '%s: every way of a line carries current while its load works, and no terminal is met twice',
    (_, diagram) => {
      const good = goodRun(diagram);
      const paths = linePaths(diagram, good);
      for (const { load, moments, ways } of paths) {
        const points = [ways[0]?.from, ...ways.map(({ to }) => to)];
        expect(new Set(points).size).toBe(points.length);
        ways.slice(1).forEach(({ from }, i) => expect(from).toBe(ways[i]?.to));
        const working = moments.map((steps) =>
          (good.courses.get(steps)?.stands ?? []).filter(
            ({ loads }) => (loads[load] ?? 'off') !== 'off',
          ),
        );
        const dead = (stand: Stand): string[] => {
          const { flows } = showingOf(diagram, stand);
          return ways
            .filter(
              ({ kind, owner, key }) => !flows.has(kind === 'wire' ? owner : `${owner}.${key}`),
            )
            .map(({ owner, key }) => `${load}: ${owner}.${key}`);
        };
        for (const stands of working) expect(stands.map(dead)).toContainEqual([]);
      }
      const worked = [...good.courses.values()].flatMap(({ stands }) =>
        stands.flatMap(({ loads }) => Object.keys(loads).filter((id) => loads[id] === 'runs')),
      );
      const loads = diagram.parts.flatMap(({ id, kind }) =>
        kind === 'load' && worked.includes(id) ? [id] : [],
      );
      expect(loads.filter((id) => !paths.some(({ load }) => load === id))).toEqual([]);
    },
  );
});
