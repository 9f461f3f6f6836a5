import { builtIn } from '../../library/library';
import { UseRuns } from '../behaviour/useRuns';
import { chanceFrom } from '../chance';
import { complaintOf } from '../inference/complaint';
import { ORDINARY_METER } from '../meter/meter';
import { workCall } from '../simulate/simulatedCall';
import { UnitDiagnosis, type Prepared } from './unitDiagnosis';
import { USUAL_WAY } from './wayOfWorking';

/** The full run has a larger one too. */
const UNITS = [
  'coil-burner',
  'millivolt-fireplace',
  ...(process.env.YARRIX_ALL === '1' ? ['trailer-water-heater'] : []),
];

it.each(UNITS)(
  'works every call of %s from what was kept exactly as from what was found out anew',
  (id) => {
    const diagram = builtIn(id);
    if (!diagram) throw new Error(`no ${id}`);
    const anew = new UnitDiagnosis(diagram, ORDINARY_METER);
    const file = JSON.parse(JSON.stringify(anew.prepared())) as Prepared;
    const kept = new UnitDiagnosis(diagram, ORDINARY_METER, undefined, {
      runs: new UseRuns(diagram, file.runs),
      candidates: file.candidates,
    });
    expect(kept.prepared()).toEqual(file);
    // With live readings too: they ask how the unit stands through its uses, of which nothing is kept.
    const way = { ...USUAL_WAY, live: true };
    for (const [index, truth] of anew.predictor.hypotheses.entries()) {
      const complaint = complaintOf(anew.predictor, index);
      if (!complaint || index % 15) continue;
      const [one, other] = [anew, kept].map((unit) =>
        workCall(unit, truth, complaint, { chance: chanceFrom(index), slips: 0.1, way }),
      );
      expect(JSON.stringify(other?.entries)).toBe(JSON.stringify(one?.entries));
      expect(other?.verdict.kind).toBe(one?.verdict.kind);
    }
  },
);
