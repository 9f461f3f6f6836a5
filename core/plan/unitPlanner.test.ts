import { builtIn } from '../../library/library';
import type { Evidence, ReadingEvidence } from '../call/evidence';
import { UnitPredictor } from '../inference/unitPredictor';
import { beliefState } from '../inference/beliefState';
import { drawnSetup } from '../diagram/setup';
import { ORDINARY_METER } from '../meter/meter';
import { UnitPlanner } from './unitPlanner';
import { Minutes } from './minutes';
import { unitTests, type UnitTest } from './unitTests';

const burner = builtIn('radiant-burner');
if (!burner) throw new Error('no burner');
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
    expect(closed - open).toBeCloseTo(8, 9);
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
    const far = [noHeat, ribbon, cord('a', 'limiter.2a'), cord('b', 'limiter.1a')];
    const first = advise(far);
    expect(first.verdict).toEqual({ kind: 'open', needs: 'own-terminals' });
    const [own] = first.tests;
    expect(own?.test).toMatchObject({ kind: 'ohm', from: 'element.a', to: 'element.b' });
    const named = advise([...far, element({ kind: 'over' }, 'c')]);
    expect(named.verdict).toMatchObject({ kind: 'named', suspect: { id: 'element' } });
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
