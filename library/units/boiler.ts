import { chain24 } from '../assemblies/chain24';
import { handActuator, panel, quantity, temperature, TOOLS } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { coil, motor } from '../shelf/loads';
import { CAUTIONS, commonPractice, look } from '../shelf/practice';
import { cutOff } from '../shelf/protectors';
import { board, boardRelays, fedInput, powerInput } from '../shelf/relays';
import { mainsCord } from '../shelf/supplies';
import { plainSwitch, setPointSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

const IN_CHAIN: ['control', number] = ['control', 0.5];

const relays = boardRelays(
  { panel: 'controls', soldAs: 'the ignition board' },
  {
    pump: ['Pump relay', 'feeds the pump', 1],
    spark: ['Spark relay', 'feeds the spark generator', 0.3],
    valve: ['Valve relay', 'feeds the gas valve', 0.5],
  },
);

/** Hot-water boiler: low-water cut-off, aquastat, pressure and spill limits in one 24 V chain, flame proved. */
export const boiler = unit({
  id: 'boiler',
  name: 'Hot-water boiler, chain of limits',
  kind: 'boiler',
  drawnFor: { water: 110, pressure: 14, level: 100, hood: 80, chamber: 80, flame: 0 },
  supplies: [{ ...mainsCord(15), name: 'Boiler switch' }],
  actuators: [
    handActuator('thermostat', 'Room thermostat', 'knob', {
      off: 'thermostat satisfied',
      heat: 'thermostat calling for heat',
    }),
    ...relays.actuators,
    temperature(
      'water',
      'Water in the boiler',
      { by: 'valve', to: 260, seconds: 1200, held: { by: 'pump', to: 168 } },
      [
        {
          beyond: 'aquastat',
          side: 'above',
          says: 'the water gets too hot: it is not carried away',
          causes: ['a pump that stands still', 'air in the pipes', 'closed zone valves'],
          action: 'The aquastat is right: prove the pump, bleed the air, open the zones.',
          prior: commonPractice(3),
        },
      ],
    ),
    quantity('pressure', 'psi', 'pressure', 'Pressure of the water', undefined, [
      {
        beyond: 'pressure-limit',
        side: 'above',
        says: 'pressure too high',
        causes: ['a waterlogged expansion tank', 'a fill valve that passes'],
        action:
          'The limit is right: drain and charge the tank, isolate the fill valve. Never plug a relief valve.',
        prior: commonPractice(1.5),
      },
    ]),
    quantity('level', '% of the glass', 'level', 'Water level', undefined, [
      {
        beyond: 'low-water',
        side: 'below',
        says: 'low water',
        causes: ['a leak', 'a closed or clogged fill valve', 'a relief valve that weeps'],
        action:
          'The cut-off is right: let the boiler cool before any water goes in, then find the leak.',
        prior: commonPractice(2.5),
      },
    ]),
    temperature('hood', 'Draft hood', undefined, [
      {
        beyond: 'spill',
        side: 'above',
        says: 'flue gas spills at the hood',
        causes: ['a blocked flue or chimney', 'a fan in the house that draws it back'],
        action:
          'The switch is right: clear the flue and prove the draft with the house shut. Carbon monoxide: measure it.',
        prior: commonPractice(2),
      },
    ]),
    temperature('chamber', 'Base of the burners'),
    quantity('level', '% of a good flame', 'flame', 'Flame at its rod', {
      by: 'valve',
      to: 100,
      seconds: 1,
      litBy: 'spark',
    }),
  ],
  assemblies: [
    chain24({
      line: ['cord.L', 'cord.N'],
      feeds: ['board.R', 'board.C'],
      windings: { primary: 13, secondary: 0.6, gives: 26 },
      panel: 'controls',
      contacts: [
        plainSwitch(
          {
            id: 'call',
            name: 'Thermostat contact',
            role: 'calls for heat',
            actuator: 'thermostat',
            free: 'off',
            prior: commonPractice(1),
            byHand: 'Turn the thermostat itself up and down.',
            where: 'On the wall of the living room',
          },
          { circuit: 'control', amps: 0.5 },
          { off: 'open', heat: 'closed' },
        ),
        setPointSwitch(
          {
            id: 'low-water',
            name: 'Low-water cut-off',
            role: 'stops the burner without water',
            actuator: 'level',
            safety: true,
            prior: commonPractice(2.5),
            panel: 'jacket',
            where: 'At the height of the lowest water',
            byHand: 'It cannot be moved by hand: blow it down, it must open.',
          },
          IN_CHAIN,
          { opens: 40, closes: 55, tolerance: 5 },
        ),
        setPointSwitch(
          {
            id: 'aquastat',
            name: 'Aquastat',
            role: 'keeps the water under its limit',
            actuator: 'water',
            safety: true,
            prior: commonPractice(2.5),
            aliases: [{ word: 'high limit' }],
            panel: 'controls',
            where: 'On its well, behind the cover',
          },
          IN_CHAIN,
          { opens: 185, closes: 165, tolerance: 6 },
        ),
        setPointSwitch(
          {
            id: 'pressure-limit',
            name: 'Pressure limit',
            role: 'stops the burner when the pressure rises',
            actuator: 'pressure',
            safety: true,
            prior: commonPractice(1),
            panel: 'jacket',
            where: 'On a syphon at the top',
          },
          IN_CHAIN,
          { opens: 27, closes: 22, tolerance: 1.5 },
        ),
        setPointSwitch(
          {
            id: 'spill',
            name: 'Spill switch',
            role: 'opens when flue gas comes back at the hood',
            actuator: 'hood',
            safety: true,
            reset: 'manual',
            prior: commonPractice(2),
            panel: 'jacket',
            where: 'On the draft hood',
            byHand: 'It cannot be moved by hand: press its button once it is cool.',
          },
          IN_CHAIN,
          { opens: 240, closes: 180, tolerance: 15 },
        ),
        cutOff(
          {
            id: 'rollout',
            name: 'Rollout link',
            role: 'opens for good when flame leaves its place',
            causes: ['a sooted heat exchanger', 'a blocked flue'],
            prior: commonPractice(1.5),
            panel: 'burners',
            where: 'Over the burner door',
          },
          'chamber',
          360,
        ),
      ],
      looksAt: 'board.TH',
      colours: ['RD-WH', 'WH-RD', 'YE', 'YE-BK', 'YE-RD', 'OR', 'OR-BK'],
    }),
  ],
  panels: [
    panel('jacket', 'Front jacket', 'lifts off', 1, 'front'),
    panel('controls', 'Control cover', '2 cross-head screws', 2, 'front', { tool: TOOLS.cross }),
    panel('burners', 'Burner door', '4 hex-head screws', 4, 'front', { tool: TOOLS.nut }),
  ],
  parts: [
    frame('Jacket', 'metal of the boiler'),
    board(
      {
        id: 'board',
        name: 'Ignition board',
        role: 'pump, spark, gas; proves the flame',
        seenAs: { name: 'Light of the board' },
        prior: commonPractice(2),
        panel: 'controls',
      },
      [
        powerInput(['R', 'C'], 150, 600, 15),
        fedInput('chain', ['TH', 'C']),
        {
          id: 'lit',
          between: ['FR', 'C2'],
          senses: 'contact',
          ohms: { low: 20_000, high: 90_000 },
        },
      ],
      [
        {
          id: 'idle',
          says: 'slow blink: ready',
          drives: [],
          next: [{ when: { chain: 'fed' }, to: 'spark' }],
        },
        {
          id: 'spark',
          says: 'quick blink: lighting',
          drives: ['pump-relay', 'spark-relay', 'valve-relay'],
          next: [
            { when: { chain: 'dead' }, to: 'idle' },
            { when: { lit: 'closed' }, to: 'burn' },
            { when: {}, after: 6, to: 'rest' },
          ],
        },
        {
          id: 'rest',
          says: 'two blinks: no flame, tries again',
          drives: ['pump-relay'],
          next: [
            { when: { chain: 'dead' }, to: 'idle' },
            { when: {}, after: 30, to: 'last' },
          ],
        },
        {
          id: 'last',
          says: 'quick blink: lighting again',
          drives: ['pump-relay', 'spark-relay', 'valve-relay'],
          next: [
            { when: { chain: 'dead' }, to: 'idle' },
            { when: { lit: 'closed' }, to: 'burn' },
            { when: {}, after: 6, to: 'lockout' },
          ],
        },
        {
          id: 'burn',
          says: 'steady: burning',
          drives: ['pump-relay', 'valve-relay'],
          next: [
            { when: { chain: 'dead' }, to: 'idle' },
            { when: { lit: 'open' }, after: 1, to: 'rest' },
          ],
        },
        {
          id: 'lockout',
          says: 'three blinks: lockout',
          drives: [],
          next: [{ when: { chain: 'dead' }, to: 'idle' }],
        },
      ],
    ),
    ...relays.parts,
    setPointSwitch(
      {
        id: 'flame-rod',
        name: 'Flame rod',
        role: 'tells the board that the flame is there',
        actuator: 'flame',
        causes: [
          'a white or black film on the rod',
          'a cracked porcelain',
          'no earth at the burner',
        ],
        prior: commonPractice(4),
        panel: 'burners',
        where: 'In the flame of the last burner',
        byHand: 'It cannot be moved by hand: it conducts in the flame alone.',
      },
      ['signal', 0.000_004],
      { opens: 25, closes: 45, tolerance: 5 },
      ['r', 'g'],
    ),
    motor(
      {
        id: 'pump',
        name: 'Circulator',
        role: 'moves the water',
        seenAs: { name: 'Circulator', off: 'stands still', runs: 'runs' },
        prior: commonPractice(2),
        where: 'On the return pipe',
      },
      32,
      150,
    ),
    coil(
      {
        id: 'spark',
        name: 'Spark generator',
        role: 'lights the gas',
        seenAs: { name: 'Spark', off: 'does not come', runs: 'ticks' },
        causes: ['a cracked porcelain', 'a gap too wide'],
        prior: commonPractice(2),
        panel: 'burners',
      },
      80,
      24,
    ),
    coil(
      {
        id: 'valve',
        name: 'Gas valve',
        role: 'lets the gas to the burners',
        seenAs: { name: 'Flame', off: 'does not come', runs: 'burns' },
        prior: commonPractice(2),
        panel: 'burners',
      },
      21,
      24,
      58,
    ),
  ],
  wires: wires(`
    BK cord.L pump-contact.C
    VT pump-contact.NO pump.a
    WH pump.b cord.N
    OR-BK board.TH spark-contact.C
    PK spark-contact.NO spark.a
    BU spark.b board.C
    OR-BK board.TH valve-contact.C
    BN valve-contact.NO valve.a
    BU valve.b board.C
    GY board.FR flame-rod.r
    GN flame-rod.g board.C2
    GN cord.G frame.G
    BU-WH board.C frame.F
  `),
  uses: [
    {
      id: 'heat',
      name: 'Call for heat, then satisfied',
      steps: 'thermostat=heat,wait=180,thermostat=off,wait=30',
    },
  ],
  looks: [
    look(
      'glass',
      'The gauge shows no pressure, or water stands on the floor',
      ['level', 'low-water'],
      [0.7, 0.03],
      0.5,
    ),
    look(
      'hot-still',
      'The boiler is hot and the pipes are cold: the pump stands still',
      ['pump', 'pump-contact', 'water'],
      [0.7, 0.04],
      1,
    ),
    look(
      'spill-button',
      'The button of the spill switch clicks when it is pressed',
      ['spill:tripped', 'hood'],
      [0.9, 0.03],
      1,
      { panel: 'jacket' },
    ),
    look(
      'rod-film',
      'A film on the flame rod, or its porcelain is cracked',
      ['flame-rod'],
      [0.7, 0.08],
      4,
      { panel: 'burners' },
    ),
    look(
      'soot',
      'Soot or rust on the burners, scorched paint over the door',
      ['chamber', 'rollout', 'hood'],
      [0.5, 0.04],
      2,
      { panel: 'burners' },
    ),
    look('relief', 'The relief valve weeps', ['pressure', 'level'], [0.5, 0.05], 0.5),
  ],
  energies: ['gas', 'flue', 'water'],
  cautions: [
    ...CAUTIONS.gas,
    CAUTIONS.scald,
    'Never put cold water into a hot, dry boiler: it can burst.',
    'Carbon monoxide and draft are measured before it is handed back.',
  ],
});
