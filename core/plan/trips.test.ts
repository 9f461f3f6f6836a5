import { builtIn } from '../../library/library';
import type { StatementEvidence } from '../call/evidence';
import { HEALTHY } from '../inference/entryLikelihood';
import { ORDINARY_METER } from '../meter/meter';
import { Trips } from './trips';
import { UnitDiagnosis } from './unitDiagnosis';

const diagram = builtIn('coil-burner');
if (!diagram) throw new Error('no burner');
const diagnosis = new UnitDiagnosis(diagram, ORDINARY_METER);
const steps = 'knob=high,wait=60';

it('reads cold first after a breaker has tripped, whatever a try would tell', () => {
  const told: StatementEvidence = {
    kind: 'statement',
    id: 'trip',
    source: 'told',
    steps,
    subject: 'feed',
    outcome: 'opens',
  };
  expect(['ohm', 'look']).toContain(diagnosis.of([told]).tests[0]?.test.kind);
});

it('knows which tests put power on a short, and under which explanation', () => {
  const { predictor } = diagnosis;
  const trips = new Trips(predictor);
  const shorted = predictor.hypotheses.findIndex(
    ({ causes: [one] }) => one?.mode === 'shorted' && 'part' in one && one.part === 'coil',
  );
  expect(shorted).toBeGreaterThan(HEALTHY);
  const weights = Float64Array.of(0.7, 0.3);
  const chance = (test: Parameters<Trips['chance']>[0]): number =>
    trips.chance(test, [HEALTHY, shorted], weights);
  expect(chance({ kind: 'try', steps, subject: 'coil' })).toBeCloseTo(0.3, 9);
  // Waited longer it is the same use; before it is turned on, and for a look, nothing happens.
  expect(chance({ kind: 'try', steps: 'knob=high,wait=90', subject: 'coil' })).toBeCloseTo(0.3, 9);
  expect(chance({ kind: 'try', steps: 'power=on', subject: 'coil' })).toBe(0);
  expect(chance({ kind: 'look', look: 'pins' })).toBe(0);
});
