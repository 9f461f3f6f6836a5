import type { CircuitClass } from '../../core/diagram/diagram';
import { temperature } from '../shelf/actuators';
import { heater } from '../shelf/loads';
import { commonPractice } from '../shelf/practice';
import { table } from '../shelf/switches';
import type { Assembly } from '../shelf/unit';

/**
 * A sequencer: a 24 V heater `ID-heater` that warms a bimetal, whose contacts close after half a minute and open
 * later than they closed.
 */
export const sequencer = (
  id: string,
  name: string,
  panel: string,
  contacts: Record<string, [circuit: CircuitClass, amps: number]>,
): Assembly => {
  const ids = Object.keys(contacts);
  const pair = (each: string): [string, string] => {
    const [a = '', b = ''] = each.split('-');
    return [a, b];
  };
  return {
    actuators: [
      temperature(`${id}-bimetal`, `Bimetal of ${name.toLowerCase()}`, {
        by: `${id}-heater`,
        to: 240,
        seconds: 45,
      }),
    ],
    drawnFor: { [`${id}-bimetal`]: 70 },
    parts: [
      {
        ...heater(
          {
            id: `${id}-heater`,
            name: `Heater of ${name.toLowerCase()}`,
            role: 'warms the bimetal',
            seenAs: { name, off: 'stays cold', runs: 'gets warm' },
            soldAs: `${name.toLowerCase()} as a whole`,
            prior: commonPractice(1),
            panel,
          },
          9,
          24,
        ),
      },
      {
        id,
        name,
        role: 'brings the heat on step by step',
        prior: commonPractice(3),
        companions: [`${id}-heater`],
        aliases: [{ word: 'heat relay' }],
        kind: 'switch',
        terminals: ids.flatMap(pair).map((each) => ({ id: each })),
        contacts: ids.map((each) => {
          const [circuit, amps] = contacts[each] ?? ['heater', 0];
          return { id: each, between: pair(each), circuit, amps, throw: 'NO' };
        }),
        actuator: `${id}-bimetal`,
        free: 'below',
        byHand: 'It cannot be moved by hand: feed its heater 24 V and wait half a minute.',
        handless: true,
        setPoints: { rising: { at: 150, tolerance: 15 }, falling: { at: 110, tolerance: 15 } },
        table: table({ below: [], above: ids }),
        panel,
      },
    ],
  };
};
