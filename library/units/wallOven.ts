import { handActuator, panel, temperature, TOOLS } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { neonLamp, plainLoad } from '../shelf/loads';
import { commonPractice, look } from '../shelf/practice';
import { rangeCord } from '../shelf/supplies';
import { setPointSwitch, table } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** Wall oven with a five-position selector that routes both legs to bake and broil elements. */
export const wallOven = unit({
  id: 'wall-oven',
  name: 'Wall oven, five-position selector',
  kind: 'wall oven',
  drawnFor: { cavity: 72 },
  supplies: [rangeCord(30, 'Feed')],
  actuators: [
    temperature('cavity', 'Oven cavity', { by: 'bake', to: 520, seconds: 900 }),
    handActuator('selector', 'Selector knob', 'knob', {
      off: 'knob at OFF',
      warm: 'knob at WARM',
      bake: 'knob at BAKE',
      fan: 'knob at FAN BAKE',
      broil: 'knob at BROIL',
    }),
  ],
  panels: [
    panel('front', 'Control front', '4 cross-head screws under the trim', 6, 'front', {
      tool: TOOLS.cross,
    }),
    panel('back', 'Back plate, oven pulled out', '8 hex-head screws', 30, 'back', {
      tool: TOOLS.nut,
      helper: true,
      coldOnly: true,
    }),
  ],
  parts: [
    frame('Frame', 'metal of the oven'),
    {
      id: 'selector',
      name: 'Selector switch',
      role: 'chooses which elements and the fan run',
      prior: commonPractice(2),
      aliases: [{ word: 'function switch' }, { word: 'mode knob' }],
      kind: 'switch',
      terminals: [
        { id: 'A' },
        { id: '1' },
        { id: '2' },
        { id: 'F' },
        { id: '3' },
        { id: 'B' },
        { id: '4' },
        { id: '5' },
        { id: 'N' },
      ],
      contacts: [
        { id: 'A-1', between: ['A', '1'], circuit: 'heater', amps: 10.4 },
        { id: 'A-2', between: ['A', '2'], circuit: 'heater', amps: 14.2 },
        { id: 'F-3', between: ['F', '3'], circuit: 'control', amps: 0.3 },
        { id: 'B-4', between: ['B', '4'], circuit: 'heater', amps: 14.2 },
        { id: 'B-5', between: ['B', '5'], circuit: 'control', amps: 0.1 },
        { id: 'N-4', between: ['N', '4'], circuit: 'heater', amps: 5.2 },
      ],
      actuator: 'selector',
      free: 'off',
      byHand: 'Pull the knob and turn the shaft itself with pliers.',
      table: table({
        off: [],
        warm: ['A-1', 'B-5', 'N-4'],
        bake: ['A-1', 'B-4', 'B-5'],
        fan: ['A-1', 'F-3', 'B-4', 'B-5'],
        broil: ['A-2', 'B-4', 'B-5'],
      }),
      panel: 'front',
      where: 'Behind the left knob, terminals facing up',
    },
    setPointSwitch(
      {
        id: 'thermostat',
        name: 'Oven thermostat',
        role: 'cycles the elements',
        prior: commonPractice(1.5),
        actuator: 'cavity',
        panel: 'front',
        where: 'Behind the right knob, its bulb in the oven',
      },
      ['heater', 14.2],
      { opens: 370, closes: 340, tolerance: 12 },
      ['L', 'T'],
    ),
    {
      id: 'bake',
      name: 'Bake element',
      role: 'lower heat',
      causes: ['foil on the floor of the oven', 'a spill that burnt in'],
      seenAs: { name: 'Lower element' },
      prior: commonPractice(5),
      kind: 'load',
      load: 'heater',
      terminals: [{ id: 'a' }, { id: 'b' }],
      elements: [
        {
          id: 'coil',
          between: ['a', 'b'],
          value: { watts: 2500, volts: 240, tolerancePercent: 8 },
        },
      ],
      panel: 'back',
    },
    {
      id: 'broil',
      name: 'Broil element',
      role: 'upper heat',
      seenAs: { name: 'Upper element' },
      prior: commonPractice(2),
      kind: 'load',
      load: 'heater',
      terminals: [{ id: 'a' }, { id: 'b' }],
      elements: [
        {
          id: 'coil',
          between: ['a', 'b'],
          value: { watts: 3400, volts: 240, tolerancePercent: 8 },
        },
      ],
      panel: 'back',
    },
    plainLoad(
      {
        id: 'fan',
        name: 'Oven fan',
        role: 'moves the air',
        seenAs: { name: 'Oven fan' },
        panel: 'back',
      },
      'motor',
      {
        value: { nominal: 95, low: 80, high: 115 },
        working: { nominal: 400, low: 330, high: 500 },
        volts: 120,
      },
    ),
    neonLamp('lamp', 'On lamp', 'shows that the selector is not at OFF', 'front', 120),
  ],
  wires: wires(`
    BK feed.L1 thermostat.L
    BK-YE thermostat.T selector.A
    RD feed.L2 selector.B
    OR selector.1 bake.a
    VT selector.2 broil.a
    BU selector.3 fan.a
    BN selector.4 bake.b
    BN selector.4 broil.b
    GY selector.5 lamp.a
    WH fan.b feed.N
    WH lamp.b feed.N
    GN feed.G frame.G
    WH feed.N selector.N
    BK thermostat.L selector.F
  `),
  uses: [
    {
      id: 'bake',
      name: 'Bake, then fan, then broil',
      steps:
        'selector=bake,wait=30,selector=fan,wait=30,selector=broil,wait=30,selector=warm,wait=30,selector=off',
    },
  ],
  looks: [
    look('burnt', 'A blistered or broken spot on the bake element', ['bake:open'], [0.7, 0.02], 1),
    look('broil-spot', 'A gap or a hot spot on the broil element', ['broil:open'], [0.6, 0.02], 1),
    look(
      'bulb',
      'The bulb of the thermostat has come off its clips',
      ['thermostat'],
      [0.3, 0.02],
      1,
    ),
    look(
      'tabs',
      'A brown push-on tab behind the knobs',
      ['selector', 'thermostat', 'w2', 'w3', 'w4', 'w5', 'w7'],
      [0.4, 0.04],
      1,
      { panel: 'front' },
    ),
    look(
      'seal',
      'The door seal is torn, or the door does not close',
      ['thermostat'],
      [0.1, 0.05],
      0.5,
    ),
  ],
  cautions: [
    'Two hot legs: both breakers off, then prove each leg dead to neutral and to the other leg.',
    'The unit is heavy and tips out of its cabinet: block it before you reach behind it.',
  ],
});
