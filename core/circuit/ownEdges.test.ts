import { LIBRARY } from '../../library/library';
import { chanceFrom, oneOf } from '../chance';
import type { Diagram } from '../diagram/diagram';
import { drawnSetup, poweredSetup, type Setup } from '../diagram/setup';
import { everyFault } from '../fault/faultList';
import { anyPositions } from '../simulate/anyPositions';
import { buildNetwork } from './network';
import type { WorkingState } from './partEdges';

const SEED = Number(process.env.YARRIX_SEED ?? 20261202);
const chance = chanceFrom(SEED);
const anyOf = <T>(items: readonly T[]): T => oneOf(items, chance);
const some = (ids: readonly string[]): Set<string> => new Set(ids.filter(() => chance() < 0.4));

function anySetup(diagram: Diagram): Setup {
  const drawn = chance() < 0.5 ? drawnSetup(diagram) : poweredSetup(drawnSetup(diagram));
  return { ...drawn, actuators: anyPositions(diagram, chance) };
}

function anyWorkingState(diagram: Diagram): WorkingState {
  const moved = diagram.parts.flatMap((part) =>
    part.kind === 'switch' && chance() < 0.2
      ? [[part.id, anyOf(part.table.rows).position] as const]
      : [],
  );
  const ids = diagram.parts.map(({ id }) => id);
  return {
    warm: chance() < 0.5,
    ...(chance() < 0.5 && { stalled: some(ids) }),
    ...(chance() < 0.5 && { paused: some(ids) }),
    ...(chance() < 0.5 && { positions: new Map(moved) }),
  };
}

// The ways inside a part are built once for each state of it: none of them may answer for another.
it.each(LIBRARY.map((each) => [each.id, each] as const))(
  `a network of %s is the same whatever was asked before it (seed ${SEED})`,
  (_id, diagram) => {
    const faults = everyFault(diagram);
    // Few of each, so that they come again together with others.
    const setups = Array.from({ length: 3 }, () => anySetup(diagram));
    const states = Array.from({ length: 6 }, () => anyWorkingState(diagram));
    const owner = anyOf(diagram.parts).id;
    const few = [
      ...faults.filter((each) => 'part' in each && each.part === owner).slice(0, 4),
      ...Array.from({ length: 4 }, () => anyOf(faults)),
    ];
    for (let round = 0; round < 40; round++) {
      const setup = anyOf(setups);
      const working = anyOf(states);
      const first = anyOf(few);
      const second = anyOf(few);
      const put =
        chance() < 0.2 ? [] : chance() < 0.5 || first === second ? [first] : [first, second];
      const kept = buildNetwork(diagram, setup, put, working);
      const anew = buildNetwork({ ...diagram }, setup, put, working);
      expect(kept.edges).toEqual(anew.edges);
    }
  },
);
