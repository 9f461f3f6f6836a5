import { handActuator, panel, quantity, TOOLS } from '../shelf/actuators';
import { frame, hardware } from '../shelf/connections';
import { coil, motor, transformer } from '../shelf/loads';
import { CAUTIONS, commonPractice, look, weakCapacitor } from '../shelf/practice';
import { fuse } from '../shelf/protectors';
import { relayWithCoil } from '../shelf/relays';
import { plainSwitch, selector, setPointSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** Air handler in an attic: 24 V for the unit outside, float in the drain pan that cuts it, blower relay, door switch. */
export const airHandler = unit({
  id: 'air-handler',
  name: 'Air handler, condensate float in the 24 V line',
  kind: 'air handler',
  drawnFor: { pan: 0 },
  supplies: [
    {
      id: 'feed',
      name: 'Disconnect of the air handler',
      kind: 'split-phase',
      volts: 240,
      amps: 15,
      terminals: [{ id: 'L1' }, { id: 'L2' }, { id: 'N' }, { id: 'G' }],
    },
  ],
  actuators: [
    handActuator('stat', 'Thermostat', 'button', {
      off: 'thermostat off',
      cool: 'thermostat calls for cooling',
      fan: 'thermostat at FAN ON',
    }),
    handActuator('panel', 'Blower door', 'door', {
      closed: 'blower door on',
      open: 'blower door off',
    }),
    quantity('level', '% of the pan', 'pan', 'Water in the drain pan', undefined, [
      {
        beyond: 'float-switch',
        side: 'above',
        says: 'the drain pan is full',
        causes: [
          'slime in the drain or its trap',
          'a drain without a trap',
          'a condensate pump that does not lift',
        ],
        action:
          'The float is right: clear the drain and its trap, pour water in, watch it run, before the float is put back.',
        prior: commonPractice(6),
      },
    ]),
  ],
  panels: [
    panel('blower-door', 'Blower door', '2 thumb screws; opens its switch', 2, 'front'),
    panel('coil', 'Coil door', '6 hex-head screws', 4, 'front', { tool: TOOLS.nut516 }),
  ],
  assemblies: [
    relayWithCoil({
      id: 'blower-relay',
      name: 'Blower relay',
      role: 'feeds the blower',
      panel: 'blower-door',
      coil: { volts: 24, ohms: 14, pulledIn: 66 },
      contacts: { NO: { throw: 'NO', carries: ['control', 4] } },
    }),
  ],
  parts: [
    frame('Cabinet', 'metal of the air handler'),
    plainSwitch(
      {
        id: 'door-switch',
        name: 'Door switch',
        role: 'cuts everything while the blower door is off',
        actuator: 'panel',
        free: 'open',
        byHand: 'Hold the plunger in with a finger; never tape it.',
        safety: true,
        prior: commonPractice(1.5),
        panel: 'blower-door',
      },
      { circuit: 'control', amps: 5, throw: 'NO' },
      { closed: 'closed', open: 'open' },
    ),
    transformer(
      {
        id: 'transformer',
        name: 'Control transformer',
        role: 'makes 24 V',
        seenAs: { name: 'Display of the thermostat', off: 'stays dark', runs: 'is lit' },
        prior: commonPractice(2),
        panel: 'blower-door',
      },
      { primary: 48, secondary: 0.7, volts: 240, gives: 26 },
    ),
    fuse(
      {
        id: 'fuse',
        name: '24 V fuse',
        role: 'protects the transformer',
        causes: [
          'a staple or a bite in the cable to the unit outside',
          'a shorted contactor coil outside',
        ],
        prior: commonPractice(3),
        panel: 'blower-door',
      },
      5,
    ),
    setPointSwitch(
      {
        id: 'float-switch',
        name: 'Float switch',
        role: 'cuts the call when the pan is full',
        actuator: 'pan',
        prior: commonPractice(2.5),
        aliases: [{ word: 'overflow switch' }, { word: 'wet switch' }],
        panel: 'coil',
        where: 'In the drain pan',
        byHand: 'Lift the float with a finger.',
      },
      ['control', 0.6],
      { opens: 70, closes: 50, tolerance: 6 },
    ),
    selector(
      {
        id: 'call',
        name: 'Thermostat contacts',
        role: 'call for cooling or fan',
        actuator: 'stat',
        prior: commonPractice(1.5),
        byHand: 'Take the thermostat off its plate.',
        where: 'On the wall of the hall',
      },
      { 'R-Y': ['control', 0.4], 'R-G': ['control', 0.4] },
      { off: [], cool: ['R-Y', 'R-G'], fan: ['R-G'] },
    ),
    coil(
      {
        id: 'outdoor',
        name: 'Contactor coil outside',
        role: 'starts the unit outside',
        seenAs: { name: 'Unit outside', off: 'does not start', runs: 'runs' },
        prior: commonPractice(1.5),
        where: 'In the unit outside',
      },
      16,
      24,
      70,
    ),
    motor(
      {
        id: 'blower',
        name: 'Blower motor',
        role: 'moves the air',
        seenAs: { name: 'Air from the registers', off: 'does not come', runs: 'comes' },
        prior: commonPractice(2.5),
        panel: 'blower-door',
      },
      8,
      55,
      240,
    ),
    hardware(
      {
        id: 'capacitor',
        name: 'Blower capacitor',
        role: 'gives the blower its turn',
        prior: commonPractice(3),
        panel: 'blower-door',
      },
      ['blower'],
    ),
  ],
  wires: wires(`
    BK feed.L1 door-switch.1
    BK-RD door-switch.2 transformer.L
    RD feed.L2 transformer.N
    RD-WH transformer.R fuse.a
    RD-YE fuse.b float-switch.1
    RD-BU float-switch.2 call.R
    YE call.Y outdoor.a
    GN call.G blower-relay-coil.a
    BU outdoor.b transformer.C
    BU blower-relay-coil.b transformer.C
    BK-RD door-switch.2 blower-relay.C
    OR blower-relay.NO blower.a
    RD blower.b feed.L2
    BU transformer.C frame.F
    GN feed.G frame.G
  `),
  uses: [
    {
      id: 'cool',
      name: 'Call for cooling, then fan alone',
      steps: 'stat=cool,wait=30,stat=fan,wait=10,stat=off',
    },
  ],
  looks: [
    look('pan', 'Water stands in the pan', ['pan'], [0.95, 0.04], 1, { panel: 'coil' }),
    look(
      'float-stuck',
      'The float is stuck with slime though the pan is dry',
      ['float-switch'],
      [0.5, 0.02],
      1,
      { panel: 'coil' },
    ),
    look('ice', 'The coil is iced over', ['blower', 'capacitor', 'blower-relay'], [0.4, 0.05], 1, {
      panel: 'coil',
    }),
    weakCapacitor('capacitor', 'blower-door'),
    look(
      'wheel',
      'The blower wheel is packed with dirt, or does not spin freely',
      ['blower:seized'],
      [0.6, 0.03],
      1,
      { panel: 'blower-door' },
    ),
  ],
  energies: ['moving-air', 'ducts', 'water', 'stored-charge'],
  cautions: [
    CAUTIONS.twoLegs,
    CAUTIONS.blower,
    CAUTIONS.capacitor,
    'An attic: a board to kneel on, a lamp, and out of it before the heat gets to you.',
  ],
});
