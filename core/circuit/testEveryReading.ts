import { chanceFrom } from '../chance';
import type { Diagram } from '../diagram/diagram';
import { drawnSetup, type Setup } from '../diagram/setup';
import type { Fault } from '../fault/fault';
import { everyFault } from '../fault/faultList';
import { effectiveResistance } from './effectiveResistance';
import { OhmTable } from './fastTable';
import { buildNetwork } from './network';

export const SEED = Number(process.env.YARRIX_SEED ?? 20261125);

/** The same readings one by one, by building the network anew. */
const slow = (diagram: Diagram, setup: Setup, faults: readonly Fault[]) => {
  const { edges } = buildNetwork(diagram, setup, faults, { warm: false });
  return edges.flatMap(({ a, b, nominal }) => (nominal === null ? [] : [{ a, b, ohms: nominal }]));
};

/**
 * Siemens that opening a contact of a hundredth of an ohm may leave in its place: what is taken off is of
 * that size over the precision of a double. Ten gigohm are open to any meter.
 */
const OPENED = 1e-10;

/** The law of the fast table, over any units: it reads what the network built anew reads. */
export function testEveryReading(diagrams: readonly Diagram[]): void {
  describe.each(diagrams.map((each) => [each.id, each] as const))('table of %s', (_id, diagram) => {
    it(`has every reading of every fault and of pairs of faults (seed ${SEED})`, () => {
      const chance = chanceFrom(SEED);
      const some = <T>(items: readonly T[]): T[] =>
        items.length ? [items[Math.floor(chance() * items.length)] as T] : [];
      const singles = everyFault(diagram);
      for (let round = 0; round < 3; round++) {
        const setup = drawnSetup(diagram);
        for (const actuator of diagram.actuators) {
          if (actuator.kind === 'quantity')
            setup.actuators[actuator.id] = { value: chance() * 300 };
          else for (const at of some(actuator.positions)) setup.actuators[actuator.id] = at.id;
        }
        setup.lifted = round === 2 ? some(diagram.wires).map((wire) => wire.from) : [];
        const pairs = Array.from({ length: 60 }, () => [...some(singles), ...some(singles)]);
        const faults = [...singles.map((each) => [each]), ...pairs];
        const table = new OhmTable(diagram, setup, faults);
        const row = new Float64Array(table.pairs);
        [[], ...faults].forEach((each, i) => {
          table.row(i, row);
          const edges = slow(diagram, setup, each);
          for (let k = 0; k < 8; k++) {
            const a = Math.floor(chance() * table.nodes.count);
            const b = Math.floor(chance() * table.nodes.count);
            if (a === b) continue;
            const wanted = effectiveResistance(edges, a, b);
            const got = row[table.pair(a, b)] ?? NaN;
            const near =
              got === wanted ||
              Math.abs(got - wanted) <= 1e-6 * wanted ||
              Math.abs(1 / got - 1 / wanted) <= OPENED;
            expect({ each, a, b, got, wanted, near }).toMatchObject({ near: true });
          }
        });
      }
    });
  });
}
