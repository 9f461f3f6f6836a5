import { builtIn } from '../../library/library';
import type { ReadingEvidence } from '../call/evidence';
import { drawnSetup } from '../diagram/setup';
import { ORDINARY_METER } from '../meter/meter';
import { sayBackOn, sayDuringReading } from './duringReading';

const burner = builtIn('coil-burner');
const dryer = builtIn('electric-dryer');
if (!burner || !dryer) throw new Error('no unit');
const drawn = { ...drawnSetup(burner), except: [] };
const off = { ...drawn, lifted: ['infinite.L2' as const, 'infinite.H2' as const] };
const read: ReadingEvidence = {
  kind: 'reading',
  id: 'r',
  from: 'infinite.L2',
  to: 'infinite.H2',
  setup: off,
  shows: { kind: 'over' },
  taken: { meter: ORDINARY_METER },
  of: 'unit',
  wiggle: false,
};

it('says which wires go back before a reading with wires on, and none for one that leaves them off', () => {
  const none = new Set<string>();
  expect(sayBackOn(burner, drawn, [], none)).toBeUndefined();
  expect(sayBackOn(burner, off, [read], none)).toBeUndefined();
  expect(sayBackOn(burner, drawn, [read], none)).toMatch(/L2 and H2 of Infinite switch/);
  expect(sayBackOn(burner, drawn, [], new Set(['infinite']))).toMatch(/Infinite switch/);
  // What is off already, and stays off, is not said.
  expect(sayBackOn(burner, off, [], new Set(['infinite']))).toBeUndefined();
});

it('says how a tab lets go with the colours, and who holds a button', () => {
  expect(sayDuringReading(burner, drawn)).toEqual([]);
  expect(sayDuringReading(burner, off).join()).toMatch(/L2 RD, H2 YE.*tongue/);
  const held = dryer.actuators.find(({ kind }) => kind === 'momentary');
  if (held?.kind !== 'momentary') throw new Error('no button');
  const pressed = held.positions.find(({ id }) => id !== held.rest)?.id ?? '';
  const setup = drawnSetup(dryer);
  const holding = { ...setup, actuators: { ...setup.actuators, [held.id]: pressed } };
  expect(sayDuringReading(dryer, holding).join()).toMatch(/held all the while/);
});
