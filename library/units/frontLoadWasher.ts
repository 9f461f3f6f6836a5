import { handActuator, panel, relayActuator, startButton, TOOLS } from '../shelf/actuators';
import { frame, hardware } from '../shelf/connections';
import { about, plainLoad } from '../shelf/loads';
import { commonPractice, look } from '../shelf/practice';
import { mainsCord } from '../shelf/supplies';
import { plainSwitch, relayContact } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** Front-load washer: magnetic door switch on a harness with a plug, which the board asks. */
export const frontLoadWasher = unit({
  id: 'front-load-washer',
  name: 'Front-load washer, magnetic door switch',
  kind: 'front-load washer',
  supplies: [mainsCord(15)],
  actuators: [
    handActuator('door', 'Door', 'door', { closed: 'door closed', open: 'door open' }),
    startButton('key', 'START key', 'START held'),
    relayActuator('fill', 'Fill relay', 'fill relay'),
    relayActuator('drum', 'Drum relay', 'drum relay'),
  ],
  panels: [
    panel('top', 'Top', '3 star-head screws at the back', 4, 'back', { tool: TOOLS.star }),
    panel('back', 'Back panel', '6 hex-head screws', 6, 'back', { tool: TOOLS.nut }),
    panel('boot', 'Door boot', 'spring band, boot folded in', 9, 'front', {
      tool: 'spring band pliers',
    }),
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
    {
      id: 'plug',
      name: 'Harness plug',
      role: 'joins the door harness to the board',
      kind: 'connection',
      terminals: [{ id: '1' }, { id: '2' }, { id: '1a' }, { id: '2a' }],
      joins: [
        ['1', '1a'],
        ['2', '2a'],
      ],
      panel: 'top',
      where: 'Front right corner, under the top',
    },
    {
      id: 'board',
      name: 'Control board',
      role: 'fills and turns the drum',
      seenAs: { name: 'Lights of the panel' },
      prior: commonPractice(2),
      kind: 'board',
      terminals: [{ id: 'L' }, { id: 'N' }, { id: 'D1' }, { id: 'D2' }],
      inputs: [
        { id: 'power', between: ['L', 'N'], fedFrom: 90, ohms: { low: 900, high: 5000 } },
        {
          id: 'latch',
          between: ['D1', 'D2'],
          senses: 'contact',
          ohms: { low: 8000, high: 40_000 },
        },
      ],
      logic: {
        power: 'power',
        states: [
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
            drives: ['fill'],
            next: [
              { when: { latch: 'open' }, to: 'door-code' },
              { when: {}, after: 20, to: 'turning' },
            ],
          },
          {
            id: 'turning',
            says: 'washing light: turns',
            drives: ['drum'],
            next: [{ when: { latch: 'open' }, to: 'door-code' }],
          },
          {
            id: 'door-code',
            says: 'door code',
            drives: [],
            next: [{ when: { latch: 'closed' }, after: 3, to: 'ready' }],
          },
        ],
      },
      panel: 'top',
      where: 'Under the top, left',
    },
    relayContact(
      {
        id: 'fill-contact',
        name: 'Fill relay contact',
        role: 'feeds the valve',
        actuator: 'fill',
        panel: 'top',
      },
      0.2,
    ),
    relayContact(
      {
        id: 'drum-contact',
        name: 'Drum relay contact',
        role: 'feeds the motor',
        actuator: 'drum',
        panel: 'top',
      },
      6,
    ),
    plainLoad(
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
      'coil',
      { value: about(1000, 20), volts: 120 },
    ),
    plainLoad(
      {
        id: 'motor',
        name: 'Drum motor',
        role: 'turns the drum',
        seenAs: { name: 'Drum', off: 'does not turn', runs: 'turns' },
        prior: commonPractice(1),
        panel: 'back',
      },
      'motor',
      { value: about(6, 20), working: about(24, 20), volts: 120 },
    ),
  ],
  wires: wires(`
    BK cord.L board.L
    WH cord.N board.N
    BK-RD board.L fill-contact.C
    BK-BU board.L drum-contact.C
    BU fill-contact.NO valve.a
    VT drum-contact.NO motor.a
    WH valve.b cord.N
    WH motor.b cord.N
    GY board.D1 plug.1
    GY-BK board.D2 plug.2
    GY plug.1a door-switch.1
    GY-BK plug.2a door-switch.2
    GN cord.G frame.G
  `),
  uses: [
    {
      id: 'wash',
      name: 'Start a wash, open the door',
      steps: 'key=pressed,key=released,wait=60,door=open',
    },
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
      'The tap is closed, or the screen in the inlet is clogged',
      ['valve'],
      [0.3, 0.05],
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
  ],
  energies: ['water'],
  cautions: [
    'It is heavy and leans when it is tipped: two people, and the water out first.',
    'Unplug before the top comes off, and wait: the board holds its charge for minutes.',
    'Read the door switch from the far plug: open there means switch, wire, plug or magnet.',
  ],
});
