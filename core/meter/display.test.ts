import { parseDisplay } from './display';
import { displayInterval, sideOfLimit, MANUAL_METER, ORDINARY_METER, showOhms } from './meter';

describe('what a display says', () => {
  it.each([
    ['0.3', 0.3],
    ['0,3', 0.3],
    ['820k', 820e3],
    ['820 kilohm', 820e3],
    ['4.7M', 4.7e6],
    ['4k7', 4.7e3],
    ['4.7 megohm', 4.7e6],
    ['12 ohm', 12],
    ['1 ohm', 1],
  ])('%s is a number', (text, ohms) => {
    expect(parseDisplay(text)).toEqual({ ok: true, value: { kind: 'ohms', ohms } });
  });

  it.each(['OL', 'ol', '0L', '1 .', '1.', '∞', 'infinity', 'a lone 1'.slice(2)])(
    '%s is above the range',
    (text) => {
      expect(parseDisplay(text)).toEqual({ ok: true, value: { kind: 'over' } });
    },
  );

  it.each(['zero reading', 'no reading', 'nothing', '1', '4.7m', 'closed'])(
    '%s is asked back',
    (text) => {
      const asked = parseDisplay(text);
      expect(asked).toMatchObject({ ok: false, error: { kind: 'ask' } });
      if (!asked.ok && asked.error.kind === 'ask')
        expect(asked.error.choices.length).toBeGreaterThan(1);
    },
  );

  it.each(['', 'abc', '-3', '12 volts', '1.2.3'])(
    '"%s" is refused with what would be right',
    (text) => {
      expect(parseDisplay(text)).toMatchObject({ ok: false, error: { kind: 'unreadable' } });
    },
  );
});

describe('what a display proves (common practice)', () => {
  it('takes OL as above the range in use', () => {
    expect(displayInterval({ kind: 'over' }, { meter: MANUAL_METER, range: '200Ω' })?.low).toBe(
      200,
    );
    expect(displayInterval({ kind: 'over' }, { meter: ORDINARY_METER })?.low).toBe(40e6);
  });

  it('cannot decide 0.3 ohm with 0.2 ohm in its leads', () => {
    const shown = displayInterval({ kind: 'ohms', ohms: 0.4 }, { meter: ORDINARY_METER });
    expect(shown && sideOfLimit(shown, 0.3)).toBe('cannot-decide');
  });

  it('holds every true value inside the interval of what it shows', () => {
    for (const meter of [ORDINARY_METER, MANUAL_METER]) {
      for (let power = -2; power < 8; power += 0.037) {
        const range = meter.ohmRanges.find((each) => 10 ** power < each.fullScale)?.id;
        const shown = displayInterval(showOhms(meter, 10 ** power, range), { meter, range });
        expect(shown && shown.low <= 10 ** power && shown.high >= 10 ** power).toBe(true);
      }
    }
  });
});
