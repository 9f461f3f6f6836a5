import { chanceFrom } from '../chance';
import { isModelOf, sheetsOf } from './modelPattern';

it.each([
  ['WD2*', 'WD240-A', true],
  ['WD2?0*', 'wd 210', true],
  ['WD2?0', 'WD2100', false],
  ['*60B', 'MR-160 B', true],
  ['MR?', 'MR', false],
  ['MR*', 'MR', true],
  ['', 'MR', false],
  ['MR1', '', false],
])('%s means %s: %s', (pattern, model, means) => {
  expect(isModelOf(pattern, model)).toBe(means);
});

it('means what a regular expression of the same pattern means', () => {
  const chance = chanceFrom(7);
  const text = (signs: string, most: number): string =>
    Array.from(
      { length: Math.floor(chance() * most) },
      () => signs[Math.floor(chance() * signs.length)],
    ).join('');
  for (let i = 0; i < 3000; i++) {
    const [pattern, model] = [text('AB1*?', 8), text('AB1', 10)];
    if (!pattern || !model) continue;
    const wanted = new RegExp(`^${pattern.replace(/\*/g, '.*').replace(/\?/g, '.')}$`).test(model);
    expect({ pattern, model, means: isModelOf(pattern, model) }).toEqual({
      pattern,
      model,
      means: wanted,
    });
  }
});

it('puts the most exact sheet first, of the make where one is given', () => {
  const sheets = [
    { make: 'Harrow', pattern: 'WD*', diagram: 'any' },
    { make: 'harrow', pattern: 'WD24*', diagram: 'exact' },
    { make: 'Marrowby', pattern: 'WD240', diagram: 'other' },
  ];
  expect(sheetsOf(sheets, 'HARROW', 'WD240').map(({ diagram }) => diagram)).toEqual([
    'exact',
    'any',
  ]);
  expect(sheetsOf(sheets, '', 'WD240').map(({ diagram }) => diagram)).toEqual([
    'other',
    'exact',
    'any',
  ]);
});
