import { door, drivenBy, panel, quantity, startButton, TOOLS } from '../shelf/actuators';
import { frame, hardware, joints } from '../shelf/connections';
import { coil, motor } from '../shelf/loads';
import { CAUTIONS, commonPractice, look } from '../shelf/practice';
import { board, boardRelays, powerInput } from '../shelf/relays';
import { mainsCord } from '../shelf/supplies';
import { plainSwitch, setPointSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

const SENSED = { low: 8000, high: 40_000 };
const OPENED = { when: { latch: 'open' }, to: 'door-code' };

const relays = boardRelays(
  { panel: 'top', soldAs: 'the control board' },
  {
    lock: ['Lock relay', 'feeds the lock', 1],
    fill: ['Fill relay', 'feeds the valve', 0.2],
    drum: ['Drum relay', 'feeds the motor', 6],
    drain: ['Drain relay', 'feeds the pump', 1.2],
  },
);

/** Front-load washer: magnetic door switch on a harness with a plug, door lock with its own switch, level by pressure. */
export const frontLoadWasher = unit({
  id: 'front-load-washer',
  name: 'Front-load washer, magnetic door switch and lock',
  kind: 'front-load washer',
  drawnFor: { water: 0 },
  supplies: [mainsCord(15)],
  actuators: [
    door(),
    startButton('key', 'START key', 'START held'),
    ...relays.actuators,
    drivenBy('lock-coil', 'bolt', 'Bolt of the door lock', ['door unlocked', 'door locked']),
    quantity(
      'level',
      'in of water',
      'water',
      'Water in the drum',
      { by: 'valve', to: 9, seconds: 30, emptiedBy: 'pump' },
      [
        {
          beyond: 'level-switch',
          side: 'below',
          says: 'the water does not rise',
          causes: ['a closed tap', 'a clogged inlet screen', 'a drain hose that hangs too low'],
          action: 'The switch is right: open the tap, clean the screen, lift the hose.',
          prior: commonPractice(1.5),
        },
      ],
    ),
  ],
  panels: [
    panel('top', 'Top', '3 star-head screws at the back', 4, 'back', { tool: TOOLS.star }),
    panel('back', 'Back panel', '6 hex-head screws', 6, 'back', { tool: TOOLS.nut }),
    panel('boot', 'Door boot', 'spring band, boot folded in', 9, 'front', {
      tool: 'spring band pliers',
    }),
    panel('filter', 'Pump filter door', 'a coin', 1, 'front'),
  ],
  parts: [
    frame('Cabinet', 'metal of the washer'),
    plainSwitch(
      {
        id: 'door-switch',
        name: 'Door switch',
        role: 'tells the board that the door is closed',
        prior: commonPractice(3),
        aliases: [{ word: 'door lock', trap: 'the lock is another part; this is a reed' }],
        actuator: 'door',
        safety: true,
        free: 'open',
        byHand: 'Hold a magnet to it.',
        panel: 'boot',
        where: 'Behind the boot, right of the door',
      },
      { circuit: 'signal', amps: 0.005, throw: 'NO' },
      { closed: 'closed', open: 'open' },
    ),
    hardware(
      {
        id: 'magnet',
        name: 'Door magnet',
        role: 'closes the door switch',
        where: 'In the edge of the door',
      },
      ['door-switch'],
    ),
    joints(
      {
        id: 'plug',
        name: 'Harness plug',
        role: 'joins the door harness to the board',
        panel: 'top',
        where: 'Front right corner, under the top',
      },
      [
        ['1', '1a'],
        ['2', '2a'],
      ],
    ),
    coil(
      {
        id: 'lock-coil',
        name: 'Lock solenoid',
        role: 'pulls the bolt home',
        seenAs: { name: 'Door lock', off: 'does not click', runs: 'locks' },
        soldAs: 'the door lock as a whole',
        prior: commonPractice(2),
        panel: 'boot',
      },
      120,
      120,
      900,
    ),
    plainSwitch(
      {
        id: 'lock-switch',
        name: 'Switch of the door lock',
        role: 'feeds the motor only while the bolt is home',
        soldAs: 'the door lock as a whole',
        prior: commonPractice(2.5),
        actuator: 'bolt',
        free: 'idle',
        byHand: 'Push the bolt home with a screwdriver, door open.',
        safety: true,
        panel: 'boot',
        where: 'In the door lock, thick wires',
      },
      { circuit: 'control', amps: 6, throw: 'NO' },
      { idle: 'open', pulled: 'closed' },
    ),
    setPointSwitch(
      {
        id: 'level-switch',
        name: 'Level switch',
        role: 'tells the board that there is water',
        prior: commonPractice(2),
        aliases: [{ word: 'pressure switch' }],
        actuator: 'water',
        panel: 'top',
        byHand: 'Blow gently into its tube: it clicks.',
        where: 'Under the top, on a tube',
      },
      ['signal', 0.005],
      { opens: 1, closes: 4, tolerance: 0.3 },
    ),
    hardware(
      {
        id: 'tube',
        name: 'Level tube',
        role: 'brings the pressure of the water to its switch',
        prior: commonPractice(1.5),
        panel: 'back',
      },
      ['level-switch'],
    ),
    board(
      {
        id: 'board',
        name: 'Control board',
        role: 'locks, fills, turns the drum, drains',
        seenAs: { name: 'Lights of the panel' },
        prior: commonPractice(2),
        panel: 'top',
        where: 'Under the top, left',
      },
      [
        powerInput(['L', 'N'], 900, 5000, 90),
        { id: 'latch', between: ['D1', 'D2'], senses: 'contact', ohms: SENSED },
        { id: 'full', between: ['P1', 'P2'], senses: 'contact', ohms: SENSED },
      ],
      [
        {
          id: 'ready',
          says: 'ready light',
          drives: [],
          next: [
            { when: { key: 'pressed', latch: 'closed' }, to: 'filling' },
            { when: { key: 'pressed', latch: 'open' }, to: 'door-code' },
          ],
        },
        {
          id: 'filling',
          says: 'washing light: fills',
          drives: ['lock-relay', 'fill-relay'],
          next: [
            OPENED,
            { when: { full: 'closed' }, to: 'turning' },
            { when: {}, after: 240, to: 'water-code' },
          ],
        },
        {
          id: 'turning',
          says: 'washing light: turns',
          drives: ['lock-relay', 'drum-relay'],
          next: [OPENED, { when: {}, after: 90, to: 'draining' }],
        },
        {
          id: 'draining',
          says: 'drain light',
          drives: ['lock-relay', 'drain-relay'],
          next: [
            { when: { full: 'open' }, after: 20, to: 'done' },
            { when: {}, after: 240, to: 'drain-code' },
          ],
        },
        { id: 'done', says: 'end light', drives: [], next: [OPENED] },
        {
          id: 'door-code',
          says: 'door code',
          drives: [],
          next: [{ when: { latch: 'closed' }, after: 3, to: 'ready' }],
        },
        { id: 'water-code', says: 'water code', drives: [], next: [] },
        { id: 'drain-code', says: 'drain code', drives: [], next: [] },
      ],
    ),
    ...relays.parts,
    coil(
      {
        id: 'valve',
        name: 'Water valve',
        role: 'lets water in',
        causes: ['a clogged inlet screen'],
        seenAs: { name: 'Water', off: 'does not come in', runs: 'comes in' },
        prior: commonPractice(1.5),
        panel: 'top',
        where: 'Back, behind the hose',
      },
      1000,
      120,
    ),
    motor(
      {
        id: 'pump',
        name: 'Drain pump',
        role: 'takes the water out',
        causes: ['a coin or a bra wire in the filter'],
        seenAs: { name: 'Drain', off: 'does not run', runs: 'runs out' },
        prior: commonPractice(3),
        panel: 'filter',
      },
      15,
      98,
    ),
    joints(
      {
        id: 'motor-plug',
        name: 'Motor plug',
        role: 'joins the motor to its harness; pulled as a whole, it needs no map',
        prior: commonPractice(1),
        panel: 'back',
      },
      [
        ['1', '1m'],
        ['2', '2m'],
      ],
    ),
    motor(
      {
        id: 'motor',
        name: 'Drum motor',
        role: 'turns the drum',
        seenAs: { name: 'Drum', off: 'does not turn', runs: 'turns' },
        prior: commonPractice(1),
        panel: 'back',
      },
      6,
      24,
    ),
  ],
  wires: wires(`
    BK cord.L board.L
    WH cord.N board.N
    BK-RD board.L fill-contact.C
    BK-BU board.L lock-switch.1
    BU fill-contact.NO valve.a
    VT drum-contact.NO motor-plug.1
    WH valve.b cord.N
    WH motor-plug.2 cord.N
    GY board.D1 plug.1
    GY-BK board.D2 plug.2
    GY plug.1a door-switch.1
    GY-BK plug.2a door-switch.2
    GN cord.G frame.G
    BK-VT lock-switch.2 drum-contact.C
    BK-RD board.L lock-contact.C
    OR lock-contact.NO lock-coil.a
    WH lock-coil.b cord.N
    BK-RD board.L drain-contact.C
    PK drain-contact.NO pump.a
    WH pump.b cord.N
    BN board.P1 level-switch.1
    BN-WH board.P2 level-switch.2
    VT motor-plug.1m motor.a
    WH motor-plug.2m motor.b
  `),
  uses: [
    {
      id: 'wash',
      name: 'Start a wash, open the door',
      steps: 'key=pressed,key=released,wait=60,door=open',
    },
    {
      id: 'drain',
      name: 'The drain after a minute and a half',
      steps: 'key=pressed,key=released,wait=125',
    },
    { id: 'end', name: 'The end light', steps: 'key=pressed,key=released,wait=260' },
  ],
  looks: [
    look(
      'magnet',
      'The magnet in the door edge is loose or gone',
      ['magnet:broken', 'door-switch:not-actuated'],
      [0.7, 0.03],
      0.5,
    ),
    look(
      'tap',
      'The tap is closed, or hardly anything comes of the hose',
      ['water'],
      [0.8, 0.03],
      1,
    ),
    look('drum-hand', 'The drum does not turn by hand', ['motor:seized'], [0.8, 0.02], 0.5),
    look(
      'plug-pin',
      'A green or bent pin in the harness plug',
      ['plug', 'w9', 'w10', 'w11', 'w12'],
      [0.6, 0.03],
      1,
      { panel: 'top' },
    ),
    look('coin', 'Something sits in the pump filter', ['pump'], [0.6, 0.1], 1, { panel: 'filter' }),
    look(
      'tube-off',
      'The level tube is off, kinked or holds water',
      ['tube:broken'],
      [0.8, 0.03],
      2,
      {
        panel: 'back',
      },
    ),
  ],
  energies: ['water'],
  cautions: [
    'It is heavy and leans when it is tipped: two people, and the water out first.',
    'Unplug before the top comes off, and wait: the board holds its charge for minutes.',
    'Read the door switch from the far plug: open there means switch, wire, plug or magnet.',
    'The door lock keeps hands out of a turning drum: it is never bridged.',
    CAUTIONS.edges,
  ],
});
