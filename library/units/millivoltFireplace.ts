import type { Diagram, Supply, SwitchPart } from '../../core/diagram/diagram';
import { millivoltLoop } from '../assemblies/millivoltLoop';
import { handActuator, panel, relayActuator, temperature } from '../shelf/actuators';
import { commonPractice, look } from '../shelf/practice';
import { board, powerInput } from '../shelf/relays';
import { plainSwitch, setPointSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** What each contact of the loop carries. */
const IN_LOOP: [circuit: 'thermopile', amps: number] = ['thermopile', 0.09];

/** The switch on the wall of a living room, far from the valve. */
const wallSwitch = plainSwitch(
  {
    id: 'wall-switch',
    causes: [
      'thin cable far longer than it should be',
      'a lamp switch: made for 120 V, not for millivolts',
    ],
    name: 'Wall switch',
    role: 'turns the fire on',
    actuator: 'wall',
    free: 'off',
    byHand: 'Take the plate off and move the toggle itself.',
    where: 'On the wall, 30 ft of thin cable away',
  },
  { circuit: IN_LOOP[0], amps: IN_LOOP[1] },
  { off: 'open', on: 'closed' },
  ['a', 'b'],
);

const batteries: Supply = {
  id: 'batteries',
  name: 'Batteries of the receiver',
  kind: 'dc',
  prior: commonPractice(4),
  volts: 6.2,
  tolerancePercent: 10,
  internalOhms: 1,
  terminals: [{ id: 'P' }, { id: 'M' }],
};

/** A receiver with its relay, which the remote speaks to: in the place of the wall switch. */
const receiver = board(
  {
    id: 'board',
    name: 'Receiver of the remote',
    role: 'closes the loop when the remote says so',
    seenAs: { name: 'Light of the receiver' },
    prior: commonPractice(2),
    causes: ['too hot where it lies', 'batteries that have leaked'],
    panel: 'grille',
    where: 'Beside the valve, its slide at REMOTE',
  },
  [powerInput(['P', 'M'], 900, 4000, 4.6)],
  [
    {
      id: 'waits',
      says: 'dark',
      drives: [],
      next: [{ when: { remote: 'on' }, to: 'calls' }],
    },
    {
      id: 'calls',
      says: 'green',
      drives: ['receiver-pull'],
      next: [{ when: { remote: 'off' }, to: 'waits' }],
    },
  ],
);

/** Its relay, in the place of the wall switch. */
const receiverContact: SwitchPart = {
  ...plainSwitch(
    {
      id: 'receiver',
      name: 'Relay contact of the receiver',
      role: 'turns the fire on when the board says so',
      actuator: 'receiver-pull',
      free: 'idle',
      byHand: 'It is soldered in: press ON and OFF of the remote, or its slide.',
      prior: commonPractice(2),
      soldAs: 'the receiver with its remote',
      panel: 'grille',
    },
    { circuit: IN_LOOP[0], amps: IN_LOOP[1] },
    { idle: 'open', pulled: 'closed' },
    ['a', 'b'],
  ),
  handless: true,
};

/** How fireplaces of the kind differ: turned on by a switch on the wall, or by a remote and its receiver in its place. */
export interface FireplaceChoice {
  control: 'wall' | 'remote';
}

/** Millivolt gas fireplace: thermopile, wall switch or receiver, thermostat, limit, vent switch, valve with its knob. */
export function millivoltFireplaceOf({ control }: FireplaceChoice): Diagram {
  const remote = control === 'remote';
  return unit({
    id: 'millivolt-fireplace',
    name: remote
      ? 'Millivolt fireplace, four contacts in the loop, remote'
      : 'Millivolt fireplace, four contacts in the loop',
    kind: 'gas fireplace',
    drawnFor: { room: 65, box: 70, vent: 70 },
    supplies: [
      {
        id: 'thermopile',
        name: 'Thermopile',
        kind: 'thermopile',
        prior: commonPractice(5),
        volts: 0.6,
        internalOhms: 3,
        terminals: [{ id: 'TPTH' }, { id: 'TP' }],
      },
      ...(remote ? [batteries] : []),
    ],
    actuators: [
      ...(remote
        ? [
            handActuator('remote', 'Remote', 'button', {
              off: 'remote at OFF',
              on: 'remote at ON',
            }),
            relayActuator('receiver-pull', 'Relay of the receiver', 'receiver relay'),
          ]
        : [
            handActuator('wall', 'Wall switch', 'button', {
              off: 'wall switch off',
              on: 'wall switch on',
            }),
          ]),
      handActuator('knob', 'Knob of the gas valve', 'knob', {
        on: 'gas knob at ON',
        pilot: 'gas knob at PILOT',
      }),
      { id: 'room', name: 'Room', kind: 'quantity', quantity: 'temperature', unit: '°F' },
      temperature('box', 'Firebox', { by: 'valve', to: 300, seconds: 600 }),
      { id: 'vent', name: 'Draft hood', kind: 'quantity', quantity: 'temperature', unit: '°F' },
    ],
    panels: [panel('grille', 'Lower grille', 'none, drops down', 1, 'front')],
    parts: [
      ...(remote ? [receiver] : []),
      {
        id: 'valve',
        name: 'Gas valve',
        role: 'lets the gas to the burner, its knob at ON',
        onlyWith: { knob: 'on' },
        seenAs: { name: 'Burner', off: 'has no flame', runs: 'burns' },
        kind: 'load',
        load: 'coil',
        terminals: [{ id: 'TP' }, { id: 'TH' }],
        elements: [
          {
            id: 'operator',
            between: ['TH', 'TP'],
            value: { nominal: 3, low: 2.6, high: 3.5 },
            volts: 0.27,
          },
        ],
        panel: 'grille',
        where: 'Behind the lower grille; go by the marks TP, TH and TP/TH, not by place',
      },
    ],
    wires: remote
      ? wires(
          `
            RD batteries.P board.P
            BK batteries.M board.M
          `,
          'b',
        )
      : [],
    assemblies: [
      millivoltLoop({
        source: ['thermopile.TPTH', 'thermopile.TP'],
        contacts: [
          remote ? receiverContact : wallSwitch,
          setPointSwitch(
            {
              id: 'thermostat',
              name: 'Room thermostat',
              role: 'calls for heat',
              actuator: 'room',
              byHand: 'Turn its dial up and down.',
            },
            IN_LOOP,
            { opens: 72, closes: 70, tolerance: 1 },
            ['a', 'b'],
          ),
          setPointSwitch(
            {
              id: 'limit',
              name: 'High limit',
              role: 'cuts the gas when the box gets too hot',
              actuator: 'box',
              byHand: 'It cannot be moved by hand: warm it.',
              safety: true,
            },
            IN_LOOP,
            { opens: 350, closes: 300, tolerance: 15 },
            ['a', 'b'],
          ),
          setPointSwitch(
            {
              id: 'vent-switch',
              name: 'Vent safety switch',
              role: 'cuts the gas when the flue does not draw',
              actuator: 'vent',
              byHand: 'It cannot be moved by hand: press its button to reset it.',
              reset: 'manual',
              safety: true,
            },
            IN_LOOP,
            { opens: 190, closes: 160, tolerance: 10 },
            ['a', 'b'],
          ),
        ],
        coil: ['valve.TH', 'valve.TP'],
        colours: ['RD', 'BN', 'BN', 'YE', 'YE'],
        back: 'WH',
      }),
    ],
    uses: [
      remote
        ? { id: 'fire', name: 'Fire by the remote', steps: 'remote=on,wait=60,remote=off' }
        : { id: 'fire', name: 'Fire on and off', steps: 'wall=on,wait=60,wall=off' },
    ],
    looks: [
      look(
        'pilot',
        'The pilot flame is small, yellow, or misses the thermopile',
        ['thermopile'],
        [0.6, 0.05],
        1,
        { panel: 'grille', feeds: true },
      ),
      look(
        'knob',
        'The knob of the valve stands at PILOT, not at ON',
        ['valve'],
        [0.1, 0.04],
        0.3,
        { panel: 'grille', feeds: true },
      ),
      ...(remote
        ? [
            look(
              'batteries',
              'The light of the receiver stays dark, or its batteries have leaked',
              ['batteries', 'board'],
              [0.7, 0.05],
              0.5,
              { panel: 'grille' },
            ),
          ]
        : []),
      look(
        'glass',
        'The glass is sooted, or the logs lie wrong',
        ['vent', 'box'],
        [0.4, 0.05],
        0.5,
      ),
      look(
        'tarnish',
        'Green or loose screws in the loop',
        [remote ? 'receiver' : 'wall-switch', 'thermostat', 'w1', 'w2'],
        [0.4, 0.1],
        2,
      ),
    ],
    energies: ['gas', 'flue'],
    cautions: [
      'Gas smell: operate nothing, leave, call from outside. Shut the gas off only on the way.',
      'Valve knob at ON, not PILOT; gas off, wait and smell low before it is lit again; leak-test what was touched.',
      'Pulling a plug does not make this loop dead: put the pilot out or lift one wire before ohms.',
      'Gas parts are a licensed trade’s work in many places: follow local codes and the maker’s sheet.',
    ],
  });
}

export const millivoltFireplace = millivoltFireplaceOf({ control: 'wall' });
