import { builtIn } from '../../library/library';
import { circuitOf } from '../behaviour/machine';
import { runWhole, standAfter } from '../behaviour/run';
import { parseSteps } from '../behaviour/step';
import { chanceFrom } from '../chance';
import { voltsBetween } from '../circuit/voltReading';
import { complaintOf } from '../inference/complaint';
import { workCall } from '../simulate/simulatedCall';
import { liveTests } from './unitTests';
import { USUAL_WAY } from './wayOfWorking';
import { windows } from './windows';
import { preparedUnit } from '../../tools/preparations/preparedUnit';

const SEED = Number(process.env.YARRIX_SEED ?? 20261125);
const furnace = builtIn('gas-furnace');
if (!furnace) throw new Error('no furnace');
const diagnosis = preparedUnit(furnace);
const { predictor } = diagnosis;
/** Place of a relay that nothing pulls in. */
const neverPulls = (relay: string): number =>
  predictor.hypotheses.findIndex(
    ({ causes: [one] }) =>
      one?.mode === 'not-actuated' && one.part === relay && one.stays === 'idle',
  );

describe('a reading that holds for some seconds only', () => {
  it('is offered while a good unit runs what does not run here: an igniter glows before the flame', () => {
    const dark = { steps: 'thermostat=heat,wait=300', subject: 'igniter', outcome: 'off' } as const;
    const [first = 0] = windows(predictor, dark);
    const steps = parseSteps(furnace, 'thermostat=heat');
    const healthy = runWhole(furnace, steps.ok ? steps.value : [], []).results.at(-1);
    const stands = healthy?.moments.findLast((moment) => moment.at <= first);
    expect(stands?.loads['igniter']).toBe('runs');
    expect(healthy?.moments.at(-1)?.loads['igniter']).toBe('off');
  });

  it.each(['igniter-contact', 'valve-contact'])(
    'comes to a relay that nothing pulls in, once live readings are allowed: %s',
    (relay) => {
      const index = neverPulls(relay);
      const truth = predictor.hypotheses[index];
      const complaint = complaintOf(predictor, index);
      if (!truth || !complaint) throw new Error(relay);
      const way = { ...USUAL_WAY, live: true };
      const call = workCall(diagnosis, truth, complaint, { chance: chanceFrom(SEED), way });
      expect(call.verdict.kind === 'named' && call.verdict.suspect.id).toBe(truth.suspect);
    },
  );

  it(`is foretold as the unit stands then, whatever is wrong with it (seed ${SEED})`, () => {
    const chance = chanceFrom(SEED);
    const pick = <T>(list: readonly T[]): T => {
      const one = list[Math.floor(chance() * list.length)];
      if (one === undefined) throw new Error('empty');
      return one;
    };
    let compared = 0;
    for (let round = 0; round < 12; round++) {
      const index = Math.floor(chance() * predictor.hypotheses.length);
      const { causes = [], faults = [] } = predictor.hypotheses[index] ?? {};
      const steps = `thermostat=heat,wait=${1 + Math.floor(chance() * 60)}`;
      const parsed = parseSteps(furnace, steps);
      const stand = standAfter(furnace, parsed.ok ? parsed.value : [], causes);
      if (!stand) throw new Error(steps);
      const network = circuitOf(furnace, stand.machine, faults);
      for (let k = 0; k < 10; k++) {
        const test = pick(liveTests(furnace, steps));
        if (test.kind !== 'volt') continue;
        const answer = voltsBetween(network, test.from, test.to);
        const volts = predictor.volts(steps, test.from, test.to)(index);
        if (answer.kind !== 'volts' || volts === undefined) continue;
        compared++;
        // The meter's own ohms, which only the slower way counts, take a share of a weak circuit.
        expect(volts).toBeGreaterThanOrEqual(answer.nominal * 0.999 - 1e-6);
        expect(volts).toBeLessThanOrEqual(answer.nominal * 1.02 + 0.5);
      }
    }
    expect(compared).toBeGreaterThan(40);
  });
});
