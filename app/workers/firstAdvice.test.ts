import type { Evidence } from '../../core/call/evidence';
import { complaintMap } from '../../core/inference/complaint';
import { ORDINARY_METER } from '../../core/meter/meter';
import { UnitDiagnosis } from '../../core/plan/unitDiagnosis';
import { BESIDE_THE_OWNER } from '../../core/plan/wayOfWorking';
import { builtIn } from '../../library/library';
import { firstAdviceOf, firstFindings, isFirst, type FirstAdvice } from './firstAdvice';
import { shownFindings } from './shownFindings';

/** As it comes from a file, or from the worker's database. */
const written = <T>(of: T): T => JSON.parse(JSON.stringify(of)) as T;

describe.each(['coil-burner', 'millivolt-fireplace'])('what comes first on %s', (id) => {
  const diagram = builtIn(id);
  if (!diagram) throw new Error(`no ${id}`);
  const first: FirstAdvice = written(firstAdviceOf(new UnitDiagnosis(diagram, ORDINARY_METER)));
  const anew = new UnitDiagnosis(diagram, ORDINARY_METER);
  const told = complaintMap(anew.predictor).complaints.map(({ statement }): Evidence => ({
    ...statement,
    id: 'mine',
    source: 'told',
  }));

  it('is what the unit’s own diagnosis says of each complaint, and of none', () => {
    expect(told.length).toBeGreaterThan(1);
    for (const entries of [[], ...told.map((each) => [each])]) {
      const found = shownFindings(anew.of(entries, BESIDE_THE_OWNER), entries);
      expect(firstFindings(first, entries)).toEqual(written(found));
      expect(isFirst(entries, BESIDE_THE_OWNER)).toBe(true);
    }
  });

  it('is nothing where more is known, or the work is done in another way', () => {
    const [one, two] = told;
    if (!one || !two || one.kind !== 'statement') throw new Error('too few complaints');
    const refusals = [{ id: 'r', why: 'no-clips' as const, of: [] }];
    expect(isFirst([one, two], BESIDE_THE_OWNER)).toBe(false);
    expect(firstFindings(first, [{ ...one, source: 'seen' }])).toBeUndefined();
    for (const other of [{ refusals }, { minutesLeft: 20 }, { live: true }, { asks: false }])
      expect(isFirst([one], { ...BESIDE_THE_OWNER, ...other })).toBe(false);
    expect(isFirst([one], { ...BESIDE_THE_OWNER, refusals: [] })).toBe(true);
  });
});
