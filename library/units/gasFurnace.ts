import type { BoardState, Diagram, SwitchPart } from '../../core/diagram/diagram';
import { chain24 } from '../assemblies/chain24';
import { handActuator, panel, quantity, temperature } from '../shelf/actuators';
import { frame, hardware } from '../shelf/connections';
import { plainLoad } from '../shelf/loads';
import { CAUSES, CAUTIONS, commonPractice, look, weakCapacitor } from '../shelf/practice';
import { plainSwitch, setPointSwitch, table } from '../shelf/switches';
import { boardRelays } from '../shelf/relays';
import { unit, wires } from '../shelf/unit';

const relays = boardRelays(
  { panel: 'blower-door' },
  {
    inducer: ['Inducer relay', 'feeds the inducer', 2],
    blower: ['Blower relay', 'feeds the blower', 8],
    igniter: ['Igniter relay', 'feeds the igniter', 4],
    valve: ['Valve relay', 'feeds the gas valve', 0.5],
  },
);

/** A safety of the 24 V chain. */
const chainLimit = (
  part: Parameters<typeof setPointSwitch>[0],
  rising: number,
  falling: number,
): SwitchPart =>
  setPointSwitch(
    { ...part, safety: true },
    ['control', 0.5],
    { opens: rising, closes: falling, tolerance: 8 },
    ['a', 'b'],
  );

/** One of three tries for a flame: glow, open the valve, see the flame within five seconds or rest and try again. */
function lighting(attempt: number): BoardState[] {
  const id = (name: string, n = attempt): string => (n === 1 ? name : `${name}-${n}`);
  const last = attempt === 3;
  const again = id('again', attempt + 1);
  return [
    {
      id: id('glow'),
      says: 'quick blink: call for heat',
      drives: ['inducer-relay', 'igniter-relay'],
      next: [
        { when: { heat: 'dead' }, to: 'idle' },
        { when: { draft: 'dead' }, to: 'draw' },
        { when: {}, after: 17, to: id('light') },
      ],
    },
    {
      id: id('light'),
      says: 'quick blink: call for heat',
      drives: ['inducer-relay', 'igniter-relay', 'valve-relay'],
      next: [
        { when: { limits: 'dead' }, to: 'limit-open' },
        { when: { lit: 'closed' }, after: 3, to: 'burn' },
        { when: { lit: 'open' }, after: 5, to: last ? 'no-flame' : again },
      ],
    },
    ...(last
      ? []
      : [
          {
            id: again,
            says: 'five blinks: no flame, tries again',
            drives: ['inducer-relay'],
            next: [
              { when: { heat: 'dead' }, to: 'idle' },
              { when: {}, after: 20, to: id('glow', attempt + 1) },
            ],
          },
        ]),
  ];
}

/** What the collector box of a condensing furnace is drawn to; water that stands in it takes the draft away. */
const collector = quantity(
  'pressure',
  'inWC',
  'collector',
  'Draft at the collector box',
  { by: 'inducer', to: 1.4, seconds: 4 },
  [
    {
      beyond: 'collector-switch',
      side: 'below',
      says: 'condensate stands in the collector box',
      causes: [
        'a clogged trap',
        'a drain that sags or is frozen',
        'a vent that runs the wrong way',
      ],
      action: 'The switch is right: clear trap and drain, fill the trap, and measure again.',
      prior: commonPractice(4),
    },
  ],
);

/** How furnaces of the kind differ: a condensing one has a second pressure switch, at the collector box. */
export interface FurnaceChoice {
  condensing: boolean;
}

/** Forced-air gas furnace with its 24 V chain: limit, rollout, blower-side limit, draft switch. */
export const gasFurnaceOf = ({ condensing }: FurnaceChoice): Diagram =>
  unit({
    id: 'gas-furnace',
    name: condensing
      ? 'Condensing gas furnace, two pressure switches'
      : 'Gas furnace, 24 V chain with draft switch',
    kind: 'gas furnace',
    drawnFor: {
      plenum: 70,
      burner: 70,
      compartment: 70,
      flame: 0,
      draft: 0,
      ...(condensing && { collector: 0 }),
    },
    supplies: [
      {
        id: 'line',
        name: 'Furnace switch',
        kind: 'mains',
        volts: 120,
        amps: 15,
        terminals: [{ id: 'L' }, { id: 'N' }, { id: 'G' }],
      },
    ],
    actuators: [
      handActuator('thermostat', 'Room thermostat', 'knob', {
        off: 'thermostat at OFF',
        heat: 'thermostat calling for heat',
        fan: 'thermostat at FAN ON',
      }),
      handActuator('panel', 'Blower door', 'door', {
        closed: 'blower door on',
        open: 'blower door off',
      }),
      ...relays.actuators,
      {
        id: 'plenum',
        name: 'Plenum',
        kind: 'quantity',
        quantity: 'temperature',
        unit: '°F',
        driven: { by: 'valve', to: 320, seconds: 90, held: { by: 'blower', to: 125 } },
        conditions: [
          {
            beyond: 'limit',
            side: 'above',
            says: 'too little air: the heat stays in the exchanger',
            causes: [
              'a dirty filter',
              'closed registers',
              'a slow blower, its capacitor or its belt',
            ],
            action: 'The limit is right: let the air through, and measure the temperature rise.',
            prior: commonPractice(4),
          },
        ],
      },
      { id: 'burner', name: 'Burner box', kind: 'quantity', quantity: 'temperature', unit: '°F' },
      quantity('level', '% of a good flame', 'flame', 'Flame at its rod', {
        by: 'valve',
        to: 100,
        seconds: 1,
        litBy: 'igniter',
      }),
      temperature('compartment', 'Blower compartment'),
      {
        id: 'draft',
        name: 'Draft of the inducer',
        kind: 'quantity',
        quantity: 'pressure',
        unit: 'inWC',
        driven: { by: 'inducer', to: 1.2, seconds: 2 },
        conditions: [
          {
            beyond: 'draft-switch',
            side: 'below',
            says: 'not enough draft',
            causes: [
              'a blocked flue or intake',
              'a cracked or wet hose',
              'a weak inducer',
              'condensate that stands',
            ],
            action: 'The switch is right: clear flue, hose and drain, and measure the draft again.',
            prior: commonPractice(3),
          },
        ],
      },
      ...(condensing ? [collector] : []),
    ],
    assemblies: [
      chain24({
        line: ['door-switch.2', 'line.N'],
        feeds: ['board.R', 'board.C'],
        windings: { primary: 14, secondary: 0.7, gives: 26 },
        panel: 'blower-door',
        where: { transformer: 'On the blower deck', fuse: 'On the board' },
        contacts: [
          chainLimit(
            {
              id: 'limit',
              prior: commonPractice(2),
              causes: [...CAUSES.furnaceAir],
              name: 'Main limit',
              role: 'opens when the plenum gets too hot',
              actuator: 'plenum',
              panel: 'burner-door',
              where: 'Above the burners, through the partition',
            },
            190,
            160,
          ),
          chainLimit(
            {
              id: 'rollout',
              prior: commonPractice(0.7),
              causes: [...CAUSES.rollout],
              name: 'Rollout switch',
              role: 'opens when flame rolls out',
              actuator: 'burner',
              reset: 'manual',
              panel: 'burner-door',
              where: 'On the burner box',
            },
            300,
            250,
          ),
          chainLimit(
            {
              id: 'blower-limit',
              prior: commonPractice(0.5),
              causes: [...CAUSES.furnaceAir],
              name: 'Blower-side limit',
              role: 'opens when heat comes back through the blower',
              actuator: 'compartment',
              reset: 'manual',
              panel: 'blower-door',
              where: 'On the blower housing',
            },
            160,
            120,
          ),
        ],
        looksAt: 'board.LIM',
        colours: ['RD-WH', 'YE', 'YE', 'YE-BK'],
      }),
    ],
    panels: [
      panel('burner-door', 'Burner door', 'lifts off', 1, 'front'),
      panel('blower-door', 'Blower door', 'lifts off; opens its switch', 1, 'front'),
    ],
    parts: [
      frame('Cabinet', 'metal of the furnace'),
      plainSwitch(
        {
          id: 'door-switch',
          name: 'Door switch',
          role: 'cuts everything when the blower door is off',
          actuator: 'panel',
          free: 'open',
          byHand: 'Hold the plunger in with a finger; never tape it.',
          safety: true,
          panel: 'blower-door',
        },
        { circuit: 'control', amps: 10, throw: 'NO' },
        { closed: 'closed', open: 'open' },
      ),
      {
        id: 'call',
        name: 'Thermostat contacts',
        role: 'call for heat or fan',
        kind: 'switch',
        terminals: [{ id: 'R' }, { id: 'W' }, { id: 'G' }],
        contacts: [
          { id: 'R-W', between: ['R', 'W'], circuit: 'signal', amps: 0.05 },
          { id: 'R-G', between: ['R', 'G'], circuit: 'signal', amps: 0.05 },
        ],
        actuator: 'thermostat',
        free: 'off',
        byHand: 'Turn the thermostat itself up and down.',
        table: table({ off: [], heat: ['R-W'], fan: ['R-G'] }),
        where: 'On the wall of the living room',
      },
      {
        id: 'draft-switch',
        name: 'Draft switch',
        role: 'closes when the inducer draws',
        prior: commonPractice(3),
        aliases: [{ word: 'pressure switch' }, { word: 'vacuum switch' }],
        kind: 'switch',
        terminals: [{ id: 'a' }, { id: 'b' }],
        contacts: [{ id: 'a-b', between: ['a', 'b'], circuit: 'control', amps: 0.5, throw: 'NO' }],
        actuator: 'draft',
        free: 'below',
        byHand:
          'Draw gently on the hose with a hand pump or a syringe: never by mouth, never blow.',
        setPoints: { rising: { at: 0.65, tolerance: 0.05 }, falling: { at: 0.5, tolerance: 0.05 } },
        safety: true,
        table: table({ below: [], above: ['a-b'] }),
        panel: 'burner-door',
        where: 'Beside the inducer, on a hose',
      },
      hardware(
        {
          id: 'hose',
          name: 'Draft hose',
          role: 'brings the draft to its switch',
          panel: 'burner-door',
        },
        ['draft-switch'],
      ),
      ...(condensing
        ? [
            setPointSwitch(
              {
                id: 'collector-switch',
                name: 'Collector box pressure switch',
                role: 'opens when the condensate does not run off',
                prior: commonPractice(2),
                aliases: [
                  { word: 'pressure switch', trap: 'there are two: the other is at the inducer' },
                ],
                actuator: 'collector',
                safety: true,
                byHand: 'Draw gently on the hose with a hand pump or a syringe: never by mouth.',
                panel: 'burner-door',
                where: 'Beside the draft switch, its hose from below',
              },
              ['control', 0.5],
              { opens: 0.75, closes: 0.95, tolerance: 0.05 },
              ['a', 'b'],
            ),
            hardware(
              {
                id: 'trap',
                name: 'Condensate trap and hose',
                role: 'lets the water run off and the draft reach its switch',
                prior: commonPractice(2),
                panel: 'burner-door',
              },
              ['collector-switch'],
            ),
          ]
        : []),
      {
        id: 'board',
        name: 'Control board',
        role: 'runs the sequence',
        seenAs: { name: 'Light of the board' },
        prior: commonPractice(2),
        kind: 'board',
        terminals: [
          { id: 'R' },
          { id: 'C' },
          { id: 'W' },
          { id: 'G' },
          { id: 'LIM' },
          { id: 'PS' },
          { id: 'FR' },
        ],
        inputs: [
          { id: 'power', between: ['R', 'C'], ohms: { low: 100, high: 400 }, fedFrom: 15 },
          { id: 'heat', between: ['W', 'C'], ohms: { low: 500, high: 2000 }, fedFrom: 15 },
          { id: 'fan', between: ['G', 'C'], ohms: { low: 500, high: 2000 }, fedFrom: 15 },
          { id: 'limits', between: ['LIM', 'C'], ohms: { low: 500, high: 2000 }, fedFrom: 15 },
          { id: 'draft', between: ['PS', 'C'], ohms: { low: 500, high: 2000 }, fedFrom: 15 },
          {
            id: 'lit',
            between: ['FR', 'C'],
            senses: 'contact',
            ohms: { low: 20_000, high: 90_000 },
          },
        ],
        logic: {
          power: 'power',
          states: [
            {
              id: 'idle',
              says: 'slow blink: waiting',
              drives: [],
              next: [
                { when: { limits: 'dead' }, to: 'limit-open' },
                { when: { heat: 'fed', draft: 'fed' }, after: 5, to: 'draft-stuck' },
                { when: { heat: 'fed', draft: 'dead' }, to: 'draw' },
                { when: { fan: 'fed' }, to: 'fan-only' },
              ],
            },
            {
              id: 'fan-only',
              says: 'slow blink: fan',
              drives: ['blower-relay'],
              next: [{ when: { fan: 'dead' }, to: 'idle' }],
            },
            {
              id: 'draw',
              says: 'quick blink: call for heat',
              drives: ['inducer-relay'],
              next: [
                { when: { heat: 'dead' }, to: 'idle' },
                { when: { limits: 'dead' }, to: 'limit-open' },
                { when: { draft: 'fed' }, after: 15, to: 'glow' },
                { when: { draft: 'dead' }, after: 60, to: 'no-draft' },
              ],
            },
            ...[1, 2, 3].flatMap(lighting),
            {
              id: 'no-flame',
              says: 'six blinks: locked out, no flame in three tries',
              drives: ['inducer-relay'],
              next: [{ when: { heat: 'dead' }, to: 'idle' }],
            },
            {
              id: 'burn',
              says: 'quick blink: call for heat',
              drives: ['inducer-relay', 'valve-relay'],
              next: [
                { when: { heat: 'dead' }, to: 'cool' },
                { when: { limits: 'dead' }, to: 'limit-open' },
                { when: { draft: 'dead' }, to: 'draw' },
                { when: { lit: 'open' }, after: 1, to: 'again-2' },
                { when: {}, after: 26, to: 'heat' },
              ],
            },
            {
              id: 'heat',
              says: 'quick blink: call for heat',
              drives: ['inducer-relay', 'valve-relay', 'blower-relay'],
              next: [
                { when: { heat: 'dead' }, to: 'cool' },
                { when: { lit: 'open' }, after: 1, to: 'again-2' },
                { when: { limits: 'dead' }, to: 'limit-open' },
                { when: { draft: 'dead' }, to: 'draw' },
              ],
            },
            {
              id: 'cool',
              says: 'slow blink: blower runs on',
              drives: ['blower-relay'],
              next: [{ when: {}, after: 90, to: 'idle' }],
            },
            {
              id: 'limit-open',
              says: 'four blinks: a limit is open',
              drives: ['inducer-relay', 'blower-relay'],
              next: [{ when: { limits: 'fed' }, after: 10, to: 'cool' }],
            },
            {
              id: 'no-draft',
              says: 'three blinks: the draft switch does not close',
              drives: [],
              next: [{ when: { heat: 'dead' }, to: 'idle' }],
            },
            {
              id: 'draft-stuck',
              says: 'two blinks: the draft switch is closed before the inducer runs',
              drives: [],
              next: [{ when: { heat: 'dead' }, to: 'idle' }],
            },
          ],
        },
        panel: 'blower-door',
      },
      ...relays.parts,
      setPointSwitch(
        {
          id: 'flame-rod',
          name: 'Flame rod',
          role: 'tells the board that the flame is there',
          causes: ['a film on the rod', 'a cracked porcelain', 'no earth at the burner'],
          prior: commonPractice(5),
          actuator: 'flame',
          panel: 'burner-door',
          where: 'In the flame of the last burner',
          byHand: 'It cannot be moved by hand: it conducts in the flame alone.',
        },
        ['signal', 0.000_003],
        { opens: 20, closes: 40, tolerance: 5 },
        ['r', 'g'],
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
      plainLoad(
        {
          id: 'inducer',
          name: 'Inducer motor',
          role: 'draws the flue gas',
          seenAs: { name: 'Draft fan' },
          prior: commonPractice(2),
          panel: 'burner-door',
        },
        'motor',
        {
          value: { nominal: 18, low: 14, high: 23 },
          working: { nominal: 80, low: 65, high: 100 },
          volts: 120,
        },
      ),
      plainLoad(
        {
          id: 'blower',
          name: 'Blower motor',
          role: 'moves the air of the house',
          seenAs: { name: 'Air from the registers', off: 'does not come', runs: 'comes' },
          panel: 'blower-door',
        },
        'motor',
        {
          value: { nominal: 3.6, low: 2.9, high: 4.4 },
          working: { nominal: 17, low: 14, high: 22 },
          volts: 120,
        },
      ),
      {
        id: 'igniter',
        name: 'Hot-surface igniter',
        role: 'lights the gas',
        seenAs: { name: 'Igniter', off: 'does not glow', runs: 'glows' },
        prior: commonPractice(5),
        kind: 'load',
        load: 'heater',
        terminals: [{ id: 'a' }, { id: 'b' }],
        elements: [
          {
            id: 'igniter',
            between: ['a', 'b'],
            value: { nominal: 60, low: 40, high: 90 },
            working: { nominal: 30, low: 25, high: 40 },
            volts: 120,
          },
        ],
        panel: 'burner-door',
      },
      plainLoad(
        {
          id: 'valve',
          name: 'Gas valve',
          role: 'lets the gas to the burners',
          seenAs: { name: 'Gas valve', off: 'does not click', runs: 'clicks open', close: true },
          panel: 'burner-door',
        },
        'coil',
        {
          value: { nominal: 22, low: 17, high: 28 },
          working: { nominal: 60, low: 48, high: 75 },
          volts: 24,
        },
      ),
    ],
    wires: wires(`
    BK line.L door-switch.1
    GN line.G frame.G
    RD board.R call.R
    WH call.W board.W
    GN call.G board.G
    YE-BK board.LIM draft-switch.a
    OR draft-switch.b ${condensing ? 'collector-switch.a' : 'board.PS'}
    OR board.PS valve-contact.C
    BN valve-contact.NO valve.a
    BU valve.b board.C
    BK door-switch.2 inducer-contact.C
    BK door-switch.2 blower-contact.C
    BK door-switch.2 igniter-contact.C
    VT inducer-contact.NO inducer.a
    BK-RD blower-contact.NO blower.a
    GY igniter-contact.NO igniter.a
    WH inducer.b transformer.N
    WH blower.b transformer.N
    WH igniter.b transformer.N
    BU board.C frame.F
    GY board.FR flame-rod.r
    GN flame-rod.g frame.F
    ${condensing ? 'OR collector-switch.b board.PS' : ''}
  `),
    uses: [
      {
        id: 'heat',
        name: 'Call for heat, then off',
        steps: 'thermostat=heat,wait=300,thermostat=off,wait=120,thermostat=fan,wait=10',
      },
    ],
    looks: [
      look('filter', 'The filter is dirty, or registers are closed', ['plenum'], [0.8, 0.1], 1),
      look(
        'hose',
        'The draft hose is off, cracked or full of water',
        ['hose:broken', 'draft'],
        [0.9, 0.02],
        1,
        { panel: 'burner-door' },
      ),
      look(
        'rod-film',
        'A film on the flame rod, or its porcelain is cracked',
        ['flame-rod'],
        [0.7, 0.1],
        2,
        { panel: 'burner-door' },
      ),
      look(
        'fan-on',
        'With the thermostat at FAN the air comes',
        ['blower', 'blower-contact', 'capacitor'],
        [0.05, 0.9],
        0.5,
        { powered: true },
      ),
      look('crack', 'A crack or a white spot on the igniter', ['igniter:open'], [0.6, 0.02], 1, {
        panel: 'burner-door',
      }),
      look(
        'rust',
        'Rust, soot or scorched paint round the burners',
        ['rollout', 'burner'],
        [0.5, 0.03],
        1,
        { panel: 'burner-door' },
      ),
      weakCapacitor('capacitor', 'blower-door'),
    ],
    energies: ['gas', 'flue', 'moving-air', 'ducts'],
    cautions: [
      'Gas smell: operate nothing, leave, call from outside. Shut the gas off only on the way.',
      CAUTIONS.blower,
      CAUTIONS.capacitor,
      'After the repair: temperature rise against the plate, draft, and carbon monoxide.',
      'A tripped rollout or blower-side limit has a cause. Never just reset it and leave.',
      'Gas and combustion are a licensed trade’s work in many places: follow local codes.',
    ],
  });

export const gasFurnace = gasFurnaceOf({ condensing: false });
