import { number, numberIn, withUnit, type Calculator } from './calculator';

/** A breaker carries what runs for three hours and more up to this share of its rating (National Electrical Code, 210.20; from memory). */
const CONTINUOUS_SHARE = 0.8;

export const circuitLoad: Calculator = {
  id: 'circuit-load',
  name: 'Fuse and breaker',
  asks: 'Whether a breaker or fuse can carry what hangs on it',
  inputs: [
    number('rating', 'Breaker or fuse', 'A', 20, { least: 0.1, most: 1000 }),
    number('volts', 'At', 'V', 120, { least: 1, most: 1000 }),
    number('one', 'First load', 'W', 1500),
    number('two', 'Second', 'W', 0),
    number('three', 'Third', 'W', 0),
  ],
  formula: 'I = (P₁ + P₂ + P₃) / V, up to 80 % of the rating for what runs long',
  source:
    'National Electrical Code, 210.20, from memory; heaters and lamps: motors draw more than their watts say',
  answer: (values) => {
    const [rating = 0, volts = 0, ...loads] = ['rating', 'volts', 'one', 'two', 'three'].map((id) =>
      numberIn(values, id),
    );
    if (rating <= 0 || volts <= 0) return undefined;
    const amps = loads.reduce((sum, each) => sum + each, 0) / volts;
    const share = amps / rating;
    return {
      lines: [
        { label: 'Draws', says: withUnit(amps, 'A') },
        { label: 'Of the rating', says: withUnit(100 * share, '%', 2) },
        {
          label: 'It',
          says: share > 1 ? 'trips' : share > CONTINUOUS_SHARE ? 'holds for a while' : 'holds',
        },
      ],
      mind: [
        ...(share > 1
          ? ['The breaker is right to trip: another circuit. Never a larger one on the same wire.']
          : []),
        'A larger fuse than the plate says protects nothing.',
      ],
    };
  },
};
