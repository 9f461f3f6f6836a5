import { builtIn } from '../../library/library';
import { REASONS, type Refusal } from '../call/refusal';
import type { StatementEvidence } from '../call/evidence';
import { chanceFrom } from '../chance';
import { beliefState } from '../inference/beliefState';
import { HEALTHY } from '../inference/entryLikelihood';
import { workCall } from '../simulate/simulatedCall';
import { keyOf } from './candidates';
import { Minutes } from './minutes';
import { reasonsFor, refusalOf } from './refused';
import { toolKey, toolsFor, toolsOf } from './tools';
import { answersTo, isAnswered, questions } from './questions';
import { unitTests } from './unitTests';
import { USUAL_WAY, type WayOfWorking } from './wayOfWorking';
import { preparedUnit } from '../../tools/preparations/preparedUnit';

const washer = builtIn('top-load-washer');
const dryer = builtIn('gas-dryer');
const burner = builtIn('radiant-burner');
if (!washer || !dryer || !burner) throw new Error('no unit');
const diagnosis = preparedUnit(washer);
const { minutes } = diagnosis.planner;
const burnerMinutes = new Minutes(burner);
const told = (subject: string, outcome: StatementEvidence['outcome'], steps: string) =>
  ({
    kind: 'statement',
    id: `${subject} ${steps}`,
    source: 'told',
    steps,
    subject,
    outcome,
  }) as const;
const spin = told('drive', 'off', 'timer=spin');
const without = (refusals: Refusal[], more: Partial<WayOfWorking> = {}) =>
  diagnosis.of([spin], { ...USUAL_WAY, ...more, refusals });

describe('a test that is refused', () => {
  it('is not planned for any more, nor what wants the same', () => {
    const [first] = diagnosis.of([spin]).tests;
    if (!first) throw new Error('no test');
    const alone = refusalOf(washer, minutes, first.test, 'no-time');
    const keys = without([alone]).tests.map(({ test }) => keyOf(test));
    expect(keys.length).toBeGreaterThan(0);
    expect(keys).not.toContain(keyOf(first.test));
    // Nobody gets behind any panel: what is left is done from outside.
    const shut = without([{ why: 'cannot-reach', of: washer.panels.map(({ id }) => id) }]);
    for (const { test } of shut.tests) expect(minutes.of(test).panels).toBe(0);
    // It never gets shorter without a test; the plan is a heuristic, so by a tenth at most.
    const before = diagnosis.of([spin]).tests[0]?.expected ?? 0;
    expect(without([alone]).tests[0]?.expected ?? 0).toBeGreaterThan(0.9 * before);
  });

  it('takes with it what touches a terminal that is not there, and what is live', () => {
    const gone = without([{ why: 'no-terminal', of: ['timer.L'] }], { live: true });
    const text = JSON.stringify(gone.tests.map(({ test }) => test));
    expect(text).not.toMatch(/"(from|to)":"timer\.L"/);
    const cold = without([{ why: 'not-live', of: [] }], { live: true });
    for (const { test } of cold.tests) expect(test.kind).not.toBe('volt');
  });

  it('never gets a part named unread: whoever refuses its own reading is told that it is suspected', () => {
    const own = refusalOf(washer, minutes, { kind: 'look', look: 'none' }, 'no-time');
    expect(own.of).toHaveLength(1);
    const { predictor } = diagnosis;
    const index = predictor.hypotheses.findIndex(
      ({ causes: [one] }) => one && 'contact' in one && one.part === 'lid-switch',
    );
    const truth = predictor.hypotheses[index];
    if (!truth) throw new Error('no fault');
    // Worked until it is as good as certain, with every reading at the switch itself refused.
    const terminals = washer.parts
      .find(({ id }) => id === 'lid-switch')
      ?.terminals.map(({ id }): Refusal => ({ why: 'no-terminal', of: [`lid-switch.${id}`] }));
    const way = { ...USUAL_WAY, refusals: terminals ?? [] };
    const call = workCall(
      diagnosis,
      truth,
      { ...spin, source: 'seen' },
      { chance: chanceFrom(3), way },
    );
    expect(call.verdict).toEqual({ kind: 'open', needs: 'own-terminals' });
  });

  it('plans nothing that takes a tool which is not in the bag', () => {
    const bag = toolsOf(washer);
    expect(bag.length).toBeGreaterThan(0);
    for (const tool of bag) {
      const { tests } = without([{ why: 'no-tool', of: [toolKey(tool)] }]);
      for (const { test } of tests) {
        const { panels } = minutes.of(test);
        const off = washer.panels.filter((_, i) => panels & (1 << i));
        expect(toolsFor(washer, test, off)).not.toContain(tool);
      }
    }
    const cold = builtIn('cooling-unit');
    expect(cold && toolsOf(cold)).toEqual(expect.arrayContaining(['gauge', 'clamp-ammeter']));
  });

  it('plans nothing that takes longer than what is left of the visit', () => {
    for (const minutesLeft of [0, 2, 5, 12]) {
      const { tests, verdict } = without([], { minutesLeft });
      for (const { test } of tests) {
        const cost = minutes.of(test);
        const takes = minutes.from(minutes.untouched, cost) - (cost.risk ?? 0);
        expect(takes).toBeLessThanOrEqual(minutesLeft);
      }
      expect(verdict.kind).not.toBe('named');
    }
    expect(without([], { minutesLeft: 600 })).toEqual(without([]));
  });

  it('may be for want of a tool or of a second pair of hands where a panel takes them', () => {
    for (const test of [...unitTests(burner), { kind: 'measure', actuator: 'glass' } as const]) {
      const reasons = reasonsFor(burner, burnerMinutes, test);
      const off = burner.panels.filter((_, i) => burnerMinutes.of(test).panels & (1 << i));
      const tool = test.kind === 'measure' || off.some((each) => each.tool);
      expect(reasons.includes('no-tool')).toBe(tool);
      expect(reasons.includes('no-helper')).toBe(off.some((each) => each.helper));
      expect(reasons.includes('cannot-reach')).toBe(off.length > 0);
    }
  });

  it('has a reason that fits: panels, tools, helper, clips, live, terminals', () => {
    for (const { id } of washer.looks ?? [])
      expect(reasonsFor(washer, minutes, { kind: 'look', look: id })).toContain('no-time');
    const volt = { kind: 'volt', from: 'timer.L', to: 'timer.SP', steps: 'timer=spin' } as const;
    expect(reasonsFor(washer, minutes, volt)).toEqual(
      expect.arrayContaining(['cannot-reach', 'not-live', 'no-terminal', 'already-known']),
    );
    for (const why of reasonsFor(washer, minutes, volt)) expect(REASONS).toContain(why);
    expect(refusalOf(washer, minutes, volt, 'no-terminal', 'timer.SP:wire').of).toEqual([
      'timer.SP',
    ]);
  });
});

describe('asking the customer', () => {
  const asking = { ...USUAL_WAY, asks: true };
  const gas = preparedUnit(dryer);

  it('comes first where it pays: who is told that it stays cold asks whether the drum turns (common practice)', () => {
    const cold = told('igniter', 'off', 'timer=heat,start=pressed,start=released');
    const { tests } = gas.of([cold], asking);
    const [first] = tests;
    expect(first?.test).toMatchObject({ kind: 'ask', subject: 'motor' });
    expect(first?.minutes).toBeLessThan(0.5);
    // Without anybody to ask, the same tests come without it.
    expect(gas.of([cold]).tests[0]?.test).toEqual(tests[1]?.test);
    // That it turns clears what would keep it from turning.
    const turns = told('motor', 'runs', 'timer=heat,start=pressed,start=released');
    const chance = (entries: StatementEvidence[]): number =>
      beliefState(gas.predictor, entries).suspects.find(({ id }) => id === 'motor')?.probability ??
      0;
    expect(chance([cold, turns])).toBeLessThan(0.4 * chance([cold]));
    const again = gas.of([cold, turns], asking).tests.map(({ test }) => keyOf(test));
    expect(again).not.toContain(first && keyOf(first.test));
  });

  it('asks nothing that was answered by an earlier moment, and nothing after a repair', () => {
    const start = told('motor', 'off', 'timer=heat,start=pressed');
    const about = (entries: Parameters<typeof gas.of>[0]) =>
      gas.of(entries, asking).tests.flatMap(({ test }) => (test.kind === 'ask' ? [test] : []));
    for (const { subject, steps } of about([start]))
      if (subject === 'motor') expect(steps.startsWith(start.steps)).toBe(false);
    // What went on has started.
    const went = told('motor', 'runs', 'timer=heat,start=pressed,start=released');
    const cold = told('igniter', 'off', 'timer=heat,start=pressed,start=released');
    for (const { subject, steps } of about([cold, went]))
      if (subject === 'motor') expect(went.steps.startsWith(steps)).toBe(false);
    // That it started does not say whether it went on.
    const begun = { ...start, outcome: 'runs' } as const;
    const answered = (steps: string, by: StatementEvidence): boolean => {
      const ask = { kind: 'ask', steps, subject: 'motor', expected: 'runs' } as const;
      return isAnswered(gas.predictor, ask, [by]);
    };
    expect(answered(went.steps, begun)).toBe(false);
    expect(answered(went.steps, start)).toBe(true);
    expect(answered(start.steps, went)).toBe(true);
    expect(answered(start.steps, { ...went, outcome: 'off' })).toBe(false);
    expect(about([start, { kind: 'act', id: 'done', part: 'fuse', act: 'replace' }])).toEqual([]);
  });

  it('offers every answer that some fault makes, what a good unit does first', () => {
    const all = questions(gas.predictor);
    expect(all.length).toBeGreaterThan(10);
    for (const test of all) {
      const answers = answersTo(gas.predictor, test);
      expect(test.expected).toBeDefined();
      expect(answers[0]).toBe(test.expected);
      expect(new Set(answers).size).toBe(answers.length);
      expect(gas.predictor.outcome(HEALTHY, test.steps, test.subject)).toBe(test.expected);
    }
  });
});
