import { change, restoreSettings, settings, stockKey, used, type Settings } from './settings';

const usual = settings(undefined, { type: 'begin' });
const restored = (kept: Partial<Settings> | undefined): Settings =>
  settings(usual, restoreSettings.fulfilled(kept, ''));

describe('what somebody has set', () => {
  it('stays, and what came later has its usual value beside it', () => {
    // As an older version kept it: without most of what there is now.
    const older = {
      depth: 'full',
      way: { helper: true },
      terms: {},
    } as unknown as Partial<Settings>;
    const now = restored(older);
    expect(now).toMatchObject({ depth: 'full', way: { ...usual.way, helper: true } });
    expect(now.terms).toEqual(usual.terms);
    expect(now.meter).toBe(usual.meter);
    expect(restored(undefined)).toEqual(usual);
    const one = settings(now, change({ blind: true, favourites: ['coil-burner'] }));
    expect(restored(one)).toEqual(one);
  });

  it('counts what is aboard down with each part that goes in, and never below nothing', () => {
    const key = stockKey('coil-burner', 'infinite');
    const aboard = { [key]: { name: 'Infinite switch', count: 1 } };
    const full = settings(usual, change({ aboard }));
    const empty = settings(full, used(key));
    expect(empty.aboard[key]?.count).toBe(0);
    expect(settings(empty, used(key))).toEqual(empty);
    // The same part of another unit is another part.
    expect(settings(full, used(stockKey('wall-oven', 'infinite')))).toEqual(full);
    expect(full.aboard[key]?.count).toBe(1);
  });
});
