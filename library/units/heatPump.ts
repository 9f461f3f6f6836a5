import { handActuator, panel, quantity, temperature, TOOLS } from '../shelf/actuators';
import { frame, hardware } from '../shelf/connections';
import { coil, motor } from '../shelf/loads';
import { CAUTIONS, commonPractice, look, weakCapacitor } from '../shelf/practice';
import { board, boardRelays, fedInput, powerInput, relayWithCoil } from '../shelf/relays';
import { indoorLine } from '../shelf/supplies';
import { selector, setPointSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

const relays = boardRelays(
  { panel: 'service', soldAs: 'the defrost board' },
  {
    fan: ['Fan relay', 'feeds the fan, but in a defrost', 1.3, 1.5],
    valve: ['Valve relay', 'feeds the reversing valve', 0.4],
    aux: ['Auxiliary heat relay', 'calls the heat indoors while it defrosts', 0.4],
  },
);

/** Heat pump, outdoor unit: reversing valve, defrost board with its coil thermostat, pressure switches. */
export const heatPump = unit({
  id: 'heat-pump',
  name: 'Heat pump, outdoor unit with defrost board',
  kind: 'heat pump',
  drawnFor: { suction: 90, head: 250, outdoor: 24 },
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
      heat: 'thermostat calls for heat',
      cool: 'thermostat calls for cooling',
    }),
    ...relays.actuators,
    quantity('pressure', 'psi', 'suction', 'Suction pressure', undefined, [
      {
        beyond: 'low-pressure',
        side: 'below',
        says: 'low refrigerant charge, or no air over the coil that takes the heat',
        causes: [
          'a leak: oil at a joint',
          'ice over the whole coil outside',
          'a dirty filter indoors, when it cools',
        ],
        action:
          'The switch is right: melt the ice and prove the air first; a leak search is for a licence.',
        prior: commonPractice(3),
      },
    ]),
    quantity('pressure', 'psi', 'head', 'Head pressure', undefined, [
      {
        beyond: 'high-pressure',
        side: 'above',
        says: 'head pressure too high',
        causes: [
          'a dirty filter indoors, when it heats',
          'a dirty coil outside, when it cools',
          'a fan that stands still',
        ],
        action:
          'The switch is right: free the air where the heat leaves, and leave the charge to a licence.',
        prior: commonPractice(2),
      },
    ]),
    temperature('outdoor', 'Coil outside', {
      by: 'compressor',
      to: 12,
      seconds: 400,
      held: { by: 'valve', to: 84 },
    }),
  ],
  panels: [
    panel('service', 'Service panel', '5 hex-head screws', 4, 'right', { tool: TOOLS.nut516 }),
    panel('top', 'Fan guard', '8 hex-head screws', 8, 'top', {
      tool: TOOLS.nut516,
      tethered: 'the fan cable',
      coldOnly: true,
    }),
  ],
  assemblies: [
    relayWithCoil({
      id: 'contactor',
      name: 'Contactor',
      role: 'feeds compressor and fan',
      panel: 'service',
      where: 'Behind the service panel',
      coil: { volts: 24, ohms: 15, pulledIn: 62 },
      contacts: { NO: { throw: 'NO', carries: ['control', 17] } },
      weight: 2.5,
      pushed: 'With the disconnect off push the armature in with an insulated stick.',
    }),
  ],
  parts: [
    frame('Cabinet', 'metal of the unit'),
    selector(
      {
        id: 'call',
        name: 'Thermostat contacts',
        role: 'call for heat or cooling',
        actuator: 'stat',
        prior: commonPractice(0.8),
        byHand: 'Take the thermostat off its plate.',
        where: 'Indoors',
      },
      { 'R-Y': ['control', 0.6], 'R-O': ['control', 0.3] },
      { off: [], heat: ['R-Y'], cool: ['R-Y', 'R-O'] },
    ),
    setPointSwitch(
      {
        id: 'low-pressure',
        name: 'Low pressure switch',
        role: 'stops the compressor when the suction pressure falls',
        actuator: 'suction',
        prior: commonPractice(1.2),
        panel: 'service',
        where: 'On the suction line',
      },
      ['control', 0.6],
      { opens: 22, closes: 52, tolerance: 4 },
    ),
    setPointSwitch(
      {
        id: 'high-pressure',
        name: 'High pressure switch',
        role: 'stops the compressor when the head pressure rises',
        actuator: 'head',
        safety: true,
        prior: commonPractice(1.2),
        panel: 'service',
        where: 'On the discharge line',
      },
      ['control', 0.6],
      { opens: 605, closes: 430, tolerance: 15 },
    ),
    setPointSwitch(
      {
        id: 'frost-stat',
        name: 'Defrost thermostat',
        role: 'closes on a frosted coil, and lets a defrost begin',
        actuator: 'outdoor',
        prior: commonPractice(2.5),
        panel: 'service',
        where: 'Clipped to a bend of the coil',
        byHand: 'It cannot be moved by hand: lay it in ice water.',
      },
      ['signal', 0.01],
      { opens: 62, closes: 29, tolerance: 4 },
    ),
    board(
      {
        id: 'board',
        name: 'Defrost board',
        role: 'times the defrosts, turns the valve, stops the fan meanwhile',
        seenAs: { name: 'Light of the defrost board' },
        prior: commonPractice(2),
        panel: 'service',
      },
      [
        powerInput(['R', 'C'], 150, 700, 15),
        fedInput('run', ['Y', 'C']),
        fedInput('cool', ['O', 'C']),
        {
          id: 'frost',
          between: ['DF1', 'DF2'],
          senses: 'contact',
          ohms: { low: 8000, high: 40_000 },
        },
      ],
      [
        {
          id: 'wait',
          says: 'slow flash: waiting',
          drives: [],
          next: [
            { when: { cool: 'fed', run: 'fed' }, to: 'cooling' },
            { when: { run: 'fed' }, to: 'heating' },
          ],
        },
        {
          id: 'cooling',
          says: 'steady: cooling',
          drives: ['fan-relay', 'valve-relay'],
          next: [{ when: { run: 'dead' }, to: 'wait' }],
        },
        {
          id: 'heating',
          says: 'steady: heating',
          drives: ['fan-relay'],
          next: [
            { when: { run: 'dead' }, to: 'wait' },
            { when: { frost: 'closed' }, after: 1800, to: 'defrost' },
          ],
        },
        {
          id: 'defrost',
          says: 'quick flash: defrost',
          drives: ['valve-relay', 'aux-relay'],
          next: [
            { when: { run: 'dead' }, to: 'wait' },
            { when: { frost: 'open' }, to: 'heating' },
            { when: {}, after: 720, to: 'heating' },
          ],
        },
      ],
    ),
    ...relays.parts,
    coil(
      {
        id: 'valve',
        name: 'Reversing valve coil',
        role: 'turns the unit to cooling, and to defrost',
        seenAs: { name: 'Reversing valve', off: 'does not shift', runs: 'shifts with a whoosh' },
        prior: commonPractice(2),
        panel: 'service',
      },
      18,
      24,
      70,
    ),
    coil(
      {
        id: 'aux',
        name: 'Heat relay indoors',
        role: 'brings the heat strips on while it defrosts',
        seenAs: { name: 'Heat indoors during a defrost', off: 'stays away', runs: 'comes' },
      },
      20,
      24,
      80,
    ),
    motor(
      {
        id: 'compressor',
        name: 'Compressor',
        role: 'moves the refrigerant',
        seenAs: { name: 'Compressor' },
        prior: commonPractice(1.5),
        panel: 'service',
      },
      1.2,
      14,
      240,
    ),
    motor(
      {
        id: 'fan',
        name: 'Fan motor',
        role: 'moves the air',
        seenAs: { name: 'Fan outside' },
        prior: commonPractice(2),
        panel: 'top',
      },
      28,
      180,
      240,
    ),
    hardware(
      {
        id: 'capacitor',
        causes: ['heat', 'age', 'a surge'],
        name: 'Dual run capacitor',
        role: 'gives compressor and fan their turn',
        prior: commonPractice(4),
        panel: 'service',
      },
      ['compressor', 'fan'],
    ),
  ],
  wires: wires(`
    BK feed.L1 contactor.C
    BK-RD contactor.NO compressor.a
    BK-YE contactor.NO fan-contact.C
    VT fan-contact.NO fan.a
    RD compressor.b feed.L2
    RD-WH fan.b feed.L2
    RD indoor.R call.R
    RD-WH indoor.R board.R
    YE call.Y low-pressure.1
    YE-BK low-pressure.2 high-pressure.1
    YE-WH high-pressure.2 contactor-coil.a
    YE-WH contactor-coil.a board.Y
    OR call.O board.O
    BU contactor-coil.b indoor.C
    BU board.C indoor.C
    BN board.DF1 frost-stat.1
    BN-WH board.DF2 frost-stat.2
    RD-BK board.R valve-contact.C
    OR-WH valve-contact.NO valve.a
    BU-WH valve.b indoor.C
    RD-BK board.R aux-contact.C
    WH aux-contact.NO aux.a
    BU-WH aux.b indoor.C
  `),
  uses: [
    { id: 'heat', name: 'Heats in frost until a defrost begins', steps: 'stat=heat,wait=600' },
    { id: 'defrost', name: 'The defrost after half an hour', steps: 'stat=heat,wait=2700' },
    { id: 'cool', name: 'Cools', steps: 'stat=cool,wait=60,stat=off,wait=10' },
  ],
  looks: [
    look(
      'iced',
      'The coil outside is one block of ice',
      ['frost-stat', 'board', 'valve', 'valve-contact', 'suction'],
      [0.7, 0.03],
      0.5,
    ),
    look('oil', 'Oil or a wet spot at a joint', ['suction'], [0.4, 0.02], 2, { panel: 'service' }),
    weakCapacitor('capacitor', 'service', 3),
    look(
      'pitted',
      'Contactor points black, or an insect between them',
      ['contactor'],
      [0.6, 0.05],
      0.5,
      { panel: 'service' },
    ),
    look('filter', 'The filter indoors is dirty, or registers are closed', ['head'], [0.7, 0.1], 1),
    look(
      'clip',
      'The defrost thermostat has come off its bend',
      ['frost-stat:not-actuated'],
      [0.7, 0.01],
      1,
      { panel: 'service' },
    ),
  ],
  energies: ['refrigerant', 'stored-charge'],
  cautions: [
    CAUTIONS.indoors24,
    'The contactor cuts one leg only: compressor and fan stay live to the frame while it is idle.',
    CAUTIONS.capacitor,
    CAUTIONS.refrigerant,
    'Never chip ice off: water from a hose, or a defrost.',
  ],
});
