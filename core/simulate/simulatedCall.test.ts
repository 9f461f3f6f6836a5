import { chanceFrom } from '../chance';
import { Technician } from './simulatedCall';

it('finds with a look now this, now that, however long its name, and the same whenever it is made again', () => {
  const found = Array.from({ length: 400 }, (_, i) => {
    const technician = new Technician(chanceFrom(i));
    const once = technician.finds('capacitor-weak-behind-the-service-panel');
    expect(technician.finds('capacitor-weak-behind-the-service-panel')).toBe(once);
    return once;
  });
  const mean = found.reduce((sum, each) => sum + each, 0) / found.length;
  // Even in [0, 1): the mean of 400 is within five of its standard errors of a half.
  expect(Math.abs(mean - 0.5)).toBeLessThan(5 * (1 / Math.sqrt(12 * 400)));
  expect(new Set(found).size).toBeGreaterThan(390);
});
