import { builtIn } from '../../library/library';
import { clampBand, weighAmps } from './current';
import { HEALTHY } from './entryLikelihood';
import { preparedUnit } from '../../tools/preparations/preparedUnit';

const dryer = builtIn('electric-dryer');
if (!dryer) throw new Error('no dryer');
const predictor = preparedUnit(dryer).predictor;
const place = (mode: string, part: string): number =>
  predictor.hypotheses.findIndex(({ causes: [fault] }) => {
    return fault?.mode === mode && 'part' in fault && fault.part === part;
  });

describe('the current of a load', () => {
  const heating = predictor.amps('timer=heat,start=pressed,start=released', 'element');
  const turning = predictor.amps('timer=heat,start=pressed', 'motor');

  it('is P / U of its plate while it works, less what is lost on the way', () => {
    expect(heating(HEALTHY)).toBeLessThan(5400 / 240);
    expect(heating(HEALTHY)).toBeGreaterThan(0.94 * (5400 / 240));
  });

  it('is none through what is open, wherever that is', () => {
    for (const at of [
      place('open', 'element'),
      place('blown', 'cut-off'),
      place('seized', 'motor'),
    ])
      expect(heating(at)).toBeCloseTo(0, 6);
  });

  it('is far more in a motor that is held: U / R of its cold winding, as far as the house gives it', () => {
    expect(turning(place('seized', 'motor'))).toBeGreaterThan(4 * (turning(HEALTHY) ?? Infinity));
  });
});

it.each([
  [21, 21.6, true],
  [17.4, 21.6, true],
  [10.8, 21.6, false],
  [43, 21.6, false],
  [0, 21.6, false],
  [0.1, 0, true],
  [0.1, undefined, true],
  [5, 0, false],
])('a clamp that shows %s A where %s A are foretold: fits %s', (shown, foretold, fits) => {
  expect(weighAmps(shown, foretold) > 0.5).toBe(fits);
  const { low, high } = clampBand(foretold ?? 0);
  if (shown >= low && shown <= high) expect(fits).toBe(true);
});
