import { builtIn } from '../../library/library';
import type { ReadingEvidence } from '../call/evidence';
import { drawnSetup, poweredSetup } from '../diagram/setup';
import { ORDINARY_METER } from '../meter/meter';
import { loopShares } from './loopShares';

const fire = builtIn('millivolt-fireplace');
if (!fire) throw new Error('no fireplace');
const over = (part: string, shows: ReadingEvidence['shows']): ReadingEvidence => ({
  kind: 'reading',
  id: part,
  from: `${part}.a`,
  to: `${part}.b`,
  setup: shows.kind === 'volts' ? poweredSetup(drawnSetup(fire)) : drawnSetup(fire),
  shows,
  taken: { meter: ORDINARY_METER },
  of: 'unit',
  wiggle: false,
});
const ohms = (value: number) => ({ kind: 'ohms', ohms: value }) as const;

// Common practice: at most 80 mV in all with the burner drawing; at 0.09 A that is 0.89 ohm.
it('judges a loop by its sum, and names what to do first until the rest is within it', () => {
  const read = [
    over('wall-switch', ohms(0.7)),
    over('thermostat', ohms(1.0)),
    // 36 mV at 90 mA: the live reading is the later one.
    over('limit', ohms(5)),
    over('limit', { kind: 'volts', volts: 0.036 }),
  ];
  const sum = loopShares(fire, 'thermopile', read);
  expect(sum?.budget).toBeCloseTo(0.08 / 0.09, 9);
  expect(sum?.shares.map(({ part, read: was }) => [part, was])).toEqual([
    ['thermostat', true],
    ['wall-switch', true],
    ['limit', true],
    ['vent-switch', false],
  ]);
  // 0.8, 0.5 and 0.4 ohm less the leads, and a sound one: 1.73; without the thermostat's 0.96.
  expect(sum?.ohms).toBeCloseTo(1.73, 2);
  expect(sum?.toDo.map(({ part }) => part)).toEqual(['thermostat', 'wall-switch']);
  expect(loopShares(fire, 'thermopile', [])?.toDo).toEqual([]);
  expect(loopShares(fire, 'mains', [])).toBeUndefined();
});
