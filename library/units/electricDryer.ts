import type { Diagram } from '../../core/diagram/diagram';
import {
  handActuator,
  motorSpeed,
  panel,
  startButton,
  temperature,
  TOOLS,
} from '../shelf/actuators';
import { frame, hardware, joints } from '../shelf/connections';
import { plainLoad } from '../shelf/loads';
import { CAUSES, commonPractice, look, tooLittleAir } from '../shelf/practice';
import {
  centrifugalSwitch,
  microswitch,
  plainSwitch,
  selector,
  setPointSwitch,
} from '../shelf/switches';
import { cutOff, overload } from '../shelf/protectors';
import { unit, wires } from '../shelf/unit';

/** How dryers of the kind differ. */
export interface DryerChoice {
  /** A 3-wire cord bonds neutral to the frame at the block; a 4-wire cord has a ground of its own. */
  cord: 3 | 4;
  /** The belt switch cuts the whole motor, or stands in the hold-in path: then it runs while START is held. */
  belt: 'motor' | 'hold-in';
}

/** Electric dryer with timer, hold-in path, cycling thermostat and two one-shot cut-offs. */
export const electricDryerOf = ({ cord, belt }: DryerChoice): Diagram =>
  unit({
    id: 'electric-dryer',
    name: 'Electric dryer, timer and start switch',
    kind: 'electric dryer',
    drawnFor: { air: 70, stat: 70, housing: 70 },
    supplies: [
      {
        id: 'feed',
        name: 'Dryer cord',
        kind: 'split-phase',
        volts: 240,
        amps: 30,
        terminals: [{ id: 'L1' }, { id: 'L2' }, { id: 'N' }, ...(cord === 4 ? [{ id: 'G' }] : [])],
      },
    ],
    actuators: [
      handActuator('door', 'Door', 'door', { closed: 'door closed', open: 'door open' }),
      handActuator('timer', 'Timer knob', 'knob', {
        off: 'timer at OFF',
        heat: 'timer in TIMED DRY',
        auto: 'timer in AUTO',
        cool: 'timer in COOL DOWN',
        end: 'timer at END OF CYCLE',
      }),
      startButton('start', 'Start button', 'START held'),
      handActuator('belt', 'Drum belt', 'button', {
        on: 'belt on its pulley',
        off: 'belt off or broken',
      }),
      motorSpeed,
      temperature('air', 'Air from the drum', { by: 'element', to: 230, seconds: 240 }),
      // The bias heater makes the thermostat feel warmer than the air is: it opens earlier.
      temperature('stat', 'Thermostat, by the air and its bias heater', {
        by: 'element',
        to: 230,
        seconds: 240,
        held: { by: 'bias', to: 275 },
      }),
      temperature(
        'housing',
        'Heater housing',
        { by: 'element', to: 480, seconds: 120, held: { by: 'motor', to: 200 } },
        [tooLittleAir('high-limit', 'the housing')],
      ),
    ],
    panels: [
      panel('console', 'Console', '4 cross-head screws', 4, 'top', {
        tool: TOOLS.cross,
        tethered: 'the timer harness',
      }),
      panel('rear', 'Rear panel', '9 hex-head screws', 7, 'back', { tool: TOOLS.nut }),
      panel('front', 'Front and drum out', '2 clips, 2 screws, belt off', 18, 'front', {
        tool: 'putty knife and nut driver',
        coldOnly: true,
      }),
    ],
    parts: [
      joints(
        {
          id: 'block',
          name: 'Terminal block',
          role: 'takes the cord',
          causes: ['a screw that was never tightened', 'a cord that is too thin'],
          companions: ['frame'],
          panel: 'rear',
          where: 'Low on the back, behind the cord cover',
        },
        [
          ['L1', 'K1'],
          ['N', 'KN'],
          ['L2', 'K2'],
        ],
      ),
      frame('Frame', 'metal of the cabinet'),
      selector(
        {
          id: 'timer',
          name: 'Timer',
          role: 'runs the programme',
          prior: commonPractice(0.7),
          actuator: 'timer',
          byHand: 'Pull the knob and turn the shaft itself with pliers, clockwise only.',
          panel: 'console',
          where: 'Behind the large knob',
        },
        {
          'A-B': ['control', 6],
          'A-C': ['heater', 22.5],
          'A-D': ['control', 0.1],
          'C-E': ['control', 0.1],
          'F-N': ['control', 0.1],
          'F-G': ['control', 0.1],
          'B-Z': ['control', 0.2],
        },
        {
          off: [],
          heat: ['A-B', 'A-C', 'A-D', 'F-N'],
          // The timer stands still in AUTO while the thermostat is closed, and goes on through the heater when it opens.
          auto: ['A-B', 'A-C', 'A-D', 'C-E', 'F-G'],
          cool: ['A-B', 'A-D', 'F-N'],
          end: ['A-B', 'B-Z'],
        },
      ),
      plainLoad(
        {
          id: 'timer-motor',
          name: 'Timer motor',
          role: 'advances the timer',
          seenAs: { name: 'Timer', off: 'does not advance', runs: 'advances' },
          panel: 'console',
        },
        'motor',
        { value: { nominal: 2900, low: 2300, high: 3500 }, volts: 120 },
      ),
      plainLoad(
        {
          id: 'resistor',
          name: 'Timer resistor',
          role: 'takes half the volts of the timer motor in AUTO',
          panel: 'console',
        },
        'heater',
        { value: { nominal: 2900, low: 2600, high: 3200 }, volts: 120 },
      ),
      plainLoad(
        {
          id: 'buzzer',
          name: 'End buzzer',
          role: 'tells that the load is dry',
          seenAs: { name: 'Buzzer', off: 'stays silent', runs: 'sounds' },
          panel: 'console',
        },
        'coil',
        { value: { nominal: 620, low: 500, high: 760 }, volts: 120 },
      ),
      plainSwitch(
        {
          id: 'start',
          name: 'Start switch',
          role: 'starts the motor while it is held',
          prior: commonPractice(0.5),
          aliases: [{ word: 'start button' }],
          actuator: 'start',
          free: 'released',
          byHand: 'Pull the knob and press the stem itself.',
          panel: 'console',
          where: 'Right of the timer',
        },
        { circuit: 'control', amps: 6, throw: 'NO' },
        { released: 'open', pressed: 'closed' },
      ),
      cutOff(
        {
          id: 'fuse',
          causes: [...CAUSES.dryerAir],
          name: 'Thermal fuse',
          role: 'cuts the motor for good when the blower housing gets too hot',
          prior: commonPractice(5),
          panel: 'rear',
          where: 'On the blower housing',
        },
        'air',
        196,
      ),
      plainSwitch(
        {
          id: 'belt-switch',
          name: 'Belt switch',
          role: 'cuts the motor when the belt is gone',
          actuator: 'belt',
          free: 'off',
          byHand: 'Push the idler arm aside with a finger.',
          panel: 'front',
          where: 'Beside the idler pulley',
        },
        { circuit: 'control', amps: 6, throw: 'NO' },
        { on: 'closed', off: 'open' },
      ),
      {
        id: 'motor',
        name: 'Drive motor',
        role: 'turns drum and blower',
        seenAs: { name: 'Drum', off: 'does not turn', runs: 'turns' },
        kind: 'load',
        load: 'motor',
        terminals: [{ id: '4' }, { id: '3' }, { id: '5' }],
        startsWith: 'start',
        elements: [
          {
            id: 'run',
            between: ['4', '5'],
            value: { nominal: 2.4, low: 2, high: 2.9 },
            working: { nominal: 20, low: 17, high: 26 },
            volts: 120,
          },
          {
            id: 'start',
            between: ['3', '5'],
            value: { nominal: 3.2, low: 2.6, high: 3.9 },
            working: { nominal: 16, low: 13, high: 20 },
            volts: 120,
          },
        ],
        panel: 'front',
        where: 'Right side, floor',
      },
      overload(
        {
          id: 'overload',
          name: 'Motor overload',
          role: 'opens when the motor is held or too hot, and closes again',
          panel: 'front',
          where: 'In the end bell of the motor',
        },
        15,
        ['5', '6'],
      ),
      centrifugalSwitch(
        'holds the motor in, drops the start winding, lets the heat on',
        ['1', '2'],
        {
          circuit: 'heater',
          amps: 22.5,
        },
      ),
      microswitch(
        {
          id: 'door-switch',
          name: 'Door switch',
          role: 'stops the motor and lights the drum lamp',
          prior: commonPractice(2),
          actuator: 'door',
          byHand: 'Press the plunger of the switch itself, door open.',
          safety: true,
          panel: 'front',
          where: 'Upper right of the door opening',
        },
        { NO: ['control', 6], NC: ['control', 0.1] },
        { pressed: ['closed'], free: ['open'] },
      ),
      hardware({ id: 'door-strike', name: 'Door strike', role: 'pushes the door switch' }, [
        'door-switch',
      ]),
      plainLoad(
        {
          id: 'lamp',
          name: 'Drum lamp',
          role: 'lit while the door is open',
          seenAs: { name: 'Drum lamp' },
          panel: 'front',
        },
        'lamp',
        {
          value: { nominal: 60, low: 45, high: 80 },
          working: { nominal: 960, low: 820, high: 1150 },
          volts: 120,
        },
      ),
      {
        ...setPointSwitch(
          {
            id: 'thermostat',
            name: 'Cycling thermostat',
            role: 'keeps the drum air at its temperature',
            prior: commonPractice(1.5),
            actuator: 'stat',
            byHand: 'It cannot be moved by hand: warm it.',
            panel: 'rear',
            where: 'On the blower housing, four terminals',
          },
          ['heater', 22.5],
          { opens: 155, closes: 130, tolerance: 8 },
        ),
        terminals: ['1', '2', 'h1', 'h2'].map((id) => ({ id })),
      },
      {
        id: 'bias',
        name: 'Bias heater of the thermostat',
        role: 'warms the thermostat in AUTO',
        kind: 'load',
        load: 'heater',
        terminals: [{ id: 'h1' }, { id: 'h2' }],
        elements: [
          {
            id: 'bias',
            between: ['h1', 'h2'],
            value: { nominal: 7500, low: 6300, high: 8800 },
            volts: 240,
          },
        ],
        panel: 'rear',
      },
      setPointSwitch(
        {
          id: 'high-limit',
          causes: [...CAUSES.dryerAir],
          name: 'High limit',
          role: 'cuts the heat when the housing gets too hot',
          prior: commonPractice(1),
          actuator: 'housing',
          safety: true,
          panel: 'rear',
          where: 'On the heater housing, lower hole',
        },
        ['heater', 22.5],
        { opens: 250, closes: 210, tolerance: 10 },
      ),
      cutOff(
        {
          id: 'cut-off',
          causes: [...CAUSES.dryerAir],
          name: 'Thermal cut-off',
          role: 'cuts the heat for good',
          prior: commonPractice(3),
          panel: 'rear',
          where: 'On the heater housing, upper hole',
        },
        'housing',
        352,
        ['1', '2'],
      ),
      plainLoad(
        {
          id: 'element',
          name: 'Heating element',
          role: 'heats the air',
          seenAs: { name: 'Air in the drum' },
          prior: commonPractice(4),
          panel: 'rear',
          where: 'In the heater housing',
        },
        'heater',
        { value: { watts: 5400, volts: 240, tolerancePercent: 7, coldToHot: 1.03 } },
      ),
    ],
    wires: wires(`
    BK feed.L1 block.L1
    WH feed.N block.N
    RD feed.L2 block.L2
    GN ${cord === 3 ? 'block.N' : 'feed.G'} frame.G
    BK block.K1 timer.A
    BU timer.B fuse.a
    BU fuse.b belt-switch.1
    BU-WH ${belt === 'motor' ? 'belt-switch.2' : 'fuse.b'} start.1
    BU-WH belt-switch.2 centrifugal.H
    OR start.2 motor.4
    NA centrifugal.M motor.4
    NA centrifugal.S motor.3
    NA motor.5 overload.5
    YE overload.6 door-switch.NO
    WH door-switch.COM block.KN
    BK block.K1 lamp.a
    GY lamp.b door-switch.NC
    VT timer.C thermostat.1
    RD-WH thermostat.2 high-limit.1
    RD-WH high-limit.2 cut-off.1
    RD-BK cut-off.2 element.a
    RD-BK element.b centrifugal.1
    RD centrifugal.2 block.K2
    PK timer.E thermostat.h1
    NA thermostat.h1 bias.h1
    NA bias.h2 thermostat.h2
    RD thermostat.h2 centrifugal.2
    TN timer.D timer-motor.a
    TN-WH timer-motor.b timer.F
    OR-BK timer.Z buzzer.a
    WH buzzer.b block.KN
    WH timer.N block.KN
    TN-BK timer.G resistor.a
    RD-WH resistor.b thermostat.2
  `),
    uses: [
      {
        id: 'dry',
        name: 'Timed dry',
        steps: 'timer=heat,start=pressed,start=released,wait=1200,door=open',
      },
      {
        id: 'auto',
        name: 'Auto dry until the thermostat opens',
        steps: 'timer=auto,start=pressed,start=released,wait=1200',
      },
    ],
    looks: [
      look(
        'drum',
        'The drum turns by hand with no drag of the belt',
        ['belt-switch', 'belt'],
        [0.3, 0.03],
        0.5,
      ),
      look(
        'door-click',
        'No click of the door switch',
        ['door-switch', 'door-strike:broken'],
        [0.7, 0.08],
        0.5,
      ),
      look(
        'hood',
        'Hardly any air at the hood outside, or its flap is stuck',
        ['housing', 'fuse', 'cut-off'],
        [0.7, 0.12],
        1,
        { powered: true },
      ),
      look(
        'lint',
        'Lint behind the filter, a hole in it, or a crushed duct',
        ['housing', 'fuse', 'cut-off', 'high-limit'],
        [0.7, 0.15],
        1,
      ),
      look(
        'screws',
        'A loose or wrong screw, or a brown wire, at the terminal block',
        ['block', 'feed', 'w1', 'w2', 'w3'],
        [0.6, 0.03],
        1,
        { panel: 'rear' },
      ),
      look(
        'coil-gap',
        'A gap in the coil, or it touches its housing',
        ['element:open', 'element:ground-fault'],
        [0.6, 0.02],
        2,
        { panel: 'rear' },
      ),
    ],
    energies: ['moving-air'],
    cautions: [
      'Two hot legs and a neutral: unplug, then prove each leg dead to neutral and to the other leg.',
      'A 3-wire cord bonds neutral to the frame at the block, a 4-wire cord does not: know which before you read to the frame.',
      'Sheet edges cut. The drum comes down when the front is off: hold it.',
      'A blown cut-off has a cause: lint, a crushed vent, a thermostat that does not open. Find it first.',
    ],
  });

export const electricDryer = electricDryerOf({ cord: 3, belt: 'motor' });
