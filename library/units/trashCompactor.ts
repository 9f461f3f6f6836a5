import { handActuator, motorSpeed, panel, TOOLS } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { about } from '../shelf/loads';
import { commonPractice, look } from '../shelf/practice';
import { mainsCord } from '../shelf/supplies';
import { startSwitch, plainSwitch, selector, table } from '../shelf/switches';
import { overload } from '../shelf/protectors';
import { unit, wires } from '../shelf/unit';

/** Trash compactor: rotary switch, drawer and tilt switches, top limit, and a start winding that is turned round. */
export const trashCompactor = unit({
  id: 'trash-compactor',
  name: 'Trash compactor, rotary switch',
  kind: 'trash compactor',
  supplies: [mainsCord(15)],
  actuators: [
    handActuator('key', 'Key', 'knob', { on: 'key turned on', off: 'key off' }),
    handActuator('drawer', 'Drawer', 'drawer', {
      closed: 'drawer closed',
      open: 'drawer open',
    }),
    handActuator('ram', 'Ram', 'button', { level: 'ram level', tilted: 'ram tilted' }),
    handActuator('travel', 'Place of the ram', 'button', {
      top: 'ram at the top',
      below: 'ram below the top',
    }),
    handActuator('carriage', 'Lever of the direction switch', 'button', {
      down: 'direction lever set to go down',
      up: 'direction lever set to go up',
    }),
    motorSpeed,
    handActuator('rotary', 'Rotary knob', 'knob', {
      off: 'knob at OFF',
      on: 'knob at ON',
      start: 'knob held at START',
    }),
  ],
  panels: [
    panel('console', 'Console', '3 cross-head screws', 4, 'front', { tool: TOOLS.cross }),
    panel('rear', 'Rear cover', '6 hex-head screws, pulled out', 9, 'back', { tool: TOOLS.nut }),
  ],
  parts: [
    frame('Frame', 'metal of the compactor'),
    plainSwitch(
      {
        id: 'drawer-switch',
        name: 'Drawer switch',
        role: 'cuts everything while the drawer is open',
        prior: commonPractice(2.5),
        aliases: [{ word: 'door switch' }],
        actuator: 'drawer',
        safety: true,
        free: 'open',
        byHand: 'Press the lever of the switch itself with a screwdriver, drawer out.',
        panel: 'rear',
        where: 'Behind the drawer, left rail',
      },
      { circuit: 'control', amps: 6, throw: 'NO' },
      { closed: 'closed', open: 'open' },
    ),
    plainSwitch(
      {
        id: 'key-switch',
        name: 'Key lock switch',
        role: 'keeps children from it',
        prior: commonPractice(1),
        actuator: 'key',
        free: 'off',
        byHand: 'Turn the lock itself with the console open.',
        panel: 'console',
        where: 'Beside the rotary switch',
      },
      { circuit: 'control', amps: 6 },
      { on: 'closed', off: 'open' },
    ),
    overload(
      {
        id: 'overload',
        name: 'Motor overload',
        role: 'opens when the motor is held',
        causes: ['a hard load', 'dry power screws'],
        prior: commonPractice(1.5),
        panel: 'rear',
        where: 'In the end bell of the motor',
      },
      20,
    ),
    plainSwitch(
      {
        id: 'tilt-switch',
        name: 'Tilt switch',
        role: 'stops the ram when it goes askew',
        safety: true,
        prior: commonPractice(1),
        actuator: 'ram',
        free: 'level',
        byHand: 'Push its arm aside with a finger.',
        panel: 'rear',
        where: 'On the ram plate',
      },
      { circuit: 'control', amps: 6, throw: 'NC' },
      { level: 'closed', tilted: 'open' },
    ),
    {
      id: 'rotary',
      name: 'Rotary switch',
      role: 'runs and starts the motor',
      prior: commonPractice(2),
      aliases: [{ word: 'start switch', trap: 'the key lock beside it is another switch' }],
      kind: 'switch',
      terminals: [{ id: 'COM' }, { id: 'RUN' }, { id: 'GO' }, { id: 'ST' }],
      contacts: [
        { id: 'RUN', between: ['COM', 'RUN'], circuit: 'control', amps: 6 },
        { id: 'GO', between: ['COM', 'GO'], circuit: 'control', amps: 6 },
        { id: 'ST', between: ['COM', 'ST'], circuit: 'control', amps: 10 },
      ],
      actuator: 'rotary',
      free: 'off',
      byHand: 'Pull the knob and turn the shaft itself with pliers.',
      table: table({ off: [], on: ['RUN'], start: ['RUN', 'GO', 'ST'] }),
      panel: 'console',
      where: 'Behind the knob',
    },
    plainSwitch(
      {
        id: 'top-limit',
        name: 'Top limit switch',
        role: 'stops the motor when the ram is back at the top',
        prior: commonPractice(2.5),
        aliases: [{ word: 'limit' }],
        actuator: 'travel',
        free: 'below',
        byHand: 'Push its lever up with a screwdriver.',
        panel: 'rear',
        where: 'At the top of the right rail',
      },
      { circuit: 'control', amps: 6, throw: 'NC' },
      { top: 'open', below: 'closed' },
    ),
    selector(
      {
        id: 'direction',
        name: 'Direction switch',
        role: 'turns the start winding round: down from the top, up from the bottom',
        prior: commonPractice(2),
        actuator: 'carriage',
        byHand: 'Throw its lever over with a screwdriver.',
        panel: 'rear',
        where: 'Beside the top limit',
      },
      {
        '1-A': ['control', 6],
        '2-B': ['control', 6],
        '1-B': ['control', 6],
        '2-A': ['control', 6],
      },
      { down: ['1-A', '2-B'], up: ['1-B', '2-A'] },
    ),
    startSwitch({ panel: 'rear', where: 'In the end bell of the motor' }),
    {
      id: 'motor',
      name: 'Ram motor',
      role: 'drives the ram',
      causes: ['a hard load', 'dry power screws'],
      seenAs: { name: 'Ram' },
      prior: commonPractice(1.5),
      kind: 'load',
      load: 'motor',
      startsWith: 'start',
      terminals: [{ id: 'R' }, { id: 'C' }, { id: 'A' }, { id: 'B' }],
      elements: [
        {
          id: 'run',
          between: ['R', 'C'],
          value: about(2.6, 20),
          working: about(18, 20),
          volts: 120,
        },
        {
          id: 'start',
          between: ['A', 'B'],
          value: about(5.5, 20),
          working: about(14, 20),
          volts: 120,
        },
      ],
      panel: 'rear',
      where: 'Under the frame',
    },
  ],
  wires: wires(`
    BK cord.L drawer-switch.1
    RD drawer-switch.2 key-switch.1
    VT tilt-switch.2 rotary.COM
    BU rotary.RUN top-limit.1
    OR-BK rotary.ST start-switch.COM
    WH-BK motor.C overload.a
    GN cord.G frame.G
    RD-BU key-switch.2 tilt-switch.1
    WH overload.b cord.N
    BU-WH top-limit.2 motor.R
    BU-BK rotary.GO motor.R
    OR start-switch.NC direction.1
    YE direction.A motor.A
    YE-BK direction.B motor.B
    WH-RD direction.2 motor.C
  `),
  uses: [
    {
      id: 'press',
      name: 'One stroke of the ram',
      steps:
        'travel=top,rotary=start,travel=below,rotary=on,wait=20,carriage=up,wait=20,travel=top,rotary=off',
    },
    {
      id: 'guard',
      name: 'Drawer pulled during a stroke',
      steps: 'travel=top,rotary=start,travel=below,rotary=on,wait=5,drawer=open',
    },
  ],
  looks: [
    look(
      'slack',
      'The lever of the drawer switch hangs loose: its spring has gone',
      ['drawer-switch'],
      [0.5, 0.03],
      1,
    ),
    look(
      'seat',
      'The drawer does not seat, or its rail is bent',
      ['drawer-switch:not-actuated'],
      [0.6, 0.04],
      0.5,
    ),
    look(
      'jammed',
      'The drive pulley cannot be turned by hand: something is jammed',
      ['motor:seized'],
      [0.8, 0.03],
      2,
      { panel: 'rear' },
    ),
    look(
      'stops-short',
      'It runs while the knob is held at START and stops when it is let go',
      ['top-limit', 'rotary.RUN:stuck-open', 'w5', 'w10'],
      [0.8, 0.03],
      0.5,
      { powered: true },
    ),
    look('key', 'The key is not turned home', ['key-switch'], [0.3, 0.1], 0.5),
    look('ram', 'The ram stands askew on something hard', ['tilt-switch'], [0.6, 0.03], 1),
  ],
  cautions: [
    'The ram crushes: power off again before a hand goes in.',
    'It is heavy and tips when the drawer is out: two hands, or a helper.',
  ],
});
