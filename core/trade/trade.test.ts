import * as fc from 'fast-check';
import { usualValues, withUnit, wrongValue, type Calculator, type Values } from './calculator';
import { CALCULATORS } from './calculators';
import { contactWatts } from './contactHeat';
import { ohmsByPlate, wattsAt } from './element';
import { readLimitMarking } from './limitMarking';
import { secondsFromTaps } from './onTime';
import { celsius, fahrenheit, inUnit, PASCALS, type PressureUnit } from './quantities';
import { BTU_A_WATT } from './temperatureRise';
import { wireOhms } from './wireDrop';

const of = (id: string): Calculator => {
  const found = CALCULATORS.find((each) => each.id === id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};
/** What a calculator says, by the label of its line. */
const said = (id: string, typed: Values): Record<string, string> => {
  const calculator = of(id);
  const answer = calculator.answer({ ...usualValues(calculator), ...typed });
  return Object.fromEntries((answer?.lines ?? []).map(({ label, says }) => [label, says]));
};
const mind = (id: string, typed: Values): string =>
  (of(id).answer({ ...usualValues(of(id)), ...typed })?.mind ?? []).join(' ');

describe('elements and contacts', () => {
  // Common practice: the table that every technician has in the head, at 240 V.
  it.each([
    [1200, 48],
    [1400, 41],
    [1800, 32],
    [2400, 24],
    [2500, 23],
  ])('%i W at 240 V is %i ohm', (watts, ohms) => {
    expect(Math.round(ohmsByPlate(watts, 240))).toBe(ohms);
  });

  it('gives three quarters of its heat at 208 V, which is no fault', () => {
    expect(wattsAt(ohmsByPlate(2400, 240), 208) / 2400).toBeCloseTo(0.75, 2);
    expect(mind('element', { volts: 208 })).toMatch(/75 %.*not broken/);
    expect(said('element', { watts: 1200, rated: 240, volts: 240 })).toMatchObject({
      Hot: '48.0 Ω',
      Draws: '5.00 A',
    });
  });

  it('makes 290 W in 0.6 ohm at 22 A, and says when so much cannot flow', () => {
    expect(contactWatts(0.6, 22)).toBeCloseTo(290.4, 6);
    expect(mind('contact-heat', { ohms: 0.6, amps: 22 })).toMatch(/burns/);
    expect(mind('contact-heat', { ohms: 0.001, amps: 10 })).toBe('');
    expect(mind('contact-heat', { ohms: 100, amps: 22 })).toMatch(/do not flow/);
  });
});

describe('units', () => {
  // NIST SP 811 (2008), appendix B.8, from memory, in kPa.
  it.each<[PressureUnit, number]>([
    ['psi', 6.894757],
    ['inH2O', 0.249082],
    ['mmH2O', 0.00980638],
    ['bar', 100],
    ['inHg', 3.38638],
  ])('one %s is %d kPa', (unit, kPa) => {
    expect(inUnit(1, unit, 'kPa')).toBeCloseTo(kPa, 6);
  });

  it('come back as they were, there and back again', () => {
    const unit = fc.constantFrom(...(Object.keys(PASCALS) as PressureUnit[]));
    fc.assert(
      fc.property(
        fc.double({ min: -1e4, max: 1e4, noNaN: true }),
        unit,
        unit,
        (value, one, two) => {
          expect(inUnit(inUnit(value, one, two), two, one)).toBeCloseTo(value, 6);
          expect(celsius(fahrenheit(value))).toBeCloseTo(value, 8);
        },
      ),
    );
    expect(celsius(-40)).toBeCloseTo(-40, 12);
    expect(celsius(212)).toBeCloseTo(100, 12);
    // An inch is 25.4 mm.
    expect(inUnit(1, 'inH2O', 'mmH2O')).toBeCloseTo(25.4, 3);
    expect(BTU_A_WATT).toBeCloseTo(3.41214, 4);
  });
});

describe('wire', () => {
  // National Electrical Code, chapter 9, table 8: solid uncoated copper at 75 °C, ohm for a thousand feet; from memory.
  it.each([
    [18, 7.77],
    [14, 3.07],
    [12, 1.93],
    [10, 1.21],
    [8, 0.764],
  ])('%i AWG has %d ohm a thousand feet', (gauge, ohms) => {
    expect(wireOhms(gauge, 304.8, 75) / ohms).toBeCloseTo(1, 2);
  });

  it('loses more the longer, thinner and warmer it is, and says when it is too much', () => {
    expect(wireOhms(14, 20, 20)).toBeCloseTo(2 * wireOhms(14, 10, 20), 12);
    // Six numbers of the gauge double the diameter.
    expect(wireOhms(18, 10, 20) / wireOhms(12, 10, 20)).toBeCloseTo(4, 1);
    expect(mind('wire-drop', { gauge: '18', length: 100, amps: 12 })).toMatch(/three per cent/);
    expect(mind('wire-drop', { gauge: '10', length: 20, amps: 5 })).toBe('');
  });
});

describe('markings, shares and bands', () => {
  it('reads what is stamped on a limit, and nothing else', () => {
    expect(readLimitMarking('L160-30')).toEqual({ opensOnRise: true, at: 160, differential: 30 });
    expect(readLimitMarking(' f120 - 20F ')).toEqual({
      opensOnRise: false,
      at: 120,
      differential: 20,
    });
    for (const other of ['', '160', 'L30-160', 'L160-0', 'TOD128', 'L16a-30'])
      expect(readLimitMarking(other)).toBeUndefined();
    expect(said('limit-marking', {})).toMatchObject({
      'Opens on rise at': '160 °F, 71 °C',
      'Closes again at': '130 °F, 54 °C',
    });
    expect(of('limit-marking').answer({ marking: 'what' })).toBeUndefined();
  });

  it('takes seconds from taps, whole spans alone', () => {
    expect(secondsFromTaps([0, 10, 30, 42, 60])).toEqual({ on: 11, off: 19 });
    expect(secondsFromTaps([0, 10])).toBeUndefined();
    expect(said('on-time', { on: 10, off: 30, watts: 2100, volts: 240 })).toMatchObject({
      On: '25 % of the time',
      Heat: '525 W',
    });
    expect(mind('on-time', { watts: 1250, low: 7, high: 9.5 })).toMatch(
      /another element|whose amperes/,
    );
  });

  it('judges a supply by both schools, and a millivolt loop by its sum', () => {
    expect(said('supply-band', { nominal: 120, read: 109 })).toEqual({
      'The trade’s ten per cent': '108 to 132 V: holds',
      'Standard, at the service': '114 to 126 V: does not hold',
      'Standard, at the unit': '108 to 126 V: holds',
    });
    const loop = { source: 450, valve: 340, first: 50, second: 40, third: 10 };
    expect(mind('millivolt-loop', loop)).toMatch(
      /More than 80 mV. Clean in this order until it holds: first\./,
    );
    expect(mind('millivolt-loop', { ...loop, valve: 380 })).toMatch(/read them again/);
    expect(
      mind('millivolt-loop', { source: 450, valve: 400, first: 20, second: 20, third: 0 }),
    ).toBe('Within the 80 mV that a loop may lose.');
  });

  it('says what air a furnace moves and what a breaker carries', () => {
    // 60,000 BTU/h over 55 °F: 1,010 cubic feet a minute.
    expect(said('temperature-rise', {}).Air).toBe('1010 cubic feet a minute');
    expect(said('temperature-rise', { heat: 60_000 / BTU_A_WATT, in: 'watt' }).Air).toBe(
      '1010 cubic feet a minute',
    );
    expect(mind('temperature-rise', { supply: 160 })).toMatch(/Too little air/);
    expect(said('circuit-load', { rating: 15, one: 1500, two: 500 }).It).toBe('trips');
    expect(said('circuit-load', { rating: 15, one: 1500 }).It).toBe('holds for a while');
    expect(said('circuit-load', { rating: 20, one: 1500 }).It).toBe('holds');
  });
});

describe('every calculator', () => {
  it.each(CALCULATORS.map((each) => [each.id, each] as const))(
    '%s answers its usual values, says its source, and refuses none of its bounds',
    (_, each) => {
      expect(each.answer(usualValues(each))?.lines.length).toBeGreaterThan(0);
      expect(each.formula && each.source).toBeTruthy();
      for (const input of each.inputs) expect(wrongValue(input, input.usual)).toBeUndefined();
      // Whatever is typed within the bounds, no number that is none comes out.
      const values = fc.record(
        Object.fromEntries(
          each.inputs.map((input) => [
            input.id,
            input.kind === 'number'
              ? fc.double({ min: input.least, max: input.most, noNaN: true })
              : input.kind === 'choice'
                ? fc.constantFrom(...input.choices.map(({ id }) => id))
                : fc.string(),
          ]),
        ),
      );
      fc.assert(
        fc.property(values, (typed) => {
          for (const { says } of each.answer(typed)?.lines ?? [])
            expect(says).not.toMatch(/NaN|Infinity|undefined/);
        }),
      );
    },
  );

  it('writes a number with the figures that it is worth', () => {
    expect(
      ['48', '0.0831', '1234567', '0', '99.96'].map((each) => withUnit(Number(each), 'Ω')),
    ).toEqual(['48.0 Ω', '0.0831 Ω', '1230000 Ω', '0 Ω', '100 Ω']);
    const [number] = of('element').inputs;
    if (!number) throw new Error('no input');
    for (const wrong of [NaN, -1, 'x', undefined]) expect(wrongValue(number, wrong)).toBeDefined();
  });
});
