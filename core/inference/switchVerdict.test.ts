import { builtIn, LIBRARY } from '../../library/library';
import { drawnSetup } from '../diagram/setup';
import { switches } from '../diagram/terminal';
import type { Reading, ReadingPlace } from '../call/reading';
import { ORDINARY_METER } from '../meter/meter';
import { SwitchDiagnosis } from '../plan/switchDiagnosis';
import { afterSlip, type Slip } from './slips';
import { workSwitch, type Truth } from '../simulate/simulatedSwitch';

/** A technician who follows the advice, and whose readings may slip in the same way until told to look. */
const truth = (really: Truth['really'] = (place) => place): Truth => ({
  faults: [],
  really,
  chance: () => 0.5,
});
describe('slips are asked about and not taken for faults', () => {
  const cases: [string, string, Slip][] = [
    [
      'top-load-washer',
      'lid-switch',
      { kind: 'swapped', actuator: 'lid', positions: ['closed', 'open'] },
    ],
    [
      'over-range-oven',
      'monitor',
      { kind: 'swapped', actuator: 'door', positions: ['closed', 'open'] },
    ],
    ['over-range-oven', 'primary', { kind: 'neighbour', part: 'primary', terminals: ['NO', 'NC'] }],
    ['coil-burner', 'infinite', { kind: 'neighbour', part: 'infinite', terminals: ['P', 'L2'] }],
    ['coil-burner', 'infinite', { kind: 'wires-on', part: 'infinite' }],
  ];

  it.each(cases)('%s %s: %j', (id, name, slip) => {
    const diagram = LIBRARY.find((each) => each.id === id);
    const part = diagram && switches(diagram).find((each) => each.id === name);
    if (!diagram || !part) throw new Error(`no ${id} ${name}`);
    const diagnosis = new SwitchDiagnosis(diagram, part);
    const slips = (place: ReadingPlace): ReadingPlace =>
      place.lookedAgain ? place : afterSlip(diagram, part, place, slip);
    const { state, readings } = workSwitch(diagnosis, 'full', truth(slips), ORDINARY_METER);
    // Told to look again, the technician corrects the setup and the switch turns out good.
    expect(state.verdict.kind).toBe('good');
    expect(readings.some((each) => each.lookedAgain)).toBe(true);
  });
});

describe('one reading alone', () => {
  const diagram = builtIn('coil-burner');
  const part = diagram && switches(diagram).find((each) => each.id === 'infinite');
  if (!diagram || !part) throw new Error('no coil burner');
  const diagnosis = new SwitchDiagnosis(diagram, part);
  const setup = {
    ...drawnSetup(diagram),
    actuators: { knob: 'high' },
    lifted: ['infinite.L2', 'infinite.H2'] as Reading['setup']['lifted'],
  };
  const heater = {
    part: part.id,
    from: 'infinite.L2',
    to: 'infinite.H2',
    setup,
    wiggle: false,
    lookedAgain: false,
    id: 'a',
    taken: { meter: ORDINARY_METER },
  } as const;

  it('never condemns, and asks for another', () => {
    const readings: Reading[] = [{ ...heater, display: { kind: 'ohms', ohms: 820e3 } }];
    const { state, next } = diagnosis.of(readings, 'quick');
    expect(state.judgements.get('a')?.class).toBe('resistive');
    expect(state.verdict).toMatchObject({ kind: 'undecided' });
    expect(next).toBeDefined();
  });

  // Common practice: a beeper also beeps on a contact too burnt to carry a heater.
  it('does not take a beep as proof of a heater contact', () => {
    const { state } = diagnosis.of([{ ...heater, display: { kind: 'beep' } }], 'quick');
    expect(state.judgements.get('a')).toMatchObject({ class: 'cannot-tell', agrees: null });
    expect(state.seen.size).toBe(0);
  });

  // A few ohm in a heater contact: P = I squared R at its working current.
  it('gives the watts made in a burnt heater contact', () => {
    const { state } = diagnosis.of([{ ...heater, display: { kind: 'ohms', ohms: 3.2 } }], 'quick');
    const judgement = state.judgements.get('a');
    expect(judgement?.class).toBe('resistive');
    expect(judgement?.loss?.watts).toBeCloseTo((2100 / 240) ** 2 * 3, 3);
  });
});
