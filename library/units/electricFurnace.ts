import { handActuator, panel, temperature, TOOLS } from '../shelf/actuators';
import { sequencer } from '../assemblies/sequencer';
import { frame, hardware } from '../shelf/connections';
import { heater, motor, transformer } from '../shelf/loads';
import { CAUTIONS, commonPractice, look, weakCapacitor } from '../shelf/practice';
import { cutOff, fuse } from '../shelf/protectors';
import { relayWithCoil } from '../shelf/relays';
import { selector, setPointSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** One of the heaters with its limit and its one-shot link. */
const bank = (n: 1 | 2) => [
  setPointSwitch(
    {
      id: `limit-${n}`,
      name: `Limit ${n}`,
      role: 'opens when the heater gets too hot',
      actuator: 'plenum',
      safety: true,
      causes: ['a dirty filter', 'closed registers', 'a blower that is slow or stands still'],
      prior: commonPractice(1.5),
      panel: 'heaters',
      where: `Beside element ${n}`,
    },
    ['heater', 20.8],
    { opens: 165 + 5 * n, closes: 130, tolerance: 8 },
  ),
  cutOff(
    {
      id: `link-${n}`,
      name: `Link ${n}`,
      role: 'opens for good when the limit did not',
      causes: ['a limit that does not open', 'a blower that stands still'],
      companions: [`limit-${n}`],
      prior: commonPractice(1.5),
      panel: 'heaters',
      where: `On the rack of element ${n}`,
    },
    'plenum',
    300 + 5 * n,
  ),
  heater(
    {
      id: `element-${n}`,
      name: `Heating element ${n}`,
      role: 'heats the air',
      seenAs: { name: `Heat of bank ${n}`, off: 'does not come', runs: 'comes' },
      prior: commonPractice(3),
      panel: 'heaters',
    },
    5000,
    240,
  ),
];

/** Electric furnace: two banks brought on by sequencers, blower with the first, 24 V control. */
export const electricFurnace = unit({
  id: 'electric-furnace',
  name: 'Electric furnace, two sequencers',
  kind: 'electric furnace',
  drawnFor: { plenum: 70 },
  supplies: [
    {
      id: 'feed',
      name: 'Furnace breakers',
      kind: 'split-phase',
      volts: 240,
      amps: 60,
      terminals: [{ id: 'L1' }, { id: 'L2' }, { id: 'N' }, { id: 'G' }],
    },
  ],
  actuators: [
    handActuator('thermostat', 'Room thermostat', 'knob', {
      off: 'thermostat at OFF',
      heat: 'thermostat calling for heat',
      fan: 'thermostat at FAN ON',
    }),
    temperature(
      'plenum',
      'Air over the heaters',
      {
        by: 'element-1',
        to: 420,
        seconds: 60,
        held: { by: 'blower', to: 110 },
        alone: { by: 'element-2', to: 420 },
      },
      [
        {
          beyond: 'limit-1',
          side: 'above',
          says: 'too little air over the heaters',
          causes: [
            'a dirty filter',
            'closed registers',
            'a slow blower, its belt or its capacitor',
          ],
          action:
            'The limit is right: let the air through, and measure the temperature rise against the plate.',
          prior: commonPractice(4),
        },
      ],
    ),
  ],
  panels: [
    panel('blower-door', 'Blower door', 'lifts off', 1, 'front'),
    panel('heaters', 'Heater cover', '6 hex-head screws', 4, 'front', { tool: TOOLS.nut516 }),
  ],
  assemblies: [
    sequencer('seq-1', 'Sequencer 1', 'blower-door', {
      'H1-H2': ['heater', 20.8],
      'F1-F2': ['control', 4],
      'A1-A2': ['control', 0.4],
    }),
    sequencer('seq-2', 'Sequencer 2', 'blower-door', { 'H1-H2': ['heater', 20.8] }),
    relayWithCoil({
      id: 'fan-relay',
      name: 'Fan relay',
      role: 'runs the blower with the thermostat at FAN ON',
      panel: 'blower-door',
      coil: { volts: 24, ohms: 16, pulledIn: 75 },
      contacts: { NO: { throw: 'NO', carries: ['control', 4] } },
      weight: 1.5,
    }),
  ],
  parts: [
    frame('Cabinet', 'metal of the furnace'),
    fuse(
      {
        id: 'fuse',
        name: '24 V fuse',
        role: 'protects the transformer',
        panel: 'blower-door',
        where: 'Beside the transformer',
      },
      3,
    ),
    transformer(
      {
        id: 'transformer',
        name: 'Control transformer',
        role: 'makes 24 V',
        seenAs: {
          name: 'Hum of the transformer',
          off: 'is not heard',
          runs: 'is heard',
          close: true,
        },
        prior: commonPractice(1.5),
        panel: 'blower-door',
      },
      { primary: 52, secondary: 0.8, volts: 240, gives: 26 },
    ),
    selector(
      {
        id: 'call',
        name: 'Thermostat contacts',
        role: 'call for heat or fan',
        actuator: 'thermostat',
        prior: commonPractice(1.5),
        byHand: 'Turn the thermostat itself up and down.',
        where: 'On the wall of the living room',
      },
      { 'R-W': ['control', 0.8], 'R-G': ['control', 0.3] },
      { off: [], heat: ['R-W'], fan: ['R-G'] },
    ),
    ...bank(1),
    ...bank(2),
    motor(
      {
        id: 'blower',
        name: 'Blower motor',
        role: 'moves the air of the house',
        seenAs: { name: 'Air from the registers', off: 'does not come', runs: 'comes' },
        prior: commonPractice(2),
        panel: 'blower-door',
      },
      9,
      60,
      240,
    ),
    hardware(
      {
        id: 'capacitor',
        name: 'Blower capacitor',
        role: 'gives the blower its turn',
        prior: commonPractice(2),
        panel: 'blower-door',
      },
      ['blower'],
    ),
  ],
  wires: wires(`
    BK feed.L1 transformer.L
    RD feed.L2 transformer.N
    RD-WH transformer.R fuse.a
    RD-WH fuse.b call.R
    WH call.W seq-1-heater.a
    WH call.W seq-1.A1
    OR seq-1.A2 seq-2-heater.a
    BU seq-1-heater.b transformer.C
    BU seq-2-heater.b transformer.C
    GN call.G fan-relay-coil.a
    BU fan-relay-coil.b transformer.C
    BK feed.L1 limit-1.1
    BK-YE limit-1.2 link-1.a
    BK-YE link-1.b seq-1.H1
    VT seq-1.H2 element-1.a
    RD element-1.b feed.L2
    BK feed.L1 limit-2.1
    BK-OR limit-2.2 link-2.a
    BK-OR link-2.b seq-2.H1
    VT-WH seq-2.H2 element-2.a
    RD element-2.b feed.L2
    BK feed.L1 seq-1.F1
    PK seq-1.F2 blower.a
    BK feed.L1 fan-relay.C
    PK fan-relay.NO blower.a
    RD blower.b feed.L2
    BU transformer.C frame.F
    GN feed.G frame.G
  `),
  uses: [
    {
      id: 'heat',
      name: 'Call for heat, then off, then the fan',
      steps: 'thermostat=heat,wait=300,thermostat=off,wait=240,thermostat=fan,wait=10',
    },
  ],
  looks: [
    look('filter', 'The filter is dirty, or registers are closed', ['plenum'], [0.8, 0.1], 1),
    look(
      'glow',
      'Only one rack of heaters glows',
      ['element-1', 'element-2', 'link-1', 'link-2', 'limit-1', 'limit-2', 'seq-1', 'seq-2'],
      [0.5, 0.02],
      1,
      { powered: true, panel: 'heaters' },
    ),
    look(
      'lugs',
      'A burnt lug or brown wire at breaker, sequencer or element',
      ['w12', 'w15', 'w16', 'w17', 'w20', 'w21', 'seq-1', 'seq-2'],
      [0.4, 0.04],
      1,
      { panel: 'heaters' },
    ),
    look(
      'broken-coil',
      'A broken coil of a heater hangs on the rack',
      ['element-1:open', 'element-2:open'],
      [0.7, 0.01],
      2,
      { panel: 'heaters' },
    ),
    weakCapacitor('capacitor', 'blower-door'),
    look(
      'wheel',
      'The blower wheel is packed with dirt, or does not spin freely',
      ['blower:seized', 'plenum'],
      [0.6, 0.05],
      1,
      { panel: 'blower-door' },
    ),
  ],
  energies: ['moving-air', 'ducts', 'stored-charge'],
  cautions: [
    CAUTIONS.twoLegs,
    'There may be more than one breaker: prove each heater dead by itself.',
    CAUTIONS.blower,
    CAUTIONS.capacitor,
  ],
});
