import { handActuator, panel, TOOLS } from '../shelf/actuators';
import { frame, hardware } from '../shelf/connections';
import { about, plainLoad } from '../shelf/loads';
import { commonPractice, look, weakCapacitor } from '../shelf/practice';
import { indoorLine } from '../shelf/supplies';
import { plainSwitch, relayContact, setPointSwitch, table } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** Air conditioner, outdoor unit: pressure switches in the 24 V line, which is fed from indoors. */
export const coolingUnit = unit({
  id: 'cooling-unit',
  name: 'Air conditioner, outdoor unit',
  kind: 'air conditioner',
  drawnFor: { suction: 118, head: 250 },
  supplies: [
    {
      id: 'feed',
      name: 'Outdoor disconnect',
      kind: 'split-phase',
      volts: 240,
      amps: 30,
      terminals: [{ id: 'L1' }, { id: 'L2' }],
    },
    indoorLine,
  ],
  actuators: [
    handActuator('stat', 'Thermostat', 'button', {
      off: 'thermostat off',
      cool: 'thermostat calls for cooling',
    }),
    {
      id: 'pull',
      name: 'Contactor',
      kind: 'driven',
      by: 'coil',
      rest: 'idle',
      running: 'pulled',
      positions: [
        { id: 'idle', name: 'contactor idle' },
        { id: 'pulled', name: 'contactor pulled in' },
      ],
    },
    {
      id: 'suction',
      name: 'Suction pressure',
      kind: 'quantity',
      quantity: 'pressure',
      unit: 'psi',
      conditions: [
        {
          beyond: 'low-pressure',
          side: 'below',
          says: 'low refrigerant charge, or no air over the coil indoors',
          causes: [
            'a leak: oil at a joint',
            'a dirty filter or coil indoors',
            'a blower that stands still',
          ],
          action:
            'The switch is right: a leak search by somebody with a licence, before any charge goes in.',
          prior: commonPractice(3),
        },
      ],
    },
    {
      id: 'head',
      name: 'Head pressure',
      kind: 'quantity',
      quantity: 'pressure',
      unit: 'psi',
      conditions: [
        {
          beyond: 'high-pressure',
          side: 'above',
          says: 'head pressure too high',
          causes: [
            'a dirty coil outside',
            'a fan that stands still',
            'too much charge, or air in it',
          ],
          action:
            'The switch is right: clean the coil, prove the fan, and leave the charge to a licence.',
          prior: commonPractice(2),
        },
      ],
    },
  ],
  panels: [
    panel('service', 'Service panel', '4 hex-head screws', 4, 'right', { tool: TOOLS.nut }),
    panel('top', 'Fan guard', '8 hex-head screws', 8, 'top', {
      tool: TOOLS.nut,
      tethered: 'the fan cable',
      coldOnly: true,
    }),
  ],
  parts: [
    frame('Cabinet', 'metal of the unit'),
    hardware(
      {
        id: 'capacitor',
        name: 'Dual run capacitor',
        role: 'gives compressor and fan their turn',
        prior: commonPractice(4),
        panel: 'service',
      },
      ['compressor', 'fan'],
    ),
    plainSwitch(
      {
        id: 'call',
        name: 'Thermostat contact',
        role: 'calls for cooling',
        prior: commonPractice(0.7),
        actuator: 'stat',
        free: 'off',
        byHand: 'Take the thermostat off its plate.',
        where: 'Indoors',
      },
      { circuit: 'control', amps: 0.4 },
      { off: 'open', cool: 'closed' },
    ),
    {
      id: 'low-pressure',
      name: 'Low pressure switch',
      role: 'stops the compressor when the suction pressure falls',
      prior: commonPractice(1.5),
      kind: 'switch',
      terminals: [{ id: '1' }, { id: '2' }],
      contacts: [{ id: '1-2', between: ['1', '2'], circuit: 'control', amps: 0.4, throw: 'NO' }],
      actuator: 'suction',
      free: 'below',
      byHand: 'It cannot be moved by hand: at the pressure of the air it must be open.',
      setPoints: { rising: { at: 90, tolerance: 6 }, falling: { at: 50, tolerance: 5 } },
      table: table({ below: [], above: ['1-2'] }),
      panel: 'service',
      where: 'On the suction line',
    },
    setPointSwitch(
      {
        id: 'high-pressure',
        name: 'High pressure switch',
        role: 'stops the compressor when the head pressure rises',
        actuator: 'head',
        safety: true,
        prior: commonPractice(1.5),
        panel: 'service',
        where: 'On the liquid line',
      },
      ['control', 0.4],
      { opens: 610, closes: 420, tolerance: 15 },
    ),
    plainLoad(
      {
        id: 'coil',
        name: 'Contactor coil',
        role: 'pulls the contactor in',
        seenAs: { name: 'Contactor', off: 'does not pull in', runs: 'pulls in', close: true },
        prior: commonPractice(1.5),
        panel: 'service',
      },
      'coil',
      { value: about(14, 20), working: about(60, 20), volts: 24 },
    ),
    relayContact(
      {
        id: 'contactor',
        name: 'Contactor',
        role: 'feeds compressor and fan',
        causes: ['an insect between the points', 'a coil that hums on low volts'],
        actuator: 'pull',
        prior: commonPractice(3),
        panel: 'service',
        where: 'Behind the service panel',
      },
      18,
      'With the disconnect off push the armature in with an insulated stick.',
    ),
    plainLoad(
      {
        id: 'compressor',
        name: 'Compressor',
        role: 'moves the refrigerant',
        seenAs: { name: 'Compressor' },
        prior: commonPractice(1.5),
        panel: 'service',
      },
      'motor',
      { value: about(1.4, 20), working: about(15, 20), volts: 240 },
    ),
    plainLoad(
      {
        id: 'fan',
        name: 'Condenser fan',
        role: 'moves the air',
        seenAs: { name: 'Fan outside' },
        prior: commonPractice(2),
        panel: 'top',
      },
      'motor',
      { value: about(32, 20), working: about(190, 20), volts: 240 },
    ),
  ],
  wires: wires(`
    BK feed.L1 contactor.C
    BK-RD contactor.NO compressor.a
    BK-YE contactor.NO fan.a
    RD compressor.b feed.L2
    BN fan.b feed.L2
    RD indoor.R call.1
    YE call.2 low-pressure.1
    YE-BK low-pressure.2 high-pressure.1
    YE-WH high-pressure.2 coil.a
    BU coil.b indoor.C
  `),
  uses: [{ id: 'cool', name: 'Call for cooling', steps: 'stat=cool,wait=60,stat=off' }],
  looks: [
    look(
      'pitted',
      'Contactor points black, or an insect between them',
      ['contactor'],
      [0.6, 0.05],
      0.5,
      { panel: 'service' },
    ),
    look(
      'frost',
      'Frost on the suction line: low charge or no air indoors',
      ['suction'],
      [0.5, 0.04],
      0.5,
    ),
    weakCapacitor('capacitor', 'service', 3),
    look('fan-hand', 'The fan blade does not turn by hand', ['fan:seized'], [0.8, 0.02], 0.5),
    look('dirty', 'The coil outside is matted', ['head'], [0.7, 0.1], 0.5),
    look('oil', 'Oil or a wet spot at a joint', ['suction'], [0.3, 0.02], 2),
  ],
  energies: ['refrigerant', 'stored-charge'],
  cautions: [
    'The 24 V line is fed from indoors: it stays live while the outdoor disconnect is off.',
    'The contactor cuts one leg only: compressor and fan stay live to the frame while it is idle.',
    'A capacitor holds its charge: discharge it before hands go in.',
    'A brazed pressure switch and any work on the refrigerant want a licence.',
  ],
});
