import { UseRuns } from '../behaviour/useRuns';
import { LIBRARY } from '../../library/library';
import { sampled } from '../../library/sampled';
import { switches } from '../diagram/terminal';
import { branchOf } from './branch';

const SOME = process.env.YARRIX_ALL === '1' ? LIBRARY : sampled(5, 3);

describe('the branch of a report', () => {
  it('goes from one end to the other through what was found, for every switch of some units', () => {
    for (const diagram of SOME) {
      const runs = new UseRuns(diagram);
      for (const { id, name } of switches(diagram)) {
        const places = branchOf(diagram, runs, { part: id, says: '', chance: 1, by: 'person' });
        const marked = places.filter((each) => each.marked);
        expect([diagram.id, name, marked.length > 0]).toEqual([diagram.id, name, true]);
        // Between two places lies something, and nothing after the last.
        expect(places.at(-1)?.then).toBeUndefined();
        expect(places.slice(0, -1).every(({ then }) => then !== undefined)).toBe(true);
      }
    }
  });
});
