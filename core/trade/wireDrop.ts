import { number, numberIn, textIn, withUnit, type Calculator } from './calculator';

/** Diameter of a round wire by its gauge, in millimetres (ASTM B258): 0.127 · 92^((36 − n) / 39). */
const diameterOf = (gauge: number): number => 0.127 * 92 ** ((36 - gauge) / 39);

/** Of annealed copper at 20 °C, in ohm metres: 1/58 of an ohm millimetre squared a metre (IEC 60028). */
const RESISTIVITY = 1 / 58e6;
/** Rise of it for each kelvin above 20 °C (IEC 60028). */
const PER_KELVIN = 0.00393;

/** Ohms of so many metres of one copper wire. @param degrees in Celsius */
export function wireOhms(gauge: number, metres: number, degrees: number): number {
  const radius = diameterOf(gauge) / 2000;
  const warm = 1 + PER_KELVIN * (degrees - 20);
  return (RESISTIVITY * warm * metres) / (Math.PI * radius * radius);
}

const GAUGES = [18, 16, 14, 12, 10, 8, 6] as const;
const METRES_A_FOOT = 0.3048;

export const wireDrop: Calculator = {
  id: 'wire-drop',
  name: 'Wire',
  asks: 'Volts lost and heat made in a cord or a run of wire',
  inputs: [
    {
      id: 'gauge',
      label: 'Gauge',
      kind: 'choice',
      usual: '14',
      choices: GAUGES.map((each) => ({ id: String(each), label: `${each} AWG` })),
    },
    number('length', 'Length, one way', 'ft', 50, { most: 10_000 }),
    number('amps', 'Current', 'A', 12, { most: 500 }),
    number('volts', 'House', 'V', 120, { least: 1, most: 1000 }),
    number('degrees', 'Warmth of the wire', '°C', 30, { least: -50, most: 200 }),
  ],
  formula: 'R = ρ · 2 · length / area, U = I · R, P = I² · R',
  source: 'Diameters of ASTM B258, copper of IEC 60028; both from memory',
  answer: (values) => {
    const [length = 0, amps = 0, volts = 0, degrees = 0] = [
      'length',
      'amps',
      'volts',
      'degrees',
    ].map((id) => numberIn(values, id));
    const gauge = Number(textIn(values, 'gauge'));
    if (!(gauge > 0) || volts <= 0) return undefined;
    const ohms = wireOhms(gauge, 2 * length * METRES_A_FOOT, degrees);
    const lost = amps * ohms;
    const percent = (100 * lost) / volts;
    return {
      lines: [
        { label: 'There and back', says: withUnit(ohms, 'Ω') },
        { label: 'Lost', says: `${withUnit(lost, 'V')}, ${withUnit(percent, '%', 2)}` },
        { label: 'At the unit', says: withUnit(volts - lost, 'V') },
        { label: 'Heat in the wire', says: withUnit(amps * lost, 'W') },
      ],
      // Informational note of the National Electrical Code, 210.19: three per cent in a branch circuit; from memory.
      mind: percent > 3 ? ['More than three per cent: a motor starts hard on it.'] : [],
    };
  },
};
