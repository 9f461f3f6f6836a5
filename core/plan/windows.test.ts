import type { Stand } from '../behaviour/run';
import type { UnitPredictor } from '../inference/unitPredictor';
import { windows } from './windows';

const STEPS = 'call=heat';
/** How an igniter stands from second to second; the last two are the last change and the end. */
const stands = (...at: [second: number, igniter: 'off' | 'runs'][]): Stand[] =>
  at.map(([second, igniter]) => ({ at: second, loads: { igniter } }) as unknown as Stand);
const unit = (prior: number, outcome: string | undefined, ...at: Parameters<typeof stands>) => ({
  prior,
  causes: [],
  faults: [],
  uses: {
    courses: new Map([[STEPS, { stands: stands(...at), settled: true, seconds: 300 }]]),
    outcomes:
      outcome === undefined ? new Map() : new Map([[STEPS, new Map([['igniter', outcome]])]]),
  },
});
const of = (...hypotheses: ReturnType<typeof unit>[]): number[] =>
  windows({ hypotheses } as unknown as UnitPredictor, {
    steps: STEPS,
    subject: 'igniter',
    outcome: 'off',
  });

describe('when a passing reading is taken', () => {
  it('is a little into what a good unit does for a while, and never at what stays', () => {
    // Off, glows from second 10 to 40, off again to the end.
    expect(of(unit(1, undefined, [0, 'off'], [10, 'runs'], [40, 'off'], [300, 'off']))).toEqual([
      15,
    ]);
    // Nothing passes: it glows to the end.
    expect(of(unit(1, undefined, [0, 'off'], [10, 'runs'], [300, 'runs']))).toEqual([]);
    // Four seconds are enough to read in, three are not; a short one is read in its middle.
    expect(of(unit(1, undefined, [0, 'off'], [10, 'runs'], [14, 'off'], [300, 'off']))).toEqual([
      12,
    ]);
    expect(of(unit(1, undefined, [0, 'off'], [10, 'runs'], [13, 'off'], [300, 'off']))).toEqual([]);
    // Nobody waits for more than three minutes.
    expect(of(unit(1, undefined, [0, 'off'], [190, 'runs'], [230, 'off'], [300, 'off']))).toEqual(
      [],
    );
  });

  it('is then where units with the complaint stand otherwise than at their end, the likeliest first', () => {
    const good = unit(0, undefined, [0, 'off'], [300, 'off']);
    const tries = unit(0.01, 'off', [0, 'off'], [20, 'runs'], [30, 'off'], [300, 'off']);
    const often = unit(0.02, 'off', [0, 'off'], [60, 'runs'], [70, 'off'], [300, 'off']);
    // From 0 to 20 and to 60 they stand still, which passes as well.
    expect(of(good, tries, often)).toEqual([5, 65, 25]);
    // Who does not show the complaint, or of whom it is not known, is not asked.
    const other = unit(1, 'runs', [0, 'off'], [100, 'runs'], [120, 'off'], [300, 'off']);
    const unknown = unit(1, undefined, [0, 'off'], [100, 'runs'], [120, 'off'], [300, 'off']);
    expect(of(good, tries, often, other, unknown)).toEqual([5, 65, 25]);
  });

  it('is one of four at most, and seconds that lie together are one', () => {
    const good = unit(0, undefined, [0, 'off'], [300, 'off']);
    const at = (second: number, prior: number) =>
      unit(prior, 'off', [second, 'runs'], [second + 10, 'off'], [300, 'off']);
    expect(
      of(good, at(10, 0.5), at(12, 0.4), at(30, 0.3), at(50, 0.2), at(70, 0.1), at(90, 0.05)),
    ).toEqual([15, 35, 55, 75]);
  });
});
