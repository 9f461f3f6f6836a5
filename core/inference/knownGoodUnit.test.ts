import { builtIn } from '../../library/library';
import { drawnSetup } from '../diagram/setup';
import { ORDINARY_METER } from '../meter/meter';
import type { Evidence, ReadingEvidence } from '../call/evidence';
import { preparedUnit } from '../../tools/preparations/preparedUnit';

const washer = builtIn('top-load-washer');
if (!washer) throw new Error('no washer');
const diagnosis = preparedUnit(washer);
const runs: Evidence = {
  kind: 'statement',
  id: 'runs',
  source: 'seen',
  steps: 'timer=wash,wait=30,timer=spin,wait=30',
  subject: 'drive',
  outcome: 'runs',
};
const reading = (
  id: string,
  of: ReadingEvidence['of'],
  shows: ReadingEvidence['shows'],
): ReadingEvidence => ({
  kind: 'reading',
  id,
  from: 'lid-switch.A1',
  to: 'lid-switch.A2',
  setup: {
    ...drawnSetup(washer),
    except: [],
    lifted: ['lid-switch.A2'],
    byHand: { 'lid-switch': 'closed' },
  },
  shows,
  taken: { meter: ORDINARY_METER },
  of,
  wiggle: false,
});
const over = reading('odd', 'unit', { kind: 'over' });

describe('a reading of a good twin (common practice)', () => {
  it('says nothing of this unit by itself', () => {
    const twin = reading('twin', 'twin', { kind: 'over' });
    expect(diagnosis.of([runs, twin]).state.probabilities).toEqual(
      diagnosis.of([runs]).state.probabilities,
    );
  });

  it('proves leads, setup and expectation: the odd reading needs no second look any more', () => {
    expect(diagnosis.of([runs, over]).secondLook?.entry).toBe('odd');
    const proved = diagnosis.of([runs, over, reading('twin', 'twin', { kind: 'ohms', ohms: 0.2 })]);
    expect(proved.secondLook).toBeUndefined();
    expect(proved.oddTwins).toEqual([]);
  });

  it('that shows the same odd thing takes the reading out, until it is read again as it should be', () => {
    const without = diagnosis.of([runs]).state.probabilities;
    const odd = diagnosis.of([runs, over, reading('twin', 'twin', { kind: 'over' })]);
    expect(odd.oddTwins).toEqual(['twin']);
    expect(odd.state.probabilities).toEqual(without);
    const settled = diagnosis.of([
      runs,
      over,
      reading('twin', 'twin', { kind: 'over' }),
      reading('twin again', 'twin', { kind: 'ohms', ohms: 0.2 }),
    ]);
    expect(settled.oddTwins).toEqual([]);
    expect(settled.state.probabilities).not.toEqual(without);
  });
});
