import { number, numberIn, textIn, withUnit, type Calculator } from './calculator';

/** Degrees Celsius of degrees Fahrenheit (NIST SP 811, B.8). */
export const celsius = (fahrenheit: number): number => (fahrenheit - 32) / 1.8;
export const fahrenheit = (degrees: number): number => degrees * 1.8 + 32;

/**
 * Pascals of one of each unit of pressure, as NIST SP 811 (2008), appendix B.8, has them; water at 4 °C. From memory.
 */
export const PASCALS = {
  psi: 6894.757,
  kPa: 1000,
  bar: 100_000,
  inH2O: 249.082,
  mmH2O: 9.80638,
  inHg: 3386.38,
} as const;
export type PressureUnit = keyof typeof PASCALS;

const NAMES: Record<PressureUnit, string> = {
  psi: 'psi',
  kPa: 'kPa',
  bar: 'bar',
  inH2O: 'inch of water',
  mmH2O: 'mm of water',
  inHg: 'inch of mercury',
};
const UNITS = Object.keys(PASCALS) as PressureUnit[];

export const inUnit = (value: number, from: PressureUnit, to: PressureUnit): number =>
  (value * PASCALS[from]) / PASCALS[to];

export const degrees: Calculator = {
  id: 'temperature',
  name: 'Degrees',
  asks: 'Fahrenheit and Celsius',
  inputs: [
    number('degrees', 'Degrees', '°', 160, { least: -460, most: 10_000 }),
    {
      id: 'in',
      label: 'in',
      kind: 'choice',
      usual: 'F',
      choices: [
        { id: 'F', label: '°F' },
        { id: 'C', label: '°C' },
      ],
    },
  ],
  formula: '°C = (°F − 32) / 1.8',
  source: 'NIST SP 811, appendix B.8',
  answer: (values) => {
    const degrees = numberIn(values, 'degrees');
    const says = (value: number, unit: string): string => `${Number(value.toFixed(1))} ${unit}`;
    return {
      lines: [
        values.in === 'F'
          ? { label: `${degrees} °F`, says: says(celsius(degrees), '°C') }
          : { label: `${degrees} °C`, says: says(fahrenheit(degrees), '°F') },
      ],
    };
  },
};

export const pressure: Calculator = {
  id: 'pressure',
  name: 'Pressure',
  asks: 'psi, kPa, bar, inch and millimetre of water',
  inputs: [
    number('value', 'Pressure', '', 3.5, { least: -1e6 }),
    {
      id: 'in',
      label: 'in',
      kind: 'choice',
      usual: 'inH2O',
      choices: UNITS.map((id) => ({ id, label: NAMES[id] })),
    },
  ],
  formula: 'value · pascals of its unit / pascals of the other',
  source: 'NIST SP 811, appendix B.8, water at 4 °C; factors from memory',
  answer: (values) => {
    const unit = UNITS.find((each) => each === textIn(values, 'in'));
    if (!unit) return undefined;
    const value = numberIn(values, 'value');
    return {
      lines: UNITS.filter((each) => each !== unit).map((to) => ({
        label: NAMES[to],
        says: withUnit(inUnit(value, unit, to), '', 4),
      })),
    };
  },
};
