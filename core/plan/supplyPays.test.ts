import { builtIn } from '../../library/library';
import { beliefState } from '../inference/beliefState';
import { UnitPredictor } from '../inference/unitPredictor';
import { ORDINARY_METER } from '../meter/meter';
import { supplyPays } from './supplyPays';

const washer = builtIn('top-load-washer');
if (!washer) throw new Error('no washer');

describe('a look at what feeds a unit', () => {
  it('pays where it saves more minutes than it takes, and only for what is a supply', () => {
    const at = (id: string, probability: number, expected: number) =>
      supplyPays(washer, [{ id, probability }], expected);
    const [supply] = washer.supplies;
    expect(at(supply?.id ?? '', 0.2, 20)).toBeCloseTo(0.2, 12);
    expect(at(supply?.id ?? '', 0.2, 5)).toBeUndefined();
    expect(at('lid-switch', 0.9, 20)).toBeUndefined();
  });

  it('pays on a unit of which nothing works at all (common practice)', () => {
    const predictor = new UnitPredictor(washer, ORDINARY_METER);
    const dead = ['drive', 'timer-motor'].map((subject) => ({
      kind: 'statement' as const,
      id: subject,
      source: 'seen' as const,
      steps: 'timer=wash,wait=30',
      subject,
      outcome: 'off' as const,
    }));
    const { suspects } = beliefState(predictor, dead);
    expect(supplyPays(washer, suspects, 12)).toBeGreaterThan(0.125);
    expect(supplyPays(washer, beliefState(predictor, []).suspects, 12)).toBeUndefined();
  });
});
