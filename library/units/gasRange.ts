import { handActuator, panel, temperature, TOOLS } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { about, coil, plainLoad } from '../shelf/loads';
import { CAUTIONS, commonPractice, look } from '../shelf/practice';
import { mainsCord } from '../shelf/supplies';
import { plainSwitch, setPointSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

const BURNERS = [
  ['lf', 'left front'],
  ['rf', 'right front'],
  ['lr', 'left rear'],
  ['rr', 'right rear'],
] as const;

/** Gas range: spark switches on the top burners, oven igniter in series with its safety valve. */
export const gasRange = unit({
  id: 'gas-range',
  name: 'Gas range, spark switches and oven igniter',
  kind: 'gas range',
  drawnFor: { cavity: 75 },
  supplies: [mainsCord(15)],
  actuators: [
    ...BURNERS.map(([id, name]) =>
      handActuator(id, `Knob, ${name}`, 'knob', {
        off: `${name} knob at OFF`,
        lite: `${name} knob at LITE`,
        on: `${name} knob at ON`,
      }),
    ),
    handActuator('oven', 'Oven knob', 'knob', {
      off: 'oven knob at OFF',
      bake: 'oven knob at BAKE',
    }),
    temperature('cavity', 'Oven cavity', { by: 'safety-valve', to: 520, seconds: 700 }),
  ],
  panels: [
    panel('top', 'Main top', 'lifts off, 2 clips', 2, 'top'),
    panel('manifold', 'Manifold panel', '5 cross-head screws, knobs off', 6, 'front', {
      tool: TOOLS.cross,
    }),
    panel('floor', 'Oven floor and flame spreader', '2 wing nuts', 3, 'inside'),
    panel('rear', 'Rear cover', '8 hex-head screws, pulled out', 10, 'back', { tool: TOOLS.nut }),
  ],
  parts: [
    frame('Body', 'metal of the range'),
    ...BURNERS.map(([id, name]) =>
      plainSwitch(
        {
          id: `${id}-switch`,
          name: `Spark switch, ${name}`,
          role: 'sparks while its knob is at LITE',
          actuator: id,
          free: 'off',
          byHand: 'Turn the stem itself with the gas shut off.',
          prior: commonPractice(1.5),
          causes: ['a spill that ran down the stem'],
          panel: 'manifold',
          where: `On the stem of the ${name} valve`,
        },
        { circuit: 'control', amps: 0.1 },
        { off: 'open', lite: 'closed', on: 'open' },
      ),
    ),
    coil(
      {
        id: 'spark',
        name: 'Spark module',
        role: 'sparks at all four burners',
        seenAs: { name: 'Spark', off: 'does not come', runs: 'ticks' },
        aliases: [{ word: 'igniter', trap: 'the oven has a glow igniter of its own' }],
        prior: commonPractice(2),
        panel: 'rear',
      },
      4200,
      120,
    ),
    setPointSwitch(
      {
        id: 'thermostat',
        name: 'Oven thermostat',
        role: 'cycles the oven burner',
        actuator: 'cavity',
        prior: commonPractice(1.5),
        panel: 'manifold',
        where: 'Behind the oven knob, its bulb in the oven',
      },
      ['control', 3.2],
      { opens: 365, closes: 340, tolerance: 12 },
    ),
    plainSwitch(
      {
        id: 'oven-switch',
        name: 'Oven switch',
        role: 'cuts the oven while its knob is at OFF',
        actuator: 'oven',
        free: 'off',
        byHand: 'Turn the stem itself.',
        prior: commonPractice(1),
        panel: 'manifold',
        where: 'On the stem of the oven knob',
      },
      { circuit: 'control', amps: 3.2 },
      { off: 'open', bake: 'closed' },
    ),
    plainLoad(
      {
        id: 'igniter',
        name: 'Oven igniter',
        role: 'glows, lights the gas, and lets the valve open by its current',
        seenAs: { name: 'Oven igniter', off: 'does not glow', runs: 'glows' },
        aliases: [{ word: 'glow bar' }],
        prior: commonPractice(6),
        panel: 'floor',
        where: 'Beside the oven burner; brittle, never touch the bar',
      },
      'heater',
      { value: { nominal: 170, low: 60, high: 500 }, working: about(35, 8), volts: 120 },
    ),
    {
      ...plainLoad(
        {
          id: 'safety-valve',
          name: 'Oven safety valve',
          role: 'opens when the igniter draws enough',
          seenAs: { name: 'Oven flame', off: 'does not come', runs: 'burns' },
          prior: commonPractice(2),
          panel: 'rear',
          where: 'Low at the back, two push-on terminals',
        },
        'coil',
        { value: about(1.05, 15), volts: 3.5 },
      ),
      startsFrom: 0.85,
      holdsFrom: 0.78,
    },
  ],
  wires: wires(`
    BK cord.L lf-switch.1
    BK cord.L rf-switch.1
    BK cord.L lr-switch.1
    BK cord.L rr-switch.1
    OR lf-switch.2 spark.a
    OR rf-switch.2 spark.a
    OR lr-switch.2 spark.a
    OR rr-switch.2 spark.a
    WH spark.b cord.N
    BK cord.L oven-switch.1
    BU oven-switch.2 thermostat.1
    BU-WH thermostat.2 igniter.a
    NA igniter.b safety-valve.a
    WH safety-valve.b cord.N
    GN cord.G frame.G
  `),
  uses: [
    ...BURNERS.map(([id, name]) => ({
      id,
      name: `Burner ${name} lit`,
      steps: `${id}=lite,wait=5,${id}=on,wait=5,${id}=off`,
    })),
    { id: 'bake', name: 'Bake', steps: 'oven=bake,wait=300,oven=off' },
  ],
  looks: [
    look(
      'wet',
      'A spill, or it was just cleaned: spark never stops, or comes by itself',
      BURNERS.map(([id]) => `${id}-switch`),
      [0.6, 0.06],
      0.5,
    ),
    look(
      'glow',
      'The oven igniter glows for more than a minute and no flame comes',
      ['igniter', 'safety-valve'],
      [0.7, 0.03],
      2,
      { powered: true, panel: 'floor' },
    ),
    look('crack', 'A crack or a white spot on the igniter', ['igniter:open'], [0.5, 0.02], 2, {
      panel: 'floor',
    }),
    look(
      'ports',
      'The spark jumps under the top, not at the burner: a cracked electrode',
      ['spark'],
      [0.3, 0.03],
      1,
      { panel: 'top', powered: true },
    ),
  ],
  energies: ['gas'],
  cautions: [
    ...CAUTIONS.gas,
    'Shut the gas off before a spark switch is turned with the cord in.',
    'The spark stings and makes a hand jump: pull the cord.',
  ],
});
