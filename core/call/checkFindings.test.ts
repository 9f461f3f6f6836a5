import { builtIn } from '../../library/library';
import { inCheck } from './checkFindings';
import { CHECKS, CHECK_FIGURES, isOfOne, isWithin, type Checked } from './closingCheck';

const washer = builtIn('top-load-washer');
if (!washer) throw new Error('no washer');

const findings = (checked: Checked): string[] => {
  const found: string[] = [];
  inCheck(washer, checked, (path, message) => found.push(`${path}: ${message}`));
  return found;
};

describe('a check before a unit is handed back', () => {
  it('is taken where all is said', () => {
    expect(findings({ check: 'safety', of: 'lid', outcome: 'right', grade: 'run' })).toEqual([]);
    expect(findings({ check: 'corner', of: 'drive', outcome: 'wrong' })).toEqual([]);
    expect(findings({ check: 'cycles', of: 'lid-switch', outcome: 'right', value: 3 })).toEqual([]);
    expect(findings({ check: 'draft', outcome: 'right', value: -0.03 })).toEqual([]);
    expect(findings({ check: 'covers', outcome: 'right' })).toEqual([]);
  });

  it('is of one part or control of this unit where there are several, and of the whole unit else', () => {
    for (const check of CHECKS) {
      const named = findings({ check, of: 'lid', outcome: 'not-done' });
      const bare = findings({ check, outcome: 'not-done' });
      expect([named.length, bare.length]).toEqual(isOfOne(check) ? [0, 1] : [1, 0]);
      expect([...named, ...bare][0]).toMatch(
        isOfOne(check) ? /^\/of: say which part/ : /^\/of: .*leave it out/,
      );
    }
    expect(findings({ check: 'corner', of: 'pump', outcome: 'wrong' })).toEqual([
      '/of: there is no part or control "pump"',
    ]);
  });

  it('has how it was tried of a safety switch that is right, and of nothing else', () => {
    const [how] = findings({ check: 'safety', of: 'lid', outcome: 'right' });
    expect(how).toMatch(/^\/grade: say how it was tried: finger, actuator, run/);
    // What does not stop the unit, or was not tried, was tried in no way that would count.
    expect(findings({ check: 'safety', of: 'lid', outcome: 'wrong' })).toEqual([]);
    expect(findings({ check: 'safety', of: 'lid', outcome: 'not-done' })).toEqual([]);
    expect(findings({ check: 'frame', outcome: 'right', grade: 'finger' })).toEqual([
      expect.stringMatching(/^\/grade: only of a safety switch/),
    ]);
  });

  it('has its figure with its unit, and is not right beyond what is allowed', () => {
    for (const [check, figure] of Object.entries(CHECK_FIGURES)) {
      const of = check === 'cycles' ? { of: 'lid' } : {};
      const one = { check: check as Checked['check'], ...of };
      const [missing] = findings({ ...one, outcome: 'right' });
      expect(missing).toMatch(/^\/value: say what was read or counted/);
      expect(missing).toContain(figure.unit);
      expect(findings({ ...one, outcome: 'wrong', value: 5 })).toEqual([]);
      expect(findings({ ...one, outcome: 'not-done' })).toEqual([]);
    }
    const leaks = (value: number) => findings({ check: 'leakage', outcome: 'right', value });
    expect(leaks(5)).toEqual([]);
    expect(leaks(5.01)).toEqual(['/value: 5.01 mW/cm² is not right: at most 5 mW/cm²']);
    expect(findings({ check: 'flame', outcome: 'right', value: 2 })).toEqual([
      '/value: 2 starts is not right: at least 3 starts',
    ]);
    // Too much of it is wrong, and may be said to be.
    expect(findings({ check: 'leakage', outcome: 'wrong', value: 7 })).toEqual([]);
    expect(findings({ check: 'covers', outcome: 'right', value: 1 })).toEqual([
      '/value: nothing is measured in this check',
    ]);
  });

  it('is within its limits with the limits themselves, and anywhere where there are none', () => {
    expect([2, 3, 5, 6].map((value) => isWithin({ unit: '', least: 3, most: 5 }, value))).toEqual([
      false,
      true,
      true,
      false,
    ]);
    expect(isWithin({ unit: 'ppm' }, -1e9) && isWithin({ unit: 'ppm' }, 1e9)).toBe(true);
  });
});
