import { builtIn } from '../../library/library';
import { sayPoint, sayPoints, sayTerminals } from './point';

const washer = builtIn('top-load-washer');
if (!washer) throw new Error('no washer');

it('says points by what is stamped beside them and the names of their parts', () => {
  expect(sayPoints(washer, 'lid-switch.A1', 'lid-switch.A2')).toBe('A1 to A2 of Lid switch');
  expect(sayPoints(washer, 'timer.SP', 'lid-switch.A1:wire')).toBe(
    'SP of Timer to the wire off A1 of Lid switch',
  );
  expect(sayTerminals(washer, ['lid-switch.A1', 'lid-switch.A2', 'timer.L'])).toBe(
    'A1 and A2 of Lid switch, L of Timer',
  );
  const labelled = {
    ...washer,
    parts: washer.parts.map((part) =>
      part.id === 'timer' ? { ...part, terminals: [{ id: 'SP', label: '16' }] } : part,
    ),
  };
  expect(sayPoint(labelled, 'timer.SP')).toBe('16 of Timer');
  // What the diagram has not is said as it was written.
  expect(sayPoint(washer, 'nowhere.X')).toBe('nowhere.X');
});
