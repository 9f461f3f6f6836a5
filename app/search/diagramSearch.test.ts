import { LIBRARY } from '../../library/library';
import { DiagramSearch } from './diagramSearch';
import { searchWords } from '../../core/describe/searchWords';

const search = new DiagramSearch(
  LIBRARY.map((diagram) => ({ ...diagram, words: searchWords(diagram) })),
);
const found = (text: string): string[] => search.find(text).map(({ id }) => id);

describe('finding a diagram', () => {
  it('goes by kind, part, what people call it and what it does not do, in any order', () => {
    expect(found('furnace sail')[0]).toBe('trailer-furnace');
    expect(found('crowbar')).toContain('over-range-oven');
    expect(found('glow BAR')).toContain('gas-dryer');
    expect(found('drum lamp dead')).toContain('electric-dryer');
    expect(found('')).toHaveLength(LIBRARY.length);
    expect(found('submarine')).toEqual([]);
  });

  it.each([
    ['microwave', /oven|microwave/],
    ['hvac', /furnace/],
    ['wont spin', /washer/],
    ['fridge', /refrigerator/],
    ['rv furnace', /trailer-furnace/],
    ['stove', /range|burner/],
    ['ac', /conditioner|cooling/],
    ['refridgerator', /refrigerator/],
    ['no ice', /ice-maker/],
  ])('finds something of the kind for "%s"', (text, kind) => {
    expect(found(text)[0]).toMatch(kind);
  });

  it('brings forward what a whole sentence can be of, and leaves nothing out', () => {
    const order = search.order('the washer does not spin any more, just hums').map(({ id }) => id);
    expect(order).toHaveLength(LIBRARY.length);
    expect(order[0]).toMatch(/washer/);
    expect(search.order('').map(({ id }) => id)).toEqual(LIBRARY.map(({ id }) => id));
  });
});
