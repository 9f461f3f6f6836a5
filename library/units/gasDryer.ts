import {
  handActuator,
  motorSpeed,
  panel,
  startButton,
  temperature,
  TOOLS,
} from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { about, plainLoad } from '../shelf/loads';
import { CAUSES, commonPractice, look, tooLittleAir } from '../shelf/practice';
import { mainsCord } from '../shelf/supplies';
import { centrifugalSwitch, plainSwitch, setPointSwitch, table } from '../shelf/switches';
import { cutOff } from '../shelf/protectors';
import { unit, wires } from '../shelf/unit';

/** Gas dryer: igniter and flame sensor in series, the booster coil fed through the sensor, the split coil across it. */
export const gasDryer = unit({
  id: 'gas-dryer',
  name: 'Gas dryer, igniter and flame sensor',
  kind: 'gas dryer',
  drawnFor: { glow: 70, air: 70, funnel: 70 },
  supplies: [mainsCord(15)],
  actuators: [
    handActuator('door', 'Door', 'door', { closed: 'door closed', open: 'door open' }),
    handActuator('timer', 'Timer knob', 'knob', {
      off: 'timer at OFF',
      heat: 'timer in TIMED DRY',
      cool: 'timer in AIR ONLY',
    }),
    startButton('start', 'Start button', 'START held'),
    motorSpeed,
    temperature('glow', 'Heat at the flame sensor', {
      by: 'igniter',
      to: 1800,
      seconds: 30,
      alone: { by: 'split', to: 1500 },
    }),
    temperature('air', 'Air from the drum', { by: 'split', to: 220, seconds: 240 }),
    {
      id: 'funnel',
      name: 'Burner funnel',
      kind: 'quantity',
      quantity: 'temperature',
      unit: '°F',
      driven: { by: 'split', to: 430, seconds: 120, held: { by: 'motor', to: 200 } },
      conditions: [tooLittleAir('high-limit', 'the funnel')],
    },
  ],
  panels: [
    panel('console', 'Console', '2 cross-head screws, flips back', 4, 'top', {
      tool: TOOLS.cross,
      tethered: 'the timer harness',
    }),
    panel('toe', 'Toe panel', 'two spring clips', 2, 'front', { tool: TOOLS.putty }),
    panel('front', 'Front and drum out', '4 hex-head screws, belt off', 18, 'front', {
      tool: TOOLS.nut516,
      coldOnly: true,
    }),
  ],
  parts: [
    frame('Cabinet', 'metal of the dryer'),
    {
      id: 'timer',
      name: 'Timer',
      role: 'runs the programme',
      prior: commonPractice(0.7),
      kind: 'switch',
      terminals: [{ id: 'K' }, { id: 'M' }, { id: 'H' }],
      contacts: [
        { id: 'K-M', between: ['K', 'M'], circuit: 'control', amps: 6 },
        { id: 'K-H', between: ['K', 'H'], circuit: 'control', amps: 4 },
      ],
      actuator: 'timer',
      free: 'off',
      byHand: 'Pull the knob and turn the shaft itself with pliers, clockwise only.',
      table: table({ off: [], heat: ['K-M', 'K-H'], cool: ['K-M'] }),
      panel: 'console',
      where: 'Behind the large knob',
    },
    cutOff(
      {
        id: 'fuse',
        causes: [...CAUSES.dryerAir],
        name: 'Thermal fuse',
        role: 'cuts the motor for good when the blower housing gets too hot',
        prior: commonPractice(4),
        panel: 'toe',
        where: 'On the blower housing',
      },
      'air',
      196,
    ),
    plainSwitch(
      {
        id: 'start',
        name: 'Start switch',
        role: 'starts the motor while it is held',
        prior: commonPractice(0.5),
        actuator: 'start',
        free: 'released',
        byHand: 'Pull the knob and press the stem itself.',
        panel: 'console',
      },
      { circuit: 'control', amps: 6, throw: 'NO' },
      { released: 'open', pressed: 'closed' },
    ),
    plainSwitch(
      {
        id: 'door-switch',
        name: 'Door switch',
        role: 'stops the motor when the door opens',
        prior: commonPractice(2),
        actuator: 'door',
        free: 'open',
        byHand: 'Press the plunger of the switch itself, door open.',
        safety: true,
        panel: 'front',
        where: 'Upper left of the door opening',
      },
      { circuit: 'control', amps: 6, throw: 'NO' },
      { closed: 'closed', open: 'open' },
    ),
    {
      id: 'motor',
      name: 'Drive motor',
      role: 'turns drum and blower',
      seenAs: { name: 'Drum', off: 'does not turn', runs: 'turns' },
      prior: commonPractice(1),
      kind: 'load',
      load: 'motor',
      terminals: [{ id: '1' }, { id: '2' }, { id: '3' }],
      startsWith: 'start',
      elements: [
        {
          id: 'run',
          between: ['1', '3'],
          value: about(2.4, 20),
          working: about(20, 20),
          volts: 120,
        },
        {
          id: 'start',
          between: ['2', '3'],
          value: about(3.2, 20),
          working: about(16, 20),
          volts: 120,
        },
      ],
      panel: 'front',
    },
    centrifugalSwitch(
      'holds the motor in, drops the start winding, lets the burner on',
      ['5', '6'],
      { circuit: 'control', amps: 4 },
    ),
    setPointSwitch(
      {
        id: 'thermostat',
        name: 'Cycling thermostat',
        role: 'keeps the drum air at its temperature',
        prior: commonPractice(1.5),
        actuator: 'air',
        panel: 'toe',
        where: 'On the blower housing',
      },
      ['control', 4],
      { opens: 155, closes: 130, tolerance: 8 },
    ),
    setPointSwitch(
      {
        id: 'high-limit',
        causes: [...CAUSES.dryerAir],
        name: 'High limit',
        role: 'cuts the burner when the funnel gets too hot',
        prior: commonPractice(1),
        actuator: 'funnel',
        safety: true,
        panel: 'toe',
        where: 'On the burner funnel',
      },
      ['control', 4],
      { opens: 250, closes: 210, tolerance: 10 },
    ),
    plainLoad(
      {
        id: 'igniter',
        name: 'Igniter',
        role: 'glows and lights the gas',
        seenAs: { name: 'Igniter', off: 'does not glow', runs: 'glows' },
        prior: commonPractice(5),
        aliases: [{ word: 'glow bar' }],
        panel: 'toe',
        where: 'At the burner tube; brittle, never touch the bar',
      },
      'heater',
      { value: { nominal: 110, low: 60, high: 300 }, working: about(36, 15), volts: 120 },
    ),
    setPointSwitch(
      {
        id: 'sensor',
        name: 'Flame sensor',
        role: 'sees the glow, then the flame, and stays open while it burns',
        prior: commonPractice(3),
        aliases: [{ word: 'radiant sensor' }],
        actuator: 'glow',
        panel: 'toe',
        where: 'On the side of the funnel, through a window',
      },
      ['control', 3.5],
      { opens: 1200, closes: 700, tolerance: 60 },
      ['a', 'b'],
    ),
    {
      id: 'holding',
      name: 'Holding and booster coil',
      seenAs: { name: 'First gas valve', off: 'does not click', runs: 'clicks open', close: true },
      role: 'opens the first of the two gas valves: both windings pull it in, one holds it',
      prior: commonPractice(3),
      companions: ['split'],
      kind: 'load',
      load: 'coil',
      startsWith: 'booster',
      terminals: [{ id: '1' }, { id: '2' }, { id: '3' }],
      elements: [
        { id: 'holding', between: ['1', '2'], value: about(1290, 6), volts: 120 },
        { id: 'booster', between: ['1', '3'], value: about(575, 6), volts: 120 },
      ],
      panel: 'toe',
      where: 'On the gas valve, three terminals: 1 is common',
    },
    {
      ...plainLoad(
        {
          id: 'split',
          name: 'Split coil',
          role: 'opens the second gas valve: the burner burns',
          seenAs: { name: 'Flame', off: 'does not come', runs: 'burns' },
          aliases: [{ word: 'secondary coil' }],
          prior: commonPractice(3),
          companions: ['holding'],
          panel: 'toe',
          where: 'On the gas valve, two terminals',
        },
        'coil',
        { value: about(1220, 6), volts: 110 },
      ),
      onlyWith: { holding: 'runs' },
    },
  ],
  wires: wires(`
    BK cord.L timer.K
    BU timer.M fuse.a
    BU fuse.b start.1
    BU fuse.b centrifugal.H
    OR start.2 motor.1
    NA centrifugal.M motor.1
    NA centrifugal.S motor.2
    YE motor.3 door-switch.1
    WH door-switch.2 cord.N
    RD timer.H thermostat.1
    RD-WH thermostat.2 high-limit.1
    RD-WH high-limit.2 centrifugal.5
    RD-BK centrifugal.6 holding.1
    WH holding.2 cord.N
    GY holding.1 igniter.a
    PK igniter.b sensor.a
    WH sensor.b cord.N
    PK igniter.b split.a
    WH split.b cord.N
    GN cord.G frame.G
    OR-WH holding.3 sensor.a
  `),
  uses: [
    {
      id: 'dry',
      name: 'Timed dry',
      steps: 'timer=heat,start=pressed,start=released,wait=120,door=open',
    },
  ],
  looks: [
    look(
      'glows',
      'The igniter does not glow, seen from the toe panel with the burner called',
      ['igniter', 'sensor:stuck-open'],
      [0.8, 0.1],
      2,
      { powered: true, panel: 'toe' },
    ),
    look('door-click', 'No click of the door switch', ['door-switch'], [0.7, 0.08], 0.5),
    look(
      'hood',
      'Hardly any air at the hood outside, or its flap is stuck',
      ['funnel', 'fuse'],
      [0.7, 0.12],
      1,
      { powered: true },
    ),
    look(
      'lint',
      'Lint behind the filter, a hole in it, or a crushed duct',
      ['funnel', 'fuse', 'high-limit'],
      [0.7, 0.15],
      1,
    ),
    look(
      'click-valve',
      'The igniter glows, goes dark, and the valve does not click',
      ['split', 'holding', 'w21'],
      [0.7, 0.03],
      2,
      { powered: true, panel: 'toe' },
    ),
    look('tap', 'The gas cock at the wall is closed', ['split'], [0.1, 0.03], 0.5, { feeds: true }),
  ],
  energies: ['gas', 'moving-air'],
  cautions: [
    'Gas smell: operate nothing, leave, call from outside. Shut the gas off only on the way.',
    'Gas parts are a licensed trade’s work in many places: follow local codes and the maker’s sheet.',
    'A blown fuse has a cause: lint, a crushed vent, a thermostat that does not open. Find it first.',
  ],
});
