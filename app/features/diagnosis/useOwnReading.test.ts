import { act, renderHook } from '@testing-library/react-native';
import { builtIn } from '../../../library/library';
import { useOwnReading } from './useOwnReading';
import type { Work } from './useWork';

const diagram = builtIn('top-load-washer');
if (!diagram) throw new Error('no washer');
type At = Parameters<typeof useOwnReading>[0];
const at = (safe: boolean, jumper?: Work['jumper']): At => ({
  call: { diagram },
  safe,
  meterProved: true,
  jumper,
});
const hold = (first: At) => renderHook((each: At) => useOwnReading(each), { initialProps: first });
const jumper: Work['jumper'] = { between: ['timer.L', 'timer.SP'], tried: false };

describe('a reading of one’s own', () => {
  it('is taken once both points are said, dead and proved, and with no jumper on', () => {
    const { result, rerender } = hold(at(false));
    act(() => result.current.point('lid-switch.A1'));
    expect(result.current.test).toBeUndefined();
    act(() => result.current.point('lid-switch.A2'));
    expect(result.current.test).toMatchObject({ kind: 'ohm', reach: 'own' });
    expect(result.current.ready).toBeUndefined();
    rerender(at(true));
    expect(result.current.ready).toBe(result.current.test);
    rerender(at(true, jumper));
    expect(result.current.ready).toBeUndefined();
  });

  it('is live only by the script, and whatever is said anew has to be made safe anew', () => {
    const { result } = hold(at(true));
    act(() => result.current.say({ points: ['timer.L', 'cord.N'], live: 'timer=wash' }));
    expect(result.current.test).toMatchObject({ kind: 'volt', steps: 'timer=wash' });
    expect(result.current.ready).toBeUndefined();
    act(() => result.current.say({ clear: true }));
    expect(result.current.ready).toBe(result.current.test);
    act(() => result.current.say({ live: 'timer=spin' }));
    expect(result.current.ready).toBeUndefined();
  });
});
