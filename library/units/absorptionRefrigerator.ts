import { handActuator, panel, quantity, temperature, TOOLS } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { coil, heater, lamp } from '../shelf/loads';
import { CAUTIONS, commonPractice, look, LOW_BATTERY } from '../shelf/practice';
import { fuse } from '../shelf/protectors';
import { board, boardRelays, powerInput } from '../shelf/relays';
import { houseBattery, mainsCord } from '../shelf/supplies';
import { plainSwitch, setPointSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

const OFF = { when: { select: 'off' }, to: 'off' };
const TO_GAS = { when: { select: 'gas', cold: 'closed' }, to: 'light' };
const COLD = { when: { cold: 'open' }, to: 'ready' };

const relays = boardRelays(
  { panel: 'board-cover', soldAs: 'the control board' },
  {
    heat: ['Heater relay', 'feeds the heater', 2.8],
    valve: ['Gas valve relay', 'feeds the gas valve', 0.5],
  },
);

/** Absorption refrigerator of a trailer: 120 V heater or gas flame, 12 V board, flue limit. */
export const absorptionRefrigerator = unit({
  id: 'absorption-refrigerator',
  name: 'Absorption refrigerator, 120 V or gas',
  kind: 'trailer refrigerator',
  drawnFor: { cabinet: 62, flue: 80, flame: 0 },
  supplies: [mainsCord(15), { ...houseBattery, prior: commonPractice(1.5) }],
  actuators: [
    handActuator('select', 'Energy selector', 'knob', {
      off: 'selector at OFF',
      mains: 'selector at 120 V',
      gas: 'selector at GAS',
    }),
    handActuator('door', 'Door', 'door', { closed: 'door closed', open: 'door open' }),
    ...relays.actuators,
    temperature('cabinet', 'Fins in the cabinet', {
      by: 'element',
      to: 20,
      seconds: 5400,
      alone: { by: 'valve', to: 20 },
    }),
    temperature(
      'flue',
      'Flue at the boiler',
      { by: 'element', to: 360, seconds: 900, alone: { by: 'valve', to: 380 } },
      [
        {
          beyond: 'limit',
          side: 'above',
          says: 'the boiler gets too hot: the heat does not go into the cooling',
          causes: [
            'it stood out of level',
            'a blocked vent behind it',
            'yellow residue: the cooling unit leaks',
          ],
          action:
            'The limit is right: level it, free the vent; a leaking cooling unit is replaced.',
          prior: commonPractice(2),
        },
      ],
    ),
    quantity('level', '% of a good flame', 'flame', 'Flame at its electrode', {
      by: 'valve',
      to: 100,
      seconds: 1,
    }),
  ],
  panels: [
    panel('vent', 'Outside vent cover', '2 quarter turns', 1, 'back'),
    panel('burner', 'Burner shield', '1 cross-head screw', 2, 'back', { tool: TOOLS.cross }),
    panel('board-cover', 'Board cover', '2 cross-head screws', 2, 'back', { tool: TOOLS.cross }),
    panel('display', 'Selector panel', '2 cross-head screws', 4, 'front', { tool: TOOLS.cross }),
  ],
  parts: [
    frame('Cabinet metal', 'metal of the refrigerator'),
    fuse(
      {
        id: 'fuse',
        name: '12 V fuse',
        role: 'protects the board',
        prior: commonPractice(1.5),
        panel: 'board-cover',
      },
      5,
    ),
    fuse(
      {
        id: 'mains-fuse',
        name: '120 V fuse',
        role: 'protects the heater',
        prior: commonPractice(1.5),
        panel: 'board-cover',
      },
      5,
      'glass',
    ),
    setPointSwitch(
      {
        id: 'cold-control',
        name: 'Cold control',
        role: 'tells the board that it is too warm',
        actuator: 'cabinet',
        prior: commonPractice(1.5),
        where: 'Clipped to the fins inside',
        byHand: 'It cannot be moved by hand: warm it, or lay it in ice water.',
      },
      ['signal', 0.002],
      { opens: 34, closes: 40, tolerance: 2 },
    ),
    setPointSwitch(
      {
        id: 'limit',
        name: 'Flue limit',
        role: 'cuts the board when the boiler gets too hot, until it is pressed',
        actuator: 'flue',
        reset: 'manual',
        safety: true,
        prior: commonPractice(2.5),
        panel: 'vent',
        where: 'On the flue pipe over the burner',
        byHand: 'It cannot be moved by hand: press its button once it is cool.',
      },
      ['control', 1],
      { opens: 440, closes: 300, tolerance: 20 },
    ),
    board(
      {
        id: 'board',
        name: 'Control board',
        role: 'chooses heater or gas, lights and proves the flame',
        seenAs: { name: 'Lights of the selector' },
        prior: commonPractice(3),
        panel: 'board-cover',
      },
      [
        powerInput(['P', 'M'], 80, 400, 9.5),
        { id: 'cold', between: ['T1', 'T2'], senses: 'contact', ohms: { low: 8000, high: 40_000 } },
        { id: 'lit', between: ['FE', 'M'], senses: 'contact', ohms: { low: 20_000, high: 90_000 } },
        { id: 'mains', between: ['AL', 'AN'], ohms: { low: 20_000, high: 90_000 }, fedFrom: 90 },
      ],
      [
        {
          id: 'off',
          says: 'dark',
          drives: [],
          next: [
            { when: { select: 'mains' }, to: 'ready' },
            { when: { select: 'gas' }, to: 'ready' },
          ],
        },
        {
          id: 'ready',
          says: 'power light: cold enough',
          drives: [],
          next: [
            OFF,
            TO_GAS,
            { when: { select: 'mains', cold: 'closed', mains: 'fed' }, to: 'heat' },
            { when: { select: 'mains', cold: 'closed', mains: 'dead' }, after: 2, to: 'no-mains' },
          ],
        },
        {
          id: 'heat',
          says: '120 V light: cools',
          drives: ['heat-relay'],
          next: [OFF, COLD, { when: { mains: 'dead' }, to: 'no-mains' }, TO_GAS],
        },
        {
          id: 'no-mains',
          says: 'no 120 V light',
          drives: [],
          next: [OFF, TO_GAS, { when: { mains: 'fed' }, to: 'ready' }],
        },
        {
          id: 'light',
          says: 'gas light: ticks',
          drives: ['valve-relay'],
          next: [
            OFF,
            { when: { lit: 'closed' }, to: 'burn' },
            { when: {}, after: 30, to: 'check' },
          ],
        },
        {
          id: 'burn',
          says: 'gas light: cools',
          drives: ['valve-relay'],
          next: [OFF, COLD, { when: { lit: 'open' }, after: 3, to: 'light' }],
        },
        { id: 'check', says: 'CHECK light', drives: [], next: [OFF] },
      ],
    ),
    ...relays.parts,
    setPointSwitch(
      {
        id: 'electrode',
        name: 'Flame electrode',
        role: 'sparks, and tells the board that the flame is there',
        actuator: 'flame',
        causes: ['soot or a web in the burner', 'a cracked porcelain', 'a gap too wide'],
        prior: commonPractice(3),
        panel: 'burner',
        where: 'Over the burner tube',
        byHand: 'It cannot be moved by hand: it conducts in the flame alone.',
      },
      ['signal', 0.000_003],
      { opens: 25, closes: 45, tolerance: 5 },
      ['e', 'g'],
    ),
    heater(
      {
        id: 'element',
        name: '120 V heater',
        role: 'drives the cooling on mains',
        seenAs: { name: 'Boiler on 120 V', off: 'stays cold', runs: 'gets hot' },
        prior: commonPractice(3),
        panel: 'vent',
        where: 'In its tube beside the flue',
      },
      330,
      120,
    ),
    coil(
      {
        id: 'valve',
        name: 'Gas valve',
        role: 'lets the gas to the burner',
        seenAs: { name: 'Flame', off: 'does not come', runs: 'burns' },
        prior: commonPractice(2),
        panel: 'burner',
      },
      38,
      12,
    ),
    plainSwitch(
      {
        id: 'door-switch',
        name: 'Door switch',
        role: 'lights the lamp',
        actuator: 'door',
        free: 'open',
        byHand: 'Press its plunger with the door open.',
        prior: commonPractice(1),
        panel: 'display',
      },
      { circuit: 'control', amps: 0.4, throw: 'NC' },
      { closed: 'open', open: 'closed' },
    ),
    lamp(
      {
        id: 'lamp',
        name: 'Cabinet lamp',
        role: 'lights the cabinet',
        seenAs: { name: 'Light inside' },
        prior: commonPractice(1),
      },
      5,
      12,
    ),
  ],
  wires: wires(`
    RD battery.P fuse.a
    RD-WH fuse.b limit.1
    OR limit.2 board.P
    BK board.M battery.M
    BK cord.L mains-fuse.a
    BK-RD mains-fuse.b board.AL
    BK-RD mains-fuse.b heat-contact.C
    VT heat-contact.NO element.a
    WH element.b cord.N
    WH board.AN cord.N
    OR board.P valve-contact.C
    YE valve-contact.NO valve.a
    BK valve.b board.M
    GY board.T1 cold-control.1
    GY-BK board.T2 cold-control.2
    BN board.FE electrode.e
    GN electrode.g board.M
    RD-WH fuse.b lamp.a
    BU lamp.b door-switch.1
    BK door-switch.2 board.M
    GN cord.G frame.G
    BK board.M frame.F
  `),
  uses: [
    { id: 'mains', name: 'On 120 V, then off', steps: 'select=mains,wait=60,select=off' },
    {
      id: 'gas',
      name: 'On gas, and the door is opened',
      steps: 'select=gas,wait=60,door=open,wait=5',
    },
  ],
  looks: [
    look('level', 'The trailer stood out of level', ['flue', 'limit'], [0.5, 0.1], 0.5),
    look('residue', 'Yellow residue or a smell of ammonia at the back', ['flue'], [0.3, 0.01], 1, {
      panel: 'vent',
    }),
    look(
      'web',
      'Soot, rust or a web in burner and flue; the flame is yellow',
      ['electrode', 'valve'],
      [0.5, 0.06],
      3,
      { panel: 'burner' },
    ),
    look(
      'limit-button',
      'The button of the flue limit clicks when it is pressed',
      ['limit:tripped', 'flue'],
      [0.9, 0.03],
      1,
      { panel: 'vent' },
    ),
    look(
      'flue-warm',
      'On 120 V the flue gets warm within twenty minutes',
      ['cold-control', 'flue'],
      [0.3, 0.6],
      20,
      { powered: true, panel: 'vent' },
    ),
    look(
      'range',
      'The burners of the kitchen light: there is gas',
      ['electrode', 'valve', 'valve-contact', 'board'],
      [0.8, 0.5],
      1,
      { feeds: true },
    ),
    LOW_BATTERY,
  ],
  energies: ['gas', 'flue', 'refrigerant'],
  cautions: [
    ...CAUTIONS.gas,
    'Two supplies: pull the 120 V cord and the 12 V fuse, and prove both dead.',
    'A leaking cooling unit holds ammonia and hydrogen: shut it off, air the trailer, no flame.',
  ],
});
