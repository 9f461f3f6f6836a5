import { builtIn } from '../../library/library';
import type { Reading } from '../call/reading';
import type { Diagram, SwitchPart } from '../diagram/diagram';
import { drawnSetup } from '../diagram/setup';
import { switches } from '../diagram/terminal';
import { parseFault } from '../fault/parseFault';
import type { Display } from '../meter/display';
import { ORDINARY_METER } from '../meter/meter';
import { SwitchDiagnosis } from '../plan/switchDiagnosis';
import { expectation } from './expectation';
import { otherPlaces } from './slips';
import type { SwitchHypothesis } from './switchHypotheses';
import { SwitchPredictor } from './switchPredictor';

const found = builtIn('coil-burner');
const infinite = found && switches(found).find((each) => each.id === 'infinite');
if (!found || !infinite) throw new Error('no burner');
const burner: Diagram = found;
const part: SwitchPart = infinite;

const at = (from: string, to: string, knob: string, lifted = ['infinite.L2', 'infinite.H2']) => ({
  part: 'infinite',
  from: `infinite.${from}` as const,
  to: `infinite.${to}` as const,
  setup: {
    ...drawnSetup(burner),
    actuators: { knob },
    lifted: lifted as Reading['setup']['lifted'],
  },
  wiggle: false,
  lookedAgain: false,
});

describe('what a reading is told apart as at a glance', () => {
  const predictor = new SwitchPredictor(burner, part);
  const under = (written: string) => {
    const parsed = parseFault(burner, written);
    const [fault] = parsed.ok ? parsed.value : [];
    if (!fault) throw new Error(written);
    return { kind: 'fault', prior: 1, faults: [fault] } satisfies SwitchHypothesis;
  };
  const good = predictor.hypotheses.find((each) => each.kind === 'good');
  if (!good) throw new Error('none is good');

  it('is near zero, a load, something between, open, or not to be said', () => {
    const closed = at('L1', 'H1', 'high');
    expect(predictor.outcome(closed, good)).toBe('near zero');
    expect(predictor.outcome(at('L1', 'H1', 'off'), good)).toBe('open');
    // With the wires on, the coil answers between the heater terminals: some 27 ohm.
    expect(predictor.outcome(at('H1', 'H2', 'off', []), good)).toBe('load');
    expect(predictor.outcome(closed, under('infinite.L1-H1:resistive=40'))).toBe('load');
    expect(predictor.outcome(closed, under('infinite.L1-H1:resistive=1'))).toBe('resistive');
    expect(predictor.outcome(closed, under('infinite.L1-H1:resistive=5k'))).toBe('resistive');
    expect(predictor.outcome(at('L2', 'H2', 'low'), good)).toBe('unknown');
    const loose = under('infinite.L1-H1:intermittent');
    expect(predictor.outcome({ ...closed, wiggle: true }, loose)).toBe('unsteady');
    expect(predictor.outcome(closed, loose)).toBe('near zero');
  });
});

describe('what the table says of a pair', () => {
  // Contacts 1-2 and 2-3; in `far` a third joins 1 to 3 by itself.
  const selector: SwitchPart = {
    ...part,
    terminals: [{ id: '1' }, { id: '2' }, { id: '3' }],
    contacts: [
      { id: 'a', between: ['1', '2'], circuit: 'control' },
      { id: 'b', between: ['2', '3'], circuit: 'control' },
      { id: 'c', between: ['1', '3'], circuit: 'control' },
    ],
    table: {
      known: 'sheet',
      rows: [
        { position: 'off', closed: [] },
        { position: 'low', closed: ['a', 'b'] },
        { position: 'high', closed: ['a', 'b', 'c'] },
      ],
    },
  };
  const pair = (from: string, to: string, knob: string) =>
    expectation(selector, at(from, to, knob));

  it('names what is passed on the way, and only where no contact of its own is closed', () => {
    expect(pair('1', '3', 'low')).toMatchObject({ state: 'closed', through: ['2'], never: false });
    expect(pair('3', '1', 'high')).toMatchObject({ state: 'closed', through: [] });
    expect(pair('3', '1', 'high').contact?.id).toBe('c');
    expect(pair('1', '2', 'off')).toMatchObject({ state: 'open', through: [], never: false });
  });

  it('is either while nobody knows the position', () => {
    const unknown = { ...at('1', '2', 'off'), setup: { ...drawnSetup(burner), actuators: {} } };
    expect(expectation(selector, unknown)).toEqual({
      state: 'either',
      through: [],
      contact: selector.contacts[0],
      never: false,
    });
  });
});

it('the places that the probes may have been at instead are each neighbour of either, once', () => {
  const places = otherPlaces(burner, at('L1', 'H1', 'high'));
  const neighbours = places.flatMap(([slip, { from, to }]) =>
    slip === 'neighbour' ? [`${from} ${to}`] : [],
  );
  expect(neighbours.toSorted()).toEqual(
    ['L2', 'H2', 'P']
      .flatMap((each) => [`infinite.L1 infinite.${each}`, `infinite.${each} infinite.H1`])
      .toSorted(),
  );
  const states = places.flatMap(([slip, { setup }]) =>
    slip === 'state' ? [setup.byHand.infinite] : [],
  );
  expect(states.toSorted()).toEqual(['low', 'off']);
  expect(places.filter(([slip]) => slip === 'wires').map(([, { setup }]) => setup.lifted)).toEqual([
    [],
  ]);
  // Between two parts nothing of the kind is guessed.
  expect(otherPlaces(burner, { ...at('L1', 'H1', 'high'), to: 'coil.a' })).toEqual([]);
});

it('a verdict says which readings speak for the fault, and which against it', () => {
  const diagnosis = new SwitchDiagnosis(burner, part);
  const read = (id: string, display: Display, more: Partial<Reading> = {}): Reading => ({
    ...at('L1', 'H1', 'off'),
    id,
    display,
    taken: { meter: ORDINARY_METER },
    ...more,
  });
  const closed: Display = { kind: 'ohms', ohms: 0.3 };
  const jumps: Display = { kind: 'unsteady' };
  const high = at('L1', 'H1', 'high');
  const { verdict } = diagnosis.of(
    [
      read('steady', closed, high),
      read('one', jumps, { ...high, wiggle: true }),
      read('two', jumps, { ...high, wiggle: true }),
      // Readings of the other contacts say nothing of it either way.
      read('pilot', closed, at('L1', 'P', 'high')),
      read('heater', closed, at('L2', 'H2', 'high')),
    ],
    'quick',
  ).state;
  expect(verdict).toMatchObject({
    kind: 'fault',
    faults: [{ mode: 'intermittent', contact: 'L1-H1' }],
    because: ['one', 'two'],
    // A loose contact seldom stands so steady, and a good one does.
    against: ['steady'],
  });
});
