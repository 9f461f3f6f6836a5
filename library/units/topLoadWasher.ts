import type { Diagram } from '../../core/diagram/diagram';
import { handActuator, panel, TOOLS } from '../shelf/actuators';
import { frame, hardware } from '../shelf/connections';
import { plainLoad } from '../shelf/loads';
import { commonPractice, look } from '../shelf/practice';
import { mainsCord } from '../shelf/supplies';
import { table } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** How washers of the kind differ: whether the lid switch stops the agitation too. */
export interface WasherChoice {
  lidStops: 'spin' | 'all';
}

/** Top-load washer: two-pole lid switch, one pole in the spin path and one that feeds the timer. */
export const topLoadWasherOf = ({ lidStops }: WasherChoice): Diagram =>
  unit({
    id: 'top-load-washer',
    name: 'Top-load washer, two-pole lid switch',
    kind: 'top-load washer',
    supplies: [mainsCord(15)],
    actuators: [
      handActuator('lid', 'Lid', 'lid', { closed: 'lid closed', open: 'lid open' }),
      handActuator('timer', 'Timer knob', 'knob', {
        off: 'timer at OFF',
        wash: 'timer in WASH',
        spin: 'timer in SPIN',
      }),
    ],
    panels: [
      panel('console', 'Console', '2 clips, flips back', 3, 'top', {
        tool: TOOLS.putty,
        tethered: 'the timer harness',
      }),
      panel('cabinet', 'Cabinet', '2 spring clips, one plug', 8, 'front', { tool: TOOLS.putty }),
    ],
    parts: [
      frame('Cabinet', 'metal of the washer'),
      {
        id: 'lid-switch',
        name: 'Lid switch',
        role: 'stops the spin and feeds the timer motor',
        prior: commonPractice(4),
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
        safety: true,
        free: 'open',
        byHand: 'Slide the lever of the switch itself with a screwdriver, lid up.',
        table: table({ closed: ['A', 'B'], open: [] }),
        panel: 'cabinet',
        where: 'Under the top, right side, on a four-way plug',
      },
      hardware(
        { id: 'lid-lever', name: 'Lid strike', role: 'pushes the lever of the lid switch' },
        ['lid-switch'],
      ),
      {
        id: 'timer',
        name: 'Timer',
        role: 'runs the programme',
        prior: commonPractice(1.5),
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
        table: table({ off: [], wash: ['L-MT', 'L-AG'], spin: ['L-MT', 'L-SP'] }),
        panel: 'console',
        where: 'Behind the large knob',
      },
      {
        id: 'drive',
        name: 'Drive motor',
        role: 'agitates and spins',
        causes: ['a sock between tub and basket', 'overloaded again and again'],
        seenAs: { name: 'Tub and agitator', off: 'do not move', runs: 'move' },
        prior: commonPractice(1),
        kind: 'load',
        load: 'motor',
        terminals: [{ id: 'S' }, { id: 'G' }, { id: 'N' }],
        elements: [
          {
            id: 'spin',
            between: ['S', 'N'],
            value: { nominal: 2.2, low: 1.8, high: 2.7 },
            working: { nominal: 16, low: 13, high: 20 },
            volts: 120,
          },
          {
            id: 'agitate',
            between: ['G', 'N'],
            value: { nominal: 2.9, low: 2.4, high: 3.5 },
            working: { nominal: 18, low: 15, high: 22 },
            volts: 120,
          },
        ],
        panel: 'cabinet',
      },
      plainLoad(
        {
          id: 'timer-motor',
          name: 'Timer motor',
          role: 'advances the timer',
          seenAs: { name: 'Timer', off: 'does not advance', runs: 'advances' },
          panel: 'console',
        },
        'motor',
        { value: { nominal: 2900, low: 2300, high: 3500 }, volts: 120 },
      ),
    ],
    wires: wires(`
    BK cord.L timer.L
    VT timer.SP ${lidStops === 'spin' ? 'lid-switch.A1' : 'drive.S'}
    ${lidStops === 'spin' ? 'VT-WH lid-switch.A2 drive.S' : 'WH lid-switch.A2 cord.N'}
    BU timer.AG drive.G
    GY timer.MT lid-switch.B1
    GY-BK lid-switch.B2 timer-motor.a
    WH drive.N ${lidStops === 'spin' ? 'cord.N' : 'lid-switch.A1'}
    WH timer-motor.b cord.N
    GN cord.G frame.G
  `),
    uses: [
      {
        id: 'wash',
        name: 'Wash, then spin',
        steps: 'timer=wash,wait=30,timer=spin,wait=30,lid=open',
      },
    ],
    looks: [
      look(
        'click',
        'No click under the lid when the strike is pushed',
        ['lid-switch', 'lid-lever:broken'],
        [0.7, 0.1],
        0.5,
      ),
      look(
        'strike',
        'The strike of the lid is loose, bent or gone',
        ['lid-lever:broken', 'lid-switch:not-actuated'],
        [0.7, 0.03],
        0.5,
      ),
      look(
        'timer-hand',
        'Turned on by hand, the timer spins the tub',
        ['timer-motor', 'w5', 'w6', 'w8'],
        [0.5, 0.1],
        1,
        { powered: true },
      ),
      look(
        'belt-smell',
        'It hums and smells: something holds the motor',
        ['drive:seized'],
        [0.6, 0.02],
        0.5,
        { powered: true },
      ),
    ],
    energies: ['water'],
    cautions: [
      'A full tub weighs as much as a person: pump or bail it out, and know where the water goes.',
      'Unplug before the cabinet comes off: the basket can coast, and sheet edges cut.',
      'The lid switch is a safety: it is proved after the repair and never left bridged.',
    ],
  });

export const topLoadWasher = topLoadWasherOf({ lidStops: 'spin' });
