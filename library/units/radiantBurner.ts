import { radiantElement } from '../assemblies/radiantElement';
import { handActuator, panel, temperature, TOOLS } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { neonLamp } from '../shelf/loads';
import { commonPractice, look } from '../shelf/practice';
import { rangeCord } from '../shelf/supplies';
import { infiniteSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** Radiant burner under glass: infinite switch, limiter, hot-surface contact and lamp. */
export const radiantBurner = unit({
  id: 'radiant-burner',
  name: 'Radiant burner with limiter and hot-surface lamp',
  kind: 'radiant range',
  drawnFor: { glass: 70 },
  supplies: [rangeCord(40)],
  actuators: [
    handActuator('knob', 'Right rear knob', 'knob', {
      off: 'knob at OFF',
      low: 'knob at LOW',
      high: 'knob at HIGH',
    }),
    temperature('glass', 'Glass over the burner', { by: 'element', to: 1250, seconds: 300 }),
  ],
  panels: [
    panel('front', 'Control front', '4 cross-head screws', 5, 'front', { tool: TOOLS.cross }),
    panel('top', 'Glass top lifted', '2 screws, prop rod', 8, 'front', {
      tool: TOOLS.nut,
      helper: true,
      tethered: 'the element harness',
    }),
  ],
  parts: [
    frame('Frame', 'metal of the range'),
    infiniteSwitch(
      {
        name: 'Infinite switch, right rear',
        prior: commonPractice(3),
        panel: 'front',
        where: 'Behind the right rear knob',
      },
      7.1,
    ),
    ...radiantElement({
      limiter: ['limiter', 'Limiter', 7.1],
      hot: ['hot-contact', 'Hot-surface contact'],
      rings: [
        {
          id: 'element',
          name: 'Radiant element, 7 in',
          watts: 1700,
          weight: 4,
          seenAs: { name: 'Burner' },
        },
      ],
      glass: 'glass',
    }),
    neonLamp('on-lamp', 'Surface-on lamp', 'lit while any burner is on', 'front', 120),
    neonLamp('hot-lamp', 'Hot-surface lamp', 'lit while the glass is hot', 'front', 120),
  ],
  wires: wires(`
    BK feed.L1 infinite.L1
    RD feed.L2 infinite.L2
    BU infinite.H1 limiter.P1
    NA limiter.P2 element.a
    YE element.b infinite.H2
    GY infinite.P on-lamp.a
    WH on-lamp.b feed.N
    BK infinite.L1 hot-contact.S1
    VT hot-contact.S2 hot-lamp.a
    WH hot-lamp.b feed.N
    GN feed.G frame.G
  `),
  uses: [
    {
      id: 'burn',
      name: 'Burner on and off again',
      steps: 'knob=high,wait=60,knob=low,wait=120,knob=off,wait=1800',
    },
  ],
  looks: [
    look('ribbon', 'A gap in the ribbon under the glass', ['element:open'], [0.6, 0.01], 0.5),
    look(
      'lamp-cold',
      'The hot-surface lamp is lit on glass that a hand can rest on',
      ['hot-contact'],
      [0.9, 0.02],
      0.5,
      { powered: true },
    ),
    look(
      'dish',
      'The insulation dish has slumped: the rim is too near the glass',
      ['limiter'],
      [0.4, 0.03],
      1,
      { panel: 'top' },
    ),
    look(
      'tabs',
      'A brown push-on tab at switch or element',
      ['infinite', 'w1', 'w2', 'w3', 'w5'],
      [0.4, 0.04],
      1,
      { panel: 'front' },
    ),
  ],
  cautions: [
    'Two hot legs: unplug the range, then prove L1, L2 and each to neutral dead.',
    'A leg welded in the switch leaves the element live at OFF: prove it dead to the frame, or L to H open cold.',
    'The glass top wants two people and cloth; sheet edges cut.',
    'The glass burns long after the lamp is out, and a scratch can crack it: lay it on cloth.',
  ],
});
