import { handActuator, panel, TOOLS } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { about } from '../shelf/loads';
import { commonPractice, look } from '../shelf/practice';
import { mainsCord } from '../shelf/supplies';
import { plainSwitch, table } from '../shelf/switches';
import { overload } from '../shelf/protectors';
import { unit, wires } from '../shelf/unit';

/** Trash compactor: rotary switch with run and start throws, drawer and tilt switches, motor. */
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
      terminals: [{ id: 'COM' }, { id: 'RUN' }, { id: 'ST' }],
      contacts: [
        { id: 'RUN', between: ['COM', 'RUN'], circuit: 'control', amps: 6 },
        { id: 'ST', between: ['COM', 'ST'], circuit: 'control', amps: 10 },
      ],
      actuator: 'rotary',
      free: 'off',
      byHand: 'Pull the knob and turn the shaft itself with pliers.',
      table: table({ off: [], on: ['RUN'], start: ['RUN', 'ST'] }),
      panel: 'console',
      where: 'Behind the knob',
    },
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
      terminals: [{ id: 'R' }, { id: 'S' }, { id: 'C' }],
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
          between: ['S', 'C'],
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
    BU rotary.RUN motor.R
    OR-BK rotary.ST motor.S
    WH-BK motor.C overload.a
    GN cord.G frame.G
    RD-BU key-switch.2 tilt-switch.1
    WH overload.b cord.N
  `),
  uses: [
    {
      id: 'press',
      name: 'One stroke of the ram',
      steps: 'rotary=start,rotary=on,wait=20,drawer=open',
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
    look('key', 'The key is not turned home', ['key-switch'], [0.3, 0.1], 0.5),
    look('ram', 'The ram stands askew on something hard', ['tilt-switch'], [0.6, 0.03], 1),
  ],
  cautions: [
    'The ram crushes: power off again before a hand goes in.',
    'It is heavy and tips when the drawer is out: two hands, or a helper.',
  ],
});
