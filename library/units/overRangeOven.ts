import { doorInterlock } from '../assemblies/doorInterlock';
import { panel, startButton, temperature, TOOLS } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { CAUSES, commonPractice, look } from '../shelf/practice';
import { mainsCord } from '../shelf/supplies';
import { setPointSwitch, table } from '../shelf/switches';
import { lamp, motor } from '../shelf/loads';
import { unit, wires } from '../shelf/unit';

/** Over-the-range oven: three-switch door interlock, monitor ahead of the cook relay. */
export const overRangeOven = unit({
  id: 'over-range-oven',
  name: 'Over-range oven, three-switch door interlock',
  kind: 'over-range oven',
  drawnFor: { door: 'open', cavity: 75, hood: 75 },
  supplies: [mainsCord(20)],
  actuators: [
    startButton('start', 'Start pad', 'START touched'),
    {
      id: 'cook',
      name: 'Cook relay',
      kind: 'driven',
      by: 'board',
      rest: 'idle',
      running: 'cooking',
      positions: [
        { id: 'idle', name: 'board idle' },
        { id: 'cooking', name: 'board cooking' },
      ],
    },
    temperature('cavity', 'Cavity wall'),
    temperature('hood', 'Under the oven', undefined, [
      {
        beyond: 'hood-stat',
        side: 'above',
        says: 'it is hot below: the range is on',
        action: 'The switch is right: it runs the hood fan by itself until it has cooled.',
        prior: commonPractice(1),
      },
    ]),
  ],
  assemblies: [
    doorInterlock('keypad', {
      primary: {
        companions: ['monitor', 'fuse'],
        aliases: [{ word: 'top switch', trap: 'on other models the top one is the monitor' }],
        where: 'Upper place on the latch bracket, behind the keypad',
        idleThrow: true,
      },
      sense: {
        aliases: [{ word: 'secondary', trap: 'it carries only the board’s signal here' }],
        where: 'Middle place on the latch bracket, on the board’s thin wires',
      },
      monitor: {
        role: 'blows the fuse if the primary fails to open',
        companions: ['primary', 'fuse'],
        aliases: [{ word: 'bottom switch' }, { word: 'crowbar switch' }],
        where: 'Lower place on the latch bracket',
      },
    }),
  ],
  panels: [
    panel('grille', 'Top grille', '3 cross-head screws, door open', 4, 'front', {
      tool: TOOLS.cross,
    }),
    panel('keypad', 'Keypad panel, grille off', '1 cross-head screw, slides up', 7, 'front', {
      tool: TOOLS.cross,
      tethered: 'the keypad ribbon',
    }),
    panel('case', 'Case, unit off its bracket', '2 top bolts, then 6 hex-head', 25, 'back', {
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
    {
      id: 'relay',
      name: 'Cook relay',
      soldAs: 'the control board that it is soldered to',
      role: 'starts cooking',
      kind: 'switch',
      terminals: [{ id: 'C' }, { id: 'NO' }],
      contacts: [{ id: 'NO', between: ['C', 'NO'], circuit: 'control', amps: 13, throw: 'NO' }],
      actuator: 'cook',
      free: 'idle',
      byHand: 'It is soldered to the board and cannot be moved by hand.',
      table: table({ idle: [], cooking: ['NO'] }),
      panel: 'case',
      where: 'On the control board',
    },
    {
      id: 'control',
      name: 'Control transformer',
      role: 'feeds the board',
      seenAs: { name: 'Display', off: 'stays dark', runs: 'is lit' },
      kind: 'load',
      load: 'transformer',
      terminals: [{ id: 'A' }, { id: 'B' }, { id: 'S1' }, { id: 'S2' }],
      windings: { primary: 'primary', secondary: 'secondary' },
      elements: [
        {
          id: 'primary',
          between: ['A', 'B'],
          value: { nominal: 175, low: 135, high: 225 },
          working: { nominal: 6000, low: 4500, high: 8000 },
          volts: 120,
        },
        {
          id: 'secondary',
          between: ['S1', 'S2'],
          value: { nominal: 4, low: 3, high: 5.5 },
          volts: 13,
        },
      ],
      panel: 'keypad',
    },
    {
      id: 'magnetron',
      name: 'High-voltage transformer',
      role: 'feeds the magnetron',
      seenAs: { name: 'Food', off: 'stays cold', runs: 'gets hot' },
      kind: 'load',
      load: 'transformer',
      terminals: [{ id: 'A' }, { id: 'B' }],
      elements: [
        {
          id: 'primary',
          between: ['A', 'B'],
          value: { nominal: 0.4, low: 0.3, high: 0.6 },
          working: { nominal: 10, low: 8.5, high: 12 },
          volts: 120,
        },
      ],
      panel: 'keypad',
    },
    setPointSwitch(
      {
        id: 'cavity-stat',
        causes: ['grease on the intake', 'a fan that stands still', 'run empty'],
        name: 'Cavity thermostat',
        role: 'opens when the cavity gets too hot',
        prior: commonPractice(1),
        actuator: 'cavity',
        safety: true,
        panel: 'keypad',
        where: 'On the side of the cavity',
      },
      ['control', 14],
      { opens: 248, closes: 210, tolerance: 8 },
    ),
    setPointSwitch(
      {
        id: 'hood-stat',
        name: 'Hood thermostat',
        role: 'runs the hood fan when it gets hot below; open when cold, and rightly so',
        prior: commonPractice(0.7),
        actuator: 'hood',
        panel: 'case',
        where: 'At the bottom, over the range',
      },
      ['control', 1.4],
      { opens: 125, closes: 155, tolerance: 8 },
    ),
    motor(
      {
        id: 'hood-fan',
        name: 'Hood fan',
        role: 'draws the fumes of the range',
        seenAs: { name: 'Hood fan' },
        prior: commonPractice(1),
        panel: 'case',
      },
      26,
      88,
    ),
    lamp(
      {
        id: 'cavity-lamp',
        name: 'Cavity lamp',
        role: 'lights the cavity while it cooks',
        seenAs: { name: 'Light inside' },
        prior: commonPractice(1),
        panel: 'grille',
      },
      30,
    ),
    {
      id: 'turntable',
      name: 'Turntable motor',
      role: 'turns the plate',
      seenAs: { name: 'Turntable' },
      kind: 'load',
      load: 'motor',
      terminals: [{ id: 'A' }, { id: 'B' }],
      elements: [
        {
          id: 'winding',
          between: ['A', 'B'],
          value: { nominal: 2800, low: 2300, high: 3400 },
          volts: 120,
        },
      ],
      panel: 'case',
    },
    {
      id: 'board',
      name: 'Control board',
      role: 'keypad, clock, cook relay',
      seenAs: { name: 'Display and keypad' },
      kind: 'board',
      terminals: [{ id: 'DOOR1' }, { id: 'DOOR2' }, { id: 'PWR1' }, { id: 'PWR2' }],
      inputs: [
        { id: 'door', between: ['DOOR1', 'DOOR2'], senses: 'contact' },
        { id: 'power', between: ['PWR1', 'PWR2'], ohms: { low: 100, high: 400 }, fedFrom: 8 },
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
      panel: 'case',
    },
  ],
  wires: wires(`
    BK cord.L fuse.A
    BK-WH fuse.B cavity-stat.1
    BK-WH fuse.B control.A
    RD primary.NO relay.C
    RD primary.NO monitor.COM
    OR magnetron.A turntable.A
    WH monitor.NC cord.N
    WH control.B cord.N
    WH magnetron.B cord.N
    WH turntable.B cord.N
    BU sense.COM board.DOOR1
    GY sense.NO board.DOOR2
    OR relay.NO magnetron.A
    GN cord.G frame.G
    YE control.S1 board.PWR1
    YE control.S2 board.PWR2
    BK-RD cavity-stat.2 primary.COM
    VT fuse.B hood-stat.1
    VT-WH hood-stat.2 hood-fan.a
    WH hood-fan.b cord.N
    OR turntable.A cavity-lamp.a
    WH cavity-lamp.b cord.N
  `),
  uses: [
    {
      id: 'cook',
      name: 'Warm a mug, then open the door',
      steps:
        'power=off,door=closed,power=on,start=pressed,start=released,wait=10,door=ajar,door=open',
    },
    { id: 'hood', name: 'Hot below: the hood fan starts by itself', steps: 'hood=190,wait=5' },
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
      'grease',
      'Grease on the filters, and the case is hot',
      ['cavity-stat', 'cavity'],
      [0.6, 0.1],
      0.5,
    ),
  ],
  energies: ['microwaves', 'stored-charge'],
  cautions: [
    'The high-voltage capacitor can kill after the cord is pulled: discharge it as the maker’s sheet says, then prove it.',
    'A mug of water in the cavity for every run.',
    'Never run it with the case off. After any door or interlock work a leakage check is due.',
    'Door interlock switches are replaced with the maker’s part, never bridged.',
  ],
});
