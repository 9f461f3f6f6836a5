import { handActuator } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { neonLamp } from '../shelf/loads';
import { CAUSES, CAUTIONS, commonPractice, look } from '../shelf/practice';
import { rangeCord } from '../shelf/supplies';
import { infiniteSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** One coil burner with its infinite switch, receptacle block and the shared lamp. */
export const coilBurner = unit({
  id: 'coil-burner',
  name: 'Coil burner with infinite switch',
  kind: 'coil range',
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
      companions: ['coil'],
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
  wires: wires(`
    BK feed.L1 infinite.L1
    RD feed.L2 infinite.L2
    BU infinite.H1 block.a
    YE infinite.H2 block.b
    GY infinite.P lamp.a
    RD-WH lamp.b feed.L2
    NA block.pin1 coil.a
    NA block.pin2 coil.b
    GN feed.G frame.G
  `),
  uses: [
    {
      id: 'burn',
      name: 'Burner on and off again',
      steps: 'knob=high,wait=60,knob=low,wait=120,knob=off,wait=60',
    },
  ],
  looks: [
    look(
      'pins',
      'Burnt or loose pins of the coil in its block',
      ['block', 'coil:open', 'w7:wire-open', 'w8:wire-open'],
      [0.6, 0.05],
      1,
      { panel: 'top' },
    ),
    look(
      'sag',
      'A blister, a bare spot or a sag in the coil',
      ['coil:open', 'coil:shorted', 'coil:ground-fault'],
      [0.5, 0.02],
      0.5,
    ),
    look(
      'swap',
      'The coil works in another place of the range',
      ['infinite', 'block', 'w3', 'w4', 'feed'],
      [0.9, 0.1],
      2,
      { powered: true },
    ),
    look(
      'tabs',
      'A brown push-on tab at the switch',
      ['infinite', 'w1', 'w2', 'w3', 'w4'],
      [0.4, 0.04],
      1,
      { panel: 'rear' },
    ),
  ],
  cautions: [
    'Two hot legs: unplug the range, then prove L1, L2 and each to neutral dead.',
    'A leg welded in the switch leaves the pins of the coil live at OFF: prove each pin dead to the frame, or L to H open cold, on every such call.',
    CAUTIONS.edges,
    'A burner that was on stays hot enough to burn long after the lamp is out.',
  ],
});
