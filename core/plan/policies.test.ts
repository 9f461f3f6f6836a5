import { builtIn } from '../../library/library';
import { chanceFrom } from '../chance';
import { ORDINARY_METER } from '../meter/meter';
import { DecisionProblem, type CallState, type Option } from './decisionProblem';
import { exactOptimum } from './exactOptimum';
import { choices } from './leastMinutes';
import { Minutes } from './minutes';
import { expectedMinutes, POLICIES } from './policies';
import { jumperTests } from './unitTests';
import { UnitDiagnosis } from './unitDiagnosis';
import { USUAL_WAY } from './wayOfWorking';

const SEED = Number(process.env.YARRIX_SEED ?? 20261125);
const unit = builtIn('coil-burner');
if (!unit) throw new Error('no burner');
const minutes = new Minutes(unit);

const option = (price: number, outcome: number[], at: number[] = []): Option => ({
  test: { kind: 'look', look: `made up ${price} ${outcome.join('')}` },
  cost: { minutes: price, panels: 0, stand: undefined },
  outcome: Int8Array.from(outcome),
  found: undefined,
  at,
});
const root = (weights: number[], options: Option[]): CallState => ({
  belief: decision(weights.length - 1).belief(weights),
  bench: minutes.untouched,
  confirmed: [],
  options,
});
/** Hypothesis 0 is the good unit and out of question; the others are a suspect each. */
const decision = (suspects: number): DecisionProblem =>
  new DecisionProblem(
    Int16Array.from({ length: suspects + 1 }, (_, i) => i),
    suspects + 1,
    0,
    0,
    minutes,
    new Float64Array(suspects + 1).fill(0.95),
  );

describe('a decision', () => {
  it('is worked out by hand: two suspects, one reading at each', () => {
    // At the first suspect for 1 minute, at the second for 5; 90 and 10 in 100.
    const first = option(1, [0, 1, 0], [1]);
    const second = option(5, [0, 0, 1], [2]);
    const node = root([0, 0.9, 0.1], [first, second]);
    const problem = decision(2);
    // Reading the first names it, or leaves the second, which has to be read at itself: 1 + 0.1 x 5.
    expect(exactOptimum(problem, node)).toBeCloseTo(1.5, 9);
    const [best] = choices(problem, node);
    expect(best?.option).toBe(first);
    expect(best?.expected).toBeCloseTo(1.5, 9);
    expect(expectedMinutes('split', problem, node, () => 0)).toBeCloseTo(1.5, 9);
  });

  it('counts a bit for each even split, and shares that add up', () => {
    const halves = option(1, [0, 0, 0, 1, 1]);
    const node = root([0, 0.25, 0.25, 0.25, 0.25], [halves]);
    const problem = decision(4);
    expect(problem.entropy(node.belief)).toBeCloseTo(2, 9);
    expect(problem.expectedEntropy(halves, node.belief)).toBeCloseTo(1, 9);
    const shares = problem.branches(node, halves).map((each) => each.share);
    expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
  });

  it(`never tells less than nothing, whatever is foretold (seed ${SEED})`, () => {
    const chance = chanceFrom(SEED);
    for (let round = 0; round < 300; round++) {
      const suspects = 2 + Math.floor(chance() * 8);
      const raw = Array.from({ length: suspects + 1 }, (_, i) => (i === 0 ? 0 : chance()));
      const total = raw.reduce((a, b) => a + b, 0);
      const outcome = raw.map(() => Math.floor(chance() * 4) - 1);
      const made = option(1, outcome);
      const node = root(
        raw.map((each) => each / total),
        [made],
      );
      const problem = decision(suspects);
      const left = problem.expectedEntropy(made, node.belief);
      expect(left).toBeGreaterThanOrEqual(-1e-9);
      if (outcome.slice(1).some((each) => each >= 0))
        expect(left).toBeLessThanOrEqual(problem.entropy(node.belief) + 1e-9);
    }
  });
});

describe('how the technician wants to work', () => {
  const diagnosis = new UnitDiagnosis(unit, ORDINARY_METER);
  const entries = [
    {
      kind: 'statement',
      id: 'c',
      source: 'seen',
      steps: 'knob=high,wait=60',
      subject: 'element',
      outcome: 'off',
    } as const,
  ];

  it('is followed: at the part, from the plug, live', () => {
    const kinds = (way: Partial<typeof USUAL_WAY>) =>
      diagnosis.of(entries, { ...USUAL_WAY, ...way }).tests.map((each) => each.test);
    expect(kinds({ place: 'part' }).some(({ kind }) => kind === 'ohm')).toBe(true);
    expect(kinds({ place: 'plug' }).some(({ kind }) => kind === 'ohm')).toBe(true);
    for (const test of kinds({ place: 'part' }))
      if (test.kind === 'ohm') expect(['own', 'wire']).toContain(test.reach);
    for (const test of kinds({ place: 'plug' }))
      if (test.kind === 'ohm') expect(test.from.startsWith('feed.')).toBe(true);
    expect(kinds({}).some((test) => test.kind === 'volt')).toBe(false);
    const { planner, state } = diagnosis.of(entries);
    const live = planner.problem(state, entries, { ...USUAL_WAY, live: true }).root.options;
    expect(live.some((each) => each.test.kind === 'volt')).toBe(true);
    expect(jumperTests(unit, 'knob=high,wait=60', 'element').length).toBeGreaterThan(0);
    // Safeties and protectors are never bridged.
    const furnace = builtIn('gas-furnace');
    const bridged = furnace ? jumperTests(furnace, 'thermostat=heat,wait=300', 'valve') : [];
    expect(bridged.length).toBeGreaterThan(0);
    for (const test of bridged)
      expect(test.kind === 'try' && test.jumper?.[0]).not.toMatch(/limit|rollout|fuse/);
  });

  it('has its price: each school in minutes, none below the least', () => {
    const compared = diagnosis.compare(entries, USUAL_WAY);
    expect(compared.map((each) => each.school).sort()).toEqual(Object.keys(POLICIES).sort());
    const least = compared.find((each) => each.school === 'least')?.minutes ?? 0;
    expect(least).toBeGreaterThan(0);
    for (const { minutes: takes } of compared) expect(takes).toBeGreaterThanOrEqual(0.99 * least);
  });
});
