import { sinceRepair, type Evidence } from '../call/evidence';
import { chanceFrom } from '../chance';
import { builtIn } from '../../library/library';
import { drawnSetup } from '../diagram/setup';
import { effectOf, ownerOf } from '../fault/fault';
import { ORDINARY_METER } from '../meter/meter';
import { SITUATION_UNITS } from '../../library/madeUp/situationUnits';
import { beliefState } from './beliefState';
import { Chapters, nowOn } from './chapters';
import { HEALTHY, entryLikelihood } from './entryLikelihood';
import { preparedUnit } from '../../tools/preparations/preparedUnit';

const SEED = Number(process.env.YARRIX_SEED ?? 20261126);
const burner = builtIn('coil-burner');
if (!burner) throw new Error('no burner');
const predictor = preparedUnit(burner).predictor;
const { hypotheses } = predictor;
const drawn = { ...drawnSetup(burner), except: [] };

const replaced: Evidence = { kind: 'act', id: 'new', part: 'coil', act: 'replace' };
const ohms = (id: string, value: number): Evidence => ({
  kind: 'reading',
  id,
  from: 'coil.a',
  to: 'coil.b',
  setup: { ...drawn, lifted: ['coil.a'] },
  shows: { kind: 'ohms', ohms: value },
  taken: { meter: ORDINARY_METER },
  of: 'unit',
  wiggle: false,
});
const glows = (id: string, outcome: 'runs' | 'off' | 'weak'): Evidence => ({
  kind: 'statement',
  id,
  source: 'seen',
  steps: 'knob=high,wait=60',
  subject: 'coil',
  outcome,
});

/** Every pair of what was wrong and what is wrong now, by hand: a new coil is bad in 2 of 100. */
function byHand(before: readonly Evidence[], after: readonly Evidence[]): Float64Array {
  const of = (i: number, entries: readonly Evidence[]): number =>
    entries.reduce((product, each) => product * (entryLikelihood(predictor, each)[i] ?? 1), 1);
  const coils = [...hypotheses.keys()].filter((i) => hypotheses[i]?.suspect === 'coil');
  const total = coils.reduce((sum, i) => sum + (hypotheses[i]?.prior ?? 0), 0);
  const now = new Float64Array(hypotheses.length);
  const add = (i: number, mass: number): void => {
    now[i] = (now[i] ?? 0) + mass * of(i, after);
  };
  hypotheses.forEach(({ prior }, i) => {
    const mass = prior * of(i, before);
    if (!coils.includes(i)) return add(i, mass);
    add(HEALTHY, 0.98 * mass);
    for (const j of coils) add(j, (0.02 * mass * (hypotheses[j]?.prior ?? 0)) / total);
  });
  const sum = now.reduce((a, b) => a + b, 0);
  return now.map((each) => each / sum);
}

it(`weighs what was and what is as every pair of them does, gone through by hand (seed ${SEED})`, () => {
  // All that is wrong with a coil is put right by a new one.
  for (const { suspect, causes } of hypotheses)
    if (suspect === 'coil') expect(causes.map(ownerOf)).toEqual(['coil']);
  const chance = chanceFrom(SEED);
  const values = [Infinity, 27.8, 14, 8, 120].filter(Number.isFinite);
  for (let round = 0; round < 40; round++) {
    const some = (when: string, most: number): Evidence[] =>
      Array.from({ length: 1 + Math.floor(chance() * most) }, (_, i): Evidence => {
        const value = values[Math.floor(chance() * values.length)] ?? 1;
        const outcome = (['runs', 'off', 'weak'] as const)[Math.floor(chance() * 3)] ?? 'off';
        return i % 2 ? ohms(`${when}${i}`, value) : glows(`${when}${i}`, outcome);
      });
    const [before, after] = [some('before', 2), some('after', 2)];
    const { probabilities } = beliefState(predictor, [...before, replaced, ...after]);
    byHand(before, after).forEach((each, i) =>
      expect(Math.abs((probabilities[i] ?? 0) - each)).toBeLessThan(1e-9),
    );
  }
});

it('leaves what a repair does not touch as it was, and begins nothing after a mere touch', () => {
  const entries = [glows('told', 'off'), ohms('cold', 27.8)];
  const plain = beliefState(predictor, entries).probabilities;
  const other: Evidence = { kind: 'act', id: 'new', part: 'block', act: 'replace' };
  const after = beliefState(predictor, [...entries, other]).probabilities;
  hypotheses.forEach(({ suspect, causes }, i) => {
    if (suspect === 'block' || causes.some((each) => ownerOf(each) === 'block') || i === HEALTHY)
      return;
    expect(after[i]).toBeCloseTo(plain[i] ?? NaN, 12);
  });
  expect(sinceRepair([...entries, other])).toBe(3);
  expect(sinceRepair([...entries, other], 'coil')).toBe(0);
  expect(sinceRepair([...entries, { ...other, act: 'tap' }])).toBe(0);
});

it('puts a switch that is not moved and the arm that should reach it right as one, by no new part (common practice)', () => {
  const unit = SITUATION_UNITS.find(({ parts }) => parts.some(({ kind }) => kind === 'hardware'));
  const arm = unit?.parts.find((part) => part.kind === 'hardware');
  const [reached = ''] = arm?.kind === 'hardware' ? arm.serves : [];
  if (!unit || !arm) throw new Error('no arm');
  const told = preparedUnit(unit).predictor;
  const chapters = new Chapters(told);
  const place = (owner: string): number =>
    told.hypotheses.findIndex(
      ({ causes: [cause, ...more] }) =>
        cause && more.length === 0 && ownerOf(cause) === owner && effectOf(cause, 'stands'),
    );
  /** How often it is right after it, where something of an owner was what is wrong. */
  const right = (owner: string, act: 'adjust' | 'clean' | 'replace', part: string): number => {
    const path = { states: [{ from: 0, hypothesis: place(owner) }], log: 0 };
    const ends = chapters.after([path], { kind: 'act', id: '', part, act }, 1);
    return Math.exp(ends.find((end) => nowOn(end) === HEALTHY)?.log ?? -Infinity);
  };
  expect(place(reached)).toBeGreaterThan(0);
  expect(right(reached, 'adjust', reached)).toBeCloseTo(0.8, 9);
  expect(right(reached, 'adjust', arm.id)).toBeCloseTo(0.8, 9);
  expect(right(reached, 'clean', arm.id)).toBeCloseTo(0.4, 9);
  expect(right(reached, 'replace', arm.id)).toBe(0);
  expect(right(reached, 'adjust', 'blower')).toBe(0);
});
