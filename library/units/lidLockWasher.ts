import { door, drivenBy, panel, quantity, startButton, TOOLS } from '../shelf/actuators';
import { frame, hardware } from '../shelf/connections';
import { coil, motor } from '../shelf/loads';
import { CAUTIONS, commonPractice, look, weakCapacitor } from '../shelf/practice';
import { board, boardRelays } from '../shelf/relays';
import { mainsCord } from '../shelf/supplies';
import { plainSwitch, setPointSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** A relay of the board with what it feeds. */
const relays = boardRelays(
  { panel: 'console', soldAs: 'the control board' },
  {
    lock: ['Lock relay', 'feeds the lock', 1],
    fill: ['Fill relay', 'feeds the fill', 0.2],
    agitate: ['Wash relay', 'feeds the wash', 7],
    drain: ['Drain relay', 'feeds the drain', 1.2],
    spin: ['Spin relay', 'feeds the spin', 7],
  },
);

/** Top-load washer with a lid lock: solenoid and its own switch, level switch on a tube, drain pump, board. */
export const lidLockWasher = unit({
  id: 'lid-lock-washer',
  name: 'Top-load washer, lid lock and level switch',
  kind: 'top-load washer',
  drawnFor: { water: 0 },
  supplies: [mainsCord(15)],
  actuators: [
    door('lid'),
    startButton('start', 'Start button', 'START pressed'),
    ...relays.actuators,
    drivenBy('lock-coil', 'bolt', 'Bolt of the lid lock', ['lid unlocked', 'lid locked']),
    quantity(
      'level',
      'in of water',
      'water',
      'Water in the tub',
      { by: 'valve', to: 14, seconds: 60, emptiedBy: 'pump' },
      [
        {
          beyond: 'level-switch',
          side: 'below',
          says: 'the water does not rise',
          causes: [
            'a closed tap',
            'a clogged inlet screen',
            'a drain hose that hangs too low: it siphons',
          ],
          action: 'The switch is right: open the tap, clean the screens, lift the hose.',
          prior: commonPractice(2),
        },
      ],
    ),
  ],
  panels: [
    panel('console', 'Console', '3 star-head screws, flips back', 4, 'top', {
      tool: TOOLS.star,
      tethered: 'the board harness',
    }),
    panel('front', 'Front panel', '2 clips, 2 hex-head screws below', 7, 'front', {
      tool: TOOLS.putty,
    }),
  ],
  parts: [
    frame('Cabinet', 'metal of the washer'),
    plainSwitch(
      {
        id: 'lid-switch',
        name: 'Lid switch of the lock',
        role: 'tells the board that the lid is down',
        prior: commonPractice(3),
        soldAs: 'the lid lock as a whole',
        aliases: [
          { word: 'door switch' },
          {
            word: 'lid lock',
            trap: 'the lock has two switches: this one sees the lid, the other the bolt',
          },
        ],
        actuator: 'lid',
        free: 'open',
        byHand: 'Push the strike of the lid into the lock with the lid up.',
        safety: true,
        panel: 'front',
        where: 'In the lid lock, thin wires',
      },
      { circuit: 'signal', amps: 0.005, throw: 'NO' },
      { closed: 'closed', open: 'open' },
    ),
    plainSwitch(
      {
        id: 'bolt-switch',
        name: 'Bolt switch of the lock',
        role: 'feeds the motor only while the bolt is home',
        prior: commonPractice(3),
        soldAs: 'the lid lock as a whole',
        actuator: 'bolt',
        free: 'idle',
        byHand: 'Push the bolt home with a screwdriver, lid up.',
        safety: true,
        panel: 'front',
        where: 'In the lid lock, thick wires',
      },
      { circuit: 'control', amps: 7, throw: 'NO' },
      { idle: 'open', pulled: 'closed' },
    ),
    coil(
      {
        id: 'lock-coil',
        name: 'Lock solenoid',
        role: 'pulls the bolt home',
        seenAs: { name: 'Lid lock', off: 'does not click', runs: 'locks' },
        soldAs: 'the lid lock as a whole',
        prior: commonPractice(2.5),
        panel: 'front',
      },
      130,
      120,
      900,
    ),
    hardware(
      {
        id: 'strike',
        name: 'Strike of the lid',
        role: 'reaches into the lid lock',
        where: 'Under the lid',
      },
      ['lid-switch'],
    ),
    setPointSwitch(
      {
        id: 'level-switch',
        name: 'Level switch',
        role: 'tells the board that there is water',
        prior: commonPractice(2.5),
        aliases: [{ word: 'pressure switch' }],
        actuator: 'water',
        panel: 'console',
        byHand: 'Blow gently into its tube: it clicks.',
        where: 'In the console, on a tube',
      },
      ['signal', 0.005],
      { opens: 2, closes: 9, tolerance: 0.5 },
    ),
    hardware(
      {
        id: 'tube',
        name: 'Level tube',
        role: 'brings the pressure of the water to its switch',
        prior: commonPractice(2),
        panel: 'front',
      },
      ['level-switch'],
    ),
    board(
      {
        id: 'board',
        name: 'Control board',
        role: 'locks, fills, washes, drains, spins',
        seenAs: { name: 'Lights of the panel' },
        prior: commonPractice(1.5),
        panel: 'console',
      },
      [
        { id: 'power', between: ['L', 'N'], ohms: { low: 1000, high: 6000 }, fedFrom: 90 },
        {
          id: 'lidIn',
          between: ['D1', 'D2'],
          senses: 'contact',
          ohms: { low: 8000, high: 40_000 },
        },
        { id: 'full', between: ['P1', 'P2'], senses: 'contact', ohms: { low: 8000, high: 40_000 } },
      ],
      [
        {
          id: 'ready',
          says: 'ready light',
          drives: [],
          next: [
            { when: { start: 'pressed', lidIn: 'closed' }, to: 'fill' },
            { when: { start: 'pressed', lidIn: 'open' }, to: 'lid-code' },
          ],
        },
        {
          id: 'fill',
          says: 'lock light: fills',
          drives: ['lock-relay', 'fill-relay'],
          next: [
            { when: { lidIn: 'open' }, to: 'lid-code' },
            { when: { full: 'closed' }, to: 'wash' },
            { when: {}, after: 400, to: 'fill-code' },
          ],
        },
        {
          id: 'wash',
          says: 'lock light: washes',
          drives: ['lock-relay', 'agitate-relay'],
          next: [
            { when: { lidIn: 'open' }, to: 'lid-code' },
            { when: {}, after: 60, to: 'drain' },
          ],
        },
        {
          id: 'drain',
          says: 'lock light: drains',
          drives: ['lock-relay', 'drain-relay'],
          next: [
            { when: { full: 'open' }, after: 30, to: 'spin' },
            { when: {}, after: 300, to: 'drain-code' },
          ],
        },
        {
          id: 'spin',
          says: 'lock light: spins',
          drives: ['lock-relay', 'drain-relay', 'spin-relay'],
          next: [
            { when: { lidIn: 'open' }, to: 'lid-code' },
            { when: {}, after: 120, to: 'done' },
          ],
        },
        {
          id: 'done',
          says: 'end light',
          drives: [],
          next: [{ when: { lidIn: 'open' }, to: 'ready' }],
        },
        {
          id: 'lid-code',
          says: 'lid code',
          drives: [],
          next: [{ when: { lidIn: 'closed' }, after: 3, to: 'ready' }],
        },
        { id: 'fill-code', says: 'long fill code', drives: [], next: [] },
        { id: 'drain-code', says: 'long drain code', drives: [], next: [] },
      ],
    ),
    ...relays.parts,
    coil(
      {
        id: 'valve',
        name: 'Water valve',
        role: 'lets water in',
        seenAs: { name: 'Water', off: 'does not come in', runs: 'comes in' },
        causes: ['a clogged inlet screen'],
        prior: commonPractice(2),
        panel: 'console',
        where: 'Back, behind the hoses',
      },
      850,
      120,
    ),
    motor(
      {
        id: 'pump',
        name: 'Drain pump',
        role: 'takes the water out',
        seenAs: { name: 'Drain', off: 'does not run', runs: 'runs out' },
        causes: ['a sock or a coin in the pump', 'a kinked hose'],
        prior: commonPractice(3),
        panel: 'front',
        where: 'Below the tub, right',
      },
      14,
      95,
    ),
    {
      id: 'drive',
      name: 'Drive motor',
      role: 'agitates and spins',
      seenAs: { name: 'Tub and agitator', off: 'do not move', runs: 'move' },
      prior: commonPractice(1.2),
      kind: 'load',
      load: 'motor',
      terminals: [{ id: 'W' }, { id: 'S' }, { id: 'N' }],
      elements: [
        {
          id: 'wash',
          between: ['W', 'N'],
          value: { nominal: 3.6, low: 2.9, high: 4.4 },
          working: { nominal: 19, low: 15, high: 23 },
          volts: 120,
        },
        {
          id: 'spin',
          between: ['S', 'N'],
          value: { nominal: 2.5, low: 2, high: 3.1 },
          working: { nominal: 17, low: 13, high: 21 },
          volts: 120,
        },
      ],
      panel: 'front',
    },
    hardware(
      {
        id: 'capacitor',
        name: 'Run capacitor',
        role: 'gives the motor its turn',
        prior: commonPractice(1.5),
        panel: 'front',
        where: 'Beside the motor',
      },
      ['drive'],
    ),
  ],
  wires: wires(`
    BK cord.L board.L
    WH cord.N board.N
    BK-YE board.L lock-contact.C
    BK-YE board.L fill-contact.C
    BK-YE board.L drain-contact.C
    RD board.L bolt-switch.1
    RD-WH bolt-switch.2 agitate-contact.C
    RD-WH bolt-switch.2 spin-contact.C
    VT lock-contact.NO lock-coil.a
    BU fill-contact.NO valve.a
    OR drain-contact.NO pump.a
    PK agitate-contact.NO drive.W
    TN spin-contact.NO drive.S
    WH lock-coil.b board.N
    WH valve.b board.N
    WH pump.b board.N
    WH drive.N board.N
    GY board.D1 lid-switch.1
    GY-BK board.D2 lid-switch.2
    BN board.P1 level-switch.1
    BN-WH board.P2 level-switch.2
    GN cord.G frame.G
  `),
  uses: [
    ['fill', 'Fills', 30],
    ['wash', 'Washes', 90],
    ['drain', 'Drains', 180],
    ['spin', 'Spins, then the lid is opened', 300],
  ].map(([id, name, wait]) => ({
    id: String(id),
    name: String(name),
    steps: `start=pressed,start=released,wait=${wait}${id === 'spin' ? ',wait=100,lid=open' : ''}`,
  })),
  looks: [
    look(
      'strike',
      'The strike of the lid is loose, bent or gone',
      ['strike:broken', 'lid-switch:not-actuated'],
      [0.7, 0.03],
      0.5,
    ),
    look(
      'tube-off',
      'The level tube is off, kinked or holds water',
      ['tube:broken'],
      [0.8, 0.03],
      2,
      { panel: 'front' },
    ),
    look(
      'tap',
      'The taps are closed, or hardly anything comes out of the hose',
      ['water'],
      [0.8, 0.03],
      1,
    ),
    look(
      'pump-stuck',
      'Something is in the pump: it hums, or its wheel is held',
      ['pump'],
      [0.6, 0.03],
      3,
      { panel: 'front' },
    ),
    weakCapacitor('capacitor', 'front', 3),
  ],
  energies: ['water', 'stored-charge'],
  cautions: [
    'A full tub weighs as much as a person: pump or bail it out before it is tipped.',
    'Know where the water goes before a hose comes off; towels and a pan first.',
    CAUTIONS.capacitor,
    'The lid lock keeps hands out of a spinning tub: it is never bridged.',
  ],
});
