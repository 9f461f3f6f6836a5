import { door, handActuator, panel, temperature, TOOLS } from '../shelf/actuators';
import { frame, hardware } from '../shelf/connections';
import { about, neonLamp, plainLoad } from '../shelf/loads';
import { commonPractice, look } from '../shelf/practice';
import { rangeCord } from '../shelf/supplies';
import { plainSwitch, setPointSwitch, table } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** Self-cleaning wall oven: selector, thermostat, and a wax motor that locks the door and moves a switch. */
export const cleanOven = unit({
  id: 'clean-oven',
  name: 'Self-cleaning wall oven, door lock with switch',
  kind: 'wall oven',
  drawnFor: { wax: 70, cavity: 70 },
  supplies: [rangeCord(30, 'Feed')],
  actuators: [
    door(),
    handActuator('selector', 'Selector knob', 'knob', {
      off: 'knob at OFF',
      bake: 'knob at BAKE',
      broil: 'knob at BROIL',
      clean: 'knob at CLEAN',
    }),
    temperature('wax', 'Wax of the lock motor', { by: 'lock-motor', to: 240, seconds: 25 }),
    temperature('cavity', 'Oven cavity', { by: 'bake', to: 1000, seconds: 2600 }),
  ],
  panels: [
    panel('front', 'Control front', '6 cross-head screws under the trim', 6, 'front', {
      tool: TOOLS.cross,
      tethered: 'the selector harness',
    }),
    panel('back', 'Back plate, oven pulled out', '10 hex-head screws', 30, 'back', {
      tool: TOOLS.nut,
      helper: true,
      coldOnly: true,
    }),
  ],
  parts: [
    frame('Frame', 'metal of the oven'),
    {
      id: 'selector',
      name: 'Selector switch',
      role: 'chooses what heats, and locks the door in CLEAN',
      prior: commonPractice(2),
      kind: 'switch',
      terminals: [
        { id: 'P1' },
        { id: 'K' },
        { id: 'R' },
        { id: 'W' },
        { id: 'H' },
        { id: 'Q' },
        { id: 'P2' },
        { id: 'S' },
        { id: 'T' },
      ],
      contacts: [
        { id: 'P1-K', between: ['P1', 'K'], circuit: 'heater', amps: 10.4 },
        { id: 'P1-R', between: ['P1', 'R'], circuit: 'heater', amps: 14.2 },
        { id: 'H-W', between: ['H', 'W'], circuit: 'control', amps: 0.1 },
        { id: 'Q-K', between: ['Q', 'K'], circuit: 'heater', amps: 10.4 },
        { id: 'P2-S', between: ['P2', 'S'], circuit: 'heater', amps: 14.2 },
        { id: 'P2-T', between: ['P2', 'T'], circuit: 'heater', amps: 10.4 },
      ],
      actuator: 'selector',
      free: 'off',
      byHand: 'Pull the knob and turn the shaft itself with pliers.',
      table: table({
        off: [],
        bake: ['P1-K', 'P2-S'],
        broil: ['P1-R', 'P2-S'],
        clean: ['H-W', 'Q-K', 'P2-T'],
      }),
      panel: 'front',
      where: 'Behind the right knob',
    },
    setPointSwitch(
      {
        id: 'thermostat',
        name: 'Oven thermostat',
        role: 'cycles the elements',
        prior: commonPractice(2),
        actuator: 'cavity',
        panel: 'front',
        where: 'Behind the left knob, with its capillary',
      },
      ['heater', 14.2],
      { opens: 365, closes: 335, tolerance: 12 },
      ['L', 'M'],
    ),
    setPointSwitch(
      {
        id: 'clean-stat',
        name: 'Cleaning thermostat',
        role: 'holds the heat of CLEAN',
        prior: commonPractice(1),
        actuator: 'cavity',
        panel: 'front',
        where: 'In the body of the oven thermostat',
      },
      ['heater', 10.4],
      { opens: 885, closes: 845, tolerance: 20 },
      ['L', 'M'],
    ),
    setPointSwitch(
      {
        id: 'lock-stat',
        name: 'Lock thermostat',
        role: 'keeps the bolt out until the oven has cooled',
        prior: commonPractice(1),
        actuator: 'cavity',
        safety: true,
        panel: 'back',
        where: 'On the back of the cavity',
      },
      ['control', 0.1],
      { opens: 535, closes: 570, tolerance: 15 },
    ),
    plainSwitch(
      {
        id: 'door-switch',
        name: 'Door switch',
        role: 'lets the lock be driven only with the door shut',
        prior: commonPractice(1.5),
        actuator: 'door',
        safety: true,
        free: 'open',
        byHand: 'Press its plunger with the door open.',
        panel: 'front',
        where: 'Over the door, right of the bolt',
      },
      { circuit: 'control', amps: 0.1, throw: 'NO' },
      { closed: 'closed', open: 'open' },
    ),
    plainLoad(
      {
        id: 'lock-motor',
        name: 'Door lock wax motor',
        role: 'pushes the bolt into the door while it is warm',
        seenAs: { name: 'Door bolt', off: 'does not come out', runs: 'locks' },
        prior: commonPractice(3),
        panel: 'front',
        where: 'Over the door, left',
      },
      'heater',
      { value: about(1350, 20), volts: 120 },
    ),
    {
      id: 'lock-switch',
      name: 'Lock switch',
      role: 'lets the heat on in CLEAN once the bolt is home',
      prior: commonPractice(3),
      aliases: [{ word: 'latch switch' }],
      kind: 'switch',
      terminals: [{ id: 'COM' }, { id: 'NO' }],
      contacts: [{ id: 'NO', between: ['COM', 'NO'], circuit: 'heater', amps: 10.4, throw: 'NO' }],
      actuator: 'wax',
      free: 'below',
      byHand: 'Push the bolt home with a screwdriver, door open.',
      setPoints: { rising: { at: 190, tolerance: 8 }, falling: { at: 150, tolerance: 8 } },
      safety: true,
      table: table({ below: [], above: ['NO'] }),
      panel: 'front',
      where: 'Beside the bolt',
    },
    hardware(
      {
        id: 'bolt',
        name: 'Bolt and its lever',
        role: 'locks the door and moves the lock switch',
        panel: 'front',
        prior: commonPractice(2),
      },
      ['lock-switch'],
    ),
    plainLoad(
      {
        id: 'bake',
        name: 'Bake element',
        role: 'lower heat',
        causes: ['foil on the floor of the oven', 'CLEAN run over spilt sugar'],
        seenAs: { name: 'Lower element' },
        prior: commonPractice(5),
        panel: 'back',
      },
      'heater',
      { value: { watts: 2500, volts: 240, tolerancePercent: 8 } },
    ),
    plainLoad(
      {
        id: 'broil',
        name: 'Broil element',
        role: 'upper heat',
        seenAs: { name: 'Upper element' },
        prior: commonPractice(2),
        panel: 'back',
      },
      'heater',
      { value: { watts: 3400, volts: 240, tolerancePercent: 8 } },
    ),
    neonLamp('locked-lamp', 'Lock lamp', 'lit while the lock is driven', 'front', 120),
  ],
  wires: wires(`
    BK feed.L1 thermostat.L
    BK-YE thermostat.M selector.P1
    RD feed.L2 selector.P2
    OR selector.K bake.a
    VT selector.R broil.a
    BN selector.S bake.b
    BN selector.S broil.b
    PK selector.T lock-switch.COM
    BN-WH lock-switch.NO selector.S
    BU selector.W lock-motor.a
    WH lock-motor.b feed.N
    BU-WH selector.W locked-lamp.a
    WH locked-lamp.b feed.N
    GN feed.G frame.G
    BK feed.L1 door-switch.1
    BK-BU door-switch.2 selector.H
    BK feed.L1 clean-stat.L
    BK-OR clean-stat.M selector.Q
    BK feed.L1 lock-stat.1
    BU-RD lock-stat.2 lock-motor.a
  `),
  uses: [
    {
      id: 'bake',
      name: 'Bake, broil, then off',
      steps: 'selector=bake,wait=60,selector=broil,wait=30,selector=off,wait=60',
    },
    { id: 'clean', name: 'Begin of CLEAN', steps: 'selector=clean,wait=120' },
    {
      id: 'hot',
      name: 'CLEAN switched off while it is hot',
      steps: 'selector=clean,wait=300,cavity=700,wait=5,selector=off,wait=120',
    },
  ],
  looks: [
    look('burnt', 'A blistered or broken spot on the bake element', ['bake:open'], [0.7, 0.02], 1),
    look(
      'bolt',
      'The bolt does not come out in CLEAN',
      ['bolt:broken', 'lock-motor', 'lock-switch:not-actuated', 'door-switch'],
      [0.8, 0.05],
      2,
      { powered: true },
    ),
    look(
      'bulb',
      'The bulb of the thermostat has come off its clips',
      ['thermostat'],
      [0.3, 0.02],
      1,
    ),
    look(
      'tabs',
      'A brown push-on tab behind the knobs',
      ['selector', 'thermostat', 'w2', 'w3', 'w4', 'w5', 'w6'],
      [0.4, 0.04],
      1,
      { panel: 'front' },
    ),
    look(
      'door-play',
      'The door does not close flush',
      ['door-switch:not-actuated', 'bolt:broken'],
      [0.5, 0.04],
      0.5,
    ),
  ],
  cautions: [
    'Two hot legs: both breakers off, then prove each leg dead to neutral and to the other leg.',
    'The lock keeps a door shut that is hot enough to set things alight: its switch is never bridged.',
    'The unit is heavy and tips out of its cabinet: block it before you reach behind it.',
  ],
});
