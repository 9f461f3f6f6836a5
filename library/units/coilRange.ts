import type { Diagram, Part, TerminalRef, Wire } from '../../core/diagram/diagram';
import { coilBurnerOf } from '../assemblies/coilBurner';
import { panel, TOOLS } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { neonLamp } from '../shelf/loads';
import { CAUTIONS } from '../shelf/practice';
import { rangeCord } from '../shelf/supplies';
import { unit, wires } from '../shelf/unit';

/** The four places of the range, in the order in which the line is chained from switch to switch. */
const PLACES = [
  { id: 'lf', place: 'left front', inches: 8, watts: 2100 },
  { id: 'lr', place: 'left rear', inches: 6, watts: 1300 },
  { id: 'rr', place: 'right rear', inches: 8, watts: 2100 },
  { id: 'rf', place: 'right front', inches: 6, watts: 1300 },
] as const;

/** How ranges of the kind differ: one lamp for all burners, one a side, or one a burner. */
export interface CoilRangeChoice {
  lamps: 'all' | 'side' | 'burner';
}

/** The lamp that a burner lights. */
const LAMP_OF: Record<CoilRangeChoice['lamps'], (id: string) => [id: string, name: string]> = {
  all: () => ['lamp', 'Surface lamp'],
  side: (id) =>
    id.startsWith('l') ? ['lamp-l', 'Surface lamp, left'] : ['lamp-r', 'Surface lamp, right'],
  burner: (id) => [
    `lamp-${id}`,
    `Surface lamp, ${PLACES.find((each) => each.id === id)?.place ?? id}`,
  ],
};

/** Coil range: four infinite switches in a chain, a receptacle block each, lamps as chosen. */
export function coilRangeOf({ lamps }: CoilRangeChoice): Diagram {
  const lampOf = LAMP_OF[lamps];
  const all = new Map(PLACES.map(({ id }) => lampOf(id)));
  const lampParts: Part[] = [...all].map(([id, name]) =>
    neonLamp(
      id,
      name,
      all.size === 1 ? 'lit while any burner is on' : 'lit while a burner of its own is on',
      'rear',
      240,
    ),
  );
  const lampWires: Wire[] = [...all.keys()].map((id, i) => ({
    id: `lamp-${i + 2}`,
    colour: 'RD-WH',
    from: `${id}.b`,
    to: 'feed.L2',
  }));
  return unit({
    id: 'coil-range',
    name: `Coil range, four infinite switches, ${lamps === 'all' ? 'one lamp' : `a lamp a ${lamps}`}`,
    kind: 'coil range',
    supplies: [rangeCord(40)],
    actuators: [],
    panels: [
      panel('rear', 'Backguard cover', '8 hex-head screws', 6, 'back', { tool: TOOLS.nut }),
      panel('top', 'Lift-up top', 'none, prop rod', 1, 'top'),
    ],
    assemblies: PLACES.map(({ id, ...burner }, i) => {
      const before = PLACES[i - 1]?.id;
      const leg = (end: 'L1' | 'L2'): TerminalRef =>
        before ? `${before}-infinite.${end}` : `feed.${end}`;
      const [lamp] = lampOf(id);
      // Pilot legs of one lamp are chained from switch to switch, as the line is.
      const shares = before !== undefined && lampOf(before)[0] === lamp;
      return coilBurnerOf({
        prefix: `${id}-`,
        ...burner,
        line: [leg('L1'), leg('L2')],
        pilot: shares ? `${before}-infinite.P` : `${lamp}.a`,
        panels: { controls: 'rear', top: 'top' },
      });
    }),
    parts: [frame('Frame', 'metal of the range'), ...lampParts],
    wires: [...lampWires, ...wires('GN feed.G frame.G', 'bond-')],
    cautions: [
      'Two hot legs: unplug the range, then prove L1, L2 and each to neutral dead.',
      'A leg welded in a switch leaves the pins of its coil live at OFF: prove each pin dead to the frame, or L to H open cold.',
      'The lines are chained: a burnt tab at one switch leaves the burners after it dead.',
      CAUTIONS.edges,
      'A burner that was on stays hot enough to burn long after the lamp is out.',
    ],
  });
}

export const coilRange = coilRangeOf({ lamps: 'all' });
