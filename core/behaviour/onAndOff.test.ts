import { builtIn } from '../../library/library';
import { outcomeByClock, shareOn } from './onAndOff';

const burner = builtIn('coil-burner');
if (!burner) throw new Error('no burner');
const low = 'knob=low,wait=120';
const high = 'knob=high,wait=60';

describe('a load that a clock is held to (common practice)', () => {
  it('cycles, never pauses, is only warm or stays off, as a good unit would not', () => {
    const coil = (steps: string, on: number, off: number) =>
      outcomeByClock(burner, steps, 'coil', { on, off });
    expect(coil(low, 5, 25)).toBe('cycles');
    expect(coil(low, 300, 0)).toBe('never-pauses');
    expect(coil(low, 0, 300)).toBe('off');
    expect(coil(high, 300, 0)).toBe('runs');
    // What should be on all the time and comes and goes gives less heat.
    expect(coil(high, 5, 25)).toBe('weak');
    expect(coil(low, 0, 0)).toBeUndefined();
    expect(coil('nonsense', 5, 25)).toBeUndefined();
    expect(shareOn({ on: 5, off: 25 })).toBeCloseTo(1 / 6, 12);
  });
});
