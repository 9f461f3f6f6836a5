import { builtIn } from '../../library/library';
import type { Diagram } from '../diagram/diagram';
import type { Evidence, ReadingEvidence } from '../call/evidence';
import { UnitPredictor } from '../inference/unitPredictor';
import { beliefState } from '../inference/beliefState';
import { HEALTHY } from '../inference/entryLikelihood';
import { drawnSetup } from '../diagram/setup';
import { ORDINARY_METER } from '../meter/meter';
import { preparedUnit } from '../../tools/preparations/preparedUnit';
import { candidatesOf } from './candidates';
import { shownAs } from './shownOutcome';
import { UnitDiagnosis } from './unitDiagnosis';
import { UnitPlanner } from './unitPlanner';
import { USUAL_WAY } from './wayOfWorking';
import { Minutes } from './minutes';
import { liveTests, unitTests, type UnitTest } from './unitTests';

const burner = builtIn('radiant-burner');
const washerDiagram = builtIn('top-load-washer');
if (!burner || !washerDiagram) throw new Error('no unit');
const planner = new UnitPlanner(new UnitPredictor(burner, ORDINARY_METER));
const advise = (entries: Evidence[]) =>
  planner.advise(beliefState(planner.predictor, entries), entries);
const noHeat: Evidence = {
  kind: 'statement',
  id: 'seen',
  source: 'seen',
  steps: 'knob=high,wait=60',
  subject: 'element',
  outcome: 'off',
};
const washer = preparedUnit(washerDiagram);
const stays = (outcome: 'off' | 'runs') =>
  ({
    kind: 'statement',
    id: 'spin',
    source: 'seen',
    steps: 'timer=spin',
    subject: 'drive',
    outcome,
  }) as const;
const element = (shows: ReadingEvidence['shows'], id: string): ReadingEvidence => ({
  kind: 'reading',
  id,
  from: 'element.a',
  to: 'element.b',
  setup: { ...drawnSetup(burner), except: [], lifted: ['element.a'] },
  shows,
  taken: { meter: ORDINARY_METER },
  of: 'unit',
  wiggle: false,
});

describe('the cost of a test', () => {
  const at = (part: string): Extract<UnitTest, { kind: 'ohm' }> => {
    const test = unitTests(burner).find(
      (each) => each.kind === 'ohm' && each.reach === 'own' && each.from.startsWith(`${part}.`),
    );
    if (test?.kind !== 'ohm') throw new Error(`no test at ${part}`);
    return test;
  };

  const minutes = new Minutes(burner);
  const { untouched } = minutes;

  it('has a panel in it only until it is open, and only what changes of the setup', () => {
    const cost = minutes.of(at('element'));
    const top = 1 << burner.panels.findIndex((each) => each.id === 'top');
    const closed = minutes.from(untouched, cost);
    const open = minutes.from({ ...untouched, open: top }, cost);
    // Eight minutes of two people, who lift the glass together.
    expect(closed - open).toBeCloseTo(16, 9);
    expect(minutes.from(minutes.after(untouched, cost), cost)).toBeLessThan(open);
  });

  it('is nothing for a panel where both probes are at the cord', () => {
    const plug = unitTests(burner).find(
      (each) => each.kind === 'ohm' && each.from === 'feed.L1' && each.to === 'feed.L2',
    );
    expect(plug && minutes.from(untouched, minutes.of(plug))).toBeLessThan(1);
  });

  it('is more than its minutes for what is read live', () => {
    const ohm = at('element');
    const live = minutes.of({ kind: 'volt', from: ohm.from, to: ohm.to, steps: 'knob=high' });
    expect(live.minutes).toBeGreaterThan(5 * minutes.of(ohm).minutes);
  });
});

describe('advice', () => {
  it('comes with what it costs and tells, the best first, and tells something', () => {
    const { verdict, tests } = advise([noHeat]);
    expect(verdict).toEqual({ kind: 'open', needs: 'test' });
    expect(tests.length).toBeGreaterThan(3);
    for (const each of tests.slice(0, 10)) {
      expect(each.minutes).toBeGreaterThan(0);
      expect(each.bits).toBeGreaterThan(0);
      expect(each.expected).toBeGreaterThanOrEqual(each.minutes);
    }
    const best = tests.slice(0, 10).map((each) => each.expected);
    expect(best).toEqual([...best].sort((a, b) => a - b));
  });

  it('names a part only when a reading at its own terminals speaks for it', () => {
    // Open from the cord, twice over: the element is likely, and nobody has been at it.
    const cord = (id: string, at: string): ReadingEvidence => ({
      ...element({ kind: 'over' }, id),
      from: 'infinite.H2',
      to: at as ReadingEvidence['to'],
      setup: { ...drawnSetup(burner), except: [] },
    });
    const ribbon: Evidence = { kind: 'look', id: 'ribbon', look: 'ribbon', found: true };
    const far = [noHeat, ribbon, cord('a', 'limiter.P2'), cord('b', 'limiter.P1')];
    const first = advise(far);
    expect(first.verdict).toEqual({ kind: 'open', needs: 'own-terminals' });
    const [own] = first.tests;
    expect(own?.test).toMatchObject({ kind: 'ohm', from: 'element.a', to: 'element.b' });
    const named = advise([...far, element({ kind: 'over' }, 'c')]);
    expect(named.verdict).toMatchObject({ kind: 'named', suspect: { id: 'element' } });
  });

  it('weighs live tests only for what was seen to do wrong, and only where that is wanted', () => {
    const live = { ...USUAL_WAY, live: true };
    const said = (outcome: 'off' | 'runs', way = live) => {
      const entries = [stays(outcome)];
      const state = beliefState(washer.predictor, entries);
      const { options } = washer.planner.problem(state, entries, way).root;
      return options.filter(({ test }) => test.kind === 'volt').length;
    };
    expect(said('off')).toBeGreaterThan(0);
    expect(said('off', USUAL_WAY)).toBe(0);
    expect(said('runs')).toBe(0);
  });

  it('is none once the good unit leads by enough', () => {
    const state = beliefState(planner.predictor, [noHeat]);
    const good = beliefState(planner.predictor, []).suspects.find(({ id }) => id === undefined);
    if (!good) throw new Error('no good unit');
    const led = (probability: number) =>
      planner.advise({ ...state, suspects: [{ ...good, probability }] }, [noHeat]);
    expect(led(0.99)).toEqual({
      verdict: { kind: 'nothing-found', probability: 0.99 },
      tests: [],
    });
    expect(led(0.5).verdict).toEqual({ kind: 'open', needs: 'test' });
  });

  it('drops a suspect that reads good at its own terminals', () => {
    const before = beliefState(planner.predictor, [noHeat]);
    const good = beliefState(planner.predictor, [noHeat, element({ kind: 'ohms', ohms: 31 }, 'g')]);
    const chance = (state: typeof before): number =>
      state.suspects.find((each) => each.id === 'element')?.probability ?? 0;
    expect(chance(before)).toBeGreaterThan(0.3);
    expect(chance(good)).toBeLessThan(0.1 * chance(before));
  });
});

describe('what is planned for', () => {
  const { predictor } = planner;
  const state = beliefState(predictor, []);

  it('is the likeliest explanations that make up their share, no more than so many, and the good unit', () => {
    const at = (share: number, most: number): number =>
      planner.problem(state, [], USUAL_WAY, { share, most }).root.belief.places.length;
    expect(at(1, 1000)).toBe(predictor.hypotheses.length);
    expect([at(1, 5), at(1, 7)]).toEqual([5, 7].map((each) => each + Number(!among(each))));
    // The likeliest alone makes up a thousandth.
    expect(at(0.001, 1000)).toBe(1 + Number(!among(1)));
    const { root } = planner.problem(state, [], USUAL_WAY, { share: 1, most: 5 });
    expect(root.belief.weights.reduce((sum, each) => sum + each, 0)).toBeCloseTo(1, 12);
  });
  /** Whether the good unit is among so many of the likeliest. */
  const among = (count: number): boolean =>
    [...state.probabilities].filter((each) => each > (state.probabilities[HEALTHY] ?? 0)).length <
    count;
});

it('getting ready is told at every hundredth test, from nothing on', () => {
  const tests = unitTests(burner);
  const shares: number[] = [];
  candidatesOf(planner.predictor, planner.minutes, tests, (share) => shares.push(share));
  expect(tests.length).toBeGreaterThan(100);
  expect(shares).toEqual(
    Array.from({ length: Math.ceil(tests.length / 100) }, (_, k) => (k * 100) / tests.length),
  );
});

describe('what would be seen of a test', () => {
  const { predictor } = planner;
  const told = { steps: 'knob=high,wait=60', subject: 'element', outcome: 'off' } as const;
  const shown = (test: UnitTest, shows: number) => shownAs(predictor, test, { shows, outcome: 1 });

  it('is volts where both points hang on something, nothing where one floats, and what the unit does', () => {
    const live: UnitTest[] = liveTests(burner, told.steps);
    const volts = live.flatMap((test) => (test.kind === 'volt' ? [test] : []));
    expect(volts.length).toBeGreaterThan(0);
    const kinds = new Set<string | undefined>();
    for (const test of volts)
      predictor.hypotheses.forEach((_, i) => {
        const foretold = predictor.volts(test.steps, test.from, test.to)(i);
        const expected = foretold === undefined ? undefined : { kind: 'volts', volts: foretold };
        expect(shown(test, i)).toEqual(expected);
        kinds.add(expected?.kind);
      });
    // Somewhere a broken wire leaves a point that floats.
    expect(kinds).toEqual(new Set(['volts', undefined]));
    const tried: UnitTest = { kind: 'try', steps: told.steps, subject: 'element' };
    expect(shown(tried, HEALTHY)).toEqual({ kind: 'does', outcome: 'runs' });
    const { steps } = told;
    expect(shown({ kind: 'try', steps, subject: 'nothing' }, HEALTHY)).toBeUndefined();
  });
});

it('a switch that heat moves is not named while nobody knows when it should open', () => {
  const unmarked: Diagram = {
    ...burner,
    parts: burner.parts.map((part) => {
      if (part.kind !== 'switch' || !part.setPoints) return part;
      const { setPoints: _, ...rest } = part;
      return rest;
    }),
  };
  const limiter = burner.parts.find((each) => each.kind === 'switch' && each.setPoints);
  if (limiter?.kind !== 'switch' || !limiter.contacts[0]) throw new Error('no limiter');
  const [a, b] = limiter.contacts[0].between.map((each) => `${limiter.id}.${each}` as const);
  const over = (id: string): ReadingEvidence => ({
    ...element({ kind: 'over' }, id),
    from: a ?? 'x.x',
    to: b ?? 'x.x',
    setup: {
      ...drawnSetup(burner),
      // Felt with a hand: stone cold, whatever its marking says.
      actuators: { ...drawnSetup(burner).actuators, [limiter.actuator]: 'below' },
      except: [],
      lifted: [a ?? 'x.x'],
    },
  });
  const entries = [noHeat, element({ kind: 'ohms', ohms: 31 }, 'good'), over('one'), over('two')];
  expect(new UnitDiagnosis(burner, ORDINARY_METER).of(entries).verdict).toMatchObject({
    kind: 'named',
    suspect: { id: limiter.id },
  });
  expect(new UnitDiagnosis(unmarked, ORDINARY_METER).of(entries).verdict).toEqual({
    kind: 'open',
    needs: 'set-points',
  });
});
