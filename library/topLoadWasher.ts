import type { Diagram } from '../core/diagram/diagram';

/** Top-load washer: two-pole lid switch, one pole in the spin path and one that feeds the timer. */
export const topLoadWasher: Diagram = {
  format: 'yarrix-diagram',
  version: 1,
  id: 'top-load-washer',
  name: 'Top-load washer, two-pole lid switch',
  kind: 'top-load washer',
  drawnFor: { lid: 'closed', timer: 'off' },
  supplies: [
    {
      id: 'cord',
      name: 'Power cord',
      kind: 'mains',
      volts: 120,
      terminals: [{ id: 'L' }, { id: 'N' }],
    },
  ],
  actuators: [
    {
      id: 'lid',
      name: 'Lid',
      kind: 'hand',
      shape: 'lid',
      positions: [
        { id: 'closed', name: 'lid closed' },
        { id: 'open', name: 'lid open' },
      ],
    },
    {
      id: 'timer',
      name: 'Timer knob',
      kind: 'hand',
      shape: 'knob',
      positions: [
        { id: 'off', name: 'timer at OFF' },
        { id: 'wash', name: 'timer in WASH' },
        { id: 'spin', name: 'timer in SPIN' },
      ],
    },
  ],
  panels: [
    { id: 'console', name: 'Console', fastener: '2 clips, flips back', minutes: 3 },
    { id: 'cabinet', name: 'Cabinet', fastener: '2 spring clips, one plug', minutes: 8 },
  ],
  parts: [
    {
      id: 'lid-switch',
      name: 'Lid switch',
      role: 'stops the spin and feeds the timer motor',
      aliases: [
        { word: 'door switch' },
        { word: 'lid lock', trap: 'a lid lock has a solenoid; this one has none' },
      ],
      kind: 'switch',
      terminals: [{ id: 'A1' }, { id: 'A2' }, { id: 'B1' }, { id: 'B2' }],
      contacts: [
        { id: 'A', between: ['A1', 'A2'], circuit: 'control', amps: 5, throw: 'NO' },
        { id: 'B', between: ['B1', 'B2'], circuit: 'control', amps: 0.1, throw: 'NO' },
      ],
      actuator: 'lid',
      free: 'open',
      byHand: 'Slide the lever of the switch itself with a screwdriver, lid up.',
      table: {
        known: 'sheet',
        rows: [
          { position: 'closed', closed: ['A', 'B'] },
          { position: 'open', closed: [] },
        ],
      },
      panel: 'cabinet',
      where: 'Under the top, right side, on a four-way plug',
    },
    {
      id: 'lid-lever',
      name: 'Lid strike',
      role: 'pushes the lever of the lid switch',
      kind: 'hardware',
      terminals: [],
      serves: ['lid-switch'],
    },
    {
      id: 'timer',
      name: 'Timer',
      role: 'runs the programme',
      kind: 'switch',
      terminals: [{ id: 'L' }, { id: 'MT' }, { id: 'SP' }, { id: 'AG' }],
      contacts: [
        { id: 'L-MT', between: ['L', 'MT'], circuit: 'control', amps: 0.1 },
        { id: 'L-SP', between: ['L', 'SP'], circuit: 'control', amps: 5 },
        { id: 'L-AG', between: ['L', 'AG'], circuit: 'control', amps: 5 },
      ],
      actuator: 'timer',
      free: 'off',
      byHand: 'Pull the knob and turn the shaft itself with pliers, clockwise only.',
      table: {
        known: 'sheet',
        rows: [
          { position: 'off', closed: [] },
          { position: 'wash', closed: ['L-MT', 'L-AG'] },
          { position: 'spin', closed: ['L-MT', 'L-SP'] },
        ],
      },
      panel: 'console',
      where: 'Behind the large knob',
    },
    {
      id: 'drive',
      name: 'Drive motor',
      role: 'agitates and spins',
      kind: 'load',
      load: 'winding',
      terminals: [{ id: 'S' }, { id: 'G' }, { id: 'N' }],
      elements: [
        { id: 'spin', between: ['S', 'N'], value: { nominal: 2.2, low: 1.8, high: 2.7 } },
        { id: 'agitate', between: ['G', 'N'], value: { nominal: 2.9, low: 2.4, high: 3.5 } },
      ],
      panel: 'cabinet',
    },
    {
      id: 'timer-motor',
      name: 'Timer motor',
      role: 'advances the timer',
      kind: 'load',
      load: 'winding',
      terminals: [{ id: 'a' }, { id: 'b' }],
      elements: [
        { id: 'winding', between: ['a', 'b'], value: { nominal: 2900, low: 2300, high: 3500 } },
      ],
      panel: 'console',
    },
  ],
  wires: [
    { id: 'w1', colour: 'BK', from: 'cord.L', to: 'timer.L' },
    { id: 'w2', colour: 'VT', from: 'timer.SP', to: 'lid-switch.A1' },
    { id: 'w3', colour: 'VT-WH', from: 'lid-switch.A2', to: 'drive.S' },
    { id: 'w4', colour: 'BU', from: 'timer.AG', to: 'drive.G' },
    { id: 'w5', colour: 'GY', from: 'timer.MT', to: 'lid-switch.B1' },
    { id: 'w6', colour: 'GY-BK', from: 'lid-switch.B2', to: 'timer-motor.a' },
    { id: 'w7', colour: 'WH', from: 'drive.N', to: 'cord.N' },
    { id: 'w8', colour: 'WH', from: 'timer-motor.b', to: 'cord.N' },
  ],
  cautions: [
    'Unplug before the cabinet comes off: the basket can coast, and sheet edges cut.',
    'The lid switch is a safety: it is proved after the repair and never left bridged.',
  ],
};
