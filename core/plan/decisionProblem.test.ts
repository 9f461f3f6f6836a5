import { builtIn } from '../../library/library';
import { chanceFrom } from '../chance';
import { entropy } from '../inference/posterior';
import { ORDINARY_METER } from '../meter/meter';
import { DecisionProblem, type Belief, type CallState, type Option } from './decisionProblem';
import { choices } from './leastMinutes';
import { Minutes } from './minutes';
import { UnitDiagnosis } from './unitDiagnosis';
import { USUAL_WAY, wanted } from './wayOfWorking';

const SEED = Number(process.env.YARRIX_SEED ?? 20261126);
const burner = builtIn('coil-burner');
if (!burner) throw new Error('no burner');
const minutes = new Minutes(burner);

const option = (outcome: number[], at: number[] = [], more: Partial<Option> = {}): Option => ({
  test: { kind: 'look', look: `made up ${outcome.join(' ')}` },
  cost: { minutes: 1, panels: 0, stand: undefined },
  outcome: Int8Array.from(outcome),
  found: undefined,
  at,
  ...more,
});
/** What is left of explanations that are given by their places: those of one suspect stand together. */
const beliefOf = (weights: number[]): Belief => {
  const places = [...weights.keys()].filter((i) => (weights[i] ?? 0) > 0);
  return { places, weights: places.map((i) => weights[i] ?? 0) };
};
/** Probability of one explanation; zero where it is out. */
const chanceOf = ({ places, weights }: Belief, place: number): number =>
  weights[places.indexOf(place)] ?? 0;
const stateOf = (weights: number[], options: Option[], confirmed: number[] = []): CallState => ({
  belief: beliefOf(weights),
  bench: minutes.untouched,
  confirmed,
  options,
});
/** Hypothesis 0 is the good unit; `suspectOf` says whose faults the others are. */
const problemOf = (suspectOf: number[], from = 0.95, wants?: (option: Option) => boolean) => {
  const suspects = Math.max(...suspectOf) + 1;
  return new DecisionProblem(
    Int16Array.from(suspectOf),
    suspects,
    0,
    0,
    minutes,
    new Float64Array(suspects).fill(from),
    wants,
  );
};

describe('a call as a problem of decision', () => {
  const problem = problemOf([0, 1, 1, 2]);

  it('adds faults up to suspects, and doubts between these alone', () => {
    const belief = problem.belief([0, 0.25, 0.25, 0.5]);
    expect([...problem.masses(belief)]).toEqual([0, 0.5, 0.5]);
    expect(problem.entropy(belief)).toBeCloseTo(1, 12);
    // Whatever order they come in, those of one suspect stand together, and what is out stays out.
    expect(problemOf([0, 2, 1, 2]).belief([0.2, 0.3, 0, 0.5])).toEqual({
      places: [0, 1, 3],
      weights: [0.2, 0.3, 0.5],
    });
    expect(problemOf([0, 2, 1, 2]).belief([0, 0.3, 0.2, 0.5]).places).toEqual([2, 1, 3]);
    expect(entropy([1, 1, 2], 4)).toBeCloseTo(1.5, 12);
    expect(entropy([0, 1])).toBe(0);
  });

  it('names a suspect once it is sure enough and was read at itself, or nothing there could show it', () => {
    const own = option([0, 1, 1, 0], [1]);
    const kind = (weights: number[], options: Option[], confirmed: number[] = []) =>
      problem.standing(stateOf(weights, options, confirmed)).kind;
    expect(kind([0, 0.3, 0.3, 0.4], [own])).toBe('test');
    expect(kind([0, 0.48, 0.48, 0.04], [own])).toBe('own');
    expect(kind([0, 0.48, 0.48, 0.04], [own], [1])).toBe('named');
    expect(kind([0, 0.48, 0.48, 0.04], [own], [2])).toBe('own');
    expect(kind([0, 0.48, 0.48, 0.04], [])).toBe('named');
    // A reading at it that shows what a good unit shows, or that nobody can foretell, speaks for nothing.
    expect(kind([0, 0.48, 0.48, 0.04], [option([0, 0, 0, 1], [1])])).toBe('named');
    expect(kind([0, 0.48, 0.48, 0.04], [option([-1, 1, 1, 1], [1])])).toBe('named');
    expect(kind([0, 0.48, 0.48, 0.04], [option([0, -1, -1, 1], [1])])).toBe('named');
    expect(kind([0, 0.48, 0.48, 0.04], [option([0, 1, 1, 1], [2])])).toBe('named');
    // "Nothing wrong" needs no reading at itself.
    expect(kind([0.97, 0.01, 0.01, 0.01], [own])).toBe('named');
    // It is the leading fault of the suspect that its reading has to show.
    const tells = option([0, 1, 0, 0], [1]);
    expect(kind([0, 0.9, 0.06, 0.04], [tells])).toBe('own');
    expect(kind([0, 0.06, 0.9, 0.04], [tells])).toBe('named');
  });

  it('branches by Bayes’ rule, and a reading at a suspect that is not as good confirms it', () => {
    const reading = option([0, 1, 1, -1], [1]);
    const state = stateOf([0.1, 0.3, 0.2, 0.4], [reading]);
    const branches = problem.branches(state, reading);
    expect(branches.map(({ outcome }) => outcome).sort()).toEqual([0, 1]);
    const bad = branches.find(({ outcome }) => outcome === 1);
    // Of those that foretell anything 0.5 of 0.6 show it; who cannot say stays as it was.
    expect(bad?.share).toBeCloseTo(0.5 / 0.6, 12);
    expect(bad?.node.confirmed).toEqual([1]);
    const after = bad?.node.belief ?? beliefOf([]);
    expect(chanceOf(after, 3) / chanceOf(after, 1)).toBeCloseTo((0.4 * (0.5 / 0.6)) / 0.3, 9);
    expect(after.places).toEqual([1, 2, 3]);
    const good = branches.find(({ outcome }) => outcome === 0);
    expect(good?.node.confirmed).toEqual([]);
  });

  it('leaves out of a branch what tells nothing there any more', () => {
    const taken = option([0, 1, 0, 0]);
    const tells = option([0, 0, 1, 0]);
    const same = option([1, 0, 0, 0]);
    const silent = option([0, -1, -1, -1], [1, 2]);
    const ownOnly = option([0, 1, 1, -1], [1]);
    const look = option([0, 0, 0, 0], [], { found: Float64Array.from([0.1, 0.1, 0.1, 0.8]) });
    const state = stateOf([0, 0.4, 0.3, 0.3], [taken, tells, same, silent, ownOnly, look]);
    const rest = problem.branches(state, taken).find(({ outcome }) => outcome === 0);
    // Hypotheses 2 and 3 are left: `tells` parts them, `ownOnly` is not as good shows, a look may be.
    expect(rest?.node.options).toEqual([tells, ownOnly, look]);
    const one = problem.branches(state, taken).find(({ outcome }) => outcome === 1);
    // With one explanation left a look says nothing any more.
    expect(one?.node.options).toEqual([ownOnly]);
  });

  it('a look is found as often as it says, and never confirms', () => {
    const outcome = Int8Array.from([0, 1, 0, 0]);
    const seen = option([0, 1, 0, 0], [1], {
      found: Float64Array.from(outcome, (each) => (each ? 0.8 : 0.1)),
    });
    const branches = problem.branches(stateOf([0.25, 0.25, 0.25, 0.25], [seen]), seen);
    const found = branches.find((each) => each.outcome === 1);
    expect(found?.share).toBeCloseTo((0.8 + 3 * 0.1) / 4, 12);
    const missed = branches.find((each) => each.outcome === 0);
    expect(chanceOf(found?.node.belief ?? beliefOf([]), 1)).toBeCloseTo(0.8 / 1.1, 9);
    expect(chanceOf(missed?.node.belief ?? beliefOf([]), 1)).toBeCloseTo(0.2 / 2.9, 9);
    for (const { node } of branches) expect(node.confirmed).toEqual([]);
  });

  it(`leaves as much doubt as its branches have on average, whatever is foretold (seed ${SEED})`, () => {
    const chance = chanceFrom(SEED);
    for (let round = 0; round < 400; round++) {
      const count = 3 + Math.floor(chance() * 7);
      const suspectOf = Array.from({ length: count }, (_, i) =>
        i ? 1 + Math.floor(chance() * 3) : 0,
      );
      const raw = Array.from({ length: count }, () => 0.05 + chance());
      const total = raw.reduce((a, b) => a + b, 0);
      const weights = raw.map((each) => each / total);
      const look = chance() < 0.3;
      const outcome = raw.map(() => Math.floor(chance() * 4) - (look ? 0 : 1));
      const made = option(outcome, [], {
        found: look ? Float64Array.from(raw, () => 0.1 + 0.8 * chance()) : undefined,
      });
      if (outcome.every((each) => each < 0)) continue;
      const some = problemOf(suspectOf);
      const state = { ...stateOf([], [made]), belief: some.belief(weights) };
      const branches = some.branches(state, made);
      const share = branches.reduce((sum, each) => sum + each.share, 0);
      expect(share).toBeCloseTo(1, 9);
      const left = branches.reduce(
        (sum, each) => sum + each.share * some.entropy(each.node.belief),
        0,
      );
      expect(some.expectedEntropy(made, state.belief)).toBeCloseTo(left, 9);
      for (const { node } of branches)
        expect(node.belief.weights.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
    }
  });

  it('ranks options by the minutes that are expected, and leaves unwanted ones for later', () => {
    const [quick, slow] = [option([0, 1, 1, 0], [1]), option([0, 0, 0, 1], [2])];
    slow.cost = { ...slow.cost, minutes: 9 };
    const state = stateOf([0, 0.4, 0.3, 0.3], [slow, quick]);
    const ranked = choices(problem, state);
    const expected = ranked.map((each) => each.expected);
    expect(ranked).toHaveLength(2);
    expect(expected).toEqual([...expected].sort((a, b) => a - b));
    expect(ranked[0]?.option).toBe(quick);
    // Whatever order they come in: four ways to the same end, the dearest first.
    const priced = [8, 3, 5, 1].map((each) =>
      option([0, 1, 1, 0], [], { cost: { minutes: each, panels: 0, stand: undefined } }),
    );
    const plain = problemOf([0, 1, 1, 2]);
    const sorted = choices(plain, stateOf([0, 0.4, 0.3, 0.3], priced)).map((each) => each.expected);
    expect(sorted.length).toBeGreaterThan(1);
    expect(sorted).toEqual([...sorted].sort((a, b) => a - b));
    expect(sorted[0]).toBeLessThan(sorted.at(-1) ?? 0);
    const only = problemOf([0, 1, 1, 2], 0.95, (each) => each === slow);
    expect(only.scored(state, { kind: 'test' }).map((each) => each.option)).toEqual([slow]);
    // Where nothing wanted tells any more the rest is good enough.
    const none = problemOf([0, 1, 1, 2], 0.95, () => false);
    expect(none.scored(state, { kind: 'test' })).toHaveLength(2);
  });
});

describe('where the technician wants to work', () => {
  const at = (reach: 'own' | 'wire' | 'through'): Option =>
    option([], [], {
      test: { kind: 'ohm', reach, from: 'a.1', to: 'a.2', setup: {} as never, wiggle: false },
    });
  const volt = (own: number[]): Option =>
    option([], own, { test: { kind: 'volt', from: 'a.1', to: 'b.1', steps: '' } });
  const tried = option([], [], { test: { kind: 'try', steps: '', subject: 'a' } });
  const way = (place: 'part' | 'plug' | 'any') => ({ ...USUAL_WAY, live: true, place }) as const;

  it('is at the parts, at the plug, or anywhere; looks and tries are always welcome', () => {
    const fits = (place: 'part' | 'plug' | 'any') =>
      [at('own'), at('wire'), at('through'), volt([1]), volt([]), tried, option([])].map((each) =>
        wanted(each, way(place)),
      );
    expect(fits('any')).toEqual(Array(7).fill(true));
    expect(fits('part')).toEqual([true, true, false, true, false, true, true]);
    expect(fits('plug')).toEqual([false, false, true, false, true, true, true]);
  });
});

it('says how far it is while it gets ready for a unit', () => {
  const shares: number[] = [];
  const diagnosis = new UnitDiagnosis(burner, ORDINARY_METER, (share) => shares.push(share));
  expect(shares.length).toBeGreaterThan(5);
  expect(shares).toEqual([...shares].sort((a, b) => a - b));
  expect(shares[0]).toBeGreaterThan(0);
  expect(shares[0]).toBeLessThan(0.1);
  expect(shares.at(-1)).toBeGreaterThan(0.5);
  expect(shares.at(-1)).toBeLessThanOrEqual(1);
  const { tests, verdict } = diagnosis.of([]);
  expect(verdict).toMatchObject({ kind: 'open', needs: 'test' });
  expect(tests.length).toBeGreaterThan(0);
});
