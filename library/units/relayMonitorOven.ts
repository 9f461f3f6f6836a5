import { doorInterlock } from '../assemblies/doorInterlock';
import { panel, relayActuator, startButton, TOOLS } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { about, plainLoad } from '../shelf/loads';
import { CAUSES, commonPractice, look } from '../shelf/practice';
import { mainsCord } from '../shelf/supplies';
import { relayContact } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** Over-the-range oven with an electronic supply: the monitor lies behind the start relay. */
export const relayMonitorOven = unit({
  id: 'relay-monitor-oven',
  name: 'Over-range oven, monitor behind the start relay',
  kind: 'over-range oven',
  drawnFor: { door: 'open' },
  supplies: [mainsCord(20)],
  actuators: [
    startButton('start', 'Start pad', 'START touched'),
    relayActuator('cook', 'Start relay', 'start relay'),
  ],
  assemblies: [
    doorInterlock('keypad', {
      primary: {
        role: 'primary interlock; one that has welded stays hidden until the relay welds too, so it is proved on every call',
        where: 'Lower place on the latch bracket',
        marks: ['C1', 'N1'],
      },
      secondary: {
        role: 'second interlock, in the neutral',
        where: 'Upper place on the latch bracket',
        weight: 2.5,
        marks: ['C2', 'N2'],
      },
      sense: { where: 'Behind the keypad, thin wires', marks: ['C3', 'N3'] },
      monitor: {
        role: 'shorts the line behind the relay if an interlock fails to open',
        where: 'Middle place on the latch bracket',
        marks: ['C4', 'B4'],
      },
    }),
  ],
  panels: [
    panel('grille', 'Top grille', '2 cross-head screws, door open', 4, 'front', {
      tool: TOOLS.cross,
    }),
    panel('keypad', 'Keypad panel, grille off', '1 cross-head screw, slides up', 8, 'front', {
      tool: TOOLS.cross,
      tethered: 'the keypad ribbon',
    }),
    panel('case', 'Case, unit off its bracket', '3 top bolts, then 8 hex-head', 25, 'back', {
      tool: TOOLS.nut,
      helper: true,
      coldOnly: true,
    }),
  ],
  parts: [
    frame('Case', 'metal of the oven'),
    {
      id: 'fuse',
      causes: [...CAUSES.interlock],
      name: 'Line fuse',
      role: 'protects the line',
      prior: commonPractice(3),
      kind: 'protector',
      protector: 'fuse',
      terminals: [{ id: 'A' }, { id: 'B' }],
      between: ['A', 'B'],
      rating: '20 A, ceramic',
      amps: 20,
      panel: 'grille',
    },
    relayContact(
      {
        id: 'relay',
        name: 'Start relay contact',
        role: 'lets the line to the transformer',
        actuator: 'cook',
        panel: 'keypad',
        soldAs: 'the control and supply board',
        where: 'On the supply board',
      },
      13,
    ),
    {
      id: 'magnetron',
      name: 'High-voltage transformer',
      role: 'feeds the magnetron',
      seenAs: { name: 'Food', off: 'stays cold', runs: 'gets hot' },
      kind: 'load',
      load: 'transformer',
      terminals: [{ id: 'a' }, { id: 'b' }],
      elements: [
        {
          id: 'primary',
          between: ['a', 'b'],
          value: about(0.4, 30),
          working: about(10, 15),
          volts: 120,
        },
      ],
      panel: 'case',
    },
    plainLoad(
      {
        id: 'fan',
        name: 'Cooling fan',
        role: 'cools the magnetron',
        seenAs: { name: 'Fan inside' },
        prior: commonPractice(1),
        panel: 'case',
      },
      'motor',
      { value: about(60, 20), working: about(240, 20), volts: 120 },
    ),
    {
      id: 'board',
      name: 'Control and supply board',
      role: 'keypad, clock, start relay; feeds itself electronically',
      seenAs: { name: 'Display and keypad' },
      prior: commonPractice(1.5),
      kind: 'board',
      terminals: [{ id: 'L' }, { id: 'N' }, { id: 'D1' }, { id: 'D2' }],
      inputs: [
        { id: 'door', between: ['D1', 'D2'], senses: 'contact' },
        { id: 'power', between: ['L', 'N'], ohms: { low: 200_000, high: 2_000_000 }, fedFrom: 90 },
      ],
      logic: {
        power: 'power',
        states: [
          {
            id: 'idle',
            says: 'clock',
            drives: [],
            next: [{ when: { start: 'pressed', door: 'closed' }, to: 'cook' }],
          },
          {
            id: 'cook',
            says: 'counting down',
            drives: ['cook'],
            next: [{ when: { door: 'open' }, to: 'idle' }],
          },
        ],
      },
      panel: 'keypad',
    },
  ],
  wires: wires(`
    BK cord.L fuse.A
    BK-RD fuse.B primary.C1
    BK-RD fuse.B board.L
    VT primary.N1 relay.C
    OR relay.NO magnetron.a
    OR relay.NO monitor.C4
    OR-WH magnetron.a fan.a
    WH magnetron.b secondary.C2
    WH fan.b secondary.C2
    WH secondary.N2 cord.N
    WH-BK monitor.B4 cord.N
    WH board.N cord.N
    BU sense.C3 board.D1
    GY sense.N3 board.D2
    GN cord.G frame.G
  `),
  uses: [
    {
      id: 'cook',
      name: 'Warm a mug, then open the door',
      steps:
        'power=off,door=closed,power=on,start=pressed,start=released,wait=10,door=ajar,door=open',
    },
  ],
  looks: [
    look(
      'fuse-black',
      'The fuse is black, or its caps are brown',
      ['fuse', 'monitor', 'primary:stuck-closed'],
      [0.6, 0.03],
      1,
      { panel: 'grille' },
    ),
    look(
      'board-burn',
      'A burnt spot on the board, or a relay that is browned',
      ['relay', 'board'],
      [0.5, 0.02],
      1,
      { panel: 'keypad' },
    ),
  ],
  energies: ['microwaves', 'stored-charge'],
  cautions: [
    'The high-voltage capacitor can kill after the cord is pulled: discharge it as the maker’s sheet says, then prove it.',
    'A mug of water in the cavity for every run.',
    'Never run it with the case off. After any door or interlock work a leakage check is due.',
    'A short that shows only at START shows nothing at the plug: read the monitor itself.',
  ],
});
