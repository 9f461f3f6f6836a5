import { number, numberIn, withUnit, type Calculator } from './calculator';

/** Watts made in a contact: I squared R. */
export const contactWatts = (ohms: number, amps: number): number => amps * amps * ohms;

/** From so many watts a contact browns what it sits in, and so many are soon a burnt tab: from memory. */
const WARM_WATTS = 1;
const BURNS_WATTS = 5;

export const contactHeat: Calculator = {
  id: 'contact-heat',
  name: 'Bad contact',
  asks: 'Watts made in a contact that is not good any more',
  inputs: [
    number('ohms', 'Contact, leads taken off', 'Ω', 0.1, { most: 1e5 }),
    number('amps', 'Through it', 'A', 10, { most: 500 }),
    number('volts', 'Circuit', 'V', 240, { least: 0.01, most: 1000 }),
  ],
  formula: 'P = I² · R, U = I · R',
  source: 'Joule’s law; what is too warm: common practice, from memory',
  answer: (values) => {
    const [ohms = 0, amps = 0, volts = 0] = ['ohms', 'amps', 'volts'].map((id) =>
      numberIn(values, id),
    );
    if (!(volts > 0)) return undefined;
    const lost = ohms * amps;
    const watts = contactWatts(ohms, amps);
    // What is left of the volts drives less than the current that was put in.
    const cannot = lost > volts;
    return {
      lines: [
        { label: 'Made in it', says: withUnit(watts, 'W') },
        {
          label: 'Lost across it',
          says: `${withUnit(lost, 'V')}, ${withUnit((100 * lost) / volts, '%', 2)}`,
        },
      ],
      mind: cannot
        ? [
            'So many amperes do not flow through so many ohms at these volts: clamp what really flows.',
          ]
        : watts >= BURNS_WATTS
          ? ['That burns its tab and what it is pushed on: new contact, new wire end.']
          : watts >= WARM_WATTS
            ? ['Warm to the hand, and worse with every switching.']
            : [],
    };
  },
};
