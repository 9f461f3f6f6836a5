import {
  displayInterval,
  highestRange,
  lowestRange,
  MANUAL_METER,
  METERS,
  meterWithLeads,
  ORDINARY_METER,
  rangeInUse,
  rangeToDial,
  showOhms,
  sideOfLimit,
} from './meter';
import { parseDisplay, parseVolts } from './display';
import { sayDisplay, sayOhms, sayVolts } from '../describe/display';

const auto = { meter: ORDINARY_METER };

describe('ranges of a meter', () => {
  it.each(METERS.map((each) => [each.id, each] as const))(
    '%s: go up, each with its own name and a last digit finer than its full scale',
    (_id, meter) => {
      meter.ohmRanges.forEach((range, i) => {
        const next = meter.ohmRanges[i + 1];
        if (next) expect(next.fullScale).toBeGreaterThan(range.fullScale);
        expect(range.resolution).toBeLessThanOrEqual(range.fullScale / 1000);
        expect(range.name).toBe(sayOhms(range.fullScale));
        expect(range.id).toBe(range.name.replace(' ', ''));
      });
      expect(lowestRange(meter)).toBe(meter.ohmRanges[0]);
      expect(highestRange(meter)).toBe(meter.ohmRanges.at(-1));
      expect(meter.beeper.sure).toBeLessThan(meter.beeper.never);
    },
  );

  it('is the one named; an auto-ranging meter is on its highest at OL, a manual one where it was left', () => {
    expect(rangeInUse(MANUAL_METER, '2kΩ').fullScale).toBe(2000);
    expect(rangeInUse(MANUAL_METER, undefined).fullScale).toBe(200);
    expect(rangeInUse(ORDINARY_METER, undefined).fullScale).toBe(40e6);
    expect(rangeInUse(MANUAL_METER, 'no such').fullScale).toBe(200);
  });

  it('to dial is the lowest that shows what is expected, leads and all; the highest for open', () => {
    expect(rangeToDial(MANUAL_METER, 0.3).id).toBe('200Ω');
    expect(rangeToDial(MANUAL_METER, 199.9).id).toBe('2kΩ');
    expect(rangeToDial(MANUAL_METER, 1500).id).toBe('2kΩ');
    expect(rangeToDial(MANUAL_METER, Infinity).id).toBe('20MΩ');
  });
});

describe('what a meter shows', () => {
  it('is the circuit with the leads, rounded to the last digit of the range', () => {
    expect(showOhms(ORDINARY_METER, 0.13)).toEqual({ kind: 'ohms', ohms: 0.3 });
    expect(showOhms(ORDINARY_METER, 47.16)).toEqual({ kind: 'ohms', ohms: 47.4 });
    expect(showOhms(ORDINARY_METER, 820_449)).toEqual({ kind: 'ohms', ohms: 820_000 });
    expect(showOhms(ORDINARY_METER, Infinity)).toEqual({ kind: 'over' });
    expect(showOhms(ORDINARY_METER, 41e6)).toEqual({ kind: 'over' });
    expect(showOhms(MANUAL_METER, 199.5, '200Ω')).toEqual({ kind: 'ohms', ohms: 199.7 });
    expect(showOhms(MANUAL_METER, 199.9, '200Ω')).toEqual({ kind: 'over' });
    expect(showOhms(MANUAL_METER, 199.9, '2kΩ')).toEqual({ kind: 'ohms', ohms: 200 });
  });

  it('says of the circuit what its leads and accuracy leave', () => {
    const at = (ohms: number) => displayInterval({ kind: 'ohms', ohms }, auto);
    // 0.9 % and three counts of 0.1 on the lowest range, 0.1 of the leads either way.
    expect(at(100)?.low).toBeCloseTo(100 - 0.2 - 0.9 - 0.3 - 0.1, 9);
    expect(at(100)?.high).toBeCloseTo(100 - 0.2 + 0.9 + 0.3 + 0.1, 9);
    expect(at(0)?.low).toBe(0);
    expect(at(0.1)?.low).toBe(0);
    expect(at(0)?.high).toBeCloseTo(0.2, 9);
    // 2 % from the 6 MΩ range on.
    expect(at(5e6)?.high).toBeCloseTo(5e6 + 1e5 + 3e3 - 0.1, 0);
    const leads = meterWithLeads('ordinary-auto', 1.2);
    expect(leads?.leads).toEqual({ ...ORDINARY_METER.leads, ohms: 1.2 });
    expect(
      leads && displayInterval({ kind: 'ohms', ohms: 1.3 }, { meter: leads })?.high,
    ).toBeCloseTo(0.5117, 4);
    expect(meterWithLeads('abacus', 0)).toBeUndefined();
  });

  it('a number that does not fit the range that was said was read on another', () => {
    const said = displayInterval(
      { kind: 'ohms', ohms: 1500 },
      { meter: MANUAL_METER, range: '200Ω' },
    );
    const fits = displayInterval(
      { kind: 'ohms', ohms: 1500 },
      { meter: MANUAL_METER, range: '2kΩ' },
    );
    expect(said).toEqual(fits);
    const whole = { meter: MANUAL_METER, range: '200Ω' };
    expect(displayInterval({ kind: 'ohms', ohms: 200 }, whole)?.high).toBeCloseTo(202, 0);
    // A coarse range says less of the same number.
    const coarse = displayInterval(
      { kind: 'ohms', ohms: 100 },
      { meter: MANUAL_METER, range: '20kΩ' },
    );
    const fine = displayInterval(
      { kind: 'ohms', ohms: 100 },
      { meter: MANUAL_METER, range: '200Ω' },
    );
    expect((coarse?.high ?? 0) - (coarse?.low ?? 0)).toBeGreaterThan(
      10 * ((fine?.high ?? 0) - (fine?.low ?? 0)),
    );
  });

  it('a beep and a silence are either side of the threshold, and a jump is no value', () => {
    expect(displayInterval({ kind: 'beep' }, auto)).toEqual({ low: 0, high: 60 });
    expect(displayInterval({ kind: 'silent' }, auto)).toEqual({ low: 20, high: Infinity });
    expect(displayInterval({ kind: 'unsteady' }, auto)).toBeUndefined();
  });

  it('decides a limit only when the whole interval is on one side', () => {
    expect(sideOfLimit({ low: 0, high: 5 }, 5)).toBe('below');
    expect(sideOfLimit({ low: 5, high: 9 }, 5)).toBe('cannot-decide');
    expect(sideOfLimit({ low: 5.1, high: 9 }, 5)).toBe('above');
    expect(sideOfLimit({ low: 0, high: 5.1 }, 5)).toBe('cannot-decide');
  });
});

describe('what was said of a display', () => {
  const value = (text: string): unknown => {
    const parsed = parseDisplay(text);
    return parsed.ok
      ? parsed.value.kind === 'ohms'
        ? parsed.value.ohms
        : parsed.value.kind
      : parsed.error.kind;
  };

  it.each([
    ['0.3', 0.3],
    ['0,3', 0.3],
    ['820k', 820e3],
    ['4k7', 4700],
    ['4.7M', 4.7e6],
    ['1.5 kohm', 1500],
    ['2 kilohm', 2000],
    ['2 megohm', 2e6],
    ['47 ohm', 47],
    ['47 Ω', 47],
    ['300 milliohm', 0.3],
    ['1G', 1e9],
    ['OL', 'over'],
    ['beep', 'beep'],
    ['silent', 'silent'],
    ['jumps', 'unsteady'],
    ['1', 'ask'],
    ['4.7m', 'ask'],
    ['no reading', 'ask'],
    ['closed', 'ask'],
    ['-3', 'unreadable'],
    ['12 V', 'unreadable'],
    ['', 'unreadable'],
  ])('%s', (text, wanted) => {
    expect(value(text)).toBe(wanted);
  });

  it.each([
    ['24.1 V', 24.1],
    ['24.15 V', 24.15],
    ['80 mV', 0.08],
    ['80 MV', 0.08],
    ['-12 V', 12],
    ['+12V', 12],
    ['0,5 V', 0.5],
    ['24', undefined],
    ['24 ohm', undefined],
    ['V', undefined],
    ['x24 V', undefined],
    ['24 V!', undefined],
  ])('%s in volts', (text, wanted) => {
    const volts = parseVolts(text);
    if (wanted === undefined) expect(volts).toBeUndefined();
    else expect(volts).toBeCloseTo(wanted, 12);
  });

  it('is asked back with what it may have been, and refused with what would be right', () => {
    const error = (text: string) => {
      const parsed = parseDisplay(text);
      if (parsed.ok) throw new Error(text);
      return parsed.error;
    };
    expect(error('4.7m')).toMatchObject({
      kind: 'ask',
      question: expect.stringMatching(/small m is milli/),
      choices: [
        { label: '4.7 megohm', display: { kind: 'ohms', ohms: 4.7e6 } },
        { label: '4.7 milliohm', display: { kind: 'ohms', ohms: 0.0047 } },
      ],
    });
    expect(error('1')).toMatchObject({
      choices: [{ display: { kind: 'over' } }, { display: { kind: 'ohms', ohms: 1 } }],
    });
    const asked = error('zero reading');
    expect(asked).toMatchObject({ kind: 'ask', question: expect.stringContaining('zero reading') });
    const kinds = asked.kind === 'ask' ? asked.choices.map(({ display }) => display.kind) : [];
    expect(kinds).toEqual(['ohms', 'over', 'silent']);
    const opinion = error('closed');
    expect(opinion).toMatchObject({ question: expect.stringMatching(/"closed" is a conclusion/) });
    expect(opinion.kind === 'ask' && opinion.choices).toHaveLength(4);
    expect(error('')).toMatchObject({ message: 'nothing was entered' });
    expect(error('   ')).toMatchObject({ message: 'nothing was entered' });
    expect(error('abc')).toMatchObject({ message: expect.stringMatching(/"abc".*such as 0.3/) });
    expect(error('-3')).toMatchObject({ message: expect.stringMatching(/-3: .*still feeds/) });
  });

  it('comes back as it was when it is said again', () => {
    for (const ohms of [0, 0.3, 12.5, 47, 999, 1000, 4700, 820e3, 1e6, 4.7e6])
      expect(value(sayOhms(ohms))).toBeCloseTo(ohms, 6);
    expect(sayOhms(123_456)).toBe('123 kΩ');
    expect(sayOhms(12_345)).toBe('12.3 kΩ');
    expect(sayOhms(1_234)).toBe('1.23 kΩ');
    expect(
      ['over', 'beep', 'silent', 'unsteady'].map((kind) => sayDisplay({ kind } as never)),
    ).toEqual(['OL', 'beep', 'silent', 'unsteady']);
    expect([0.08, 0.999, 1, 24.13, 119.4].map(sayVolts)).toEqual([
      '80 mV',
      '999 mV',
      '1 V',
      '24.1 V',
      '119 V',
    ]);
  });
});
