import { handActuator, panel, quantity, temperature, TOOLS } from '../shelf/actuators';
import { frame, hardware } from '../shelf/connections';
import { coil, motor, transformer } from '../shelf/loads';
import { CAUTIONS, commonPractice, look } from '../shelf/practice';
import { board, boardRelays, fedInput, powerInput } from '../shelf/relays';
import { mainsCord } from '../shelf/supplies';
import { plainSwitch, setPointSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

const relays = boardRelays(
  { panel: 'primary', soldAs: 'the primary control' },
  {
    motor: ['Motor relay', 'feeds the burner motor', 6],
    spark: ['Ignition relay', 'feeds the ignition transformer', 1],
  },
);

/** Oil burner with its primary control: eye, ignition, motor with pump, lockout with a button, aquastat ahead of it. */
export const oilBurner = unit({
  id: 'oil-burner',
  name: 'Oil burner, primary control with eye',
  kind: 'oil burner',
  drawnFor: { water: 120, light: 0, shell: 75 },
  supplies: [{ ...mainsCord(15), name: 'Emergency switch' }],
  actuators: [
    handActuator('stat', 'Room thermostat', 'knob', {
      off: 'thermostat satisfied',
      heat: 'thermostat calling for heat',
    }),
    ...relays.actuators,
    temperature('water', 'Water in the boiler', { by: 'motor', to: 240, seconds: 1500 }),
    quantity(
      'level',
      '% of a good flame',
      'light',
      'Light at the eye',
      { by: 'motor', to: 100, seconds: 2, litBy: 'ignition' },
      [
        {
          beyond: 'eye',
          side: 'below',
          says: 'no flame, or too weak: the eye is right',
          causes: [
            'an empty tank',
            'a clogged nozzle or filter',
            'air or water in the oil',
            'a spark that does not jump: electrodes, cable',
          ],
          action:
            'Find the oil and the spark first: never press the button more than once, oil gathers in the chamber.',
          prior: commonPractice(6),
        },
      ],
    ),
    temperature('shell', 'Winding of the motor', { by: 'motor', to: 150, seconds: 1200 }),
  ],
  panels: [
    panel('primary', 'Primary control off its box', '2 cross-head screws', 3, 'front', {
      tool: TOOLS.cross,
    }),
    panel('hinge', 'Ignition transformer on its hinge', '2 bolts', 2, 'top', {
      tool: TOOLS.nut516,
    }),
    panel('aquastat', 'Aquastat cover', '1 screw', 1, 'front', { tool: TOOLS.cross }),
  ],
  parts: [
    frame('Burner', 'metal of the burner'),
    transformer(
      {
        id: 'transformer',
        name: 'Control transformer',
        role: 'makes 24 V for the thermostat',
        prior: commonPractice(1),
        panel: 'primary',
        soldAs: 'the primary control',
      },
      { primary: 60, secondary: 1.2, volts: 120, gives: 25 },
    ),
    plainSwitch(
      {
        id: 'call',
        name: 'Thermostat contact',
        role: 'calls for heat',
        actuator: 'stat',
        free: 'off',
        byHand: 'Turn the thermostat itself up and down.',
        prior: commonPractice(1),
        where: 'On the wall of the living room',
      },
      { circuit: 'control', amps: 0.3 },
      { off: 'open', heat: 'closed' },
    ),
    setPointSwitch(
      {
        id: 'limit',
        name: 'Aquastat limit',
        role: 'cuts the line when the water gets too hot',
        actuator: 'water',
        safety: true,
        prior: commonPractice(2),
        panel: 'aquastat',
        where: 'On its well',
      },
      ['control', 7],
      { opens: 190, closes: 168, tolerance: 6 },
    ),
    setPointSwitch(
      {
        id: 'eye',
        name: 'Eye',
        role: 'sees the flame: its ohms fall in light',
        actuator: 'light',
        causes: ['soot on the glass', 'knocked out of its socket'],
        prior: commonPractice(4),
        aliases: [{ word: 'cad cell' }, { word: 'flame sensor' }],
        panel: 'hinge',
        where: 'In its socket under the ignition transformer',
        byHand: 'It cannot be moved by hand: shade it, then shine a lamp on it.',
      },
      ['signal', 0.004],
      { opens: 30, closes: 55, tolerance: 6 },
      ['f1', 'f2'],
    ),
    board(
      {
        id: 'board',
        name: 'Primary control',
        role: 'starts the burner, proves the flame, locks out',
        seenAs: { name: 'Light of the primary control' },
        prior: commonPractice(2),
        panel: 'primary',
      },
      [
        powerInput(['L', 'N'], 2000, 9000, 85),
        fedInput('heat', ['T', 'C']),
        {
          id: 'sees',
          between: ['F1', 'F2'],
          senses: 'contact',
          ohms: { low: 20_000, high: 90_000 },
        },
      ],
      [
        {
          id: 'idle',
          says: 'dark: waits',
          drives: [],
          next: [
            { when: { heat: 'fed', sees: 'closed' }, to: 'stray' },
            { when: { heat: 'fed' }, after: 3, to: 'try' },
          ],
        },
        {
          id: 'stray',
          says: 'quick blink: sees light before it starts',
          drives: [],
          next: [{ when: { sees: 'open' }, to: 'idle' }],
        },
        {
          id: 'try',
          says: 'slow blink: lighting',
          drives: ['motor-relay', 'spark-relay'],
          next: [
            { when: { heat: 'dead' }, to: 'idle' },
            { when: { sees: 'closed' }, after: 10, to: 'burn' },
            { when: { sees: 'open' }, after: 20, to: 'lockout' },
          ],
        },
        {
          id: 'burn',
          says: 'steady: burning',
          drives: ['motor-relay'],
          next: [
            { when: { heat: 'dead' }, to: 'idle' },
            { when: { sees: 'open' }, after: 2, to: 'rest' },
          ],
        },
        {
          id: 'rest',
          says: 'double blink: flame lost, tries again',
          drives: [],
          next: [{ when: {}, after: 60, to: 'idle' }],
        },
        { id: 'lockout', says: 'red: lockout, press the button once', drives: [], next: [] },
      ],
    ),
    ...relays.parts,
    setPointSwitch(
      {
        id: 'thermal',
        name: 'Motor cut-out',
        role: 'stops the motor when it gets too hot, until it is pressed',
        actuator: 'shell',
        reset: 'manual',
        causes: ['a pump that binds', 'a worn bearing'],
        prior: commonPractice(1.5),
        panel: 'hinge',
        where: 'Red button on the motor',
        byHand: 'It cannot be moved by hand: press its button.',
      },
      ['control', 6],
      { opens: 260, closes: 190, tolerance: 12 },
    ),
    motor(
      {
        id: 'motor',
        name: 'Burner motor',
        role: 'turns fan and oil pump',
        seenAs: { name: 'Burner motor', off: 'stands still', runs: 'runs' },
        prior: commonPractice(2),
        panel: 'hinge',
      },
      3.4,
      21,
    ),
    hardware(
      {
        id: 'capacitor',
        name: 'Motor capacitor',
        role: 'gives the motor its turn',
        prior: commonPractice(1.5),
        panel: 'hinge',
      },
      ['motor'],
    ),
    coil(
      {
        id: 'ignition',
        name: 'Ignition transformer',
        role: 'makes the spark',
        seenAs: { name: 'Spark', off: 'is not heard', runs: 'is heard' },
        prior: commonPractice(2),
        panel: 'hinge',
      },
      6,
      120,
      110,
    ),
  ],
  wires: wires(`
    BK cord.L limit.1
    BK-RD limit.2 board.L
    WH board.N cord.N
    BK-RD limit.2 transformer.L
    WH transformer.N cord.N
    RD transformer.R call.1
    RD-WH call.2 board.T
    BU transformer.C board.C
    BK-RD limit.2 motor-contact.C
    OR motor-contact.NO thermal.1
    OR-BK thermal.2 motor.a
    WH motor.b cord.N
    BK-RD limit.2 spark-contact.C
    BU-WH spark-contact.NO ignition.a
    WH ignition.b cord.N
    YE board.F1 eye.f1
    YE-BK board.F2 eye.f2
    GN cord.G frame.G
  `),
  uses: [
    {
      id: 'heat',
      name: 'Call for heat, then satisfied',
      steps: 'stat=heat,wait=90,stat=off,wait=10',
    },
  ],
  looks: [
    look(
      'gauge',
      'The tank is empty, or the valve at the filter is closed',
      ['light'],
      [0.6, 0.03],
      1,
    ),
    look(
      'red',
      'The button of the primary control is out or its lamp is red',
      ['light', 'eye', 'ignition', 'spark-contact', 'board'],
      [0.9, 0.1],
      0.5,
    ),
    look('soot-eye', 'The eye is sooted or out of its socket', ['eye'], [0.7, 0.04], 2, {
      panel: 'hinge',
    }),
    look('gap', 'Electrodes burnt away, porcelain cracked', ['light', 'ignition'], [0.5, 0.05], 3, {
      panel: 'hinge',
    }),
    look(
      'coupling',
      'The motor turns and the pump does not: the coupling has sheared',
      ['light'],
      [0.3, 0.02],
      3,
      { panel: 'hinge' },
    ),
    look(
      'motor-button',
      'The red button on the motor clicks when it is pressed',
      ['thermal:tripped'],
      [0.9, 0.02],
      0.5,
    ),
  ],
  energies: ['oil', 'flue', 'stored-charge'],
  cautions: [
    'Never press the button again and again: oil gathers in the chamber and goes off at once.',
    'Ten thousand volts at the ignition: power off, and proved dead, before it is swung open.',
    'Oil work is a licensed trade’s work in many places: follow local codes and the maker’s sheet.',
    CAUTIONS.capacitor,
    'Draft, smoke and carbon monoxide are measured before it is handed back.',
  ],
});
