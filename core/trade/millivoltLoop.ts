import { number, numberIn, withUnit, type Calculator } from './calculator';

/** What all contacts of a thermopile's loop may lose together with the burner drawing, in millivolts: common practice. */
export const LOOP_LOSES_MV = 80;

export const millivoltLosses: Calculator = {
  id: 'millivolt-loop',
  name: 'Millivolt loop',
  asks: 'What the contacts of a thermopile’s loop may lose together, and who takes how much',
  inputs: [
    number('source', 'Source with the burner on', 'mV', 450, { most: 2000 }),
    number('valve', 'At the valve with the burner on', 'mV', 380, { most: 2000 }),
    number('amps', 'Current of the loop', 'A', 0.09, { least: 0.001, most: 5 }),
    number('first', 'Across the first contact', 'mV', 30, { most: 2000 }),
    number('second', 'Across the second', 'mV', 25, { most: 2000 }),
    number('third', 'Across the third', 'mV', 10, { most: 2000 }),
  ],
  formula: 'lost = source − valve; share = mV across / lost; R = lost / I',
  source: `Kirchhoff’s and Ohm’s laws; ${LOOP_LOSES_MV} mV in all: common practice`,
  answer: (values) => {
    const [source = 0, valve = 0, amps = 0] = ['source', 'valve', 'amps'].map((id) =>
      numberIn(values, id),
    );
    const lost = source - valve;
    // Less than a meter tells is nothing lost.
    if (lost < 0.01 || amps <= 0) return undefined;
    const contacts = (['first', 'second', 'third'] as const)
      .map((id) => ({ id, across: numberIn(values, id) }))
      .filter(({ across }) => across > 0)
      .sort((one, two) => two.across - one.across);
    const rest = lost - contacts.reduce((sum, { across }) => sum + across, 0);
    // Cleaned in this order until the sum holds.
    let left = lost;
    const toDo = contacts.filter(({ across }) => {
      const due = left > LOOP_LOSES_MV;
      if (due) left -= across;
      return due;
    });
    return {
      lines: [
        {
          label: 'Lost in the loop',
          says: `${withUnit(lost, 'mV')}, ${withUnit(lost / 1000 / amps, 'Ω')}`,
        },
        ...contacts.map(({ id, across }) => ({
          label: `The ${id} contact`,
          says: `${withUnit((100 * across) / lost, '%', 2)} of it`,
        })),
        { label: 'Wires and joints', says: withUnit(Math.max(0, rest), 'mV') },
      ],
      mind: [
        ...(rest < 0
          ? ['The contacts take more than the loop loses: read them again with the burner on.']
          : []),
        lost <= LOOP_LOSES_MV
          ? `Within the ${LOOP_LOSES_MV} mV that a loop may lose.`
          : `More than ${LOOP_LOSES_MV} mV.${toDo.length ? ` Clean in this order until it holds: ${toDo.map(({ id }) => id).join(', then ')}.` : ' Look at wires and joints.'}`,
      ],
    };
  },
};
