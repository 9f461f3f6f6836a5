import { builtIn } from '../../library/library';
import type { StatementEvidence } from '../call/evidence';
import { beliefState } from '../inference/beliefState';
import { HEALTHY } from '../inference/entryLikelihood';
import { ORDINARY_METER } from '../meter/meter';
import { Trips } from './trips';
import { UnitDiagnosis } from './unitDiagnosis';
import { USUAL_WAY } from './wayOfWorking';

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

it('puts power on it once at most, and live work is as dear as the shop sees it', () => {
  const seen: StatementEvidence = {
    kind: 'statement',
    id: 'trip',
    source: 'seen',
    steps,
    subject: 'feed',
    outcome: 'opens',
  };
  const { planner } = diagnosis;
  const options = (entries: StatementEvidence[], harm = USUAL_WAY.harm) => {
    const way = { ...USUAL_WAY, live: true, harm };
    const state = beliefState(planner.predictor, entries);
    return planner.problem(state, entries, way).root.options;
  };
  const used = ({ test }: { test: { kind: string } }): boolean =>
    test.kind === 'try' || test.kind === 'volt';
  expect(options([seen]).filter(used)).toEqual([]);
  const noHeat: StatementEvidence = { ...seen, subject: 'coil', outcome: 'off' };
  const volt = (harm: number): number =>
    options([noHeat], harm).find(({ test }) => test.kind === 'volt')?.cost.minutes ?? 0;
  expect(volt(240)).toBeGreaterThan(volt(60) + 2);
  expect(volt(30)).toBeLessThan(volt(60));
  // So is a unit that is used with a cover off.
  const open = (harm: number): number =>
    options([noHeat], harm).find(({ test }) => test.kind === 'try')?.cost.coverOff ?? 0;
  expect(open(240)).toBeCloseTo(4 * open(60), 9);
  expect(open(60)).toBeGreaterThan(0);
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
