import { radiantElement } from '../assemblies/radiantElement';
import { handActuator, panel, temperature, TOOLS } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { neonLamp } from '../shelf/loads';
import { commonPractice, look } from '../shelf/practice';
import { rangeCord } from '../shelf/supplies';
import { infiniteSwitch, table } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** Radiant range: a single and a dual-ring burner, limiters, hot-surface contacts in parallel. */
export const radiantRange = unit({
  id: 'radiant-range',
  name: 'Radiant range, single and dual-ring burner',
  kind: 'radiant range',
  drawnFor: { 'glass-1': 70, 'glass-2': 70 },
  supplies: [rangeCord(40)],
  actuators: [
    handActuator('knob', 'Left front knob', 'knob', {
      off: 'left knob at OFF',
      low: 'left knob at LOW',
      high: 'left knob at HIGH',
    }),
    handActuator('dual', 'Right front knob', 'knob', {
      off: 'right knob at OFF',
      single: 'right knob at SINGLE HIGH',
      both: 'right knob at DUAL HIGH',
    }),
    temperature('glass-1', 'Glass over the left burner', { by: 'left', to: 1250, seconds: 300 }),
    temperature('glass-2', 'Glass over the right burner', { by: 'inner', to: 1250, seconds: 300 }),
  ],
  panels: [
    panel('front', 'Control front', '5 cross-head screws', 6, 'front', { tool: TOOLS.cross }),
    panel('top', 'Glass top lifted', '2 screws, prop rod', 8, 'front', {
      tool: TOOLS.nut,
      helper: true,
      tethered: 'the element harnesses',
    }),
  ],
  parts: [
    frame('Frame', 'metal of the range'),
    infiniteSwitch(
      {
        name: 'Infinite switch, left front',
        prior: commonPractice(3),
        panel: 'front',
        where: 'Behind the left front knob',
      },
      5.4,
    ),
    {
      id: 'dual-switch',
      name: 'Dual-ring infinite switch, right front',
      role: 'cycles the inner ring, and the outer with it',
      prior: commonPractice(3),
      kind: 'switch',
      terminals: [{ id: 'L1' }, { id: 'H1' }, { id: 'O' }, { id: 'P' }, { id: 'L2' }, { id: 'H2' }],
      contacts: [
        { id: 'L1-H1', between: ['L1', 'H1'], circuit: 'heater', amps: 9.4 },
        { id: 'H1-O', between: ['H1', 'O'], circuit: 'heater', amps: 5.2 },
        { id: 'L1-P', between: ['L1', 'P'], circuit: 'control', amps: 0.1 },
        { id: 'L2-H2', between: ['L2', 'H2'], circuit: 'heater', amps: 9.4 },
      ],
      actuator: 'dual',
      free: 'off',
      byHand: 'Pull the knob and turn the shaft itself with pliers.',
      table: table({
        off: [],
        single: ['L1-H1', 'L1-P', 'L2-H2'],
        both: ['L1-H1', 'H1-O', 'L1-P', 'L2-H2'],
      }),
      panel: 'front',
      where: 'Behind the right front knob',
    },
    ...radiantElement({
      limiter: ['limiter-1', 'Limiter, left', 9],
      hot: ['hot-1', 'Hot-surface contact, left'],
      rings: [{ id: 'left', name: 'Radiant element, left, 6 in', watts: 1300 }],
      glass: 'glass-1',
    }),
    ...radiantElement({
      limiter: ['limiter-2', 'Limiter, right', 9],
      hot: ['hot-2', 'Hot-surface contact, right'],
      rings: [
        { id: 'inner', name: 'Inner ring, right', watts: 1000 },
        { id: 'outer', name: 'Outer ring, right', watts: 1250 },
      ],
      glass: 'glass-2',
    }),
    neonLamp('on-lamp', 'Surface-on lamp', 'lit while any burner is on', 'front', 120),
    neonLamp('hot-lamp', 'Hot-surface lamp', 'lit while any glass is hot', 'front', 120),
  ],
  wires: wires(`
    BK feed.L1 infinite.L1
    RD feed.L2 infinite.L2
    BK infinite.L1 dual-switch.L1
    RD infinite.L2 dual-switch.L2
    BU infinite.H1 left.b
    NA left.a limiter-1.P2
    YE limiter-1.P1 infinite.H2
    OR dual-switch.H1 inner.b
    OR-WH dual-switch.O outer.b
    NA inner.a limiter-2.P2
    NA outer.a limiter-2.P2
    VT limiter-2.P1 dual-switch.H2
    GY infinite.P on-lamp.a
    GY dual-switch.P infinite.P
    WH on-lamp.b feed.N
    BK infinite.L1 hot-1.S1
    BN hot-1.S1 hot-2.S1
    TN hot-1.S2 hot-lamp.a
    TN hot-2.S2 hot-1.S2
    WH hot-lamp.b feed.N
    GN feed.G frame.G
  `),
  uses: [
    {
      id: 'left',
      name: 'Left burner on and off',
      steps: 'knob=high,wait=90,knob=low,wait=120,knob=off,wait=1800',
    },
    {
      id: 'right',
      name: 'Right burner single, dual and off',
      steps: 'dual=single,wait=60,dual=both,wait=60,dual=off,wait=1800',
    },
  ],
  looks: [
    look(
      'ribbon',
      'A gap in a ribbon under the glass',
      ['left:open', 'inner:open', 'outer:open'],
      [0.6, 0.01],
      0.5,
    ),
    look(
      'lamp-cold',
      'The hot-surface lamp is lit on glass that a hand can rest on',
      ['hot-1', 'hot-2'],
      [0.9, 0.02],
      0.5,
      { powered: true },
    ),
    look(
      'dish',
      'An insulation dish has slumped: its rim is too near the glass',
      ['limiter-1', 'limiter-2'],
      [0.4, 0.03],
      1,
      { panel: 'top' },
    ),
    look(
      'tabs',
      'A brown push-on tab at a switch',
      ['infinite', 'dual-switch', 'w1', 'w2'],
      [0.4, 0.04],
      1,
      { panel: 'front' },
    ),
  ],
  cautions: [
    'Two hot legs: unplug the range, then prove L1, L2 and each to neutral dead.',
    'A leg welded in a switch leaves its element live at OFF: prove it dead to the frame, or L to H open cold.',
    'The glass top wants two people and cloth; sheet edges cut.',
    'The glass burns long after the lamp is out, and a scratch can crack it: lay it on cloth.',
    'Hot-surface contacts are in parallel for all burners: lift one wire before you judge one of them.',
  ],
});
