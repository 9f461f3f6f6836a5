import { handActuator, panel, temperature, TOOLS } from '../shelf/actuators';
import { frame, hardware } from '../shelf/connections';
import { about, plainLoad } from '../shelf/loads';
import { CAUSES, commonPractice, look } from '../shelf/practice';
import { mainsCord } from '../shelf/supplies';
import { plainSwitch, setPointSwitch, table } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** Dishwasher with a timer: door latch switch, overfill float, thermal fuse in the console. */
export const dishwasher = unit({
  id: 'dishwasher',
  name: 'Dishwasher, timer and overfill float',
  kind: 'dishwasher',
  drawnFor: { tub: 70 },
  supplies: [mainsCord(15)],
  actuators: [
    temperature('tub', 'Tub over the heater', { by: 'heater', to: 210, seconds: 900 }, [
      {
        beyond: 'high-limit',
        side: 'above',
        says: 'too hot over the heater',
        causes: ['no water in it', 'a fan or vent that does not open', 'a timer that hangs in DRY'],
        action: 'The limit is right: find why it heats dry, or too long.',
        prior: commonPractice(1),
      },
    ]),
    handActuator('latch', 'Door latch', 'door', {
      latched: 'door latched',
      open: 'door open',
    }),
    handActuator('float', 'Overfill float', 'float', { down: 'float down', up: 'float up' }),
    handActuator('timer', 'Timer knob', 'knob', {
      off: 'timer at OFF',
      fill: 'timer in FILL',
      wash: 'timer in WASH',
      dry: 'timer in DRY',
    }),
  ],
  panels: [
    panel('door', 'Inner door', '8 star-head screws', 6, 'front', {
      tool: TOOLS.star,
      tethered: 'the door harness',
    }),
    panel('toe', 'Toe panel', '2 hex-head screws', 3, 'front', { tool: TOOLS.nut }),
  ],
  parts: [
    frame('Tub frame', 'metal of the dishwasher'),
    {
      id: 'fuse',
      causes: [...CAUSES.short],
      name: 'Thermal fuse',
      role: 'cuts everything for good when the console gets too hot',
      prior: commonPractice(2),
      kind: 'protector',
      protector: 'fuse',
      amps: 25,
      terminals: [{ id: 'a' }, { id: 'b' }],
      between: ['a', 'b'],
      rating: '183 °F and 25 A, one shot',
      panel: 'door',
      where: 'Beside the timer',
    },
    plainSwitch(
      {
        id: 'latch-switch',
        name: 'Door latch switch',
        role: 'cuts everything while the door is open',
        prior: commonPractice(4),
        aliases: [{ word: 'door switch' }],
        actuator: 'latch',
        safety: true,
        free: 'open',
        byHand: 'Push the latch tongue in with a screwdriver, door open.',
        panel: 'door',
        where: 'In the latch, top of the door',
      },
      { circuit: 'control', amps: 12, throw: 'NO' },
      { latched: 'closed', open: 'open' },
    ),
    plainSwitch(
      {
        id: 'float-switch',
        name: 'Overfill switch',
        role: 'stops the filling when the float rises',
        prior: commonPractice(1.5),
        actuator: 'float',
        safety: true,
        free: 'down',
        byHand: 'Lift the float stem from below.',
        panel: 'toe',
        where: 'Under the tub, on the float stem',
      },
      { circuit: 'control', amps: 0.2, throw: 'NC' },
      { down: 'closed', up: 'open' },
    ),
    hardware(
      { id: 'float', name: 'Float', role: 'rises with the water and moves the overfill switch' },
      ['float-switch'],
    ),
    {
      id: 'timer',
      name: 'Timer',
      role: 'runs the programme',
      prior: commonPractice(1.5),
      kind: 'switch',
      terminals: [{ id: 'L' }, { id: 'V' }, { id: 'P' }, { id: 'H' }],
      contacts: [
        { id: 'L-V', between: ['L', 'V'], circuit: 'control', amps: 0.2 },
        { id: 'L-P', between: ['L', 'P'], circuit: 'control', amps: 4 },
        { id: 'L-H', between: ['L', 'H'], circuit: 'heater', amps: 6 },
      ],
      actuator: 'timer',
      free: 'off',
      byHand: 'Pull the knob and turn the shaft itself with pliers, clockwise only.',
      table: table({ off: [], fill: ['L-V'], wash: ['L-P', 'L-H'], dry: ['L-H'] }),
      panel: 'door',
      where: 'Behind the knob',
    },
    plainLoad(
      {
        id: 'valve',
        name: 'Water valve',
        role: 'lets water in',
        seenAs: { name: 'Water', off: 'does not come in', runs: 'comes in' },
        prior: commonPractice(2),
        panel: 'toe',
        where: 'Left front, under the tub',
      },
      'coil',
      { value: about(900, 20), volts: 120 },
    ),
    plainLoad(
      {
        id: 'pump',
        name: 'Pump motor',
        role: 'washes',
        seenAs: { name: 'Spray', off: 'does not come', runs: 'washes' },
        prior: commonPractice(2),
        panel: 'toe',
        where: 'Middle, under the tub',
      },
      'motor',
      { value: about(7, 20), working: about(30, 20), volts: 120 },
    ),
    setPointSwitch(
      {
        id: 'high-limit',
        name: 'High limit',
        role: 'rests the heater when the tub gets too hot',
        prior: commonPractice(1),
        actuator: 'tub',
        safety: true,
        panel: 'toe',
        where: 'Under the tub, beside the heater',
      },
      ['heater', 6],
      { opens: 176, closes: 150, tolerance: 6 },
    ),
    plainLoad(
      {
        id: 'heater',
        name: 'Heater',
        role: 'warms the water and dries',
        seenAs: { name: 'Water and dishes', off: 'stay cold', runs: 'get hot' },
        prior: commonPractice(1.5),
        panel: 'toe',
        where: 'Its ends come through the tub',
      },
      'heater',
      { value: { watts: 700, volts: 120, tolerancePercent: 10 }, volts: 120 },
    ),
  ],
  wires: wires(`
    BK cord.L fuse.a
    BK-WH fuse.b latch-switch.1
    RD latch-switch.2 timer.L
    BU timer.V float-switch.1
    BU-WH float-switch.2 valve.a
    VT timer.P pump.a
    OR timer.H high-limit.1
    WH valve.b cord.N
    WH pump.b cord.N
    WH heater.b cord.N
    GN cord.G frame.G
    OR-BK high-limit.2 heater.a
  `),
  uses: [
    {
      id: 'cycle',
      name: 'Fill, wash, dry',
      steps:
        'timer=fill,wait=30,float=up,float=down,timer=wash,wait=30,timer=dry,wait=30,latch=open',
    },
  ],
  looks: [
    look('click', 'No click when the latch tongue is pushed', ['latch-switch'], [0.7, 0.1], 0.5),
    look(
      'stuck',
      'The float does not move freely: scale or a utensil under it',
      ['float:broken', 'float-switch:not-actuated'],
      [0.7, 0.05],
      1,
    ),
    look(
      'tap',
      'The tap under the sink is closed, or its hose is kinked',
      ['valve'],
      [0.2, 0.04],
      1,
    ),
    look(
      'scorch',
      'A scorched spot in the console, or a brown connector',
      ['fuse', 'timer', 'w2', 'w3'],
      [0.5, 0.03],
      1,
      { panel: 'door' },
    ),
    look(
      'hum',
      'The pump hums and does not turn: glass or a bone in it',
      ['pump:seized'],
      [0.8, 0.03],
      0.5,
      { powered: true },
    ),
  ],
  energies: ['water'],
  cautions: [
    'Unplug or lock out: the wires behind the toe panel stay live with the door open.',
    'Hot water and a hot heater: let it cool, and mind the edges of the toe panel.',
  ],
});
