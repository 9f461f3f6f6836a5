import { handActuator, panel, quantity } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { lamp, motor } from '../shelf/loads';
import { commonPractice, look, LOW_BATTERY } from '../shelf/practice';
import { fuse } from '../shelf/protectors';
import { houseBattery } from '../shelf/supplies';
import { plainSwitch, setPointSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** Water pump of a trailer: panel switch with its lamp, pressure switch on the pump head. */
export const waterPump = unit({
  id: 'water-pump',
  name: 'Trailer water pump with pressure switch',
  kind: 'trailer water pump',
  drawnFor: { line: 8 },
  supplies: [{ ...houseBattery, prior: commonPractice(2) }],
  actuators: [
    handActuator('panel', 'Pump switch', 'button', {
      off: 'pump switch off',
      on: 'pump switch on',
    }),
    quantity(
      'pressure',
      'psi',
      'line',
      'Pressure in the line',
      { by: 'pump', to: 72, seconds: 14, stays: true },
      [
        {
          beyond: 'pressure-switch',
          side: 'below',
          says: 'the pressure does not build up',
          causes: [
            'an empty tank',
            'air drawn in at a loose hose or strainer',
            'a clogged strainer',
            'an open tap, or a leak',
          ],
          action:
            'The switch is right to be closed: fill the tank, tighten and clean the suction side, find the leak.',
          prior: commonPractice(4),
        },
      ],
    ),
  ],
  panels: [
    panel('monitor', 'Monitor panel', '4 screws', 3, 'inside'),
    panel('bay', 'Pump bay under the bench', 'lid lifts off', 2, 'inside'),
  ],
  parts: [
    frame('Chassis', 'metal of the trailer'),
    fuse(
      {
        id: 'fuse',
        name: 'Pump fuse',
        role: 'protects the wires',
        prior: commonPractice(2.5),
        where: 'In the trailer’s fuse panel',
      },
      10,
    ),
    plainSwitch(
      {
        id: 'pump-switch',
        name: 'Pump switch',
        role: 'switches the pump on',
        actuator: 'panel',
        free: 'off',
        byHand: 'Take the panel off and press the rocker itself.',
        prior: commonPractice(1.5),
        panel: 'monitor',
      },
      { circuit: 'control', amps: 6 },
      { off: 'open', on: 'closed' },
    ),
    setPointSwitch(
      {
        id: 'pressure-switch',
        name: 'Pressure switch',
        role: 'runs the pump while the pressure is low',
        actuator: 'line',
        prior: commonPractice(3),
        soldAs: 'the pump head with its switch',
        panel: 'bay',
        where: 'In the end of the pump head, two push-on terminals',
        byHand: 'It cannot be moved by hand: open a tap, then close it.',
      },
      ['control', 6],
      { opens: 45, closes: 28, tolerance: 3 },
    ),
    motor(
      {
        id: 'pump',
        name: 'Pump motor',
        role: 'brings the water',
        seenAs: { name: 'Pump' },
        causes: ['ran dry', 'frozen in winter'],
        prior: commonPractice(2.5),
        panel: 'bay',
      },
      0.9,
      2.4,
      12,
    ),
    lamp(
      {
        id: 'lamp',
        name: 'Pump lamp',
        role: 'lit while the pump switch is on',
        seenAs: { name: 'Pump lamp' },
        panel: 'monitor',
      },
      1.5,
      12,
    ),
  ],
  wires: wires(`
    RD battery.P fuse.a
    RD-WH fuse.b pump-switch.1
    OR pump-switch.2 lamp.a
    OR pump-switch.2 pressure-switch.1
    OR-BK pressure-switch.2 pump.a
    BK pump.b battery.M
    BK lamp.b battery.M
    BK battery.M frame.G
  `),
  uses: [
    {
      id: 'fill',
      name: 'Switched on with all taps closed, then off',
      steps: 'panel=on,wait=60,panel=off',
    },
  ],
  looks: [
    look('tank', 'The tank is empty', ['line'], [0.5, 0.05], 0.5, { feeds: true }),
    LOW_BATTERY,
    look(
      'bubbles',
      'Bubbles in the strainer, or a loose hose on the suction side',
      ['line'],
      [0.6, 0.04],
      2,
      { panel: 'bay' },
    ),
    look(
      'hot',
      'The motor is too hot to be held',
      ['pump', 'pressure-switch:stuck-closed'],
      [0.4, 0.04],
      1,
      { panel: 'bay' },
    ),
    look(
      'pulse',
      'It pulses now and then with all taps closed: a leak, or a valve that does not hold',
      ['line'],
      [0.3, 0.05],
      1,
      { powered: true },
    ),
  ],
  energies: ['water'],
  cautions: [
    'Switch off and open a tap before a hose comes off: the line holds its pressure.',
    'The battery feeds it with the shore cord pulled: pull the fuse, and prove it dead.',
  ],
});
