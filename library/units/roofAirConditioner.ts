import { handActuator, panel, temperature, TOOLS } from '../shelf/actuators';
import { frame, hardware } from '../shelf/connections';
import { about, motor } from '../shelf/loads';
import { CAUTIONS, commonPractice, look } from '../shelf/practice';
import { overload } from '../shelf/protectors';
import { mainsCord } from '../shelf/supplies';
import { selector, setPointSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** Roof air conditioner of a trailer: rotary selector, cold control, freeze switch, two-speed fan, capacitors. */
export const roofAirConditioner = unit({
  id: 'roof-air-conditioner',
  name: 'Roof air conditioner, rotary selector',
  kind: 'roof air conditioner',
  drawnFor: { room: 88, fins: 75 },
  supplies: [{ ...mainsCord(20), name: 'Feed from the panel' }],
  actuators: [
    handActuator('mode', 'Selector knob', 'knob', {
      off: 'knob at OFF',
      'fan-low': 'knob at LOW FAN',
      'fan-high': 'knob at HIGH FAN',
      'cool-low': 'knob at LOW COOL',
      'cool-high': 'knob at HIGH COOL',
    }),
    temperature('room', 'Air at the return', { by: 'compressor', to: 62, seconds: 1500 }),
    temperature(
      'fins',
      'Fins of the cold coil',
      { by: 'compressor', to: 10, seconds: 300, held: { by: 'fan', to: 44 } },
      [
        {
          beyond: 'freeze',
          side: 'below',
          says: 'the coil ices up: too little air over it',
          causes: [
            'a dirty filter',
            'a torn or missing divider: cold air is drawn in again',
            'a cold night',
            'low charge',
          ],
          action:
            'The switch is right: clean the filter, close the divider, let the ice melt on HIGH FAN.',
          prior: commonPractice(3),
        },
      ],
    ),
  ],
  panels: [
    panel('ceiling', 'Ceiling shroud', '4 cross-head screws, filters out', 3, 'inside', {
      tool: TOOLS.cross,
    }),
    panel('shroud', 'Outer shroud on the roof', '4 hex-head screws, ladder', 8, 'top', {
      tool: TOOLS.nut516,
      helper: true,
    }),
    panel('box', 'Electrical box on the roof', '2 hex-head screws', 2, 'top', {
      tool: TOOLS.nut,
      coldOnly: true,
    }),
  ],
  parts: [
    frame('Base pan', 'metal of the unit'),
    selector(
      {
        id: 'selector',
        name: 'Selector switch',
        role: 'fan speeds and cooling',
        actuator: 'mode',
        prior: commonPractice(2),
        panel: 'ceiling',
        where: 'In the ceiling shroud',
      },
      { 'L-1': ['control', 3], 'L-2': ['control', 3.4], 'L-3': ['control', 13] },
      {
        off: [],
        'fan-low': ['L-1'],
        'fan-high': ['L-2'],
        'cool-low': ['L-1', 'L-3'],
        'cool-high': ['L-2', 'L-3'],
      },
    ),
    setPointSwitch(
      {
        id: 'cold-control',
        name: 'Cold control',
        role: 'runs the compressor while the air is warm',
        actuator: 'room',
        prior: commonPractice(1.5),
        aliases: [{ word: 'thermostat' }],
        panel: 'ceiling',
        where: 'In the ceiling shroud, bulb in the return',
      },
      ['control', 13],
      { opens: 70, closes: 74, tolerance: 2 },
    ),
    setPointSwitch(
      {
        id: 'freeze',
        name: 'Freeze switch',
        role: 'stops the compressor when the coil ices up',
        actuator: 'fins',
        prior: commonPractice(1.5),
        panel: 'ceiling',
        where: 'Pushed into the fins of the cold coil',
      },
      ['control', 13],
      { opens: 29, closes: 48, tolerance: 3 },
    ),
    overload(
      {
        id: 'overload',
        name: 'Compressor overload',
        role: 'opens when the compressor takes too much',
        causes: ['low volts from the park', 'a dirty coil on the roof', 'a weak capacitor'],
        prior: commonPractice(1.5),
        panel: 'box',
        where: 'On the compressor',
      },
      21,
    ),
    motor(
      {
        id: 'compressor',
        name: 'Compressor',
        role: 'cools',
        seenAs: { name: 'Compressor' },
        prior: commonPractice(1.2),
        panel: 'box',
      },
      1.3,
      9.5,
    ),
    {
      id: 'fan',
      name: 'Fan motor',
      role: 'moves the air over both coils',
      seenAs: { name: 'Fan' },
      prior: commonPractice(2),
      kind: 'load',
      load: 'motor',
      terminals: [{ id: 'L' }, { id: 'H' }, { id: 'C' }],
      elements: [
        {
          id: 'low',
          between: ['L', 'C'],
          value: about(17, 20),
          working: about(44, 20),
          volts: 120,
        },
        {
          id: 'high',
          between: ['H', 'C'],
          value: about(12, 20),
          working: about(36, 20),
          volts: 120,
        },
      ],
      panel: 'shroud',
    },
    hardware(
      {
        id: 'run-capacitor',
        name: 'Run capacitor',
        role: 'gives compressor and fan their turn',
        prior: commonPractice(4),
        panel: 'box',
      },
      ['compressor', 'fan'],
    ),
    hardware(
      {
        id: 'start-kit',
        name: 'Start capacitor with its relay',
        role: 'gives the compressor its push',
        prior: commonPractice(3),
        panel: 'box',
      },
      ['compressor'],
    ),
  ],
  wires: wires(`
    BK cord.L selector.L
    RD selector.1 fan.L
    BK-WH selector.2 fan.H
    BU selector.3 cold-control.1
    BU-WH cold-control.2 freeze.1
    YE freeze.2 overload.a
    YE-BK overload.b compressor.a
    WH compressor.b cord.N
    WH fan.C cord.N
    GN cord.G frame.G
  `),
  uses: [
    {
      id: 'cool',
      name: 'Fan low, then high cool, then off',
      steps: 'mode=fan-low,wait=20,mode=fan-high,wait=20,mode=cool-high,wait=300,mode=off',
    },
  ],
  looks: [
    look(
      'filter',
      'The filters are clogged, or the divider leaks cold air into the return',
      ['fins'],
      [0.7, 0.08],
      1,
    ),
    look('ice', 'Ice on the cold coil', ['fins', 'freeze'], [0.6, 0.03], 1, { panel: 'ceiling' }),
    look(
      'volts-low',
      'The lights dim, or the park’s volts are low, when it tries to start',
      ['cord', 'run-capacitor', 'start-kit'],
      [0.4, 0.1],
      0.5,
      { powered: true },
    ),
    look(
      'swollen',
      'A capacitor is swollen or leaks oil, or reads far under what is printed on it',
      ['run-capacitor:broken', 'start-kit:broken'],
      [0.8, 0.02],
      3,
      { panel: 'box' },
    ),
    look(
      'wheel',
      'The blower wheel rubs, or does not turn by hand',
      ['fan:seized'],
      [0.8, 0.02],
      1,
      { panel: 'ceiling' },
    ),
    look(
      'hum-click',
      'It hums for some seconds and clicks off',
      ['run-capacitor', 'start-kit', 'compressor', 'overload'],
      [0.6, 0.03],
      0.5,
      { powered: true },
    ),
  ],
  energies: ['refrigerant', 'stored-charge', 'moving-air'],
  cautions: [
    'Shore power and generator both off and locked out: prove it dead at the box.',
    CAUTIONS.capacitor,
    'Work on the roof: dry, with a helper, away from the edge.',
    CAUTIONS.refrigerant,
  ],
});
