import { panel, temperature, TOOLS } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { heater } from '../shelf/loads';
import { CAUSES, CAUTIONS, commonPractice, look } from '../shelf/practice';
import { rangeCord } from '../shelf/supplies';
import { table } from '../shelf/switches';
import type { SwitchPart } from '../../core/diagram/diagram';
import { unit, wires } from '../shelf/unit';

const AMPS = 4500 / 240;

/** A thermostat clipped to the tank, upper or lower: it follows the water behind it. */
const onTank = (
  part: Pick<SwitchPart, 'id' | 'name' | 'role' | 'actuator' | 'panel' | 'where' | 'prior'> &
    Partial<SwitchPart>,
  contacts: Record<string, 'below' | 'above'>,
  [at, back]: [number, number],
): SwitchPart => ({
  byHand: 'Turn its dial to the stop and back with a screwdriver, power off.',
  free: 'below',
  ...part,
  kind: 'switch',
  terminals: [...new Set(Object.keys(contacts).flatMap((id) => id.split('-')))].map((id) => ({
    id,
  })),
  contacts: Object.keys(contacts).map((id) => {
    const [a = '', b = ''] = id.split('-');
    return { id, between: [a, b], circuit: 'heater', amps: AMPS };
  }),
  setPoints: { rising: { at, tolerance: 5 }, falling: { at: back, tolerance: 5 } },
  table: table({
    below: Object.keys(contacts).filter((id) => contacts[id] === 'below'),
    above: Object.keys(contacts).filter((id) => contacts[id] === 'above'),
  }),
});

/** Electric water heater, two elements that never heat at once, manual high limit over the upper thermostat. */
export const electricWaterHeater = unit({
  id: 'electric-water-heater',
  name: 'Electric water heater, two thermostats and high limit',
  kind: 'electric water heater',
  drawnFor: { top: 70, bottom: 60 },
  supplies: [rangeCord(30, 'Heater feed')],
  actuators: [
    temperature(
      'top',
      'Water in the upper third',
      { by: 'upper', to: 260, seconds: 900, stays: true },
      [
        {
          beyond: 'high-limit',
          side: 'above',
          says: 'the water got too hot',
          causes: [
            'a thermostat that does not open',
            'a thermostat not flat on the tank',
            'an element grounded to the tank',
          ],
          action:
            'The limit is right: find the thermostat or element that heats on before it is pressed.',
          prior: commonPractice(2.5),
        },
      ],
    ),
    temperature('bottom', 'Water in the lower part', {
      by: 'lower',
      to: 230,
      seconds: 2400,
      stays: true,
    }),
  ],
  panels: [
    panel(
      'upper-door',
      'Upper access door',
      '2 hex-head screws, insulation folded away',
      2,
      'front',
      { tool: TOOLS.nut },
    ),
    panel(
      'lower-door',
      'Lower access door',
      '2 hex-head screws, insulation folded away',
      2,
      'front',
      { tool: TOOLS.nut },
    ),
    panel('junction', 'Junction box on top', '1 screw', 1, 'top', { tool: TOOLS.cross }),
  ],
  parts: [
    frame('Tank', 'metal of the tank'),
    {
      id: 'high-limit',
      name: 'High limit',
      role: 'cuts both legs when the water gets too hot, until it is pressed',
      causes: [...CAUSES.scale],
      companions: ['upper-stat', 'lower-stat'],
      prior: commonPractice(3),
      aliases: [
        { word: 'red button' },
        { word: 'reset' },
        { word: 'energy cut-off', trap: 'on a gas heater that is a one-shot in the valve' },
      ],
      kind: 'switch',
      terminals: [{ id: '1' }, { id: '2' }, { id: '3' }, { id: '4' }],
      contacts: [
        { id: '1-2', between: ['1', '2'], circuit: 'heater', amps: AMPS },
        { id: '3-4', between: ['3', '4'], circuit: 'heater', amps: AMPS },
      ],
      actuator: 'top',
      free: 'below',
      byHand: 'It cannot be moved by hand: press its button once it is cool.',
      setPoints: { rising: { at: 170, tolerance: 6 }, falling: { at: 140, tolerance: 10 } },
      reset: 'manual',
      safety: true,
      table: table({ below: ['1-2', '3-4'], above: [] }),
      panel: 'upper-door',
      where: 'Over the upper thermostat',
    },
    onTank(
      {
        id: 'upper-stat',
        name: 'Upper thermostat',
        role: 'heats the top first, then hands the line to the bottom',
        actuator: 'top',
        prior: commonPractice(2),
        panel: 'upper-door',
        where: 'Flat on the tank',
      },
      { 'C-U': 'below', 'C-D': 'above' },
      [122, 110],
    ),
    onTank(
      {
        id: 'lower-stat',
        name: 'Lower thermostat',
        role: 'heats the bottom, which is most of the water',
        actuator: 'bottom',
        prior: commonPractice(2),
        panel: 'lower-door',
        where: 'Flat on the tank',
      },
      { 'I-O': 'below' },
      [120, 108],
    ),
    heater(
      {
        id: 'upper',
        name: 'Upper element',
        role: 'heats the upper third',
        seenAs: { name: 'Upper element', off: 'stays cold', runs: 'heats' },
        causes: ['scale', 'switched on before the tank was full'],
        prior: commonPractice(2.5),
        panel: 'upper-door',
      },
      4500,
      240,
    ),
    heater(
      {
        id: 'lower',
        name: 'Lower element',
        role: 'heats most of the water',
        seenAs: { name: 'Lower element', off: 'stays cold', runs: 'heats' },
        causes: ['scale and mud in the bottom'],
        prior: commonPractice(4),
        panel: 'lower-door',
      },
      4500,
      240,
    ),
  ],
  wires: wires(`
    BK feed.L1 high-limit.1
    RD feed.L2 high-limit.3
    BK-RD high-limit.2 upper-stat.C
    BU upper-stat.U upper.a
    YE upper-stat.D lower-stat.I
    OR lower-stat.O lower.a
    RD high-limit.4 upper.b
    RD-BK high-limit.4 lower.b
    GN feed.G frame.G
  `),
  uses: [
    { id: 'cold', name: 'A cold tank for ten minutes', steps: 'power=on,wait=200' },
    { id: 'recover', name: 'An hour later', steps: 'power=on,wait=3000' },
  ],
  looks: [
    look(
      'button',
      'The red button clicks when it is pressed',
      ['high-limit:tripped', 'top'],
      [0.9, 0.03],
      2,
      { panel: 'upper-door' },
    ),
    look(
      'seep',
      'Water or rust round an element, insulation wet',
      ['upper', 'lower'],
      [0.3, 0.03],
      2,
      { panel: 'lower-door' },
    ),
    look(
      'browned',
      'A brown or loose wire at limit or thermostat',
      ['w3', 'w4', 'w5', 'w6', 'upper-stat', 'high-limit'],
      [0.4, 0.04],
      2,
      { panel: 'upper-door' },
    ),
    look(
      'short-hot',
      'Hot for a few minutes, then cold: the top heats and the bottom does not',
      ['lower', 'lower-stat', 'w5', 'w6', 'w8'],
      [0.6, 0.05],
      0.5,
    ),
    look('splice', 'A brown or loose splice on top', ['feed', 'w1', 'w2'], [0.5, 0.02], 1, {
      panel: 'junction',
    }),
    look(
      'gap',
      'A thermostat does not lie flat on the tank',
      ['upper-stat:not-actuated', 'lower-stat:not-actuated', 'top'],
      [0.3, 0.03],
      2,
      { panel: 'upper-door' },
    ),
  ],
  energies: ['water'],
  cautions: [
    CAUTIONS.twoLegs,
    CAUTIONS.scald,
    'Never power an element that is not under water: it burns out in a minute.',
    'A tripped high limit has a cause: never just press it and leave.',
  ],
});
