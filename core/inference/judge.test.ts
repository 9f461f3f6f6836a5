import { builtIn } from '../../library/library';
import { SOUND_CONTACT } from '../circuit/ohms';
import { modeOf } from '../fault/fault';
import type { Reading } from '../call/reading';
import { sayJudgement } from '../describe/judgement';
import type { SwitchPart } from '../diagram/diagram';
import { drawnSetup } from '../diagram/setup';
import { switches } from '../diagram/terminal';
import type { Display } from '../meter/display';
import { MANUAL_METER, ORDINARY_METER, type MeterUse } from '../meter/meter';
import { beepIsEnough, closedUpTo, strictest } from './contactLimits';
import { judge } from './judge';

const found = builtIn('coil-burner');
const part = found && switches(found).find((each) => each.id === 'infinite');
if (!found || !part) throw new Error('no burner');
const burner = found;
const infinite: SwitchPart = part;

const at = (
  pair: [string, string],
  knob: string,
  display: Display,
  more: Partial<Reading> = {},
): Reading => ({
  id: 'r',
  part: 'infinite',
  from: `infinite.${pair[0]}`,
  to: `infinite.${pair[1]}`,
  setup: {
    ...drawnSetup(burner),
    actuators: { knob },
    lifted: ['infinite.L2', 'infinite.H2', 'infinite.H1', 'infinite.P'],
  },
  wiggle: false,
  lookedAgain: false,
  display,
  taken: { meter: ORDINARY_METER },
  ...more,
});
const ohms = (value: number): Display => ({ kind: 'ohms', ohms: value });
const judged = (reading: Reading) => {
  const judgement = judge(burner, infinite, reading);
  return { ...judgement, says: sayJudgement(judgement, reading) };
};
const LINE: [string, string] = ['L1', 'H1'];
const PILOT: [string, string] = ['L1', 'P'];

describe('what one reading of a contact means', () => {
  it('is closed near zero with the leads off, and agrees where the table says so', () => {
    expect(judged(at(LINE, 'high', ohms(0.3)))).toMatchObject({
      class: 'closed',
      agrees: true,
      grade: 'number',
      says: expect.stringMatching(/^Closed, as it should be\./),
    });
    expect(judged(at(LINE, 'off', ohms(0.3)))).toMatchObject({ class: 'closed', agrees: false });
    expect(judged(at(LINE, 'off', ohms(0.3))).says).toMatch(/welded/);
  });

  it('is open at OL or in megohms, and agrees where the table says so', () => {
    expect(judged(at(LINE, 'off', { kind: 'over' }))).toMatchObject({
      class: 'open',
      agrees: true,
    });
    expect(judged(at(LINE, 'off', ohms(15e6)))).toMatchObject({ class: 'open', agrees: true });
    expect(judged(at(LINE, 'high', { kind: 'over' }))).toMatchObject({
      class: 'open',
      agrees: false,
    });
    expect(judged(at(LINE, 'off', { kind: 'silent' }))).toMatchObject({
      class: 'open',
      grade: 'beeper',
    });
  });

  it('between the two is a failing contact, or a leak across one that should be open', () => {
    expect(judged(at(LINE, 'high', ohms(820e3)))).toMatchObject({
      class: 'resistive',
      agrees: false,
    });
    expect(judged(at(LINE, 'off', ohms(820e3)))).toMatchObject({ class: 'leaking', agrees: false });
    expect(judged(at(LINE, 'off', ohms(820e3))).says).toMatch(/your own skin/);
  });

  // P = I squared R, U = I R at the working current of the contact, leads off first.
  it('gives the volts lost and the watts made in a heater contact', () => {
    const amps = infinite.contacts.find((each) => each.id === 'L1-H1')?.amps ?? 0;
    const { loss } = judged(at(LINE, 'high', ohms(3.2)));
    expect(loss?.volts).toBeCloseTo(amps * 3, 6);
    expect(loss?.watts).toBeCloseTo(amps * amps * 3, 6);
    const leads: MeterUse = {
      meter: { ...ORDINARY_METER, leads: { ohms: 1.2, plusMinus: 0.1 } },
    };
    expect(judged(at(LINE, 'high', ohms(1.3), { taken: leads }))).toMatchObject({
      class: 'closed',
    });
    expect(judged(at(LINE, 'high', ohms(4.2), { taken: leads })).loss?.volts).toBeCloseTo(
      amps * 3,
      6,
    );
    expect(judged(at(LINE, 'off', ohms(3.2))).loss).toBeUndefined();
  });

  it('cannot be told by a beep of a heater contact, and can of a control contact', () => {
    expect(judged(at(LINE, 'high', { kind: 'beep' }))).toMatchObject({
      class: 'cannot-tell',
      agrees: null,
    });
    expect(judged(at(LINE, 'high', { kind: 'beep' })).says).toMatch(
      /below about 60 Ω.*Read it in ohms/,
    );
    expect(judged(at(PILOT, 'high', { kind: 'beep' }))).toMatchObject({
      class: 'closed',
      agrees: true,
    });
    // A beep where it should be open is enough.
    expect(judged(at(LINE, 'off', { kind: 'beep' }))).toMatchObject({
      class: 'closed',
      agrees: false,
    });
  });

  it('on a low range of a manual meter OL only says above that range', () => {
    const low = { taken: { meter: MANUAL_METER, range: '200Ω' } };
    const high = { taken: { meter: MANUAL_METER, range: '20MΩ' } };
    expect(judged(at(LINE, 'off', { kind: 'over' }, low))).toMatchObject({
      class: 'cannot-tell',
      agrees: null,
    });
    expect(judged(at(LINE, 'off', { kind: 'over' }, low)).says).toMatch(
      /above 200 Ω. Turn to 20 MΩ/,
    );
    expect(judged(at(LINE, 'off', { kind: 'over' }, high))).toMatchObject({
      class: 'open',
      agrees: true,
    });
    // Where it should be closed it is bad at any range.
    expect(judged(at(LINE, 'high', { kind: 'over' }, low))).toMatchObject({
      class: 'open',
      agrees: false,
    });
  });

  it('near the limit is closed as far as this meter sees, too close to tell, or bad', () => {
    // 0.2 ohm of leads, and 0.4 either way that an ordinary meter may be off.
    expect(judged(at(LINE, 'high', ohms(0.3))).unseen?.ohms).toBeCloseTo(0.5, 1);
    expect(judged(at(LINE, 'high', ohms(0.3))).says).toMatch(/could hide.*W in use.*under load/);
    expect(judged(at(LINE, 'high', ohms(0.6)))).toMatchObject({ class: 'cannot-tell' });
    expect(judged(at(LINE, 'high', ohms(0.6))).says).toMatch(/volts lost under load/);
    expect(judged(at(LINE, 'high', ohms(0.9)))).toMatchObject({ class: 'resistive' });
    expect(judged(at(LINE, 'off', ohms(0.9)))).toMatchObject({ class: 'leaking' });
    // A pilot lamp's contact may be less good.
    expect(judged(at(PILOT, 'high', ohms(2)))).toMatchObject({ class: 'closed' });
    expect(judged(at(PILOT, 'high', ohms(0.3))).unseen).toBeUndefined();
  });

  it('with the wires on may be the rest of the unit', () => {
    const drawn = { ...drawnSetup(burner), actuators: { knob: 'off' } };
    const coil = judged(at(['H1', 'H2'], 'off', ohms(27.7), { setup: drawn }));
    expect(coil).toMatchObject({ class: 'load' });
    expect(coil.says).toMatch(/wires on. Pull the wires/);
  });

  it('jumps, and that is said differently for who wiggles', () => {
    const jumps: Display = { kind: 'unsteady' };
    expect(judged(at(LINE, 'high', jumps))).toMatchObject({ class: 'unsteady', agrees: false });
    expect(judged(at(LINE, 'high', jumps)).says).toMatch(/clip on/);
    expect(judged(at(LINE, 'high', jumps, { wiggle: true })).says).toMatch(/one at a time/);
  });

  it('between terminals that no position joins is a short', () => {
    const never: [string, string] = ['L1', 'L2'];
    expect(judged(at(never, 'high', ohms(0.3)))).toMatchObject({ class: 'short', agrees: false });
    expect(judged(at(never, 'high', { kind: 'over' }))).toMatchObject({
      class: 'open',
      agrees: true,
    });
    expect(judged(at(never, 'high', ohms(0.3))).says).toMatch(/short inside the switch/);
  });

  it('proves nothing where the contact may rightly be either', () => {
    const low = infinite.table.rows.find((row) => row.either?.length);
    const contact = infinite.contacts.find((each) => low?.either?.includes(each.id));
    if (!low || !contact) throw new Error('no cycling pair');
    for (const display of [ohms(0.3), { kind: 'over' } as const]) {
      const { agrees, says } = judged(at(contact.between, low.position, display));
      expect([agrees, says]).toEqual([
        null,
        expect.stringMatching(/may rightly be open or closed/),
      ]);
    }
  });
});

describe('up to how many ohms a contact counts as closed', () => {
  it('goes by the volts lost and the watts made in it, within what its class is made for', () => {
    const classes = ['thermocouple', 'thermopile', 'control', 'signal'] as const;
    const limits = classes.map((circuit) => closedUpTo({ circuit }));
    expect(limits).toEqual(limits.toSorted((a, b) => a - b));
    // 15 W at 6 A are 0.42 ohm, 2 V at 1.6 A 1.25: what is reached first decides.
    expect(closedUpTo({ circuit: 'control', amps: 1.6 })).toBeCloseTo(1.25, 9);
    expect(closedUpTo({ circuit: 'control', amps: 4 })).toBeCloseTo(0.5, 9);
    expect(closedUpTo({ circuit: 'control', amps: 0.1 })).toBe(5);
    // Whatever the current, no sound contact of a class is condemned, and no failing one passes.
    for (const amps of [0.001, 0.09, 0.4, 6, 22, 40])
      for (const circuit of [...classes, 'heater'] as const) {
        const limit = closedUpTo({ circuit, amps });
        expect(limit).toBeGreaterThan(SOUND_CONTACT[circuit].high);
        const [badly] = modeOf('resistive').sizes?.(circuit).typical ?? [];
        expect(limit).toBeLessThanOrEqual(5 * (badly?.low ?? 0));
      }
    // 0.6 ohm at 22 A make 290 W: bad in a heater, and nothing to the input of a board.
    expect(closedUpTo({ circuit: 'heater', amps: 22 })).toBeLessThan(0.6);
    expect(closedUpTo({ circuit: 'signal', amps: 0.005 })).toBeGreaterThan(0.6);
    expect(beepIsEnough({ circuit: 'control', amps: 0.1 })).toBe(true);
    expect(beepIsEnough({ circuit: 'control', amps: 10 })).toBe(false);
    expect(beepIsEnough({ circuit: 'heater' })).toBe(false);
  });

  it('is that of the strictest contact where a pair belongs to none', () => {
    expect(strictest(infinite)?.circuit).toBe('heater');
    expect(strictest({ ...infinite, contacts: [] })).toBeUndefined();
  });
});
