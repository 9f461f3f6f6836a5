import { number, numberIn, withUnit, type Calculator } from './calculator';

/** Mean seconds on and off from the moments at which it went over, the first of them on: half cycles at the ends are left out. */
export function secondsFromTaps(taps: readonly number[]): { on: number; off: number } | undefined {
  const spans = taps.slice(1).map((at, i) => at - (taps[i] ?? at));
  const mean = (first: number): number | undefined => {
    const some = spans.filter((_, i) => i % 2 === first);
    return some.length ? some.reduce((sum, each) => sum + each, 0) / some.length : undefined;
  };
  const [on, off] = [mean(0), mean(1)];
  return on !== undefined && off !== undefined ? { on, off } : undefined;
}

/** How far the rated current of an infinite switch that is heated by its load may be off its element: from memory. */
const MATCH_PERCENT = 10;

export const onTime: Calculator = {
  id: 'on-time',
  name: 'Infinite switch',
  asks: 'Share of the time that it is on, the heat that makes, and whether it fits its element',
  inputs: [
    number('on', 'On', 's', 10, { most: 3600 }),
    number('off', 'Off', 's', 20, { most: 3600 }),
    number('watts', 'Element', 'W', 2100, { least: 1, most: 20_000 }),
    number('volts', 'At', 'V', 240, { least: 1, most: 1000 }),
    number('low', 'Switch from', 'A', 7, { most: 100 }),
    number('high', 'to', 'A', 9.5, { most: 100 }),
  ],
  formula: 'share = on / (on + off), heat = share · P, I = P / V',
  source: 'Arithmetic; the match of a current-heated switch is common practice',
  answer: (values) => {
    const [on = 0, off = 0, watts = 0, volts = 0, low = 0, high = 0] = [
      'on',
      'off',
      'watts',
      'volts',
      'low',
      'high',
    ].map((id) => numberIn(values, id));
    if (on + off <= 0 || volts <= 0) return undefined;
    const share = on / (on + off);
    const amps = watts / volts;
    const fits =
      amps >= low * (1 - MATCH_PERCENT / 100) && amps <= high * (1 + MATCH_PERCENT / 100);
    return {
      lines: [
        { label: 'On', says: withUnit(100 * share, '% of the time', 2) },
        { label: 'Heat', says: withUnit(share * watts, 'W') },
        { label: 'The element draws', says: withUnit(amps, 'A', 2) },
        { label: 'The switch', says: fits ? 'fits this element' : 'is made for another element' },
      ],
      mind: fits
        ? []
        : [
            'Heated by its load current it keeps another share with another element: take the one whose amperes hold. One heated by volts takes any load up to its rating.',
          ],
    };
  },
};
