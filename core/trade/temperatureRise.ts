import { number, numberIn, textIn, withUnit, type Calculator } from './calculator';

/** BTU an hour of one watt (NIST SP 811, B.8: 1 Btu/h is 0.293 071 W). */
export const BTU_A_WATT = 1 / 0.293071;
/** BTU an hour that warm one cubic foot a minute of air by one degree Fahrenheit: 60 · 0.075 lb/ft³ · 0.24; a handbook's figure, from memory. */
const AIR_FACTOR = 1.08;

export const temperatureRise: Calculator = {
  id: 'temperature-rise',
  name: 'Temperature rise',
  asks: 'Whether a furnace warms its air as its plate says, and how much air moves',
  inputs: [
    number('back', 'Air that comes back', '°F', 68, { least: -50, most: 200 }),
    number('supply', 'Air that goes out', '°F', 123, { least: -50, most: 300 }),
    number('low', 'Rise on the plate, from', '°F', 40, { most: 200 }),
    number('high', 'to', '°F', 70, { most: 200 }),
    number('heat', 'Heat that it gives', '', 60_000, { least: 1, most: 1e6 }),
    {
      id: 'in',
      label: 'in',
      kind: 'choice',
      usual: 'btu',
      choices: [
        { id: 'btu', label: 'BTU an hour' },
        { id: 'watt', label: 'watts' },
      ],
    },
  ],
  formula: 'rise = supply − return; CFM = BTU/h / (1.08 · rise)',
  source: 'Heat carried by air, a handbook’s factor for standard air, from memory',
  answer: (values) => {
    const [back = 0, supply = 0, low = 0, high = 0, heat = 0] = [
      'back',
      'supply',
      'low',
      'high',
      'heat',
    ].map((id) => numberIn(values, id));
    const rise = supply - back;
    // Less than a thermometer tells is none.
    if (rise < 0.1) return undefined;
    const btu = textIn(values, 'in') === 'watt' ? heat * BTU_A_WATT : heat;
    return {
      lines: [
        { label: 'Rise', says: `${withUnit(rise, '°F')}, ${withUnit(rise / 1.8, 'K')}` },
        {
          label: 'By the plate',
          says: rise < low ? 'too little' : rise > high ? 'too much' : 'as it should be',
        },
        { label: 'Air', says: withUnit(btu / (AIR_FACTOR * rise), 'cubic feet a minute') },
      ],
      mind:
        rise > high
          ? [
              'Too little air: filter, registers, blower speed, a blocked coil. The limit opens on it.',
            ]
          : rise < low
            ? [
                'Too much air, or too little heat: gas pressure, an element or a sequencer that is out.',
              ]
            : [],
    };
  },
};
