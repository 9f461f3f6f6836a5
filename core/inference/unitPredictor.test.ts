import { builtIn } from '../../library/library';
import type { StatementEvidence } from '../call/evidence';
import { drawnSetup, type Setup } from '../diagram/setup';
import type { Look, TerminalRef } from '../diagram/diagram';
import { isolate } from '../circuit/isolation';
import { switches } from '../diagram/terminal';
import { ORDINARY_METER } from '../meter/meter';
import { UseRuns } from '../behaviour/useRuns';
import { beliefState } from './beliefState';
import { complaintMap, complaintOf } from './complaint';
import { entryLikelihood, HEALTHY, pointsTo } from './entryLikelihood';
import { hypothesesWithPairs } from './pairsOfFaults';
import { UnitPredictor } from './unitPredictor';

let washer: UnitPredictor;
let oven: UnitPredictor;
let burner: UnitPredictor;
beforeAll(() => {
  const of = (id: string): UnitPredictor => {
    const diagram = builtIn(id);
    if (!diagram) throw new Error(id);
    return new UnitPredictor(diagram, ORDINARY_METER);
  };
  washer = of('top-load-washer');
  oven = of('over-range-oven');
  burner = of('coil-burner');
});

const statement = (
  steps: string,
  subject: string,
  outcome: StatementEvidence['outcome'],
  more: Partial<StatementEvidence> = {},
): StatementEvidence => ({
  kind: 'statement',
  id: `${steps} ${subject} ${outcome}`,
  source: 'seen',
  steps,
  subject,
  outcome,
  ...more,
});
const placeOf = (predictor: UnitPredictor, suspect: string, mode: string): number =>
  predictor.hypotheses.findIndex(
    (each) => each.suspect === suspect && each.causes[0]?.mode === mode && !each.causes[1],
  );

describe('the map of complaints', () => {
  it('has every fault once: under what is noticed of it first, or among those nobody notices', () => {
    const { complaints, hidden } = complaintMap(washer);
    const faults = washer.hypotheses.filter((each) => each.suspect !== undefined);
    const listed = [...complaints.flatMap((each) => each.of), ...hidden];
    expect(new Set(listed)).toEqual(new Set(faults));
    expect(listed).toHaveLength(faults.length);
    const keys = complaints.map((each) => JSON.stringify(each.statement));
    expect(new Set(keys).size).toBe(keys.length);
    for (const { statement: told, of } of complaints) {
      const good = washer.outcome(HEALTHY, told.steps, told.subject);
      expect(good).not.toBe(told.outcome);
      for (const each of of)
        expect(complaintOf(washer, washer.hypotheses.indexOf(each))).toEqual(told);
    }
    // A dead timer motor and the contact that feeds it make one complaint.
    const [one] = complaints.filter(({ of }) => of.some((each) => each.suspect === 'timer-motor'));
    expect(one?.of.some((each) => each.suspect === 'timer')).toBe(true);
    expect(hidden.some(({ causes: [each] }) => each?.mode === 'open')).toBe(false);
  });
});

describe('what the unit does', () => {
  it('is watched anew for steps that no use has, in their last step alone', () => {
    const told = 'timer=wash,wait=3,lid=open,wait=2';
    expect(washer.diagram.uses?.some(({ steps }) => steps.startsWith(told))).toBe(false);
    const whole = washer.outcome(HEALTHY, told, 'timer-motor');
    const cut = washer.outcome(
      placeOf(washer, 'timer-motor', 'open'),
      'timer=wash,wait=3',
      'timer-motor',
    );
    expect([whole, cut]).toEqual(['stops', 'off']);
    expect(washer.outcome(HEALTHY, 'timer=wash,wait=3', 'timer-motor')).toBe('runs');
    expect(washer.outcome(HEALTHY, 'timer=nowhere', 'timer-motor')).toBeUndefined();
    const jumped = washer.outcome(HEALTHY, 'timer=wash,lid=open,wait=2', 'timer-motor', [
      'lid-switch.B1',
      'lid-switch.B2',
    ]);
    expect(jumped).toBe('runs');
  });

  it('keeps apart what people keep apart, though no family of words has it', () => {
    const steps = 'knob=high,wait=60';
    const told = (outcome: 'hums' | 'weak') =>
      entryLikelihood(burner, statement(steps, 'coil', outcome));
    const weak = burner.hypotheses.findIndex((_, i) => burner.outcome(i, steps, 'coil') === 'weak');
    expect(told('weak')[weak]).toBeCloseTo(0.97, 9);
    expect(told('hums')[weak]).toBeCloseTo(0.03, 9);
  });
});

describe('ohms of a part by itself', () => {
  it('are those of the whole unit once it is isolated, for every hypothesis', () => {
    for (const predictor of [washer, oven]) {
      const { diagram } = predictor;
      for (const part of switches(diagram)) {
        const { lift } = isolate(diagram, part);
        for (const actuators of [drawnSetup(diagram).actuators, otherEnds(predictor)]) {
          const setup: Setup = { ...drawnSetup(diagram), actuators, lifted: lift };
          for (const { between } of part.contacts) {
            const [a, b] = between.map((each): TerminalRef => `${part.id}.${each}`);
            if (!a || !b) continue;
            const own = predictor.ownOhms(setup, a, b);
            predictor.hypotheses.forEach((hypothesis, i) => {
              const [alone, all] = [own(i), predictor.ohms(i, setup, a, b)];
              // A wire's own fault and what another part leaks are left to the whole unit.
              if (hypothesis.suspect !== part.id && alone.kind === all.kind) return;
              expect({ part: part.id, causes: hypothesis.causes, kind: alone.kind }).toEqual({
                part: part.id,
                causes: hypothesis.causes,
                kind: all.kind,
              });
            });
          }
        }
      }
    }
  });
});

/** Every hand control in its last position. */
const otherEnds = ({ diagram }: UnitPredictor): Setup['actuators'] =>
  Object.fromEntries(
    diagram.actuators.map((each) => [
      each.id,
      each.kind === 'quantity'
        ? (drawnSetup(diagram).actuators[each.id] ?? 'unknown')
        : (each.positions.at(-1)?.id ?? ''),
    ]),
  );

describe('a reading of an intermittent contact', () => {
  const jumps = (wiggle: boolean, lid: string) =>
    entryLikelihood(washer, {
      kind: 'reading',
      id: 'r',
      from: 'lid-switch.A1',
      to: 'lid-switch.A2',
      setup: {
        ...drawnSetup(washer.diagram),
        byHand: { 'lid-switch': lid },
        lifted: ['lid-switch.A2'],
      },
      shows: { kind: 'unsteady' },
      taken: { meter: ORDINARY_METER },
      of: 'unit',
      wiggle,
    })[placeOf(washer, 'lid-switch', 'intermittent')];

  it('jumps when it is wiggled while closed, and never where opening it changes nothing', () => {
    expect(jumps(true, 'closed')).toBeCloseTo(0.75, 9);
    expect(jumps(false, 'closed')).toBeCloseTo(0.05, 9);
    expect(jumps(true, 'open')).toBeLessThan(0.01);
  });
});

it('each look is weighed by what it points to itself', () => {
  const look = (id: string, of: string): Look => ({
    id,
    says: id,
    of: [of],
    found: { with: 0.7, without: 0.1 },
    minutes: 1,
  });
  const looks = [look('drum', 'drive:open'), look('hum', 'timer-motor')];
  const { diagram, hypotheses } = washer;
  const watched = new UnitPredictor({ ...diagram, looks }, ORDINARY_METER, hypotheses);
  for (const each of looks) {
    const weights = entryLikelihood(watched, { kind: 'look', id: '', look: each.id, found: true });
    hypotheses.forEach(({ faults }, i) =>
      expect(weights[i]).toBe(faults.some((fault) => pointsTo(each, fault)) ? 0.7 : 0.1),
    );
    expect(new Set(weights)).toEqual(new Set([0.7, 0.1]));
  }
});

describe('volts where nothing is to be', () => {
  const live = (volts: number) =>
    entryLikelihood(washer, {
      kind: 'reading',
      id: 'v',
      from: 'timer-motor.a',
      to: 'timer-motor.b',
      setup: { ...drawnSetup(washer.diagram), power: 'on' },
      steps: 'timer=off',
      shows: { kind: 'volts', volts },
      taken: { meter: ORDINARY_METER },
      of: 'unit',
      wiggle: false,
    })[HEALTHY];

  it('fit a few, and not a good part of the supply', () => {
    expect(live(0)).toBeCloseTo(0.98, 9);
    expect(live(4)).toBeCloseTo(0.98, 9);
    expect(live(60)).toBeCloseTo(0.02, 9);
  });
});

describe('pairs of faults', () => {
  const SPIN = 'timer=wash,wait=30,timer=spin,wait=30';
  const told = (source: 'seen' | 'told') => [
    statement('timer=wash,wait=30', 'timer-motor', 'off', { source }),
    statement('timer=wash,wait=30', 'drive', 'off', { source }),
    statement(SPIN, 'drive', 'runs', { source }),
  ];
  const pairsFor = (source: 'seen' | 'told') => {
    const entries = told(source);
    const state = beliefState(washer, entries);
    return hypothesesWithPairs(washer, entries, state, new UseRuns(washer.diagram));
  };

  it('are made of what is seen and no single fault explains, and stand beside the likeliest singles', () => {
    const all = pairsFor('seen');
    if (!all) throw new Error('no pairs');
    expect(all[0]).toBe(washer.hypotheses[HEALTHY]);
    expect(new Set(all).size).toBe(all.length);
    const suspects = all
      .filter((each) => each.causes.length > 1)
      .map(({ causes }) => causes.map((each) => ('part' in each ? each.part : '')).toSorted());
    expect(suspects.length).toBeGreaterThan(0);
    for (const [one, two] of suspects) expect(one).not.toBe(two);
  });

  it('are not made of what is only told: people tell it wrong often enough', () => {
    expect(pairsFor('told')).toBeUndefined();
  });
});
