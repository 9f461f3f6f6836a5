import { handActuator, panel, TOOLS } from '../shelf/actuators';
import { frame, joints } from '../shelf/connections';
import { neonLamp } from '../shelf/loads';
import { CAUSES, CAUTIONS, commonPractice, look } from '../shelf/practice';
import { rangeCord } from '../shelf/supplies';
import { selector } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

const OHMS = (watts: number) => ({ watts, volts: 240, tolerancePercent: 8 });

/** Burner with a five-heat step switch: two coils, at 240 V, at 120 V, alone or in series. */
export const stepSwitchBurner = unit({
  id: 'step-switch-burner',
  name: 'Coil burner with five-heat step switch',
  kind: 'step-switch range',
  supplies: [rangeCord(40)],
  actuators: [
    handActuator('knob', 'Right front knob', 'knob', {
      off: 'knob at OFF',
      high: 'knob at HIGH',
      second: 'knob at 2',
      third: 'knob at 3',
      low: 'knob at LOW',
      simmer: 'knob at SIMMER',
    }),
  ],
  panels: [
    panel('rear', 'Backguard cover', '6 hex-head screws', 5, 'back', { tool: TOOLS.nut }),
    panel('top', 'Lift-up top', 'none, prop rod', 1, 'top'),
  ],
  parts: [
    frame('Frame', 'metal of the range'),
    selector(
      {
        id: 'step',
        name: 'Five-heat switch, right front',
        role: 'gives the two coils their legs',
        actuator: 'knob',
        prior: commonPractice(3),
        panel: 'rear',
        where: 'Behind the rightmost knob',
      },
      {
        'L1-X': ['heater', 9.2],
        'L1-Y': ['heater', 5],
        'L2-Z': ['heater', 9.2],
        'N-Z': ['heater', 4.6],
        'N-X': ['heater', 2.5],
        'L1-P': ['control', 0.1],
      },
      {
        off: [],
        high: ['L1-X', 'L1-Y', 'L2-Z', 'L1-P'],
        second: ['L1-X', 'L2-Z', 'L1-P'],
        third: ['L1-Y', 'L2-Z', 'L1-P'],
        low: ['L1-X', 'N-Z', 'L1-P'],
        simmer: ['L1-Y', 'N-X', 'L1-P'],
      },
    ),
    joints(
      {
        id: 'block',
        name: 'Receptacle block',
        role: 'holds the pins of the burner',
        causes: [...CAUSES.pins],
        companions: ['coil'],
        prior: commonPractice(2.5),
        panel: 'top',
      },
      [
        ['x', 'px'],
        ['y', 'py'],
        ['z', 'pz'],
      ],
    ),
    {
      id: 'coil',
      name: 'Two-coil burner, 8 in',
      role: 'the burner',
      seenAs: { name: 'Burner' },
      companions: ['block'],
      prior: commonPractice(4),
      kind: 'load',
      load: 'heater',
      terminals: [{ id: 'x' }, { id: 'y' }, { id: 'z' }],
      elements: [
        { id: 'outer', between: ['x', 'z'], value: OHMS(1450) },
        { id: 'inner', between: ['y', 'z'], value: OHMS(950) },
      ],
      panel: 'top',
    },
    neonLamp('lamp', 'Surface lamp', 'lit while the burner is on', 'rear', 120),
  ],
  wires: wires(`
    BK feed.L1 step.L1
    RD feed.L2 step.L2
    WH feed.N step.N
    BU step.X block.x
    YE step.Y block.y
    OR step.Z block.z
    GY step.P lamp.a
    WH lamp.b feed.N
    NA block.px coil.x
    NA block.py coil.y
    NA block.pz coil.z
    GN feed.G frame.G
  `),
  uses: [
    {
      id: 'burn',
      name: 'Through its heats',
      steps:
        'knob=high,wait=60,knob=second,wait=30,knob=third,wait=30,knob=low,wait=30,knob=simmer,wait=30,knob=off',
    },
  ],
  looks: [
    look(
      'pins',
      'Burnt or loose pins of the burner in its block',
      ['block', 'coil', 'w9', 'w10', 'w11'],
      [0.6, 0.05],
      1,
      { panel: 'top' },
    ),
    look(
      'half',
      'Only one of the two coils glows at HIGH',
      ['coil:open', 'step', 'block'],
      [0.6, 0.02],
      1,
      { powered: true },
    ),
    look('tabs', 'A brown push-on tab at the switch', ['step', 'w4', 'w5', 'w6'], [0.4, 0.04], 1, {
      panel: 'rear',
    }),
    look('next', 'The burner beside it works', ['feed'], [0.05, 0.9], 0.5, { powered: true }),
  ],
  cautions: [
    CAUTIONS.twoLegs,
    'A leg that is welded in the switch leaves the pins of the burner live at OFF: prove each pin dead to the frame.',
    'A burner that was on stays hot enough to burn long after the lamp is out.',
  ],
});
