import { builtIn, LIBRARY } from '../../library/library';
import { sayNewPart } from './newPart';

const said = (id: string, part: string): string => {
  const diagram = builtIn(id);
  if (!diagram) throw new Error(id);
  return sayNewPart(diagram, part).join('\n');
};

it('says of every part how a new one is proved, in its own words where it has some', () => {
  for (const diagram of LIBRARY)
    for (const { id } of diagram.parts)
      expect(sayNewPart(diagram, id).at(-1) ?? `${diagram.id} ${id}`).toMatch(
        /^Proved by: [A-Z].*\.$/,
      );
  expect(said('countertop-microwave', 'monitor')).toMatch(/blades of the plug/);
  expect(said('countertop-microwave', 'cord')).toBe('');
});

it('goes by what moves a switch: a limit by its figures, a knob by its shaft, a sealed relay by volts', () => {
  expect(said('gas-furnace', 'limit')).toMatch(/plenum measured/);
  expect(said('gas-furnace', 'blower-contact')).toMatch(/Proved by: Volts across/);
  expect(said('gas-furnace', 'draft-switch')).toMatch(/Putting it in: .*hose/);
  expect(said('coil-burner', 'block')).toMatch(/^Change or look at with it: Coil element, 8 in\./);
  expect(said('coil-burner', 'infinite')).toMatch(/Proved by: At OFF/);
});
