import { handActuator, panel, temperature, TOOLS } from '../shelf/actuators';
import { frame, hardware } from '../shelf/connections';
import { about, heater, motor, plainLoad } from '../shelf/loads';
import { commonPractice, look } from '../shelf/practice';
import { mainsCord } from '../shelf/supplies';
import { selector, setPointSwitch, table } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** Refrigerator: door switch with lamp and fan throws, cold control, compressor with overload. */
export const refrigerator = unit({
  id: 'refrigerator',
  name: 'Refrigerator, two-throw door switch',
  kind: 'refrigerator',
  drawnFor: { cabinet: 60, fins: 18 },
  supplies: [mainsCord(15)],
  actuators: [
    handActuator('door', 'Door', 'door', { closed: 'door closed', open: 'door open' }),
    temperature('cabinet', 'Cabinet air', { by: 'compressor', to: 10, seconds: 1800 }),
    handActuator('turn', 'Shaft of the defrost timer', 'knob', {
      cool: 'defrost timer in COOL',
      defrost: 'defrost timer in DEFROST',
    }),
    temperature('fins', 'Cold coil', {
      by: 'defrost-heater',
      to: 110,
      seconds: 600,
      alone: { by: 'compressor', to: -10 },
    }),
  ],
  panels: [
    panel('control', 'Control housing', '2 cross-head screws inside', 4, 'inside', {
      tool: TOOLS.cross,
    }),
    panel('freezer', 'Freezer back', '4 hex-head screws, shelves out', 12, 'inside', {
      tool: TOOLS.nut,
    }),
    panel('rear', 'Machine compartment', '5 hex-head screws, pulled out', 8, 'back', {
      tool: TOOLS.nut,
    }),
  ],
  parts: [
    frame('Cabinet metal', 'metal of the refrigerator'),
    {
      id: 'door-switch',
      name: 'Door switch',
      role: 'lights the lamp and stops the fan while the door is open',
      prior: commonPractice(2),
      aliases: [{ word: 'light switch', trap: 'on some units the fan has a switch of its own' }],
      kind: 'switch',
      terminals: [{ id: 'COM' }, { id: 'LT' }, { id: 'FI' }, { id: 'FN' }],
      contacts: [
        { id: 'LT', between: ['COM', 'LT'], circuit: 'control', amps: 0.4, throw: 'NC' },
        { id: 'FN', between: ['FI', 'FN'], circuit: 'control', amps: 0.2, throw: 'NO' },
      ],
      actuator: 'door',
      free: 'open',
      byHand: 'Press its plunger with the door open.',
      table: table({ closed: ['FN'], open: ['LT'] }),
      panel: 'control',
      where: 'In the door frame, pried out from inside',
    },
    {
      id: 'cold-control',
      name: 'Cold control',
      role: 'runs the compressor while it is warm',
      prior: commonPractice(2),
      aliases: [{ word: 'thermostat' }],
      kind: 'switch',
      terminals: [{ id: '1' }, { id: '2' }],
      contacts: [{ id: '1-2', between: ['1', '2'], circuit: 'control', amps: 2 }],
      actuator: 'cabinet',
      free: 'above',
      byHand: 'It cannot be moved by hand: warm its bulb, or cool it.',
      setPoints: { rising: { at: 41, tolerance: 2 }, falling: { at: 33, tolerance: 2 } },
      table: table({ below: [], above: ['1-2'] }),
      panel: 'control',
      where: 'Behind the knob',
    },
    {
      id: 'overload',
      name: 'Overload',
      role: 'opens when the compressor takes too much',
      prior: commonPractice(1.5),
      kind: 'protector',
      protector: 'overload',
      amps: 9,
      terminals: [{ id: '1' }, { id: '2' }],
      between: ['1', '2'],
      rating: 'clips on the compressor',
      panel: 'rear',
      where: 'On the compressor terminals',
    },
    hardware(
      {
        id: 'starter',
        name: 'Start relay',
        role: 'gives the compressor its push',
        causes: ['a dirty condenser', 'short cycling'],
        companions: ['overload'],
        prior: commonPractice(2),
        panel: 'rear',
        where: 'On the compressor terminals',
      },
      ['compressor'],
    ),
    selector(
      {
        id: 'defrost-timer',
        name: 'Defrost timer',
        role: 'cools, and now and then defrosts',
        prior: commonPractice(2.5),
        actuator: 'turn',
        byHand: 'Turn its shaft on with a screwdriver until it clicks.',
        panel: 'control',
        where: 'Behind the cold control',
      },
      { 'T-K': ['control', 2], 'T-D': ['control', 4] },
      { cool: ['T-K'], defrost: ['T-D'] },
    ),
    motor(
      {
        id: 'defrost-motor',
        name: 'Motor of the defrost timer',
        role: 'advances the defrost timer',
        soldAs: 'the defrost timer',
        seenAs: { name: 'Defrost timer', off: 'does not advance', runs: 'advances' },
        prior: commonPractice(1.5),
        panel: 'control',
      },
      4300,
      4300,
    ),
    setPointSwitch(
      {
        id: 'defrost-stat',
        name: 'Defrost bi-metal',
        role: 'ends the defrost when the coil is warm',
        prior: commonPractice(2.5),
        actuator: 'fins',
        panel: 'freezer',
        where: 'Clipped to the top of the coil',
        byHand: 'It cannot be moved by hand: lay it in ice and salt.',
      },
      ['control', 4],
      { opens: 52, closes: 22, tolerance: 5 },
    ),
    heater(
      {
        id: 'defrost-heater',
        name: 'Defrost heater',
        role: 'melts the frost',
        seenAs: { name: 'Defrost heater', off: 'stays cold', runs: 'glows' },
        prior: commonPractice(2.5),
        panel: 'freezer',
      },
      450,
      120,
    ),
    plainLoad(
      {
        id: 'lamp',
        name: 'Cabinet lamp',
        role: 'lights the cabinet',
        seenAs: { name: 'Light inside' },
        prior: commonPractice(1.5),
      },
      'lamp',
      { value: about(30, 20), working: about(360, 10), volts: 120 },
    ),
    plainLoad(
      {
        id: 'fan',
        name: 'Evaporator fan',
        role: 'moves the cold air',
        seenAs: { name: 'Fan inside' },
        prior: commonPractice(2.5),
        panel: 'freezer',
        where: 'Behind the freezer back',
      },
      'motor',
      { value: about(95, 20), working: about(900, 20), volts: 120 },
    ),
    plainLoad(
      {
        id: 'compressor',
        name: 'Compressor',
        role: 'cools',
        seenAs: { name: 'Compressor' },
        prior: commonPractice(1.5),
        panel: 'rear',
      },
      'motor',
      { value: about(5, 20), working: about(70, 20), volts: 120 },
    ),
  ],
  wires: wires(`
    BK cord.L door-switch.COM
    YE door-switch.LT lamp.a
    VT door-switch.FN fan.a
    BK-RD cord.L cold-control.1
    RD cold-control.2 defrost-timer.T
    RD-WH overload.2 compressor.a
    WH lamp.b cord.N
    WH fan.b cord.N
    WH compressor.b cord.N
    GN cord.G frame.G
    RD-BK defrost-timer.K overload.1
    PK defrost-timer.D defrost-stat.1
    PK-BK defrost-stat.2 defrost-heater.a
    WH defrost-heater.b cord.N
    TN cold-control.2 defrost-motor.a
    VT-WH defrost-timer.K door-switch.FI
    WH defrost-motor.b cord.N
  `),
  uses: [
    {
      id: 'cool',
      name: 'Cools, then the door is opened',
      steps: 'power=on,wait=600,door=open,wait=10,door=closed,wait=10',
    },
    {
      id: 'defrost',
      name: 'A defrost, turned on by hand',
      steps: 'power=on,wait=1200,turn=defrost,wait=300',
    },
  ],
  looks: [
    look(
      'hum',
      'The compressor is warm and hums, then clicks off',
      ['compressor:seized', 'starter:broken', 'overload'],
      [0.7, 0.05],
      0.5,
      { powered: true },
    ),
    look('bulb', 'The lamp is black or rattles', ['lamp'], [0.8, 0.03], 0.5),
    look(
      'frost',
      'The freezer back is one block of frost',
      ['defrost-heater', 'defrost-stat', 'defrost-timer', 'defrost-motor'],
      [0.8, 0.04],
      1,
    ),
    look(
      'rattle',
      'The start relay rattles when it is shaken',
      ['starter:broken'],
      [0.7, 0.03],
      2,
      { panel: 'rear' },
    ),
    look(
      'coil-dust',
      'The condenser is packed with dust, or its fan stands still',
      ['overload', 'compressor'],
      [0.4, 0.15],
      1,
      { panel: 'rear' },
    ),
    look(
      'turn-timer',
      'Turned by hand, the defrost timer starts the compressor',
      ['defrost-timer', 'defrost-motor'],
      [0.7, 0.05],
      1,
      { panel: 'control', powered: true },
    ),
  ],
  energies: ['refrigerant'],
  cautions: [
    'Unplug before the freezer back comes off: the fan starts by itself when the door closes.',
    'Sheet edges and fins cut; never pry ice off with a tool.',
  ],
});
