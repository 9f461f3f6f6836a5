import { handActuator, panel, temperature, TOOLS } from '../shelf/actuators';
import { frame, hardware } from '../shelf/connections';
import { about, motor } from '../shelf/loads';
import { CAUTIONS, commonPractice, look, weakCapacitor } from '../shelf/practice';
import { overload } from '../shelf/protectors';
import { mainsCord } from '../shelf/supplies';
import { selector, setPointSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** Window air conditioner: five-position selector, thermostat with its bulb, three-speed fan. */
export const windowAirConditioner = unit({
  id: 'window-air-conditioner',
  name: 'Window air conditioner, five-position selector',
  kind: 'window air conditioner',
  drawnFor: { room: 84 },
  supplies: [mainsCord(15)],
  actuators: [
    handActuator('mode', 'Mode knob', 'knob', {
      off: 'knob at OFF',
      fan: 'knob at FAN',
      low: 'knob at LOW COOL',
      medium: 'knob at MEDIUM COOL',
      high: 'knob at HIGH COOL',
    }),
    temperature('room', 'Air of the room', { by: 'compressor', to: 60, seconds: 2400 }),
  ],
  panels: [
    panel('front', 'Front grille', 'one screw, clips', 2, 'front', { tool: TOOLS.cross }),
    panel('control', 'Control box', '2 cross-head screws', 3, 'front', {
      tool: TOOLS.cross,
      tethered: 'the bulb of the thermostat',
    }),
    panel('case', 'Out of its case', 'slides out, two people', 10, 'front', {
      helper: true,
      coldOnly: true,
    }),
  ],
  parts: [
    frame('Base pan', 'metal of the unit'),
    selector(
      {
        id: 'selector',
        name: 'Mode switch',
        role: 'fan speeds and cooling',
        actuator: 'mode',
        prior: commonPractice(2.5),
        panel: 'control',
        where: 'Behind the mode knob',
      },
      {
        'P-A': ['control', 0.8],
        'P-B': ['control', 0.9],
        'P-C': ['control', 1],
        'P-K': ['control', 7],
      },
      { off: [], fan: ['P-C'], low: ['P-A', 'P-K'], medium: ['P-B', 'P-K'], high: ['P-C', 'P-K'] },
    ),
    setPointSwitch(
      {
        id: 'thermostat',
        name: 'Thermostat',
        role: 'runs the compressor while the room is warm',
        actuator: 'room',
        prior: commonPractice(2),
        panel: 'control',
        where: 'Behind the temperature knob, bulb at the coil',
      },
      ['control', 7],
      { opens: 70, closes: 74, tolerance: 2 },
    ),
    overload(
      {
        id: 'overload',
        name: 'Compressor overload',
        role: 'opens when the compressor takes too much',
        causes: ['a dirty coil', 'a long thin extension cord', 'a weak capacitor'],
        prior: commonPractice(1.5),
        panel: 'case',
        where: 'Under the cap of the compressor',
      },
      14,
    ),
    motor(
      {
        id: 'compressor',
        name: 'Compressor',
        role: 'cools',
        seenAs: { name: 'Compressor' },
        prior: commonPractice(1.2),
        panel: 'case',
      },
      2.1,
      17,
    ),
    {
      id: 'fan',
      name: 'Fan motor',
      role: 'moves the air over both coils',
      seenAs: { name: 'Fan' },
      prior: commonPractice(2),
      kind: 'load',
      load: 'motor',
      terminals: [{ id: 'A' }, { id: 'B' }, { id: 'C' }, { id: 'N' }],
      elements: [
        {
          id: 'low',
          between: ['A', 'N'],
          value: about(64, 20),
          working: about(170, 20),
          volts: 120,
        },
        {
          id: 'medium',
          between: ['B', 'N'],
          value: about(52, 20),
          working: about(145, 20),
          volts: 120,
        },
        {
          id: 'high',
          between: ['C', 'N'],
          value: about(41, 20),
          working: about(120, 20),
          volts: 120,
        },
      ],
      panel: 'case',
    },
    hardware(
      {
        id: 'capacitor',
        name: 'Dual run capacitor',
        role: 'gives compressor and fan their turn',
        prior: commonPractice(4),
        panel: 'control',
      },
      ['compressor', 'fan'],
    ),
  ],
  wires: wires(`
    BK cord.L selector.P
    OR selector.A fan.A
    YE selector.B fan.B
    BK-YE selector.C fan.C
    RD selector.K thermostat.1
    RD-BK thermostat.2 overload.a
    RD-WH overload.b compressor.a
    WH compressor.b cord.N
    WH fan.N cord.N
    GN cord.G frame.G
  `),
  uses: [
    {
      id: 'fan',
      name: 'Fan, then low and medium',
      steps: 'mode=fan,wait=20,mode=low,wait=20,mode=medium,wait=20,mode=off',
    },
    { id: 'cool', name: 'High cool until the room is cold', steps: 'mode=high,wait=300,wait=3000' },
  ],
  looks: [
    look(
      'filter',
      'The filter or the coil is caked with dirt',
      ['overload', 'compressor'],
      [0.3, 0.1],
      1,
      { panel: 'front' },
    ),
    look(
      'bulb',
      'The bulb of the thermostat hangs loose or touches the coil',
      ['thermostat'],
      [0.4, 0.05],
      1,
      { panel: 'front' },
    ),
    look('blade', 'The fan blade does not turn by hand, or rubs', ['fan:seized'], [0.8, 0.02], 2, {
      panel: 'case',
    }),
    weakCapacitor('capacitor', 'control', 3),
    look(
      'hum-click',
      'It hums for some seconds and clicks off',
      ['capacitor', 'compressor', 'overload'],
      [0.6, 0.03],
      0.5,
      { powered: true },
    ),
  ],
  energies: ['refrigerant', 'stored-charge'],
  cautions: [
    CAUTIONS.capacitor,
    'It falls out of the window when the sash goes up: two people.',
    CAUTIONS.edges,
    CAUTIONS.refrigerant,
  ],
});
