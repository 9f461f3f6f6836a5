import type { Part, Wire } from '../../core/diagram/diagram';
import { handActuator } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { neonLamp } from '../shelf/loads';
import { CAUSES, CAUTIONS, commonPractice } from '../shelf/practice';
import { rangeCord } from '../shelf/supplies';
import { infiniteSwitch } from '../shelf/switches';
import { unit } from '../shelf/unit';

/** The four places of the range, in the order in which the line is chained from switch to switch. */
const PLACES = [
  { id: 'lf', name: 'left front', inches: 8, watts: 2100 },
  { id: 'lr', name: 'left rear', inches: 6, watts: 1250 },
  { id: 'rr', name: 'right rear', inches: 8, watts: 2100 },
  { id: 'rf', name: 'right front', inches: 6, watts: 1250 },
] as const;

const parts: Part[] = PLACES.flatMap(({ id, name, inches, watts }): Part[] => [
  infiniteSwitch(
    {
      id: `${id}-switch`,
      actuator: `${id}-knob`,
      name: `Infinite switch, ${name}`,
      prior: commonPractice(3),
      panel: 'rear',
      where: `Behind the ${name} knob`,
    },
    watts / 240,
  ),
  {
    id: `${id}-block`,
    name: `Receptacle block, ${name}`,
    role: 'holds the coil’s pins',
    causes: [...CAUSES.pins],
    companions: [`${id}-coil`],
    prior: commonPractice(3),
    kind: 'connection',
    terminals: [{ id: 'a' }, { id: 'b' }, { id: 'p1' }, { id: 'p2' }],
    joins: [
      ['a', 'p1'],
      ['b', 'p2'],
    ],
    panel: 'top',
  },
  {
    id: `${id}-coil`,
    name: `Coil element, ${name}, ${inches} in`,
    role: 'the burner',
    companions: [`${id}-block`],
    seenAs: { name: `Burner, ${name}` },
    prior: commonPractice(4),
    kind: 'load',
    load: 'heater',
    terminals: [{ id: 'a' }, { id: 'b' }],
    elements: [
      { id: 'coil', between: ['a', 'b'], value: { watts, volts: 240, tolerancePercent: 8 } },
    ],
    panel: 'top',
  },
]);

const wires: Wire[] = PLACES.flatMap(({ id }, i): Wire[] => {
  const before = PLACES[i - 1]?.id;
  const line = (leg: 'L1' | 'L2'): Wire['from'] =>
    before ? `${before}-switch.${leg}` : `feed.${leg}`;
  return [
    { id: `${id}-1`, colour: 'BK', from: line('L1'), to: `${id}-switch.L1` },
    { id: `${id}-2`, colour: 'RD', from: line('L2'), to: `${id}-switch.L2` },
    { id: `${id}-3`, colour: 'BU', from: `${id}-switch.H1`, to: `${id}-block.a` },
    { id: `${id}-4`, colour: 'YE', from: `${id}-switch.H2`, to: `${id}-block.b` },
    {
      id: `${id}-5`,
      colour: 'GY',
      from: `${id}-switch.P`,
      to: before ? `${before}-switch.P` : 'lamp.a',
    },
    { id: `${id}-6`, colour: 'NA', from: `${id}-block.p1`, to: `${id}-coil.a` },
    { id: `${id}-7`, colour: 'NA', from: `${id}-block.p2`, to: `${id}-coil.b` },
  ];
});

/** Coil range: four infinite switches in a chain, a receptacle block each, one lamp for all. */
export const coilRange = unit({
  id: 'coil-range',
  name: 'Coil range, four infinite switches, one lamp',
  kind: 'coil range',
  supplies: [rangeCord(40)],
  actuators: PLACES.map(({ id, name }) =>
    handActuator(`${id}-knob`, `Knob, ${name}`, 'knob', {
      off: `${name} knob at OFF`,
      low: `${name} knob at LOW`,
      high: `${name} knob at HIGH`,
    }),
  ),
  panels: [
    {
      id: 'rear',
      name: 'Backguard cover',
      fastener: '8 hex-head screws',
      minutes: 6,
      tool: 'quarter-inch nut driver',
      side: 'back',
    },
    { id: 'top', name: 'Lift-up top', fastener: 'none, prop rod', minutes: 1, side: 'top' },
  ],
  parts: [
    frame('Frame', 'metal of the range'),
    ...parts,
    neonLamp('lamp', 'Surface lamp', 'lit while any burner is on', 'rear', 240),
  ],
  wires: [
    ...wires,
    { id: 'lamp-2', colour: 'RD-WH', from: 'lamp.b', to: 'feed.L2' },
    { id: 'bond', colour: 'GN', from: 'feed.G', to: 'frame.G' },
  ],
  uses: PLACES.map(({ id, name }) => ({
    id,
    name: `Burner ${name} on and off again`,
    steps: `${id}-knob=high,wait=60,${id}-knob=low,wait=120,${id}-knob=off,wait=60`,
  })),
  looks: PLACES.map(({ id, name }) => ({
    id: `${id}-pins`,
    says: `Burnt or loose pins of the ${name} coil in its block`,
    of: [`${id}-block`, `${id}-coil:open`, `${id}-6:wire-open`, `${id}-7:wire-open`],
    found: { with: 0.6, without: 0.05 },
    minutes: 1,
    panel: 'top',
  })),
  cautions: [
    'Two hot legs: unplug the range, then prove L1, L2 and each to neutral dead.',
    'A leg welded in a switch leaves the pins of its coil live at OFF: prove each pin dead to the frame, or L to H open cold.',
    CAUTIONS.edges,
    'The lines are chained: a burnt tab at one switch leaves the burners after it dead.',
    'A burner that was on stays hot enough to burn long after the lamp is out.',
  ],
});
