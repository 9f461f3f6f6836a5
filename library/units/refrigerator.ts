import { handActuator } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { about, plainLoad } from '../shelf/loads';
import { commonPractice } from '../shelf/practice';
import { mainsCord } from '../shelf/supplies';
import { table } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** Refrigerator: door switch with lamp and fan throws, cold control, compressor with overload. */
export const refrigerator = unit({
  id: 'refrigerator',
  name: 'Refrigerator, two-throw door switch',
  kind: 'refrigerator',
  drawnFor: { cabinet: 60 },
  supplies: [mainsCord(15)],
  actuators: [
    handActuator('door', 'Door', 'door', { closed: 'door closed', open: 'door open' }),
    {
      id: 'cabinet',
      name: 'Cabinet air',
      kind: 'quantity',
      quantity: 'temperature',
      unit: '°F',
      driven: { by: 'compressor', to: 10, seconds: 1800 },
    },
  ],
  panels: [
    {
      id: 'control',
      name: 'Control housing',
      fastener: '2 cross-head screws inside',
      minutes: 4,
      tool: 'cross-head screwdriver',
      side: 'inside',
    },
    {
      id: 'freezer',
      name: 'Freezer back',
      fastener: '4 hex-head screws, shelves out',
      minutes: 12,
      tool: 'quarter-inch nut driver',
      side: 'inside',
    },
    {
      id: 'rear',
      name: 'Machine compartment',
      fastener: '5 hex-head screws, pulled out',
      minutes: 8,
      tool: 'quarter-inch nut driver',
      side: 'back',
    },
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
      terminals: [{ id: 'COM' }, { id: 'LT' }, { id: 'FN' }],
      contacts: [
        { id: 'LT', between: ['COM', 'LT'], circuit: 'control', amps: 0.4, throw: 'NC' },
        { id: 'FN', between: ['COM', 'FN'], circuit: 'control', amps: 0.2, throw: 'NO' },
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
    RD cold-control.2 overload.1
    RD-WH overload.2 compressor.a
    WH lamp.b cord.N
    WH fan.b cord.N
    WH compressor.b cord.N
    GN cord.G frame.G
  `),
  uses: [
    {
      id: 'cool',
      name: 'Cools, then the door is opened',
      steps: 'power=on,wait=600,door=open,door=closed',
    },
  ],
  looks: [
    {
      id: 'hum',
      says: 'The compressor is warm and hums, then clicks off',
      of: ['compressor:seized', 'overload'],
      found: { with: 0.7, without: 0.05 },
      powered: true,
      minutes: 0.5,
    },
    {
      id: 'bulb',
      says: 'The lamp is black or rattles',
      of: ['lamp'],
      found: { with: 0.8, without: 0.03 },
      minutes: 0.5,
    },
  ],
  energies: ['refrigerant'],
  cautions: [
    'Unplug before the freezer back comes off: the fan starts by itself when the door closes.',
    'Sheet edges and fins cut; never pry ice off with a tool.',
  ],
});
