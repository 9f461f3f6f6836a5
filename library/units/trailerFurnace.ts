import { handActuator, panel, quantity, temperature, TOOLS } from '../shelf/actuators';
import { frame, hardware } from '../shelf/connections';
import { plainLoad } from '../shelf/loads';
import { CAUSES, commonPractice, look } from '../shelf/practice';
import { board, boardRelays, powerInput } from '../shelf/relays';
import { houseBattery } from '../shelf/supplies';
import { plainSwitch, setPointSwitch } from '../shelf/switches';
import { fuse } from '../shelf/protectors';
import { unit, wires } from '../shelf/unit';

const relays = boardRelays(
  { panel: 'outside' },
  {
    blower: ['Blower relay', 'starts the blower', 7],
    valve: ['Valve relay', 'lets the valve open', 0.6],
  },
);

/** Trailer furnace on 12 V: board, blower, sail switch, limit, gas valve. */
export const trailerFurnace = unit({
  id: 'trailer-furnace',
  name: 'Trailer furnace with sail switch',
  kind: 'trailer furnace',
  drawnFor: { air: 0, chamber: 70, flame: 0 },
  supplies: [houseBattery],
  actuators: [
    handActuator('thermostat', 'Thermostat', 'knob', {
      off: 'thermostat at OFF',
      heat: 'thermostat calling for heat',
    }),
    ...relays.actuators,
    quantity(
      'airflow',
      '% of full air',
      'air',
      'Air at the sail',
      { by: 'blower', to: 100, seconds: 1 },
      [
        {
          beyond: 'sail',
          side: 'below',
          says: 'too little air',
          causes: [
            'a weak battery or converter: read the volts at the blower while it runs',
            'closed or crushed ducts',
            'a blocked return or intake',
            'lint on the blower wheel, or a worn motor',
          ],
          action:
            'The switch is right: bring the blower its full volts and free the air, and watch the sail again.',
          prior: commonPractice(3),
        },
      ],
    ),
    quantity('level', '% of a good flame', 'flame', 'Flame at its electrode', {
      by: 'valve',
      to: 100,
      seconds: 1,
    }),
    temperature('chamber', 'Combustion chamber', {
      by: 'valve',
      to: 420,
      seconds: 120,
      held: { by: 'blower', to: 150 },
    }),
  ],
  panels: [
    panel('outside', 'Outside cover', 'clip on each side', 2, 'front'),
    panel('core', 'Furnace core pulled out', '4 screws, one plug', 20, 'front', {
      tool: TOOLS.nut,
    }),
  ],
  parts: [
    frame('Furnace case', 'metal of the furnace'),
    fuse(
      {
        id: 'fuse',
        name: 'Furnace fuse',
        role: 'protects the wires',
        where: 'In the trailer’s fuse panel',
      },
      15,
    ),
    plainSwitch(
      {
        id: 'call',
        name: 'Thermostat contacts',
        role: 'call for heat',
        actuator: 'thermostat',
        free: 'off',
        byHand: 'Slide the lever to the stop and back.',
        where: 'On the wall, two blue wires',
      },
      { circuit: 'control', amps: 0.6 },
      { off: 'open', heat: 'closed' },
      ['a', 'b'],
    ),
    board(
      {
        id: 'board',
        name: 'Control board',
        role: 'runs blower and valve',
        seenAs: { name: 'Light of the board' },
        prior: commonPractice(3),
        panel: 'outside',
      },
      [
        powerInput(['P', 'M'], 60, 300, 6.5),
        { id: 'heat', between: ['T', 'M'], ohms: { low: 200, high: 1500 }, fedFrom: 6 },
        { id: 'sail', between: ['S', 'M'], ohms: { low: 200, high: 1500 }, fedFrom: 6 },
        { id: 'lit', between: ['FE', 'M'], senses: 'contact', ohms: { low: 20_000, high: 90_000 } },
      ],
      [
        {
          id: 'idle',
          says: 'dark',
          drives: [],
          next: [
            // A sail that is closed before the blower runs would prove nothing: it is asked first.
            { when: { heat: 'fed', sail: 'dead' }, after: 2, to: 'blow' },
          ],
        },
        {
          id: 'blow',
          says: 'steady light: blower',
          drives: ['blower-relay'],
          next: [
            { when: { heat: 'dead' }, to: 'cool' },
            { when: { sail: 'fed' }, after: 15, to: 'spark' },
            { when: { sail: 'dead' }, after: 20, to: 'no-air' },
          ],
        },
        {
          id: 'spark',
          says: 'steady light: sparks',
          drives: ['blower-relay', 'valve-relay'],
          next: [
            { when: { heat: 'dead' }, to: 'cool' },
            { when: { sail: 'dead' }, to: 'blow' },
            { when: { lit: 'closed' }, to: 'burn' },
            { when: {}, after: 7, to: 'purge' },
          ],
        },
        {
          id: 'purge',
          says: 'three blinks: no flame, tries again',
          drives: ['blower-relay'],
          next: [
            { when: { heat: 'dead' }, to: 'cool' },
            { when: {}, after: 20, to: 'spark-2' },
          ],
        },
        {
          id: 'spark-2',
          says: 'steady light: sparks again',
          drives: ['blower-relay', 'valve-relay'],
          next: [
            { when: { heat: 'dead' }, to: 'cool' },
            { when: { sail: 'dead' }, to: 'blow' },
            { when: { lit: 'closed' }, to: 'burn' },
            { when: {}, after: 7, to: 'no-flame' },
          ],
        },
        {
          id: 'no-flame',
          says: 'four blinks: locked out, no flame',
          drives: [],
          next: [{ when: { heat: 'dead' }, to: 'idle' }],
        },
        {
          id: 'burn',
          says: 'steady light: burning',
          drives: ['blower-relay', 'valve-relay'],
          next: [
            { when: { heat: 'dead' }, to: 'cool' },
            { when: { sail: 'dead' }, to: 'blow' },
            { when: { lit: 'open' }, after: 2, to: 'purge' },
          ],
        },
        {
          id: 'cool',
          says: 'steady light: blower runs on',
          drives: ['blower-relay'],
          next: [{ when: {}, after: 90, to: 'idle' }],
        },
        {
          id: 'no-air',
          says: 'two blinks: no airflow, or a limit is open',
          drives: [],
          next: [{ when: { heat: 'dead' }, to: 'idle' }],
        },
      ],
    ),
    ...relays.parts,
    setPointSwitch(
      {
        id: 'electrode',
        name: 'Flame electrode',
        role: 'sparks, and tells the board that the flame is there',
        causes: ['a bent or sooted electrode', 'a cracked porcelain', 'a gap too wide'],
        prior: commonPractice(3),
        actuator: 'flame',
        panel: 'core',
        where: 'Over the burner',
        byHand: 'It cannot be moved by hand: it conducts in the flame alone.',
      },
      ['signal', 0.000_003],
      { opens: 20, closes: 40, tolerance: 5 },
      ['e', 'g'],
    ),
    setPointSwitch(
      {
        id: 'limit',
        causes: [...CAUSES.furnaceAir],
        name: 'Limit',
        role: 'opens when the chamber gets too hot',
        prior: commonPractice(1.5),
        actuator: 'chamber',
        safety: true,
        panel: 'core',
        where: 'On the chamber, under two screws',
      },
      ['control', 0.6],
      { opens: 190, closes: 160, tolerance: 8 },
      ['a', 'b'],
    ),
    setPointSwitch(
      {
        id: 'sail',
        name: 'Sail switch',
        role: 'proves that the blower moves air',
        prior: commonPractice(4),
        aliases: [{ word: 'airflow switch' }, { word: 'micro switch' }],
        actuator: 'air',
        byHand: 'Lift the sail gently with a finger; its arm is never bent.',
        safety: true,
        panel: 'core',
        where: 'Beside the blower wheel',
      },
      ['control', 0.6],
      { opens: 60, closes: 75, tolerance: 8 },
      ['COM', 'NO'],
    ),
    hardware(
      {
        id: 'sail-arm',
        name: 'Sail and its arm',
        role: 'is lifted by the air',
        panel: 'core',
        prior: commonPractice(2),
      },
      ['sail'],
    ),
    {
      id: 'blower',
      name: 'Blower motor',
      role: 'moves the air',
      seenAs: { name: 'Air from the ducts', off: 'does not come', runs: 'comes' },
      prior: commonPractice(2),
      kind: 'load',
      load: 'motor',
      // It has brushes: it turns on little, and slowly.
      startsFrom: 0.3,
      terminals: [{ id: 'p' }, { id: 'm' }],
      elements: [
        {
          id: 'winding',
          between: ['p', 'm'],
          value: { nominal: 0.6, low: 0.4, high: 0.9 },
          working: { nominal: 1.9, low: 1.6, high: 2.3 },
          volts: 12,
        },
      ],
      panel: 'core',
    },
    plainLoad(
      {
        id: 'valve',
        name: 'Gas valve',
        role: 'lets the gas to the burner',
        seenAs: { name: 'Flame', off: 'does not come', runs: 'burns' },
        panel: 'outside',
      },
      'coil',
      { value: { nominal: 22, low: 18, high: 27 }, volts: 12 },
    ),
  ],
  wires: wires(`
    RD battery.P fuse.a
    RD fuse.b board.P
    YE battery.M board.M
    BU board.P call.a
    BU-WH call.b board.T
    BU-WH board.T limit.a
    BN limit.b sail.COM
    OR sail.NO board.S
    OR board.S valve-contact.C
    BK valve-contact.NO valve.a
    YE valve.b board.M
    RD board.P blower-contact.C
    RD-WH blower-contact.NO blower.p
    YE blower.m board.M
    YE board.M frame.G
    WH board.FE electrode.e
    GN electrode.g board.M
  `),
  uses: [
    {
      id: 'heat',
      name: 'Call for heat',
      steps: 'thermostat=heat,wait=120,thermostat=off,wait=120',
    },
  ],
  looks: [
    look(
      'hair',
      'Hair or lint on the sail, or a bent arm',
      ['sail-arm:broken', 'sail:not-actuated'],
      [0.7, 0.03],
      2,
      { panel: 'core' },
    ),
    look(
      'dim',
      'The lights of the trailer dim when the blower starts: weak battery or converter',
      ['air', 'battery'],
      [0.7, 0.08],
      0.5,
      { powered: true, feeds: true },
    ),
    look(
      'ducts',
      'A duct is crushed, or most registers are closed',
      ['air', 'chamber'],
      [0.5, 0.08],
      1,
    ),
    look('nest', 'A web or a nest in intake or exhaust', ['electrode', 'air'], [0.5, 0.05], 1, {
      panel: 'outside',
    }),
    look(
      'stove',
      'The burners of the kitchen light: there is gas',
      ['valve', 'valve-contact', 'board', 'electrode'],
      [0.8, 0.5],
      1,
      { feeds: true },
    ),
  ],
  energies: ['gas', 'flue', 'moving-air', 'ducts'],
  cautions: [
    'Gas smell: operate nothing, leave, call from outside. Shut the gas off only on the way.',
    'The sail switch proves the air for the flame: it is never bridged, its arm never bent.',
    'Gas parts are a licensed trade’s work in many places: follow local codes and the maker’s sheet.',
  ],
});
