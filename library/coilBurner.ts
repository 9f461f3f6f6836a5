import type { Diagram } from '../core/diagram/diagram';
import {
  CAUSES,
  commonPractice,
  frame,
  handActuator,
  infiniteSwitch,
  neonLamp,
  rangeCord,
} from './standardParts';

/** One coil burner with its infinite switch, receptacle block and the shared lamp. */
export const coilBurner: Diagram = {
  format: 'yarrix-diagram',
  version: 1,
  id: 'coil-burner',
  name: 'Coil burner with infinite switch',
  kind: 'coil range',
  drawnFor: { knob: 'off' },
  frame: 'frame.F',
  supplies: [rangeCord(40)],
  actuators: [
    handActuator('knob', 'Left front knob', 'knob', {
      off: 'knob at OFF',
      low: 'knob at LOW',
      high: 'knob at HIGH',
    }),
  ],
  panels: [
    {
      id: 'rear',
      name: 'Backguard cover',
      fastener: '6 hex-head screws',
      minutes: 5,
      tool: 'quarter-inch nut driver',
      side: 'back',
    },
    { id: 'top', name: 'Lift-up top', fastener: 'none, prop rod', minutes: 1, side: 'top' },
  ],
  parts: [
    frame('Frame', 'metal of the range'),
    infiniteSwitch(
      {
        name: 'Infinite switch, left front',
        aliases: [
          { word: 'burner control' },
          { word: 'thermostat', trap: 'the oven has a real thermostat' },
        ],
        prior: commonPractice(3),
        panel: 'rear',
        where: 'Behind the leftmost knob, H terminals towards the glass',
      },
      8.8,
    ),
    {
      id: 'block',
      causes: [...CAUSES.pins],
      name: 'Receptacle block',
      role: 'holds the coil’s pins',
      prior: commonPractice(3),
      kind: 'connection',
      terminals: [{ id: 'a' }, { id: 'b' }, { id: 'pin1' }, { id: 'pin2' }],
      joins: [
        ['a', 'pin1'],
        ['b', 'pin2'],
      ],
      panel: 'top',
    },
    {
      id: 'coil',
      name: 'Coil element, 8 in',
      role: 'the burner',
      seenAs: { name: 'Burner' },
      companions: ['block'],
      prior: commonPractice(4),
      kind: 'load',
      load: 'heater',
      terminals: [{ id: 'a' }, { id: 'b' }],
      elements: [
        {
          id: 'coil',
          between: ['a', 'b'],
          value: { watts: 2100, volts: 240, tolerancePercent: 8 },
        },
      ],
      panel: 'top',
    },
    neonLamp('lamp', 'Surface lamp', 'lit while any burner is on', 'rear', 240),
  ],
  wires: [
    { id: 'w1', colour: 'BK', from: 'feed.L1', to: 'infinite.L1' },
    { id: 'w2', colour: 'RD', from: 'feed.L2', to: 'infinite.L2' },
    { id: 'w3', colour: 'BU', from: 'infinite.H1', to: 'block.a' },
    { id: 'w4', colour: 'YE', from: 'infinite.H2', to: 'block.b' },
    { id: 'w5', colour: 'GY', from: 'infinite.P', to: 'lamp.a' },
    { id: 'w6', colour: 'RD-WH', from: 'lamp.b', to: 'feed.L2' },
    { id: 'w7', colour: 'NA', from: 'block.pin1', to: 'coil.a' },
    { id: 'w8', colour: 'NA', from: 'block.pin2', to: 'coil.b' },
    { id: 'w9', colour: 'GN', from: 'feed.G', to: 'frame.G' },
  ],
  uses: [
    { id: 'burn', name: 'Burner on and off again', steps: 'knob=high,wait=60,knob=off,wait=60' },
  ],
  looks: [
    {
      id: 'pins',
      says: 'Burnt or loose pins of the coil in its block',
      of: ['block', 'coil:open', 'w7:wire-open', 'w8:wire-open'],
      found: { with: 0.6, without: 0.05 },
      minutes: 1,
      panel: 'top',
    },
  ],
  cautions: [
    'Two hot legs: unplug the range, then prove L1, L2 and each to neutral dead.',
    'A burner that was on stays hot enough to burn long after the lamp is out.',
  ],
};
