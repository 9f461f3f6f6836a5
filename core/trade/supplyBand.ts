import { number, numberIn, type Calculator } from './calculator';

/** Per cent both ways of the trade's usual band: common practice. */
const USUAL_PERCENT = 10;
/** ANSI C84.1, range A, service voltage: 5 per cent both ways. From memory. */
export const SERVICE_PERCENT = 5;
/** ANSI C84.1, range A, utilization voltage: on a 120 V base from 108 (110 for lighting) to 126 V. From memory. */
const UTILIZATION_SHARE = { low: 108 / 120, high: 126 / 120 };

const both = (percent: number): { low: number; high: number } => ({
  low: 1 - percent / 100,
  high: 1 + percent / 100,
});

const band = (low: number, high: number): string => `${Math.round(low)} to ${Math.round(high)} V`;

export const supplyBand: Calculator = {
  id: 'supply-band',
  name: 'Supply',
  asks: 'Whether the volts of the house are right, by both schools',
  inputs: [
    number('nominal', 'It should have', 'V', 120, { least: 1, most: 1000 }),
    number('read', 'Read under load', 'V', 113, { most: 2000 }),
  ],
  formula: 'low = V · (1 − p), high = V · (1 + p)',
  source: 'ANSI C84.1, range A, from memory; ten per cent both ways: common practice',
  answer: (values) => {
    const [nominal = 0, read = 0] = ['nominal', 'read'].map((id) => numberIn(values, id));
    if (nominal <= 0) return undefined;
    const schools = [
      { label: 'The trade’s ten per cent', ...both(USUAL_PERCENT) },
      { label: 'Standard, at the service', ...both(SERVICE_PERCENT) },
      { label: 'Standard, at the unit', ...UTILIZATION_SHARE },
    ];
    return {
      lines: schools.map(({ label, low, high }) => {
        const fits = read >= nominal * low && read <= nominal * high;
        return {
          label,
          says: `${band(nominal * low, nominal * high)}: ${fits ? 'holds' : 'does not hold'}`,
        };
      }),
      mind: ['Without load a wire of a few strands shows full volts: read with everything on.'],
    };
  },
};
