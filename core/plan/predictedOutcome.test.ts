import { builtIn } from '../../library/library';
import { parseSteps } from '../behaviour/step';
import { standAfter } from '../behaviour/run';
import { circuitOf } from '../behaviour/machine';
import { voltsBetween } from '../circuit/voltReading';
import type { ReadingEvidence } from '../call/evidence';
import { UnitPredictor } from '../inference/unitPredictor';
import { HEALTHY, entryLikelihood } from '../inference/entryLikelihood';
import { ORDINARY_METER, showOhms } from '../meter/meter';
import { predictedOutcome } from './predictedOutcome';
import { jumperTests, liveTests, unitTests } from './unitTests';
import { effectOf } from '../fault/fault';
import { preparedUnit } from '../../tools/preparations/preparedUnit';

const ids = ['coil-burner', 'top-load-washer', 'trailer-furnace', 'front-load-washer'];
const unitOf = (id: string): UnitPredictor => {
  const diagram = builtIn(id);
  if (!diagram) throw new Error(id);
  return preparedUnit(diagram).predictor;
};

describe.each(ids)('what is promised of a test: %s', (id) => {
  const predictor = unitOf(id);
  const { diagram, hypotheses, meter } = predictor;

  it('is kept: what looks another thing than a good unit speaks against it', () => {
    const ohms = unitTests(diagram).flatMap((test) => (test.kind === 'ohm' ? [test] : []));
    let promises = 0;
    // Told at the end: thousands are asked.
    const broken: object[] = [];
    for (const test of ohms.filter((each) => !each.wiggle)) {
      const kinds = predictedOutcome(predictor, test);
      const good = kinds[HEALTHY] ?? -1;
      hypotheses.forEach((hypothesis, i) => {
        const kind = kinds[i] ?? -1;
        if (kind < 0 || good < 0 || kind === good) return;
        const ohmsHere = predictor.nominalOhms(test.setup, test.from, test.to)(i);
        if (ohmsHere === undefined) return;
        const { from, to, setup } = test;
        const reading: ReadingEvidence = {
          kind: 'reading',
          id: `${promises++}`,
          from,
          to,
          setup,
          shows: showOhms(meter, ohmsHere),
          taken: { meter: ORDINARY_METER },
          of: 'unit',
          wiggle: false,
        };
        const weights = entryLikelihood(predictor, reading);
        const fits = (weights[i] ?? 0) > (weights[HEALTHY] ?? 1);
        if (!fits) broken.push({ test, causes: hypothesis.causes });
      });
    }
    expect(broken).toEqual([]);
    expect(promises).toBeGreaterThan(200);
  });

  it('is in volts what the circuit shows at the end of the steps', () => {
    const [use] = diagram.uses ?? [];
    const steps = parseSteps(diagram, use?.steps ?? '');
    if (!use || !steps.ok) throw new Error('no use');
    for (const index of [HEALTHY, 1, hypotheses.length - 1]) {
      const { causes = [], faults = [] } = hypotheses[index] ?? {};
      const machine = standAfter(diagram, steps.value, causes)?.machine;
      if (!machine) throw new Error('no end');
      const network = circuitOf(diagram, machine, faults);
      for (const test of liveTests(diagram, use.steps).slice(0, 40)) {
        if (test.kind !== 'volt') continue;
        const answer = voltsBetween(network, test.from, test.to);
        const volts = predictor.volts(use.steps, test.from, test.to)(index);
        // The meter's own ohms, which only the slower way counts, take a share of a weak circuit.
        if (answer.kind === 'volts' && volts !== undefined)
          expect(volts).toBeGreaterThanOrEqual(answer.nominal * 0.999 - 1e-6);
        if (answer.kind === 'unreliable') expect(volts).toBeUndefined();
      }
    }
  });
});

it.each(['coil-burner', 'top-load-washer', 'trailer-furnace'])(
  'a jumper over a contact that is closed anyway is foretold as it runs, whatever else is wrong: %s',
  (id) => {
    const predictor = unitOf(id);
    const { diagram, hypotheses } = predictor;
    const [first = ''] = diagram.uses?.[0]?.steps.split(',') ?? [];
    let checked = 0;
    for (const load of diagram.parts.filter((each) => each.kind === 'load')) {
      for (const test of jumperTests(diagram, first, load.id)) {
        if (test.kind !== 'try') continue;
        const { steps, subject, jumper } = test;
        const kinds = predictedOutcome(predictor, test);
        const run = hypotheses.map((_, i) => predictor.outcome(i, steps, subject, jumper));
        hypotheses.forEach(({ causes }, i) => {
          // What a short does hangs on milliohms.
          const shorts = causes.some((each) => each.mode === 'shorted' || effectOf(each, 'bridge'));
          if ((kinds[i] ?? -1) < 0 || shorts) return;
          checked++;
          const foretoldSame = kinds[i] === kinds[HEALTHY];
          expect({ i, same: run[i] === run[HEALTHY] }).toEqual({ i, same: foretoldSame });
        });
      }
    }
    expect(checked).toBeGreaterThan(20);
  },
);
