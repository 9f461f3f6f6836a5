import { builtIn } from '../../library/library';
import { ORDINARY_METER } from '../meter/meter';
import { UnitDiagnosis } from '../plan/unitDiagnosis';
import { UseRuns } from '../behaviour/useRuns';
import { faultPriors, NOTHING } from './priors';
import { NOTHING_WRONG, shopShares, weighedByShop, type FoundCounts } from './shopPriors';
import { unitHypotheses } from './unitHypotheses';

const washer = builtIn('top-load-washer');
if (!washer) throw new Error('no washer');
const sum = (list: number[]): number => list.reduce((a, b) => a + b, 0);
const shareOf = (counts: Record<string, number>, suspect?: string) => {
  const found = shopShares(washer, counts).find((each) => each.suspect === suspect);
  if (!found) throw new Error(`no ${suspect}`);
  return found;
};

describe('what a shop has found', () => {
  it('changes nothing without a call, and adds up to one whatever was found', () => {
    for (const { diagram, shop } of shopShares(washer, {})) expect(shop).toBeCloseTo(diagram, 12);
    const some: FoundCounts[] = [
      { 'lid-switch': 1 },
      { drive: 40, [NOTHING_WRONG]: 3, unknown: 9 },
    ];
    for (const counts of some)
      expect(sum(shopShares(washer, counts).map(({ shop }) => shop))).toBeCloseTo(1, 12);
    expect(sum(faultPriors(washer).map(({ prior }) => prior)) + NOTHING).toBeCloseTo(1, 12);
  });

  // With the weights of the diagram worth twenty calls: (20 p + n) / (20 + N), worked by hand.
  it('is the mean of the Dirichlet: pseudo-counts of the diagram and calls of the shop', () => {
    const counts = { 'lid-switch': 3, drive: 1 };
    const lid = shareOf(counts, 'lid-switch');
    expect(lid.shop).toBeCloseTo((20 * lid.diagram + 3) / 24, 12);
    const nothing = shareOf({ [NOTHING_WRONG]: 5 });
    expect(nothing.shop).toBeCloseTo((20 * NOTHING + 5) / 25, 12);
    // One call after the other comes to the same as all at once, and many calls come to what was counted.
    expect(shareOf({ 'lid-switch': 4000 }, 'lid-switch').shop).toBeGreaterThan(0.99);
  });

  it('weighs explanations so, and within one suspect leaves their shares to the diagram', () => {
    const runs = new UseRuns(washer);
    const plain = unitHypotheses(washer, undefined, runs);
    const counts = { 'lid-switch': 6 };
    const weighed = weighedByShop(washer, plain, counts);
    expect(sum(weighed.map(({ prior }) => prior))).toBeCloseTo(1, 9);
    const of = (list: typeof plain) => list.filter(({ suspect }) => suspect === 'lid-switch');
    const [one, two] = of(plain);
    const [first, second] = of(weighed);
    expect(sum(of(weighed).map(({ prior }) => prior))).toBeCloseTo(
      shareOf(counts, 'lid-switch').shop,
      9,
    );
    expect((first?.prior ?? 0) / (second?.prior ?? 1)).toBeCloseTo(
      (one?.prior ?? 0) / (two?.prior ?? 1),
      9,
    );
  });

  it('moves the suspects of a diagnosis, and a reading still decides', () => {
    const runs = new UseRuns(washer);
    const told = {
      kind: 'statement',
      id: 'a',
      source: 'told',
      steps: 'timer=spin',
      subject: 'drive',
      outcome: 'off',
    } as const;
    const share = (found?: Record<string, number>): number =>
      new UnitDiagnosis(washer, ORDINARY_METER, undefined, { runs, found })
        .of([told])
        .state.suspects.find(({ id }) => id === 'lid-switch')?.probability ?? 0;
    const plain = share();
    expect(share({ 'lid-switch': 8 })).toBeGreaterThan(plain);
    expect(share({ drive: 30 })).toBeLessThan(plain);
  });
});
