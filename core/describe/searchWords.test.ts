import { LIBRARY } from '../../library/library';
import { matches, searchWords } from './searchWords';

describe('finding a diagram', () => {
  it('goes by kind, part, what people call it and what it does not do, in any order', () => {
    const found = (search: string): string[] =>
      LIBRARY.filter((each) => matches(searchWords(each), search)).map((each) => each.id);
    expect(found('furnace sail')).toEqual(['trailer-furnace']);
    expect(found('crowbar')).toContain('over-range-oven');
    expect(found('glow BAR')).toEqual(['gas-range', 'gas-dryer']);
    expect(found('drum lamp dead')).toEqual(['electric-dryer']);
    expect(found('')).toHaveLength(LIBRARY.length);
    expect(found('submarine')).toEqual([]);
  });
});
