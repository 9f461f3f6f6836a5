import { builtIn } from '../../library/library';
import type { ReadingEvidence, StatementEvidence } from '../call/evidence';
import { drawnSetup, poweredSetup, type Setup } from '../diagram/setup';
import { displayInterval, MANUAL_METER, ORDINARY_METER, type MeterUse } from '../meter/meter';
import { UnitDiagnosis } from '../plan/unitDiagnosis';
import { beliefState } from './beliefState';
import { entryLikelihood, HEALTHY, pointsTo } from './entryLikelihood';
import { likelihood, readingLikelihood, slipShare } from './likelihood';
import { preparedUnit } from '../../tools/preparations/preparedUnit';

const burner = builtIn('coil-burner');
if (!burner) throw new Error('no burner');
const diagnosis = preparedUnit(burner);
const { predictor } = diagnosis;

const noHeat: StatementEvidence = {
  kind: 'statement',
  id: 'told',
  source: 'seen',
  steps: 'knob=high,wait=60',
  subject: 'coil',
  outcome: 'off',
};
const cold: Setup = { ...drawnSetup(burner), except: [] };
const read = (
  shows: ReadingEvidence['shows'],
  more: Partial<ReadingEvidence> = {},
): ReadingEvidence => ({
  kind: 'reading',
  id: 'r',
  from: 'infinite.L1',
  to: 'infinite.H1',
  setup: {
    ...cold,
    actuators: { knob: 'high' },
    lifted: ['infinite.L2', 'infinite.H2'],
  },
  shows,
  taken: { meter: ORDINARY_METER },
  of: 'unit',
  wiggle: false,
  ...more,
});
const chance = (entries: Parameters<typeof beliefState>[1], suspect: string): number =>
  beliefState(predictor, entries).suspects.find(({ id }) => id === suspect)?.probability ?? 0;
/** How much likelier a reading is with a fault, in the size that fits best, than on a good unit. */
const speaksFor = (entry: ReadingEvidence, mode: string): number => {
  const weights = entryLikelihood(predictor, entry);
  const own = predictor.hypotheses.map(({ causes: [one] }, i) =>
    one?.mode === mode && 'contact' in one && one.contact === 'L1-H1' && one.part === 'infinite'
      ? (weights[i] ?? 0)
      : 0,
  );
  return Math.max(...own) / (weights[HEALTHY] ?? 1);
};

describe('how often it is so', () => {
  /** Probability of all that comes and goes, after the complaint alone. */
  const comesAndGoes = (often?: StatementEvidence['often']): number => {
    const { probabilities } = beliefState(predictor, [{ ...noHeat, ...(often && { often }) }]);
    return probabilities.reduce(
      (sum, each, i) => sum + ((predictor.whenOpen[i] ?? -1) >= 0 ? each : 0),
      0,
    );
  };

  it('speaks for what comes and goes, or against it; said or not', () => {
    expect(comesAndGoes('now-and-then')).toBeGreaterThan(2 * comesAndGoes());
    expect(comesAndGoes('once')).toBeGreaterThan(2 * comesAndGoes());
    expect(comesAndGoes('always')).toBeLessThan(comesAndGoes() / 2);
  });
});

it('a code whose table is a guess moves suspects less than one of the sheet, the same way', () => {
  const furnace = builtIn('trailer-furnace');
  if (!furnace) throw new Error('no furnace');
  const code: StatementEvidence = {
    ...noHeat,
    steps: 'thermostat=heat,wait=120',
    subject: 'board',
    outcome: 'says two blinks: no airflow, or a limit is open',
  };
  const sail = (guessed: boolean): number => {
    const parts = furnace.parts.map((part) =>
      guessed && part.kind === 'board' && part.logic
        ? { ...part, logic: { ...part.logic, known: 'guessed' as const } }
        : part,
    );
    const of = new UnitDiagnosis({ ...furnace, parts }, ORDINARY_METER).predictor;
    const { suspects } = beliefState(of, [code]);
    const chanceOf = (suspect?: string): number =>
      suspects.find(({ id }) => id === suspect)?.probability ?? 0;
    // Beside "nothing wrong", which blinks nothing.
    return chanceOf('sail') / chanceOf();
  };
  expect(sail(true)).toBeGreaterThan(1);
  expect(sail(false)).toBeGreaterThan(5 * sail(true));
});

it('one contact that is open beside another that reads good in the same position is that contact, not the knob', () => {
  const oven = builtIn('wall-oven');
  if (!oven) throw new Error('no oven');
  const at = { ...drawnSetup(oven), except: [], actuators: { selector: 'bake' } };
  const over = (from: '1' | 'B', to: 'A' | '4', shows: ReadingEvidence['shows']) =>
    read(shows, { id: from, from: `selector.${from}`, to: `selector.${to}`, setup: at });
  const entries = [over('1', 'A', { kind: 'over' }), over('B', '4', { kind: 'ohms', ohms: 0.3 })];
  const { suspects } = beliefState(preparedUnit(oven).predictor, entries);
  expect(suspects.find(({ id }) => id === 'selector')?.leading.causes).toEqual([
    expect.objectContaining({ mode: 'stuck-open', contact: 'A-1' }),
  ]);
});

describe('the same reading twice', () => {
  it('counts once and a little, whatever order its setup comes back in', () => {
    const one = read({ kind: 'over' });
    // As PostgreSQL hands a setup back: shorter keys first, an object's own order lost.
    const stored: ReadingEvidence = {
      ...one,
      id: 'again',
      setup: Object.fromEntries(
        Object.entries(one.setup).sort(([a], [b]) => a.length - b.length || a.localeCompare(b)),
      ) as unknown as Setup,
    };
    const [first, twice] = [
      chance([noHeat, one], 'infinite'),
      chance([noHeat, one, stored], 'infinite'),
    ];
    expect(twice).toBeCloseTo(chance([noHeat, one, { ...one, id: 'again' }], 'infinite'), 12);
    // Odds grow by a quarter of what the reading says, not by all of it.
    const odds = (p: number): number => p / (1 - p);
    const before = odds(chance([noHeat], 'infinite'));
    expect(Math.log(odds(twice) / odds(first))).toBeLessThan(0.4 * Math.log(odds(first) / before));
    expect(twice).toBeGreaterThan(first);
  });

  it('is another reading when it is taken at another place, or the other way', () => {
    const one = read({ kind: 'over' });
    const other = read({ kind: 'over' }, { id: 'b', from: 'infinite.L2', to: 'infinite.H2' });
    const state = beliefState(predictor, [noHeat, one, other]);
    expect(state.moved.get('b')?.get('infinite')).not.toBeCloseTo(1, 3);
  });
});

describe('a reading is weighed with the meter, the range and the leads it was taken with', () => {
  const withLeads = (ohms: number): MeterUse => ({
    meter: { ...ORDINARY_METER, leads: { ...ORDINARY_METER.leads, ohms } },
  });

  it('takes 1.3 ohm for a good contact through leads of 1.2 ohm, and for a bad one through 0.2', () => {
    const good = read({ kind: 'ohms', ohms: 1.3 }, { taken: withLeads(1.2) });
    expect(speaksFor(good, 'resistive')).toBeLessThan(0.5);
    expect(chance([noHeat, good], 'infinite')).toBeLessThan(chance([noHeat], 'infinite'));
    const bad = read({ kind: 'ohms', ohms: 1.9 }, { taken: withLeads(0.2) });
    expect(speaksFor(bad, 'resistive')).toBeGreaterThan(3);
  });

  it('takes OL on the 200-ohm range of a manual meter as above 200 ohm, not as open', () => {
    const low = read({ kind: 'over' }, { taken: { meter: MANUAL_METER, range: '200Ω' } });
    const high = read({ kind: 'over' }, { taken: { meter: MANUAL_METER, range: '20MΩ' } });
    // A contact of some kilohm shows OL on the low range as well, and hardly on the high one.
    expect(speaksFor(low, 'resistive')).toBeGreaterThan(5 * speaksFor(high, 'resistive'));
    expect(speaksFor(low, 'stuck-open')).toBeGreaterThan(10);
  });
});

describe('likelihoods of a display', () => {
  const meter: MeterUse = { meter: ORDINARY_METER };
  const exact = (ohms: number) =>
    ({ kind: 'ohms', nominal: ohms, low: ohms * 0.9, high: ohms * 1.1 }) as const;
  const of = (
    display: Parameters<typeof likelihood>[0],
    predicted: Parameters<typeof likelihood>[2],
  ) => likelihood(display, displayInterval(display, meter), predicted);

  it('are high for what fits, and a slip for what does not', () => {
    expect(of({ kind: 'ohms', ohms: 47.2 }, exact(47))).toBeGreaterThan(0.05);
    expect(of({ kind: 'ohms', ohms: 470 }, exact(47))).toBeLessThan(0.001);
    expect(of({ kind: 'over' }, { kind: 'open' })).toBeGreaterThan(0.95);
    expect(of({ kind: 'over' }, exact(47))).toBeCloseTo(0.014, 6);
    expect(of({ kind: 'beep' }, exact(0.1))).toBeGreaterThan(0.95);
    expect(of({ kind: 'beep' }, { kind: 'open' })).toBeCloseTo(0.004, 6);
    expect(of({ kind: 'silent' }, { kind: 'open' })).toBeGreaterThan(0.95);
    expect(of({ kind: 'silent' }, exact(0.1))).toBeLessThan(0.01);
    expect(of({ kind: 'unsteady' }, exact(47))).toBeCloseTo(0.002, 6);
    // A beeper cannot tell a small heater from a closed contact (common practice).
    expect(of({ kind: 'beep' }, exact(15))).toBeGreaterThan(0.9);
  });

  it('stay between the two where a contact may rightly be either, and say nothing of electronics', () => {
    const either = { kind: 'unsure', nominal: null, low: 0.01, high: null, reason: '' } as const;
    expect(of({ kind: 'over' }, either)).toBeGreaterThan(0.4);
    expect(of({ kind: 'over' }, either)).toBeLessThan(0.6);
    expect(of({ kind: 'ohms', ohms: 0.3 }, either)).toBeGreaterThan(0.2);
    const bounded = { kind: 'unsure', nominal: 5, low: 4, high: 6, reason: '' } as const;
    expect(of({ kind: 'ohms', ohms: 5.2 }, bounded)).toBeGreaterThan(0.1);
    const unknown = { kind: 'not-computable', reason: 'electronics' } as const;
    const [a, b] = [of({ kind: 'over' }, unknown), of({ kind: 'ohms', ohms: 3 }, unknown)];
    expect(a).toBeCloseTo(0.49 + 0.014, 3);
    expect(b).toBeCloseTo(0.49, 2);
  });

  it('a slip is rarer the finer what it shows', () => {
    const shown = displayInterval({ kind: 'ohms', ohms: 300 }, meter);
    expect(slipShare({ kind: 'ohms', ohms: 300 }, shown)).toBeLessThan(
      slipShare({ kind: 'beep' }, undefined),
    );
    expect(slipShare({ kind: 'unsteady' }, undefined)).toBeLessThan(
      slipShare({ kind: 'over' }, undefined),
    );
    expect(slipShare({ kind: 'ohms', ohms: 300 }, undefined)).toBe(0);
  });

  it('let an intermittent contact pass a steady test nearly always, and jump when it is moved', () => {
    const at = (
      display: Parameters<typeof likelihood>[0],
      more: Partial<Parameters<typeof readingLikelihood>[0]>,
    ): number =>
      readingLikelihood({
        display,
        shown: displayInterval(display, meter),
        whole: { kind: 'ohms', nominal: 0.05, low: 0.005, high: 0.3 },
        apart: { kind: 'open' },
        wiggled: false,
        burnt: false,
        ...more,
      });
    const jumps = { kind: 'unsteady' } as const;
    expect(at(jumps, { wiggled: true })).toBe(0.75);
    expect(at(jumps, {})).toBe(0.05);
    expect(at({ kind: 'beep' }, {})).toBeGreaterThan(0.8);
    expect(at({ kind: 'over' }, {})).toBeCloseTo(0.08, 1);
    expect(at({ kind: 'over' }, { wiggled: true })).toBeCloseTo(0.1, 1);
    expect(at({ kind: 'beep' }, { wiggled: true })).toBeLessThan(0.2);
    // Where opening it changes nothing it plays no part; a burnt one jumps now and then.
    expect(at(jumps, { apart: undefined, wiggled: true })).toBeLessThan(0.01);
    expect(at(jumps, { apart: undefined, burnt: true })).toBe(0.1);
    expect(at({ kind: 'over' }, { apart: undefined, burnt: true })).toBeLessThan(0.02);
  });
});

describe('other entries', () => {
  it('told counts less than seen, and what people do not tell apart is alike', () => {
    const weights = (more: Partial<StatementEvidence>) =>
      entryLikelihood(predictor, { ...noHeat, ...more });
    expect(weights({})[HEALTHY]).toBeCloseTo(0.03, 9);
    expect(weights({ source: 'told' })[HEALTHY]).toBeCloseTo(0.15, 9);
    expect(weights({ outcome: 'runs' })[HEALTHY]).toBeCloseTo(0.97, 9);
    expect(weights({ outcome: 'cycles' })[HEALTHY]).toBeCloseTo(0.97, 9);
    expect(weights({ outcome: 'stops' })).toEqual(weights({ outcome: 'off' }));
    expect(weights({ subject: 'feed', outcome: 'open' })).toEqual(
      weights({ subject: 'feed', outcome: 'opens' }),
    );
    expect(weights({ outcome: 'weak' })[HEALTHY]).toBeCloseTo(0.03, 9);
  });

  it('an intermittent contact may be told of in a good moment or a bad one', () => {
    const index = predictor.hypotheses.findIndex(
      ({ causes: [one] }) =>
        one?.mode === 'intermittent' && 'contact' in one && one.contact === 'L2-H2',
    );
    expect(index).toBeGreaterThan(0);
    const [off, runs] = (['off', 'runs'] as const).map(
      (outcome) => entryLikelihood(predictor, { ...noHeat, outcome })[index],
    );
    expect(off).toBeCloseTo(0.7 * 0.97, 9);
    expect(runs).toBeCloseTo(0.97, 9);
  });

  it('looks point to parts, or to one way in which they fail', () => {
    const look = {
      id: 'x',
      says: '',
      of: ['infinite:stuck-open', 'coil:part-shorted'],
      found: { with: 0.5, without: 0.1 },
      minutes: 1,
    };
    const fault = (mode: 'stuck-open' | 'stuck-closed') =>
      ({ mode, part: 'infinite', contact: 'L1-H1' }) as const;
    expect(pointsTo(look, fault('stuck-open'))).toBe(true);
    expect(pointsTo(look, fault('stuck-closed'))).toBe(false);
    expect(pointsTo({ ...look, of: ['infinite'] }, fault('stuck-closed'))).toBe(true);
    // A name that the mode had before still means it.
    expect(pointsTo(look, { mode: 'shorted-turns', part: 'coil', element: 'coil' })).toBe(true);
    const [named] = burner.looks ?? [];
    if (!named) throw new Error('no look');
    const found = entryLikelihood(predictor, { kind: 'look', id: '', look: named.id, found: true });
    const nothing = entryLikelihood(predictor, {
      kind: 'look',
      id: '',
      look: named.id,
      found: false,
    });
    predictor.hypotheses.forEach(({ faults }, i) => {
      const share = faults.some((each) => pointsTo(named, each))
        ? named.found.with
        : named.found.without;
      expect(found[i]).toBeCloseTo(share, 9);
      expect(nothing[i]).toBeCloseTo(1 - share, 9);
    });
  });

  it('volts fit within the house’s spread, none is none, and a floating point shows anything', () => {
    const live = (volts: number, more: Partial<ReadingEvidence> = {}) =>
      entryLikelihood(predictor, {
        ...read({ kind: 'volts', volts }, more),
        from: 'feed.L1',
        to: 'feed.L2',
        setup: poweredSetup(cold),
        steps: 'knob=high,wait=60',
      })[HEALTHY];
    expect(live(240)).toBeCloseTo(0.98, 9);
    expect(live(210)).toBeCloseTo(0.98, 9);
    expect(live(270)).toBeCloseTo(0.98, 9);
    expect(live(120)).toBeCloseTo(0.02, 9);
    expect(live(0)).toBeCloseTo(0.02, 9);
    expect(live(330)).toBeCloseTo(0.02, 9);
  });

  it('a good twin and an act say nothing of this unit by themselves', () => {
    const twin = entryLikelihood(predictor, read({ kind: 'over' }, { of: 'twin' }));
    const act = entryLikelihood(predictor, { kind: 'act', id: '', part: 'infinite', act: 'tap' });
    for (const weights of [twin, act]) expect(new Set(weights)).toEqual(new Set([1]));
  });
});
