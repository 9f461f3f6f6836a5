import { builtIn } from '../../library/library';
import type { Evidence } from '../call/evidence';
import type { Reading } from '../call/reading';
import { switches } from '../diagram/terminal';
import { complaintOf } from '../inference/complaint';
import { ORDINARY_METER } from '../meter/meter';
import { SwitchDiagnosis } from './switchDiagnosis';
import { UnitDiagnosis } from './unitDiagnosis';
import { USUAL_WAY } from './wayOfWorking';

const burner = builtIn('coil-burner');
if (!burner) throw new Error('no burner');

it('says of a switch what it says without having looked ahead', () => {
  const part = switches(burner).find((each) => each.id === 'infinite');
  if (!part) throw new Error('no switch');
  const [plain, ahead] = [new SwitchDiagnosis(burner, part), new SwitchDiagnosis(burner, part)];
  const readings: Reading[] = [];
  for (const kind of ['over', 'silent', 'over', 'over', 'beep', 'over'] as const) {
    const { next } = plain.of(readings, 'quick');
    if (!next) break;
    const steps = [...ahead.foresee(readings, next, { meter: ORDINARY_METER }, 'quick')];
    // So that a press comes between any two of them.
    expect(steps.length).toBeGreaterThan(ahead.predictor.hypotheses.length);
    const taken = { meter: ORDINARY_METER };
    readings.push({ ...next.place, id: `${readings.length}`, display: { kind }, taken });
    expect(ahead.of(readings, 'quick')).toEqual(plain.of(readings, 'quick'));
  }
  expect(readings.length).toBeGreaterThan(2);
});

it('says of a unit what it says without having looked ahead', () => {
  const [plain, ahead] = [burner, burner].map((each) => new UnitDiagnosis(each, ORDINARY_METER));
  const complaint = plain && complaintOf(plain.predictor, 5);
  if (!plain || !ahead || !complaint) throw new Error('nothing to complain of');
  const entries: Evidence[] = [complaint];
  for (const live of [false, true, false, true]) {
    const way = { ...USUAL_WAY, live };
    const found = plain.of(entries, way);
    const foreseen = ahead.of(entries, way);
    expect([foreseen.tests, foreseen.verdict]).toEqual([found.tests, found.verdict]);
    expect(foreseen.state.probabilities).toEqual(found.state.probabilities);
    const test = found.tests.find((each) => each.test.kind === (live ? 'volt' : 'ohm'))?.test;
    ahead.foresee(entries, test);
    if (test?.kind !== 'ohm') continue;
    const { from, to, setup, wiggle } = test;
    const taken = { meter: ORDINARY_METER };
    const read = { kind: 'reading', id: `${entries.length}`, from, to, setup, taken } as const;
    entries.push({ ...read, wiggle, of: 'unit', shows: { kind: 'over' } });
  }
  expect(entries.length).toBeGreaterThan(2);
});
