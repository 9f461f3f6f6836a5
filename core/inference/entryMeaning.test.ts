import { builtIn } from '../../library/library';
import type { Evidence, ReadingEvidence } from '../call/evidence';
import { drawnSetup } from '../diagram/setup';
import { ORDINARY_METER } from '../meter/meter';
import { beliefState } from './beliefState';
import { movedBy, saysOf } from './entryMeaning';
import { preparedUnit } from '../../tools/preparations/preparedUnit';

const washer = builtIn('top-load-washer');
if (!washer) throw new Error('no washer');
const predictor = preparedUnit(washer).predictor;
const read = (
  from: ReadingEvidence['from'],
  to: ReadingEvidence['to'],
  shows: ReadingEvidence['shows'],
  more: Partial<ReadingEvidence> = {},
): ReadingEvidence => ({
  kind: 'reading',
  id: 'r',
  from,
  to,
  setup: { ...drawnSetup(washer), except: [], lifted: [from] },
  shows,
  taken: { meter: ORDINARY_METER },
  of: 'unit',
  wiggle: false,
  ...more,
});
const dead: Evidence = {
  kind: 'statement',
  id: 'c',
  source: 'told',
  steps: 'timer=wash,wait=30',
  subject: 'drive',
  outcome: 'off',
};
const says = (entry: Evidence) => saysOf(predictor, entry, beliefState(predictor, [dead, entry]));
const ohms = (value: number) => ({ kind: 'ohms', ohms: value, resolution: 0.1 }) as const;

describe('what an entry says', () => {
  it('is as it should be, not as it should be, or nothing', () => {
    const lid = { kind: 'over' } as const;
    expect(says(read('lid-switch.A1', 'lid-switch.A2', ohms(0.3)))).toBe('as-it-should-be');
    expect(says(read('lid-switch.A1', 'lid-switch.A2', lid))).toBe('not-as-it-should-be');
    expect(says(dead)).toBe('not-as-it-should-be');
    expect(says({ ...dead, outcome: 'runs' })).toBe('as-it-should-be');
    // With its wire off, the plug reads the same whatever is wrong behind it.
    expect(says(read('cord.L', 'cord.N', lid))).toBe('does-not-tell');
    expect(says({ kind: 'act', id: 'a', part: 'timer', act: 'tap' })).toBeUndefined();
  });

  it('moves suspects by how much of the doubt they take, not by a factor of next to nothing', () => {
    const open = read('lid-switch.A1', 'lid-switch.A2', { kind: 'over' });
    const state = beliefState(predictor, [dead, open]);
    const moved = movedBy(state, 1);
    expect(moved[0]?.id).toBe('lid-switch');
    expect(moved[0]?.is).toBeCloseTo(state.suspects[0]?.probability ?? 0, 12);
    const changes = moved.map(({ was, is }) => Math.abs(is - was));
    expect(changes).toEqual([...changes].sort((a, b) => b - a));
    expect(movedBy(state, 2)).toEqual([]);
  });
});
