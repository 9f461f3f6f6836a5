import { builtIn, LIBRARY } from '../../library/library';
import { newPart } from './newPart';

it('says of every part how it is put in or proved, in its own words where it has some', () => {
  for (const diagram of LIBRARY)
    for (const { id } of diagram.parts)
      expect(newPart(diagram, id)?.provedBy ?? `${diagram.id} ${id}`).toMatch(/^[A-Z].*\.$/);
  const oven = builtIn('countertop-microwave');
  if (!oven) throw new Error('no oven');
  expect(newPart(oven, 'monitor')?.provedBy).toMatch(/blades of the plug/);
  expect(newPart(oven, 'cord')).toBeUndefined();
});

it('goes by what moves a switch: a limit by its figures, a knob by its shaft, a sealed relay by volts', () => {
  const furnace = builtIn('gas-furnace');
  if (!furnace) throw new Error('no furnace');
  expect(newPart(furnace, 'limit')?.provedBy).toMatch(/plenum measured/);
  expect(newPart(furnace, 'blower-relay')?.provedBy).toMatch(/^Volts across/);
  expect(newPart(furnace, 'draft-switch')?.mounting).toMatch(/hose/);
  const burner = builtIn('coil-burner');
  if (!burner) throw new Error('no burner');
  const [block] = newPart(burner, 'block')?.bought ?? [];
  expect(block).toBe('Change or look at with it: Coil element, 8 in.');
  expect(newPart(burner, 'infinite')?.provedBy).toMatch(/^At OFF/);
});
