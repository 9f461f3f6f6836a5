import { handActuator, panel, temperature, TOOLS } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { about, lamp } from '../shelf/loads';
import { CAUTIONS, commonPractice, look } from '../shelf/practice';
import { mainsCord } from '../shelf/supplies';
import { selector, setPointSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** Range hood: rocker for two speeds and light, heat sensor that runs the fan by itself, motor with a cut-out. */
export const rangeHood = unit({
  id: 'range-hood',
  name: 'Range hood, two speeds and heat sensor',
  kind: 'range hood',
  drawnFor: { canopy: 80, winding: 80 },
  supplies: [{ ...mainsCord(15), name: 'House wires' }],
  actuators: [
    handActuator('speed', 'Fan rocker', 'button', {
      off: 'fan off',
      low: 'fan at LOW',
      high: 'fan at HIGH',
    }),
    handActuator('light', 'Light rocker', 'button', { off: 'light off', on: 'light on' }),
    temperature('canopy', 'Under the canopy'),
    temperature('winding', 'Winding of the motor', { by: 'fan', to: 150, seconds: 1200 }),
  ],
  panels: [
    panel('filter', 'Grease filter', 'slides out', 0.5, 'bottom'),
    panel('box', 'Wiring cover', '1 cross-head screw', 2, 'bottom', { tool: TOOLS.cross }),
    panel('blower', 'Blower', '3 hex-head screws', 6, 'bottom', { tool: TOOLS.nut }),
  ],
  parts: [
    frame('Canopy', 'metal of the hood'),
    selector(
      {
        id: 'fan-switch',
        name: 'Fan rocker switch',
        role: 'two speeds',
        actuator: 'speed',
        prior: commonPractice(2.5),
        byHand: 'Pull it out of the front and press it.',
        panel: 'box',
        where: 'In the front, left',
      },
      { 'L-LO': ['control', 1], 'L-HI': ['control', 1.6] },
      { off: [], low: ['L-LO'], high: ['L-HI'] },
    ),
    selector(
      {
        id: 'light-switch',
        name: 'Light rocker switch',
        role: 'lights the range',
        actuator: 'light',
        prior: commonPractice(2),
        byHand: 'Pull it out of the front and press it.',
        panel: 'box',
        where: 'In the front, right',
      },
      { 'L-LT': ['control', 0.7] },
      { off: [], on: ['L-LT'] },
    ),
    setPointSwitch(
      {
        id: 'heat-sensor',
        name: 'Heat sensor',
        role: 'runs the fan at HIGH when it gets hot below',
        actuator: 'canopy',
        prior: commonPractice(1.5),
        aliases: [{ word: 'thermostat', trap: 'it is open when cold: that is right' }],
        panel: 'box',
        where: 'Over the back of the canopy',
      },
      ['control', 1.6],
      { opens: 130, closes: 158, tolerance: 8 },
    ),
    setPointSwitch(
      {
        id: 'cut-out',
        name: 'Motor cut-out',
        role: 'stops the motor when its winding gets too hot',
        actuator: 'winding',
        causes: ['grease in the bearings', 'a wheel that rubs'],
        prior: commonPractice(2),
        panel: 'blower',
        where: 'Under the tape of the winding',
      },
      ['control', 1.6],
      { opens: 250, closes: 190, tolerance: 10 },
    ),
    {
      id: 'fan',
      name: 'Fan motor',
      role: 'draws the air',
      seenAs: { name: 'Fan' },
      prior: commonPractice(3),
      kind: 'load',
      load: 'motor',
      terminals: [{ id: 'LO' }, { id: 'HI' }, { id: 'C' }],
      elements: [
        {
          id: 'low',
          between: ['LO', 'C'],
          value: about(52, 20),
          working: about(130, 20),
          volts: 120,
        },
        {
          id: 'high',
          between: ['HI', 'C'],
          value: about(31, 20),
          working: about(78, 20),
          volts: 120,
        },
      ],
      panel: 'blower',
    },
    lamp(
      {
        id: 'lamp',
        name: 'Lamp',
        role: 'lights the range',
        seenAs: { name: 'Light' },
        prior: commonPractice(3),
      },
      60,
    ),
  ],
  wires: wires(`
    BK cord.L fan-switch.L
    BK cord.L light-switch.L
    BK cord.L heat-sensor.1
    RD fan-switch.LO fan.LO
    BU fan-switch.HI fan.HI
    BU-WH heat-sensor.2 fan.HI
    YE light-switch.LT lamp.a
    WH lamp.b cord.N
    OR fan.C cut-out.1
    WH cut-out.2 cord.N
    GN cord.G frame.G
  `),
  uses: [
    {
      id: 'draw',
      name: 'Low, high, light',
      steps: 'speed=low,wait=10,speed=high,wait=10,speed=off,light=on,light=off',
    },
    { id: 'hot', name: 'Heat below starts it', steps: 'canopy=190,wait=10' },
  ],
  looks: [
    look(
      'grease',
      'Grease in the bearings: the wheel turns stiffly',
      ['fan:seized', 'cut-out', 'winding'],
      [0.7, 0.06],
      1,
      { panel: 'filter' },
    ),
    look('loose-lamp', 'The lamp is loose or black', ['lamp'], [0.7, 0.05], 0.5),
    look(
      'feel',
      'A rocker feels slack or does not snap',
      ['fan-switch', 'light-switch'],
      [0.5, 0.05],
      0.5,
    ),
    look('below', 'The range below is hot', ['heat-sensor'], [0.05, 0.1], 0.5),
  ],
  energies: ['moving-air'],
  cautions: [
    'House wires: breaker off, and proved dead at the wiring cover.',
    'It may start by itself over a hot range: power off before a hand goes near the wheel.',
    CAUTIONS.edges,
  ],
});
