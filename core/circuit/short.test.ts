import { builtIn } from '../../library/library';
import type { Actuator } from '../diagram/diagram';
import { drawnSetup } from '../diagram/setup';
import { everySetup } from './short';

it('looks at every combination of what a hand or a load moves, and at no more than can be looked at', () => {
  const diagram = builtIn('gas-furnace');
  if (!diagram) throw new Error('no furnace');
  const drawn = drawnSetup(diagram);
  const toggle = (id: string): Actuator => ({
    id,
    name: id,
    kind: 'hand',
    shape: 'knob',
    positions: [
      { id: 'up', name: 'Up' },
      { id: 'down', name: 'Down' },
    ],
  });
  const quantities = diagram.actuators.filter(({ kind }) => kind === 'quantity');
  expect(quantities.length).toBeGreaterThan(0);
  const names = Array.from({ length: 9 }, (_, i) => `t${i}`);
  const setups = everySetup(
    { ...diagram, actuators: [...quantities, ...names.map(toggle)] },
    drawn,
  );
  const seen = new Set(setups.map(({ actuators }) => names.map((id) => actuators[id]).join()));
  // Two to the eighth: the ninth is as drawn, and so is every quantity.
  expect([setups.length, seen.size]).toEqual([256, 256]);
  expect(setups.every(({ actuators }) => actuators['t8'] === undefined)).toBe(true);
  for (const { id } of quantities)
    expect(new Set(setups.map(({ actuators }) => actuators[id])).size).toBe(1);
});
