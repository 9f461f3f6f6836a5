import { number, numberIn, withUnit, type Calculator } from './calculator';

/** Ohms of an element by its plate, hot: R = V squared / P. */
export const ohmsByPlate = (watts: number, volts: number): number => (volts * volts) / watts;
/** Watts of so many ohms at so many volts. */
export const wattsAt = (ohms: number, volts: number): number => (volts * volts) / ohms;

/** How many times hotter ohms are than cold ones: heating alloys a few per cent, tungsten ten to fifteen times. From memory. */
const COLD_TO_HOT = { alloy: 1.05, tungsten: 12 } as const;
/** How far off a plate may be, both ways: from memory. */
const PLATE_PERCENT = 8;

export const element: Calculator = {
  id: 'element',
  name: 'Element',
  asks: 'Ohms, watts and amperes of a heating element at the volts of the house',
  inputs: [
    number('watts', 'On its plate', 'W', 2400, { least: 0.1 }),
    number('rated', 'Made for', 'V', 240, { least: 1, most: 1000 }),
    number('volts', 'There is', 'V', 240, { least: 0, most: 1000 }),
    {
      id: 'wire',
      label: 'What it is made of',
      kind: 'choice',
      usual: 'alloy',
      choices: [
        { id: 'alloy', label: 'heating alloy' },
        { id: 'tungsten', label: 'tungsten (lamp, quartz)' },
      ],
    },
  ],
  formula: 'R = V² / P, P = V² / R, I = V / R',
  source: 'Joule’s and Ohm’s laws; cold allowance and band of the plate from memory',
  answer: (values) => {
    const [watts, rated, volts] = ['watts', 'rated', 'volts'].map((id) => numberIn(values, id));
    if (!watts || !rated || volts === undefined) return undefined;
    const ohms = ohmsByPlate(watts, rated);
    const cold = ohms / COLD_TO_HOT[values.wire === 'tungsten' ? 'tungsten' : 'alloy'];
    const [low, high] = [cold * (1 - PLATE_PERCENT / 100), cold * (1 + PLATE_PERCENT / 100)];
    const now = wattsAt(ohms, volts);
    const share = Math.round((100 * now) / watts);
    return {
      lines: [
        { label: 'Hot', says: withUnit(ohms, 'Ω') },
        {
          label: 'Cold, as the meter reads it',
          says: `${withUnit(low, '')} to ${withUnit(high, 'Ω')}`,
        },
        { label: `At ${volts} V`, says: `${withUnit(now, 'W')}, ${share} % of its plate` },
        { label: 'Draws', says: withUnit(volts / ohms, 'A') },
      ],
      ...(share < 85 && {
        mind: [`At ${volts} V it gives ${share} % of its heat: slow, and not broken.`],
      }),
    };
  },
};
