import { builtIn } from '../../library/library';
import { PointSearch } from './pointSearch';

const washer = builtIn('top-load-washer');
const oven = builtIn('over-range-oven');
if (!washer || !oven) throw new Error('no unit');
const first = (search: PointSearch, text: string): [string | undefined, string[]] => {
  const [best] = search.find(text);
  return [best?.part.id, best?.points ?? []];
};

describe('a point by what somebody types', () => {
  const inWasher = new PointSearch(washer);
  const inOven = new PointSearch(oven);

  it('is a part with the terminals that are named beside it, in that order', () => {
    expect(first(inWasher, 'lid switch a2 A1')).toEqual([
      'lid-switch',
      ['lid-switch.A2', 'lid-switch.A1'],
    ]);
    expect(first(inOven, 'primary com no')).toEqual(['primary', ['primary.COM', 'primary.NO']]);
    expect(first(inWasher, 'timr L')).toEqual(['timer', ['timer.L']]);
  });

  it('is a part alone where no terminal is named, and nothing where no part is', () => {
    expect(first(inWasher, 'cord')).toEqual(['cord', []]);
    expect(inWasher.find('submarine')).toEqual([]);
    expect(inWasher.find('')).toEqual([]);
    // More than two points are no reading.
    expect(first(inWasher, 'lid switch a1 a2 b1 b2')[1]).toHaveLength(2);
  });
});
