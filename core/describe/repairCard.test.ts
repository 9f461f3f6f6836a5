import { LIBRARY } from '../../library/library';
import { repairCard } from './repairCard';

describe('the repair card', () => {
  it('has for every part of every unit how it comes out, goes in, is tightened and is proved, in no name of the model', () => {
    for (const unit of LIBRARY)
      for (const { id } of unit.parts) {
        const card = repairCard(unit, id);
        const titles = card.map(({ title }) => title);
        for (const title of ['How it gives way', 'In the bag, and in its place', 'Tight'])
          expect(titles).toContain(title);
        const text = card.flatMap(({ says }) => says).join(' ');
        expect(text).toMatch(/Proved by: /);
        expect(text).not.toMatch(/undefined|NaN/);
      }
    const [unit] = LIBRARY;
    if (!unit) throw new Error('no unit');
    // What is no part has none.
    expect(repairCard(unit, undefined)).toEqual([]);
    expect(repairCard(unit, unit.supplies[0]?.id)).toEqual([]);
  });

  it('says what is cut, moved over and minded by kind', () => {
    const card = (id: string, part: string): string => {
      const unit = LIBRARY.find((each) => each.id === id);
      if (!unit) throw new Error(id);
      return repairCard(unit, part)
        .map(({ title, says }) => `${title}: ${says.join(' ')}`)
        .join('\n');
    };
    expect(card('coil-burner', 'infinite')).toMatch(/Moved over from the old one: Knob.*stem/);
    expect(card('over-range-oven', 'monitor')).toMatch(/capacitor/i);
    expect(card('electric-dryer', 'block')).toMatch(/Terminal screws tight/);
  });
});
