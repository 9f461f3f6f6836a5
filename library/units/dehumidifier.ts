import { handActuator, panel, TOOLS } from '../shelf/actuators';
import { about, plainLoad } from '../shelf/loads';
import { commonPractice, look } from '../shelf/practice';
import { plainSwitch, table } from '../shelf/switches';
import { hardware, joints } from '../shelf/connections';
import { unit, wires } from '../shelf/unit';

/** Thermoelectric dehumidifier: adapter, power switch, three-terminal float microswitch. */
export const dehumidifier = unit({
  id: 'dehumidifier',
  name: 'Thermoelectric dehumidifier, float microswitch',
  kind: 'dehumidifier',
  supplies: [
    {
      id: 'adapter',
      name: 'Adapter',
      kind: 'dc',
      volts: 12,
      internalOhms: 0.3,
      amps: 5,
      terminals: [{ id: 'P' }, { id: 'M' }],
    },
  ],
  actuators: [
    handActuator('onoff', 'Power switch', 'button', { off: 'switch off', on: 'switch on' }),
    handActuator('tank', 'Tank float', 'float', {
      empty: 'tank in, not full',
      full: 'tank full or out',
    }),
  ],
  panels: [
    panel('back', 'Back', '4 cross-head screws, 2 under feet', 5, 'back', { tool: TOOLS.cross }),
  ],
  parts: [
    joints(
      {
        id: 'jack',
        name: 'DC jack',
        role: 'takes the adapter',
        panel: 'back',
        where: 'Low at the back',
      },
      [
        ['P', 'P1'],
        ['M', 'M1'],
      ],
    ),
    plainSwitch(
      {
        id: 'power-switch',
        name: 'Power switch',
        role: 'switches the unit on',
        actuator: 'onoff',
        free: 'off',
        byHand: 'Press it with the back off.',
        panel: 'back',
        where: 'Top',
      },
      { circuit: 'control', amps: 3.6 },
      { off: 'open', on: 'closed' },
    ),
    {
      id: 'float-switch',
      name: 'Float microswitch',
      role: 'stops it and lights the tank lamp when the tank is full or out',
      causes: ['a full tank that was pushed in hard', 'slime on the float arm'],
      prior: commonPractice(3),
      aliases: [{ word: 'tank switch' }, { word: 'door switch', trap: 'there is no door' }],
      kind: 'switch',
      terminals: [{ id: 'COM' }, { id: 'NC' }, { id: 'NO' }],
      contacts: [
        { id: 'NO', between: ['COM', 'NO'], circuit: 'control', amps: 3.6, throw: 'NO' },
        { id: 'NC', between: ['COM', 'NC'], circuit: 'signal', amps: 0.01, throw: 'NC' },
      ],
      actuator: 'tank',
      free: 'full',
      byHand: 'Press its lever with the tank out.',
      table: table({ empty: ['NO'], full: ['NC'] }),
      panel: 'back',
      where: 'Behind the tank, on the float arm',
    },
    hardware(
      {
        id: 'float-arm',
        name: 'Float arm',
        role: 'carries the magnet or lever to the microswitch',
      },
      ['float-switch'],
    ),
    plainLoad(
      {
        id: 'module',
        name: 'Cooling module',
        role: 'cools the fins',
        seenAs: { name: 'Fins', off: 'stay warm', runs: 'get cold' },
        prior: commonPractice(2),
        panel: 'back',
        where: 'Between the two heat sinks',
      },
      'heater',
      { value: about(3.4, 15), volts: 12 },
    ),
    plainLoad(
      {
        id: 'fan',
        name: 'Fan',
        role: 'moves the air',
        seenAs: { name: 'Fan' },
        prior: commonPractice(2),
        panel: 'back',
        where: 'On the hot heat sink',
      },
      'motor',
      { value: about(85, 25), volts: 12 },
    ),
    plainLoad(
      {
        id: 'full-lamp',
        name: 'Tank lamp',
        role: 'says that the tank is full',
        seenAs: { name: 'Tank lamp' },
        panel: 'back',
      },
      'lamp',
      { value: about(2200, 20), volts: 12 },
    ),
  ],
  wires: wires(`
    RD adapter.P jack.P
    BK adapter.M jack.M
    RD jack.P1 power-switch.1
    RD-WH power-switch.2 float-switch.COM
    YE float-switch.NO module.a
    YE float-switch.NO fan.a
    OR float-switch.NC full-lamp.a
    BK module.b jack.M1
    BK fan.b jack.M1
    BK full-lamp.b jack.M1
  `),
  uses: [
    {
      id: 'run',
      name: 'Runs, then the tank comes out',
      steps: 'onoff=on,wait=20,tank=full,tank=empty,onoff=off',
    },
  ],
  looks: [
    look(
      'arm',
      'The float arm hangs or is out of its pivot',
      ['float-arm:broken', 'float-switch:not-actuated'],
      [0.7, 0.05],
      0.5,
    ),
    look(
      'warm',
      'The adapter is cold although it is plugged in',
      ['adapter:dead'],
      [0.8, 0.1],
      0.3,
      { powered: true, feeds: true },
    ),
    look(
      'fins',
      'One heat sink is hot and the other cold, as they should',
      ['float-switch', 'power-switch', 'fan', 'adapter'],
      [0.02, 0.5],
      1,
      { powered: true },
    ),
    look(
      'dust',
      'The fan is packed with dust, or its wheel does not turn freely',
      ['fan:seized'],
      [0.7, 0.04],
      1,
      { panel: 'back' },
    ),
  ],
  energies: ['water'],
  cautions: [
    'Pull the adapter before the back comes off; empty the tank first.',
    'Volts of the adapter without load prove little: read them while it runs.',
  ],
});
