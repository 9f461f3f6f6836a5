import { drivenBy, handActuator, panel } from '../shelf/actuators';
import { frame } from '../shelf/connections';
import { splitMotor } from '../shelf/loads';
import { CAUTIONS, commonPractice, look } from '../shelf/practice';
import { overload } from '../shelf/protectors';
import { mainsCord } from '../shelf/supplies';
import { plainSwitch } from '../shelf/switches';
import { unit, wires } from '../shelf/unit';

/** Garbage disposer: wall switch, overload with its button below, start winding dropped by a switch on the shaft. */
export const disposer = unit({
  id: 'disposer',
  name: 'Garbage disposer, wall switch and overload',
  kind: 'garbage disposer',
  supplies: [mainsCord(15)],
  actuators: [
    handActuator('wall', 'Wall switch', 'button', { off: 'wall switch off', on: 'wall switch on' }),
    drivenBy('motor', 'speed', 'Motor speed', ['motor still', 'motor at speed']),
  ],
  panels: [
    panel('plate', 'Wall plate', '2 screws', 1, 'front'),
    panel(
      'bottom',
      'Bottom plate, unit down from the sink',
      'mounting ring, trap and hose off',
      15,
      'bottom',
      { helper: true, coldOnly: true },
    ),
    panel('box', 'Wiring plate below', '1 screw', 2, 'bottom'),
  ],
  parts: [
    frame('Housing', 'metal of the disposer'),
    plainSwitch(
      {
        id: 'wall-switch',
        name: 'Wall switch',
        role: 'switches it on',
        actuator: 'wall',
        free: 'off',
        byHand: 'Take the plate off and move the toggle itself.',
        prior: commonPractice(1.5),
        panel: 'plate',
      },
      { circuit: 'control', amps: 7 },
      { off: 'open', on: 'closed' },
    ),
    overload(
      {
        id: 'overload',
        name: 'Overload',
        role: 'opens when the motor is held; its button is below',
        causes: ['a spoon or a bone in the chamber', 'a worn bearing'],
        aliases: [{ word: 'reset button' }],
        prior: commonPractice(3),
        panel: 'box',
        where: 'Red button in the bottom',
      },
      15,
    ),
    splitMotor(
      {
        id: 'motor',
        name: 'Motor',
        role: 'turns the grinding plate',
        seenAs: { name: 'Grinding plate', off: 'does not turn', runs: 'grinds' },
        prior: commonPractice(2),
        panel: 'bottom',
      },
      { run: [3.4, 17], start: [6.2, 15] },
    ),
    plainSwitch(
      {
        id: 'start-switch',
        name: 'Start switch',
        role: 'drops the start winding when the shaft turns',
        actuator: 'speed',
        free: 'idle',
        byHand: 'Lift its arm off the collar with the bottom plate off.',
        prior: commonPractice(1.5),
        panel: 'bottom',
        where: 'On the lower end bell',
      },
      { circuit: 'control', amps: 8, throw: 'NC' },
      { idle: 'closed', pulled: 'open' },
    ),
  ],
  wires: wires(`
    BK cord.L wall-switch.1
    BK-RD wall-switch.2 overload.a
    RD overload.b motor.R
    RD-WH overload.b start-switch.1
    YE start-switch.2 motor.S
    WH motor.C cord.N
    GN cord.G frame.G
  `),
  uses: [{ id: 'grind', name: 'Water on, then the switch', steps: 'wall=on,wait=20,wall=off' }],
  looks: [
    look(
      'hex',
      'It cannot be turned with the key from below: something is jammed',
      ['motor:seized', 'overload'],
      [0.8, 0.03],
      1,
    ),
    look(
      'button',
      'The red button was out, and clicks when it is pressed',
      ['overload'],
      [0.9, 0.03],
      0.5,
    ),
    look(
      'wet',
      'Water drips from the bottom: the seal has gone',
      ['motor', 'start-switch'],
      [0.3, 0.03],
      0.5,
    ),
    look('outlet', 'Another thing in the outlet under the sink works', ['cord'], [0.03, 0.9], 1, {
      powered: true,
    }),
  ],
  energies: ['water'],
  cautions: ['Never a hand in the chamber: tongs, with the plug pulled.', CAUTIONS.edges],
});
