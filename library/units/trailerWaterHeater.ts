import { handActuator, panel, temperature, TOOLS } from '../shelf/actuators';
import { frame, hardware } from '../shelf/connections';
import { about, plainLoad } from '../shelf/loads';
import { CAUSES, commonPractice, look, LOW_BATTERY } from '../shelf/practice';
import { board, boardRelays, powerInput } from '../shelf/relays';
import { houseBattery } from '../shelf/supplies';
import { plainSwitch, setPointSwitch } from '../shelf/switches';
import { fuse } from '../shelf/protectors';
import { unit, wires } from '../shelf/unit';

const relays = boardRelays(
  { panel: 'door' },
  {
    valve: ['Valve relay', 'lets the valve open', 0.8],
    lamp: ['Lamp relay', 'lights the fault lamp', 0.1],
  },
);

/** Trailer water heater on 12 V: wall switch with fault lamp, thermostat, emergency cut-out, board. */
export const trailerWaterHeater = unit({
  id: 'trailer-water-heater',
  name: 'Trailer water heater with emergency cut-out',
  kind: 'trailer water heater',
  drawnFor: { tank: 70, flame: 70 },
  supplies: [houseBattery],
  actuators: [
    handActuator('wall', 'Wall switch', 'button', { off: 'wall switch off', on: 'wall switch on' }),
    ...relays.actuators,
    temperature('tank', 'Tank water', { by: 'valve', to: 155, seconds: 900 }),
    temperature('flame', 'Heat at the flame sensor', { by: 'valve', to: 1400, seconds: 6 }),
  ],
  panels: [
    panel('door', 'Outside door', 'one quarter-turn latch', 1, 'front'),
    panel('cover', 'Thermostat cover', '2 hex-head screws, foam pad', 2, 'front', {
      tool: TOOLS.nut,
    }),
    panel('plate', 'Wall plate inside', '2 cross-head screws', 2, 'inside', { tool: TOOLS.cross }),
  ],
  parts: [
    frame('Heater case', 'metal of the heater'),
    fuse(
      {
        id: 'fuse',
        name: 'Heater fuse',
        role: 'protects the wires',
        prior: commonPractice(1.5),
        where: 'In the trailer’s fuse panel',
      },
      10,
    ),
    plainSwitch(
      {
        id: 'wall-switch',
        name: 'Wall switch',
        role: 'turns the heater on',
        prior: commonPractice(1.5),
        actuator: 'wall',
        free: 'off',
        byHand: 'Take the plate off and press the rocker itself.',
        panel: 'plate',
      },
      { circuit: 'control', amps: 1.2 },
      { off: 'open', on: 'closed' },
    ),
    setPointSwitch(
      {
        id: 'thermostat',
        name: 'Thermostat',
        role: 'opens when the water is warm',
        prior: commonPractice(3),
        actuator: 'tank',
        panel: 'cover',
        where: 'On the tank, the pair with the lower mark',
      },
      ['control', 1.2],
      { opens: 140, closes: 115, tolerance: 6 },
      ['a', 'b'],
    ),
    setPointSwitch(
      {
        id: 'cut-out',
        causes: [...CAUSES.scale],
        name: 'Emergency cut-out',
        role: 'opens when the water gets too hot, until it is pressed',
        prior: commonPractice(4),
        aliases: [{ word: 'eco' }, { word: 'reset button' }],
        actuator: 'tank',
        byHand: 'It cannot be moved by hand: press its button once it is cool.',
        reset: 'manual',
        safety: true,
        panel: 'cover',
        where: 'On the tank, the pair with the button',
      },
      ['control', 1.2],
      { opens: 180, closes: 110, tolerance: 7 },
      ['c', 'd'],
    ),
    board(
      {
        id: 'board',
        name: 'Ignition board',
        role: 'sparks, opens the gas valve, proves the flame',
        seenAs: { name: 'Ignition board' },
        prior: commonPractice(3),
        panel: 'door',
      },
      [
        powerInput(['P', 'M'], 60, 300, 9),
        { id: 'flame', between: ['FS', 'M'], senses: 'contact' },
      ],
      [
        {
          id: 'wait',
          says: 'quiet',
          drives: [],
          next: [{ when: {}, after: 3, to: 'try' }],
        },
        {
          id: 'try',
          says: 'sparking',
          drives: ['valve-relay'],
          next: [
            { when: { flame: 'closed' }, to: 'burn' },
            { when: {}, after: 8, to: 'lockout' },
          ],
        },
        {
          id: 'burn',
          says: 'burning',
          drives: ['valve-relay'],
          next: [{ when: { flame: 'open' }, to: 'wait' }],
        },
        { id: 'lockout', says: 'lockout, fault lamp', drives: ['lamp-relay'], next: [] },
      ],
    ),
    setPointSwitch(
      {
        id: 'flame-sensor',
        name: 'Flame sensor',
        role: 'tells the board that the flame is there',
        prior: commonPractice(2.5),
        actuator: 'flame',
        byHand:
          'It cannot be moved by hand: it conducts in the flame alone; an ohmmeter shows OL hot and cold.',
        panel: 'door',
        where: 'In the flame, at the end of the burner tube',
      },
      ['signal', 0.000_003],
      { opens: 300, closes: 500, tolerance: 60 },
      ['r', 'g'],
    ),
    ...relays.parts,
    hardware(
      {
        id: 'tube',
        name: 'Burner tube and orifice',
        role: 'brings the gas and the air to the electrode',
        causes: ['a web or a nest', 'soot'],
        prior: commonPractice(3),
        panel: 'door',
      },
      ['flame-sensor'],
    ),
    plainLoad(
      {
        id: 'valve',
        name: 'Gas valve',
        role: 'lets the gas to the burner',
        seenAs: { name: 'Flame', off: 'does not come', runs: 'burns' },
        prior: commonPractice(2),
        panel: 'door',
        where: 'Behind the outside door, right',
      },
      'coil',
      { value: about(40, 15), volts: 12 },
    ),
    plainLoad(
      {
        id: 'fault-lamp',
        name: 'Fault lamp',
        role: 'lit in lockout',
        seenAs: { name: 'Fault lamp' },
        panel: 'plate',
      },
      'lamp',
      { value: about(130, 20), volts: 12 },
    ),
  ],
  wires: wires(`
    RD battery.P fuse.a
    RD fuse.b wall-switch.1
    OR wall-switch.2 cut-out.c
    BN cut-out.d thermostat.a
    BN-WH thermostat.b board.P
    BK board.M battery.M
    VT board.P valve-contact.C
    YE valve-contact.NO valve.a
    BK valve.b board.M
    GY board.P lamp-contact.C
    BU lamp-contact.NO fault-lamp.a
    BK fault-lamp.b battery.M
    BK board.M frame.G
    WH flame-sensor.r board.FS
    GN flame-sensor.g board.M
  `),
  uses: [{ id: 'heat', name: 'Heat the water', steps: 'wall=on,wait=60,wall=off,wait=30' }],
  looks: [
    look(
      'button',
      'The button of the emergency cut-out clicks when pressed',
      ['cut-out:tripped', 'tank'],
      [0.85, 0.03],
      1,
      { panel: 'cover' },
    ),
    look(
      'soot',
      'Soot, a web or a wasp nest in burner tube and orifice',
      ['tube:broken'],
      [0.8, 0.05],
      2,
      { panel: 'door' },
    ),
    look(
      'spark-gap',
      'The electrode is bent, sooted or cracked',
      ['flame-sensor'],
      [0.6, 0.05],
      1,
      { panel: 'door' },
    ),
    look(
      'stove',
      'The burners of the kitchen light: there is gas',
      ['valve', 'valve-contact', 'board', 'flame-sensor'],
      [0.8, 0.5],
      1,
      { feeds: true },
    ),
    LOW_BATTERY,
  ],
  energies: ['gas', 'flue', 'water'],
  cautions: [
    'Gas smell: operate nothing, leave, call from outside. Shut the gas off only on the way.',
    'Hot water scalds: let the tank cool before the cut-out is pressed, and find why it opened.',
    'Gas parts are a licensed trade’s work in many places: follow local codes and the maker’s sheet.',
  ],
});
