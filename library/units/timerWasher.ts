import { door, handActuator, motorSpeed, panel, quantity, TOOLS } from '../shelf/actuators';
import { frame, hardware } from '../shelf/connections';
import { about, coil, motor } from '../shelf/loads';
import { overload } from '../shelf/protectors';
import { commonPractice, look } from '../shelf/practice';
import { mainsCord } from '../shelf/supplies';
import { startSwitch, plainSwitch, selector, setPointSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** Top-load washer with a timer: level switch on its tube, valves by a water knob, a start winding that is reversed. */
export const timerWasher = unit({
  id: 'timer-washer',
  name: 'Top-load washer, timer and level switch',
  kind: 'top-load washer',
  drawnFor: { level: 0 },
  supplies: [mainsCord(15)],
  actuators: [
    door('lid'),
    handActuator('timer', 'Timer knob', 'knob', {
      off: 'timer at OFF',
      wash: 'timer in WASH',
      spin: 'timer in SPIN',
    }),
    handActuator('water', 'Water knob', 'knob', {
      warm: 'water knob at WARM',
      hot: 'water knob at HOT',
      cold: 'water knob at COLD',
    }),
    handActuator('action', 'Action knob', 'knob', {
      normal: 'action knob at NORMAL',
      gentle: 'action knob at GENTLE',
    }),
    { ...motorSpeed, by: 'drive' },
    quantity(
      'level',
      'in of water',
      'level',
      'Water in the tub',
      {
        by: 'cold-valve',
        to: 17,
        seconds: 120,
        alone: { by: 'hot-valve', to: 17 },
        emptiedBy: 'pump',
      },
      [
        {
          beyond: 'level-switch',
          side: 'below',
          says: 'the water does not rise',
          causes: ['a closed tap', 'a clogged screen in the hose', 'a drain hose that siphons'],
          action: 'The switch is right: open the taps, clean the screens, lift the drain hose.',
          prior: commonPractice(2),
        },
      ],
    ),
  ],
  panels: [
    panel('console', 'Console', '4 cross-head screws, tips forward', 4, 'top', {
      tool: TOOLS.cross,
      tethered: 'the timer harness and the level tube',
    }),
    panel('back', 'Back panel', '7 hex-head screws, pulled out', 8, 'back', { tool: TOOLS.nut }),
    panel('top', 'Top lifted', '2 clips in front', 3, 'top', { tool: TOOLS.putty }),
  ],
  parts: [
    frame('Cabinet', 'metal of the washer'),
    selector(
      {
        id: 'timer',
        name: 'Timer',
        role: 'runs the programme, and turns the start winding round for the spin',
        prior: commonPractice(1.5),
        actuator: 'timer',
        byHand: 'Pull the knob and turn the shaft itself with pliers, one way only.',
        panel: 'console',
        where: 'Behind the large knob',
      },
      {
        'L-T': ['control', 0.1],
        'L-W': ['control', 6],
        'K-M': ['control', 5],
        'P-M': ['control', 5],
        'M-A': ['control', 4],
        'N-B': ['control', 4],
        'M-B': ['control', 4],
        'N-A': ['control', 4],
        'L-D': ['control', 1],
      },
      {
        off: [],
        wash: ['L-W', 'K-M', 'M-A', 'N-B'],
        spin: ['L-T', 'P-M', 'M-B', 'N-A', 'L-D'],
      },
    ),
    motor(
      {
        id: 'timer-motor',
        name: 'Timer motor',
        role: 'advances the timer once the tub is full',
        seenAs: { name: 'Timer', off: 'does not advance', runs: 'advances' },
        prior: commonPractice(1),
        panel: 'console',
      },
      2700,
      2700,
    ),
    {
      ...setPointSwitch(
        {
          id: 'level-switch',
          name: 'Level switch',
          role: 'feeds the valves until the tub is full, then the motor',
          prior: commonPractice(3),
          aliases: [
            { word: 'pressure switch' },
            { word: 'water valve', trap: 'the valve is at the hoses; this one only feeds it' },
          ],
          actuator: 'level',
          byHand: 'Blow gently into its tube until it clicks, and let go.',
          panel: 'console',
          where: 'Behind its own knob, on a thin tube',
        },
        ['control', 6],
        { opens: 11, closes: 3, tolerance: 1 },
        ['C', 'E'],
      ),
      terminals: [{ id: 'C' }, { id: 'E' }, { id: 'F' }],
      contacts: [
        { id: 'C-E', between: ['C', 'E'], circuit: 'control', amps: 0.6, throw: 'NC' },
        { id: 'C-F', between: ['C', 'F'], circuit: 'control', amps: 6, throw: 'NO' },
      ],
      table: {
        known: 'sheet',
        rows: [
          { position: 'below', closed: ['C-E'] },
          { position: 'above', closed: ['C-F'] },
        ],
      },
    },
    hardware(
      {
        id: 'tube',
        name: 'Tube of the level switch',
        role: 'brings the pressure of the water to its switch',
        causes: ['chafed through on the tub', 'a plug of soap in its dome', 'water left in it'],
        prior: commonPractice(2),
        panel: 'top',
      },
      ['level-switch'],
    ),
    selector(
      {
        id: 'water-switch',
        name: 'Water switch',
        role: 'chooses hot, cold or both',
        prior: commonPractice(0.7),
        actuator: 'water',
        panel: 'console',
      },
      { 'E-H': ['control', 0.3], 'E-C': ['control', 0.3] },
      { warm: ['E-H', 'E-C'], hot: ['E-H'], cold: ['E-C'] },
    ),
    ...(['hot', 'cold'] as const).map((each) =>
      coil(
        {
          id: `${each}-valve`,
          name: `${each === 'hot' ? 'Hot' : 'Cold'} water valve`,
          role: `lets the ${each} water in`,
          seenAs: {
            name: `${each === 'hot' ? 'Hot' : 'Cold'} water`,
            off: 'does not come',
            runs: 'comes',
          },
          causes: ['grit from the pipe', 'low pressure: it cannot close well'],
          prior: commonPractice(2),
          panel: 'back',
          where: 'Where the hoses screw on',
        },
        each === 'hot' ? 830 : 870,
        120,
      ),
    ),
    plainSwitch(
      {
        id: 'lid-switch',
        name: 'Lid switch',
        role: 'stops the spin while the lid is up',
        prior: commonPractice(4),
        aliases: [{ word: 'door switch' }],
        actuator: 'lid',
        free: 'open',
        byHand: 'Push its lever with a screwdriver, lid up.',
        safety: true,
        panel: 'top',
        where: 'Under the top, on the right',
      },
      { circuit: 'control', amps: 6, throw: 'NO' },
      { closed: 'closed', open: 'open' },
    ),
    hardware(
      {
        id: 'strike',
        name: 'Lid strike',
        role: 'pushes the lid switch',
        prior: commonPractice(1.5),
      },
      ['lid-switch'],
    ),
    selector(
      {
        id: 'action-switch',
        name: 'Action switch',
        role: 'chooses the speed of the motor',
        prior: commonPractice(0.7),
        actuator: 'action',
        panel: 'console',
      },
      { 'M-H': ['control', 5], 'M-L': ['control', 4] },
      { normal: ['M-H'], gentle: ['M-L'] },
    ),
    {
      id: 'drive',
      name: 'Drive motor',
      role: 'agitates one way and spins the other',
      causes: ['a sock between tub and basket', 'overloaded again and again'],
      seenAs: { name: 'Tub and agitator', off: 'do not move', runs: 'move' },
      prior: commonPractice(1),
      kind: 'load',
      load: 'motor',
      startsWith: 'start',
      terminals: [{ id: 'H' }, { id: 'L' }, { id: 'N' }, { id: 'A' }, { id: 'B' }],
      elements: [
        {
          id: 'high',
          between: ['H', 'N'],
          value: about(1.9, 20),
          working: about(17, 20),
          volts: 120,
        },
        {
          id: 'low',
          between: ['L', 'N'],
          value: about(3.1, 20),
          working: about(22, 20),
          volts: 120,
        },
        {
          id: 'start',
          between: ['A', 'B'],
          value: about(5.2, 20),
          working: about(15, 20),
          volts: 120,
        },
      ],
      panel: 'back',
      where: 'Under the tub',
    },
    startSwitch({ panel: 'back', where: 'On the end bell of the motor' }),
    overload(
      {
        id: 'overload',
        name: 'Motor overload',
        role: 'opens when the motor is held',
        prior: commonPractice(1),
        panel: 'back',
        where: 'In the end bell of the motor',
      },
      18,
    ),
    motor(
      {
        id: 'pump',
        name: 'Drain pump',
        role: 'empties the tub',
        seenAs: { name: 'Water', off: 'does not run out', runs: 'runs out' },
        causes: ['a coin or a sock in it', 'a kinked drain hose'],
        prior: commonPractice(3),
        panel: 'back',
        where: 'Below the tub, right',
      },
      14,
      120,
    ),
  ],
  wires: wires(`
    BK cord.L timer.L
    TN timer.T timer-motor.a
    PK timer.W level-switch.C
    BU level-switch.E water-switch.E
    RD water-switch.H hot-valve.a
    BU-WH water-switch.C cold-valve.a
    PK-BK level-switch.F timer.K
    PK-BK level-switch.F timer-motor.a
    VT timer.L lid-switch.1
    VT-WH lid-switch.2 timer.P
    OR timer.M action-switch.M
    OR-BK action-switch.H drive.H
    OR-WH action-switch.L drive.L
    YE timer.A start-switch.COM
    YE-BK start-switch.NC drive.A
    GY timer.B drive.B
    WH timer.N cord.N
    WH drive.N overload.a
    WH overload.b cord.N
    BN timer.D pump.a
    WH pump.b cord.N
    WH hot-valve.b cord.N
    WH cold-valve.b cord.N
    WH timer-motor.b cord.N
    GN cord.G frame.G
  `),
  uses: [
    {
      id: 'wash',
      name: 'Fills, washes, drains and spins',
      steps: 'timer=wash,wait=240,timer=spin,wait=240,lid=open',
    },
  ],
  looks: [
    look(
      'trickle',
      'Water comes in a trickle, or not from one of the hoses',
      ['hot-valve', 'cold-valve', 'level'],
      [0.6, 0.04],
      1,
      { powered: true },
    ),
    look(
      'tube-off',
      'The tube of the level switch is off, chafed or full of water',
      ['tube:broken', 'level-switch:not-actuated'],
      [0.8, 0.02],
      2,
      { panel: 'top' },
    ),
    look(
      'lid-click',
      'No click under the lid when the strike is pushed',
      ['lid-switch', 'strike:broken'],
      [0.7, 0.1],
      0.5,
    ),
    look(
      'hum',
      'The motor hums and clicks off; the basket turns free by hand',
      ['start-switch', 'drive.start:open', 'timer'],
      [0.6, 0.05],
      1,
      { powered: true },
    ),
    look('pump-hum', 'The pump hums, or has something in it', ['pump'], [0.6, 0.03], 2, {
      panel: 'back',
    }),
    look('belt', 'A belt is glazed or off; the basket is hard to turn', ['drive'], [0.4, 0.05], 1, {
      panel: 'back',
    }),
  ],
  energies: ['water'],
  cautions: [
    'A full tub weighs as much as a person: pump or bail it out, and know where the water goes.',
    'Unplug before a panel comes off: the basket coasts, belts pinch and sheet edges cut.',
    'Taps off before a hose or a valve is touched; look for drips after one whole fill and drain.',
    'The lid switch is a safety: it is proved after the repair and never left bridged.',
  ],
});
