import { coilBurnerOf } from '../assemblies/coilBurner';
import { panel, TOOLS } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { neonLamp } from '../shelf/loads';
import { CAUTIONS, look } from '../shelf/practice';
import { rangeCord } from '../shelf/supplies';
import { unit, wires } from '../shelf/unit';

/** One coil burner with its infinite switch, receptacle block and the shared lamp. */
export const coilBurner = unit({
  id: 'coil-burner',
  name: 'Coil burner with infinite switch',
  kind: 'coil range',
  supplies: [rangeCord(40)],
  actuators: [],
  panels: [
    panel('rear', 'Backguard cover', '6 hex-head screws', 5, 'back', { tool: TOOLS.nut }),
    panel('top', 'Lift-up top', 'none, prop rod', 1, 'top'),
  ],
  assemblies: [
    coilBurnerOf({
      prefix: '',
      place: 'left front',
      inches: 8,
      watts: 2100,
      line: ['feed.L1', 'feed.L2'],
      pilot: 'lamp.a',
      panels: { controls: 'rear', top: 'top' },
    }),
  ],
  parts: [
    frame('Frame', 'metal of the range'),
    neonLamp('lamp', 'Surface lamp', 'lit while any burner is on', 'rear', 240),
  ],
  wires: wires('RD-WH lamp.b feed.L2\nGN feed.G frame.G', 'own-'),
  looks: [
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
