import { handActuator, panel, quantity, temperature, TOOLS } from '../shelf/actuators';
import { frame, hardware, joints } from '../shelf/connections';
import { coil, heater, motor } from '../shelf/loads';
import { cutOff } from '../shelf/protectors';
import { commonPractice, look } from '../shelf/practice';
import { mainsCord } from '../shelf/supplies';
import { microswitch, setPointSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/**
 * Ice maker of a freezer: thermostat of the mould, arm, and a cam with its holding and filling switches. What the
 * cam does is set by hand here, as it is in its own test: it has more places than a motor has states.
 */
export const iceMaker = unit({
  id: 'ice-maker',
  name: 'Ice maker, cam with holding and filling switch',
  kind: 'ice maker',
  drawnFor: { mould: 60, tank: 0 },
  supplies: [mainsCord(15)],
  actuators: [
    handActuator('arm', 'Arm over the bin', 'button', {
      down: 'arm down',
      up: 'arm up, bin full',
    }),
    handActuator('cam', 'Cam', 'knob', {
      home: 'cam at home',
      turning: 'cam under way',
      filling: 'cam at its filling notch',
    }),
    temperature('mould', 'Mould', { by: 'mould-heater', to: 90, seconds: 300 }),
    quantity('level', 'oz', 'tank', 'Water in the mould', {
      by: 'valve',
      to: 6,
      seconds: 5,
      stays: true,
    }),
  ],
  panels: [
    panel('cover', 'Cover of the ice maker', 'pried off with a coin', 0.5, 'inside'),
    panel('drop', 'Ice maker taken down', '3 hex-head screws, one plug', 4, 'inside', {
      tool: TOOLS.nut,
    }),
    panel('rear', 'Lower back of the refrigerator', '4 hex-head screws, pulled out', 8, 'back', {
      tool: TOOLS.nut,
    }),
  ],
  parts: [
    frame('Cabinet metal', 'metal of the refrigerator'),
    joints(
      {
        id: 'plug',
        name: 'Plug of the ice maker',
        role: 'feeds it in the freezer',
        prior: commonPractice(1.5),
        causes: ['moisture and ice in it', 'a pin pushed back'],
        panel: 'drop',
      },
      [
        ['L', 'l'],
        ['N', 'n'],
        ['V', 'v'],
      ],
    ),
    microswitch(
      {
        id: 'arm-switch',
        name: 'Arm switch',
        role: 'stops the next harvest while the bin is full',
        prior: commonPractice(2),
        aliases: [{ word: 'shut-off switch' }],
        actuator: 'arm',
        byHand: 'Lift the arm until it clicks, and lower it.',
        panel: 'cover',
      },
      { NC: ['control', 1.7] },
      { pressed: ['up'], free: ['down'] },
    ),
    setPointSwitch(
      {
        id: 'mould-stat',
        name: 'Thermostat of the mould',
        role: 'begins the harvest once the ice is hard',
        prior: commonPractice(3),
        actuator: 'mould',
        panel: 'cover',
        where: 'Pressed against the front end of the mould, with paste',
        byHand: 'It cannot be moved by hand: cold spray closes it, a finger opens it again.',
      },
      ['control', 1.7],
      { opens: 48, closes: 15, tolerance: 3 },
    ),
    microswitch(
      {
        id: 'hold-switch',
        name: 'Holding switch',
        role: 'at home lets the thermostat start the motor, then keeps it going until the cam is home again',
        prior: commonPractice(2),
        actuator: 'cam',
        byHand: 'Lift its lever off the cam with a screwdriver.',
        panel: 'cover',
      },
      { NO: ['control', 0.1], NC: ['control', 0.1] },
      { pressed: ['turning', 'filling'], free: ['home'] },
    ),
    microswitch(
      {
        id: 'fill-switch',
        name: 'Filling switch',
        role: 'opens the water valve for some seconds',
        prior: commonPractice(2),
        aliases: [{ word: 'water switch' }],
        actuator: 'cam',
        byHand: 'Press its lever into the notch of the cam.',
        panel: 'cover',
      },
      { NO: ['control', 0.2] },
      { pressed: ['filling'], free: ['home', 'turning'] },
    ),
    cutOff(
      {
        id: 'cut-off',
        name: 'Cut-off of the mould',
        role: 'ends it for good when the mould gets too hot',
        prior: commonPractice(1),
        causes: ['a thermostat that does not open', 'a motor that stalls on hard ice'],
        panel: 'drop',
      },
      'mould',
      160,
    ),
    heater(
      {
        id: 'mould-heater',
        name: 'Mould heater',
        role: 'frees the ice from the mould',
        seenAs: { name: 'Mould', off: 'stays cold', runs: 'gets warm' },
        soldAs: 'the ice maker as a whole',
        prior: commonPractice(1.5),
        panel: 'drop',
      },
      170,
      120,
    ),
    motor(
      {
        id: 'rake-motor',
        name: 'Rake motor',
        role: 'turns the rake and the cam',
        seenAs: { name: 'Rake', off: 'stands still', runs: 'turns' },
        prior: commonPractice(2.5),
        panel: 'cover',
      },
      6400,
      6400,
    ),
    hardware(
      {
        id: 'gear',
        name: 'Gear of the rake',
        role: 'brings the motor to the rake',
        causes: ['a hand that turned it backward', 'hard ice'],
        prior: commonPractice(1.5),
        panel: 'cover',
      },
      ['rake-motor'],
    ),
    coil(
      {
        id: 'valve',
        name: 'Water valve',
        role: 'fills the mould',
        seenAs: { name: 'Water into the mould', off: 'does not come', runs: 'comes' },
        causes: ['a saddle tap that is clogged or half shut', 'a filter that is due'],
        prior: commonPractice(3),
        panel: 'rear',
        where: 'Where the pipe comes in',
      },
      320,
      120,
    ),
  ],
  wires: wires(`
    BK cord.L plug.L
    WH cord.N plug.N
    BK plug.l cut-off.a
    BK-RD cut-off.b arm-switch.COM
    RD arm-switch.NC mould-stat.1
    OR mould-stat.2 mould-heater.a
    WH mould-heater.b plug.n
    BK cut-off.b hold-switch.NO
    YE hold-switch.COM rake-motor.a
    OR mould-stat.2 hold-switch.NC
    WH rake-motor.b plug.n
    BK cut-off.b fill-switch.COM
    BU fill-switch.NO plug.v
    BU plug.V valve.a
    WH valve.b cord.N
    GN cord.G frame.G
  `),
  uses: [
    {
      id: 'harvest',
      name: 'One harvest, the cam set by hand',
      steps: 'power=on,mould=8,wait=10,cam=turning,wait=300,cam=filling,wait=6,cam=home,wait=5',
    },
    {
      id: 'full',
      name: 'The bin is full during a harvest',
      steps: 'power=on,mould=8,wait=5,cam=turning,wait=10,arm=up,wait=10,cam=home,wait=5',
    },
  ],
  looks: [
    look('arm', 'The arm is up, or hangs on the bin or on ice', ['arm-switch'], [0.5, 0.1], 0.3),
    look(
      'hollow',
      'Cubes are small, hollow or none, and the mould is dry',
      ['valve', 'fill-switch'],
      [0.7, 0.05],
      0.5,
    ),
    look(
      'stalled',
      'The rake stands in the ice, half way round',
      ['rake-motor', 'gear:broken', 'hold-switch', 'mould-heater'],
      [0.6, 0.04],
      0.5,
    ),
    look('gear', 'The gear turns and the rake does not', ['gear:broken'], [0.9, 0.02], 1, {
      panel: 'cover',
    }),
    look('frozen-tube', 'The filling tube is a plug of ice', ['valve'], [0.4, 0.05], 2, {
      panel: 'drop',
    }),
    look('freezer', 'The freezer is warmer than it should be', ['mould-stat'], [0.2, 0.1], 0.5),
  ],
  energies: ['water'],
  cautions: [
    'Unplug before it is taken down: the plug in the freezer stays live.',
    'The mould burns during a harvest, and the rake pinches: no finger in while it is plugged in.',
    'Never turn the gear backward by force: it strips.',
    'Shut the tap off before the valve; look for drips after a whole filling.',
  ],
});
